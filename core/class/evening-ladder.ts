/** The ladder that an evening works on where only a drill was chosen: made on the spot. */
import { finished } from "../base/work.ts";
import { makeLadder } from "../ladder/ladder.ts";
import { GOALS, LADDER_DEFAULTS } from "../ladder/ladder-options.ts";
import { checkFor } from "../policy/judge.ts";
import type { School } from "../policy/school.ts";
import { parse } from "../score/parse.ts";

/** A rung as it goes into the plan and the library. */
interface EveningRung {
  readonly text: string;
  readonly title: string;
  readonly load: number;
  readonly operator: string;
}
type EveningLadder =
  | { readonly ok: true; readonly rungs: readonly EveningRung[]; readonly notes: readonly string[] }
  | { readonly ok: false; readonly message: string };

/** Rungs of one evening: more than that nobody keeps apart. Common practice, no source. */
const RUNGS = 6;

/** The ladder of a drill for one evening; says why where the drill has no sound row to begin from. */
export function eveningLadder(text: string, school: School): EveningLadder {
  const options = { ...LADDER_DEFAULTS, goal: GOALS.quarter.goal, rungs: RUNGS };
  const made = finished(makeLadder(checkFor(parse(text), school), school, options));
  if (!made.ok) return made;
  const rungs = made.rungs.map(({ text: rung, changed, checked, operator }) => ({
    text: rung,
    title: changed,
    load: checked.load.total,
    operator: operator ?? "start",
  }));
  return { ok: true, rungs, notes: made.notes };
}
