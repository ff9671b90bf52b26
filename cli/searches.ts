/** Commands that make something new of a drill: variations, ladders, calls, bridges, cycles. */
import { checkFor } from "#core/policy/judge.ts";
import { CannotRun, readText, USAGE, type Options } from "./options.ts";
import { CALL_DEFAULTS, callRound } from "#core/calls/calls.ts";
import { callsText } from "#core/calls/exports.ts";
import { drillCalls } from "#core/calls/labels.ts";
import type { Checked } from "#core/drill/types.ts";
import type { School } from "#core/policy/school.ts";
import { parse } from "#core/score/parse.ts";
import { bridge } from "#core/search/bridge.ts";
import { headerRows } from "#core/score/edit.ts";
import { FLOW_DEFAULTS, flowSearch } from "#core/search/flow-search.ts";
import { makeLadder } from "#core/ladder/ladder.ts";
import { GOALS, LADDER_DEFAULTS } from "#core/ladder/ladder-options.ts";
import { OPERATOR_NAMES } from "#core/vary/operator-names.ts";
import { vary } from "#core/vary/vary.ts";
import { finished } from "#core/base/work.ts";

function drillOf(file: string | undefined, school: School): Checked {
  if (!file) throw new CannotRun(`which drill?\n${USAGE}`);
  return checkFor(parse(readText(file)), school);
}

export function runVary([file]: readonly string[], { json, school }: Options): number {
  const { good } = vary(drillOf(file, school), school);
  if (json)
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
  else
    for (const v of good)
      console.log(`${v.load.total.toFixed(1).padStart(6)}  ${OPERATOR_NAMES[v.operator]}: ${v.changed}`);
  return 0;
}

export function runLadder([file]: readonly string[], { json, school, seed, rungs, goal }: Options): number {
  const drill = drillOf(file, school);
  const options = { ...LADDER_DEFAULTS, order: school.customs.stages, seed, rungs, goal: GOALS[goal].goal };
  const result = finished(makeLadder(drill, school, options));
  if (!result.ok) throw new CannotRun(result.message);
  const steps = result.rungs.map(({ operator, changed, text, checked, coaching }) => ({
    operator,
    changed,
    coaching,
    load: checked.load,
    verdict: checked.verdict,
    text,
  }));
  if (json) console.log(JSON.stringify({ partial: result.partial, notes: result.notes, rungs: steps }));
  else {
    for (const [i, rung] of steps.entries())
      console.log(`${String(i + 1).padStart(2)}. ${rung.load.total.toFixed(1).padStart(5)}  ${rung.changed}`);
    for (const note of result.notes) console.log(note);
  }
  return 0;
}

export function runCalls([file]: readonly string[], { json, school, seed, count, choice }: Options): number {
  const { choices, turns, rotates } = drillCalls(drillOf(file, school), school.vocabulary);
  const called = choices[choice - 1];
  if (!called) throw new CannotRun(`there is no choice ${choice}; the drill has ${choices.length}`);
  const result = callRound({ ...CALL_DEFAULTS, labels: called.labels, turns, rotates, seed, count });
  if (!result.ok) throw new CannotRun(result.message);
  if (json) console.log(JSON.stringify(result.round));
  else process.stdout.write(callsText(result.round.items));
  return 0;
}

/** Exit 1 where no way from the one to the other was found. */
export function runBridge([one, two]: readonly string[], { json, school }: Options): number {
  const first = drillOf(one, school);
  if (!two) throw new CannotRun(`which drill comes after it?\n${USAGE}`);
  const result = finished(bridge(first, drillOf(two, school), school));
  if (!result.ok) throw new CannotRun(result.message);
  const ways = result.bridges.map(({ rows, text }) => ({ rows, text }));
  if (json) console.log(JSON.stringify({ ways }));
  else if (ways.length === 0) console.log("no way found");
  else for (const { rows } of ways) console.log(rows.length === 0 ? "goes on at once" : rows.join("; "));
  return ways.length > 0 ? 0 : 1;
}

/** Exit 1 where no cycle closes. */
export function runFlow([file]: readonly string[], { json, school, seed, counts, moves }: Options): number {
  if (moves.length === 0) throw new CannotRun('which moves? Say for instance --moves "jab, slip out, cross, parry"');
  const context = file ? headerRows(parse(readText(file))) : [];
  const result = finished(flowSearch(context, school, { ...FLOW_DEFAULTS, seed, counts, moves }));
  if (!result.ok) throw new CannotRun(result.message);
  const cycles = result.cycles.map(({ rows, evenness, checked, text }) => ({
    rows,
    evenness: Math.round(evenness * 100) / 100,
    load: checked.load,
    text,
  }));
  if (json) console.log(JSON.stringify({ tried: result.tried, whole: result.whole, cycles }));
  else for (const { rows, load } of cycles) console.log(`${load.total.toFixed(1).padStart(6)}  ${rows.join("; ")}`);
  return cycles.length > 0 ? 0 : 1;
}
