/** What stands on paper and on the wall with a rung: who does what in words, cues, a fault, when to go on. */
import { parse } from "../score/parse.ts";
import { checkFor } from "../policy/judge.ts";
import type { School } from "../policy/school.ts";
import { allDone } from "../drill/done.ts";
import type { Checked } from "../drill/types.ts";
import { coachingOf, type Coaching } from "../ladder/coaching.ts";
import { vary } from "../vary/vary.ts";
import { OPERATORS, type OperatorId } from "../vary/operator-names.ts";
import { needsTap } from "./drill-cautions.ts";
import { inWords, type SaidRow } from "./in-words.ts";

/** A rung as it is kept; `operator`: what made it of the one before, as it was stored. */
export interface StoredRung {
  readonly text: string;
  readonly operator: string | null;
  readonly theme?: 0 | 1;
}

/** A rung in words for a teacher: name, cues, fault, feeder, when to go on. */
export interface RungWords extends Pick<Coaching, "cues" | "fault" | "feeder" | "goOn"> {
  readonly play: readonly SaidRow[];
  /** A blow of it goes to the head. */
  readonly toHead: boolean;
  /** Two taps end every hold of it: a person who is held cannot always speak. */
  readonly taps: boolean;
  /** What of it is done alone at home, in words; empty where it takes two. */
  readonly alone: readonly string[];
}

const known = (operator: string | null): OperatorId | "rows" | null =>
  operator === "rows" || OPERATORS.some((id) => id === operator) ? (operator as OperatorId | "rows") : null;

/** The words of each rung; what is new is taken against the one before. */
export function rungWords(rungs: readonly StoredRung[], school: School): RungWords[] {
  let before: Checked | null = null;
  return rungs.map(({ text, operator, theme }, i) => {
    // Another theme has nothing before it.
    if (theme !== rungs[i - 1]?.theme) before = null;
    const checked: Checked = checkFor(parse(text), school);
    const { cues, fault, feeder, goOn } = coachingOf(checked, before, known(operator));
    before = checked;
    const play = inWords(checked.score, checked.header);
    const toHead = allDone(checked).some(({ blow }) => blow?.zone === "head");
    return { play, toHead, taps: needsTap(checked), alone: aloneOf(checked, school), cues, fault, feeder, goOn };
  });
}

/** What one person does of a drill without the other. */
function aloneOf(checked: Checked, school: School): string[] {
  const parts =
    checked.header.kind === "solo"
      ? [checked]
      : vary(checked, school, ["solo"]).good.map(({ text }) => checkFor(parse(text), school));
  const rows = parts.flatMap(({ score, header }) => inWords(score, header).map(({ text }) => text));
  return [...new Set(rows)];
}
