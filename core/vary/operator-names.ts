/** The variation operators, what an instructor calls them, and the stage of a ladder at which each comes. */
import type { Stage } from "../policy/stages.ts";

const TABLE = {
  isolate: ["One exchange alone", "parts"],
  solo: ["Alone, at home", "parts"],
  "tempo-down": ["Slower", "parts"],
  "other-answer": ["Another sound answer", "variety"],
  "other-height": ["Another height", "variety"],
  "other-feed": ["Another feed for the same answer", "variety"],
  "other-tool": ["Another tool", "variety"],
  mirror: ["Other side", "variety"],
  "opposite-stance": ["The other foot in front", "variety"],
  "add-return": ["Add a return", "pairs"],
  "second-line": ["A second line of defence", "variety"],
  "leave-line": ["Step off with the answer", "pairs"],
  exit: ["A way out", "chains"],
  again: ["The same again", "chains"],
  sides: ["Each time on the other side", "chains"],
  "on-count": ["On the count", "chains"],
  "one-go": ["All in one go", "pairs"],
  "next-blow": ["One blow more on the pads", "pairs"],
  "swing-back": ["The holder swings back", "chains"],
  "any-time": ["A swing at any time", "uncertainty"],
  "other-way": ["The other way round", "variety"],
  "harder-push": ["A stronger push", "force"],
  "sudden-push": ["A sudden push", "uncertainty"],
  narrow: ["Feet together", "variety"],
  pattern: ["Another pattern of the cycle", "variety"],
  chain: ["Join two lines", "chains"],
  "swap-hands": ["The hands change in the cycle", "chains"],
  entry: ["An entry in the cycle", "chains"],
  "opposite-finish": ["Finish with the other class", "chains"],
  context: ["Another end", "variety"],
  "swap-roles": ["Roles change", "chains"],
  "answer-return": ["Counter for counter", "chains"],
  punish: ["The feeder uses what stays open", "chains"],
  restriction: ["Do with less", "variety"],
  "third-person": ["Three in a triangle", "variety"],
  feint: ["A feint before it", "uncertainty"],
  "hidden-feed": ["Hidden in your own attack", "uncertainty"],
  "responders-choice": ["Choice of answers", "uncertainty"],
  calls: ["The coach calls", "uncertainty"],
  "feeders-choice": ["The feeder chooses", "uncertainty"],
  "semi-live": ["Both move freely", "uncertainty"],
  "tempo-up": ["Faster", "tempo"],
  contact: ["Harder", "force"],
} as const satisfies Record<string, readonly [string, Stage]>;

export type OperatorId = keyof typeof TABLE;
export const OPERATORS = Object.keys(TABLE) as readonly OperatorId[];
export const OPERATOR_NAMES = Object.fromEntries(OPERATORS.map((id) => [id, TABLE[id][0]])) as Readonly<
  Record<OperatorId, string>
>;
export const stageOf = (id: OperatorId): Stage => TABLE[id][1];
