/** Commands that make something new of a drill: variations, ladders, calls, bridges, cycles. */
import { checkFor } from "#core/policy/judge.ts";
import { CannotRun, readText, schoolFrom, type Common } from "./options.ts";
import { CALL_DEFAULTS, callRound } from "#core/calls/calls.ts";
import { callsText } from "#core/calls/exports.ts";
import { drillCalls } from "#core/calls/labels.ts";
import type { Checked } from "#core/drill/types.ts";
import type { School } from "#core/policy/school.ts";
import { parse } from "#core/score/parse.ts";
import { bridge } from "#core/search/bridge.ts";
import { headerRows } from "#core/score/edit.ts";
import { closingCounts, countsFor, flowSearch } from "#core/search/flow-search.ts";
import { FLOW_DEFAULTS } from "#core/search/flow-options.ts";
import { makeLadder } from "#core/ladder/ladder.ts";
import { GOALS, LADDER_DEFAULTS, type GoalId } from "#core/ladder/ladder-options.ts";
import { OPERATOR_NAMES } from "#core/vary/operator-names.ts";
import { vary } from "#core/vary/vary.ts";
import { finished } from "#core/base/work.ts";

const drillOf = (file: string, school: School): Checked => checkFor(parse(readText(file)), school);

const titleOf = ({ header }: Checked, file: string): string => `“${header.title ?? file}”`;

export function runVary(file: string, options: Common): number {
  const school = schoolFrom(options.school);
  const { good } = vary(drillOf(file, school), school);
  if (options.json)
    console.log(
      JSON.stringify(
        good.map(({ operator, parameters, changed, load, verdict, text }) => ({
          operator,
          parameters,
          changed,
          load,
          verdict,
          text,
        })),
      ),
    );
  else if (good.length === 0) console.log("No single change of this drill holds. Mend it first: vicissor check.");
  else
    for (const v of good)
      console.log(`${v.load.total.toFixed(1).padStart(6)}  ${OPERATOR_NAMES[v.operator]}: ${v.changed}`);
  return 0;
}

const isGoal = (word: string): word is GoalId => Object.keys(GOALS).includes(word);

export function runLadder(
  file: string,
  { seed, rungs, goal, ...options }: Common & { readonly seed: number; readonly rungs: number; readonly goal: string },
): number {
  if (!isGoal(goal)) throw new CannotRun(`--goal is one of ${Object.keys(GOALS).join(", ")}`);
  const school = schoolFrom(options.school);
  const drill = drillOf(file, school);
  const settings = { ...LADDER_DEFAULTS, order: school.customs.stages, seed, rungs, goal: GOALS[goal].goal };
  const result = finished(makeLadder(drill, school, settings));
  if (!result.ok) throw new CannotRun(result.message);
  const steps = result.rungs.map(({ operator, changed, text, checked, coaching }) => ({
    operator,
    changed,
    coaching,
    load: checked.load,
    verdict: checked.verdict,
    text,
  }));
  if (options.json) console.log(JSON.stringify({ partial: result.partial, notes: result.notes, rungs: steps }));
  else {
    for (const [i, rung] of steps.entries())
      console.log(`${String(i + 1).padStart(2)}. ${rung.load.total.toFixed(1).padStart(5)}  ${rung.changed}`);
    for (const note of result.notes) console.log(note);
  }
  return 0;
}

export function runCalls(
  file: string,
  {
    seed,
    count,
    choice,
    ...options
  }: Common & { readonly seed: number; readonly count: number; readonly choice: number },
): number {
  const school = schoolFrom(options.school);
  const { choices, turns, rotates } = drillCalls(drillOf(file, school), school.vocabulary);
  const called = choices[choice - 1];
  if (!called) throw new CannotRun(`there is no choice ${choice}; the drill has ${choices.length}`);
  const result = callRound({ ...CALL_DEFAULTS, labels: called.labels, turns, rotates, seed, count });
  if (!result.ok) throw new CannotRun(result.message);
  if (options.json) console.log(JSON.stringify(result.round));
  else process.stdout.write(callsText(result.round.items));
  return 0;
}

/** Says whose step brings the end of the first drill to the start of the second, and why. */
export function runBridge(first: string, second: string, options: Common): number {
  const school = schoolFrom(options.school);
  const [one, two] = [drillOf(first, school), drillOf(second, school)];
  const result = finished(bridge(one, two, school));
  if (!result.ok) throw new CannotRun(result.message);
  const ways = result.bridges.map(({ rows, text }) => ({ rows, text }));
  if (options.json) {
    console.log(JSON.stringify({ ways, why: result.why }));
    return 0;
  }
  console.log(`From ${titleOf(one, first)} to ${titleOf(two, second)}:`);
  for (const { rows } of ways) console.log(`  ${rows.length === 0 ? "go straight on" : rows.join("; ")}`);
  if (ways.some(({ rows }) => rows.length > 0)) for (const reason of result.why) console.log(reason);
  return 0;
}

/** Exit 1 where no cycle closes; then it says which numbers of counts do. */
export function runFlow(
  file: string | undefined,
  {
    moves,
    seed,
    counts = countsFor(moves),
    ...options
  }: Common & { readonly moves: readonly string[]; readonly seed: number; readonly counts?: number },
): number {
  if (moves.length === 0) throw new CannotRun('which moves? Say for instance --moves "jab, slip out, cross, parry"');
  const school = schoolFrom(options.school);
  const context = file ? headerRows(parse(readText(file))) : [];
  const settings = { ...FLOW_DEFAULTS, seed, counts, moves };
  const result = finished(flowSearch(context, school, settings));
  if (!result.ok) throw new CannotRun(result.message);
  const cycles = result.cycles.map(({ rows, evenness, checked, text }) => ({
    rows,
    evenness: Math.round(evenness * 100) / 100,
    load: checked.load,
    text,
  }));
  const others = cycles.length > 0 ? [] : finished(closingCounts(context, school, settings));
  if (options.json)
    console.log(JSON.stringify({ counts, tried: result.tried, whole: result.whole, cycles, closing: others }));
  else {
    for (const { rows, load } of cycles) console.log(`${load.total.toFixed(1).padStart(6)}  ${rows.join("; ")}`);
    if (cycles.length === 0) console.log(noCycle(counts, others));
  }
  return cycles.length > 0 ? 0 : 1;
}

function noCycle(counts: number, others: readonly number[]): string {
  const none = `No cycle of ${counts} counts closes with these moves.`;
  return others.length === 0
    ? `${none} Nor does one of any other length: add a move of the other side, or one that brings both back.`
    : `${none} These do: ${others.map((n) => `--counts ${n}`).join(", ")}.`;
}
