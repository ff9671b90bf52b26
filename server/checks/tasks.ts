/** What is computed beside the requests, in threads of its own: plain data in, plain data out. */
import { needsTap } from "#core/class/drill-cautions.ts";
import type { Bodies } from "#core/drill/check.ts";
import type { Checked } from "#core/drill/types.ts";
import { finished } from "#core/base/work.ts";
import { planClass, type ClassPlan, type PlanInput } from "#core/class/plan.ts";
import { eveningLadder } from "#core/class/evening-ladder.ts";
import { rungWords, type RungWords, type StoredRung } from "#core/class/rung-words.ts";
import { planRound, type OneRound, type RoundInput } from "#core/class/round.ts";
import { scoreView, type ScoreView } from "#core/formats/desk-view.ts";
import { checkFor } from "#core/policy/judge.ts";
import type { School } from "#core/policy/school.ts";
import { parse } from "#core/score/parse.ts";
import { revisionInput, summaryOf } from "../drills/revision-input.ts";
import type { Judged, RevisionInput } from "#db/drills.ts";

/** A text for the bodies of a pair. */
interface PairCheck {
  readonly text: string;
  readonly bodies: Bodies;
}
export interface PairVerdict {
  readonly verdict: Checked["verdict"];
  /** Distance of the two centres at the start, m. */
  readonly distance: number;
  /** What matters of what is said, errors first. */
  readonly notes: readonly string[];
  /** Somebody is held in it. */
  readonly taps: boolean;
}

export interface Tasks {
  readonly revision: { readonly ask: { readonly id: string; readonly text: string }; readonly answer: RevisionInput };
  /** All that the desk shows of a text. */
  readonly desk: { readonly ask: { readonly text: string }; readonly answer: ScoreView };
  readonly judge: { readonly ask: { readonly text: string }; readonly answer: Judged };
  readonly pairs: { readonly ask: readonly PairCheck[]; readonly answer: readonly PairVerdict[] };
  /** The ladder of a drill for one evening. */
  readonly ladder: { readonly ask: { readonly text: string }; readonly answer: ReturnType<typeof eveningLadder> };
  /** What is said with the rungs of a ladder. */
  readonly words: { readonly ask: readonly StoredRung[]; readonly answer: readonly RungWords[] };
  readonly round: { readonly ask: RoundInput; readonly answer: OneRound };
  readonly plan: { readonly ask: PlanInput; readonly answer: ClassPlan };
}
export type Task = keyof Tasks;

export const TASKS: { readonly [T in Task]: (ask: Tasks[T]["ask"], school: School) => Tasks[T]["answer"] } = {
  revision: ({ id, text }, school) => revisionInput(id, text, school),
  desk: ({ text }, school) => scoreView(checkFor(parse(text), school)),
  judge: ({ text }, school) => judged(text, school),
  pairs: (checks, school) => checks.map((check) => pairVerdict(check, school)),
  ladder: ({ text }, school) => eveningLadder(text, school),
  words: (rungs, school) => rungWords(rungs, school),
  round: planRound,
  plan: (input, school) => finished(planClass(input, school)),
};

function judged(text: string, school: School): Judged {
  const checked = checkFor(parse(text), school);
  return { verdict: checked.verdict, load: checked.load.total, summary: summaryOf(checked) };
}

/** Notes kept of one pair. */
const MAX_NOTES = 2;

function pairVerdict({ text, bodies }: PairCheck, school: School): PairVerdict {
  const checked = checkFor(parse(text), school, bodies);
  const { verdict, distance, findings } = checked;
  const grave = findings.filter((f) => f.severity !== "note");
  const errorsFirst = [...grave].sort((a, b) => Number(b.severity === "error") - Number(a.severity === "error"));
  return {
    verdict,
    distance: Math.round(distance * 100) / 100,
    notes: errorsFirst.slice(0, MAX_NOTES).map((f) => f.message),
    taps: needsTap(checked),
  };
}
