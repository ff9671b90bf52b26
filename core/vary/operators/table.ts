/** Every operator by its id. */
import type { OperatorId } from "../operator-names.ts";
import * as answers from "./answers.ts";
import * as lines from "./lines.ts";
import * as cycles from "./cycles.ts";
import * as feeds from "./feeds.ts";
import * as felt from "./felt.ts";
import * as frame from "./frame.ts";
import * as mirrors from "./mirror.ts";
import type { Operator } from "./shared.ts";
import * as pads from "./pads.ts";
import * as runs from "./runs.ts";
import * as tools from "./tools.ts";

/** The function of each operator. */
export const OPERATOR_TABLE: Readonly<Record<OperatorId, Operator>> = {
  isolate: lines.isolate,
  solo: answers.solo,
  "tempo-down": frame.tempoDown,
  "other-answer": lines.otherAnswer,
  "other-height": lines.otherHeight,
  "other-feed": feeds.otherFeed,
  "other-tool": tools.otherTool,
  mirror: mirrors.mirror,
  "opposite-stance": frame.oppositeStance,
  "add-return": answers.addReturn,
  "second-line": answers.secondLine,
  "leave-line": answers.stepOff,
  exit: answers.exit,
  chain: lines.chain,
  "swap-hands": cycles.handChange,
  entry: cycles.entry,
  "opposite-finish": answers.oppositeFinish,
  context: frame.context,
  "swap-roles": frame.swapRoles,
  "answer-return": answers.answerReturn,
  punish: feeds.punish,
  restriction: frame.restriction,
  "third-person": frame.thirdPerson,
  feint: feeds.feint,
  "hidden-feed": feeds.hidden,
  "responders-choice": answers.respondersChoice,
  calls: feeds.calls,
  "feeders-choice": feeds.feedersChoice,
  "semi-live": frame.semiLive,
  "tempo-up": frame.tempoUp,
  contact: frame.contact,
  again: runs.again,
  sides: runs.sides,
  "on-count": runs.onCount,
  "one-go": runs.oneGo,
  "next-blow": pads.nextBlow,
  "swing-back": pads.swingBack,
  "any-time": pads.anyTime,
  "other-way": mirrors.otherWay,
  "harder-push": felt.harderPush,
  "sudden-push": felt.suddenPush,
  narrow: frame.narrow,
  pattern: cycles.pattern,
};
