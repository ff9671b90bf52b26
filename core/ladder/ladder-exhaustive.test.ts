/** Ladders against every way up there is, on drills that are small enough to try them all. */
import { checkFor } from "../policy/judge.ts";
import type { Checked } from "../drill/types.ts";
import { seeded } from "../random/random.ts";
import { defaultSchool } from "../policy/school.ts";
import { parse } from "../score/parse.ts";
import { makeLadder } from "./ladder.ts";
import { LADDER_DEFAULTS, type LadderOptions } from "./ladder-options.ts";
import { firstRungs } from "./ladder-rows.ts";
import { stepped, steps } from "./ladder-steps.ts";
import { playOf } from "../vary/vary.ts";
import { finished } from "../base/work.ts";

const school = defaultSchool();
const ALL = 1e9;
const NEAR_GOAL = 0.9;

function made(base: Checked, options: LadderOptions): number {
  const result = finished(makeLadder(base, school, options));
  if (!result.ok) throw new Error(result.message);
  expect(result.rungs).toHaveLength(options.rungs);
  return result.unevenness;
}

interface Position {
  readonly text: string;
  readonly checked: () => Checked;
  readonly rows: number;
  readonly stage: number;
  readonly used: readonly string[];
}

/** The loads of every ladder of so many rungs, one after another, that is back at the tempo of the drill where any is. */
function everyWay(base: Checked, o: LadderOptions): number[][] {
  const ways = [...allWays(base, o)];
  const back = ways.filter(({ tempo }) => tempo >= base.header.tempo - 1e-9);
  return (back.length > 0 ? back : ways).map(({ loads }) => loads);
}

function* allWays(base: Checked, o: LadderOptions): Generator<{ readonly loads: number[]; readonly tempo: number }> {
  const climb = function* (
    at: Position,
    loads: readonly number[],
  ): Generator<{ readonly loads: number[]; readonly tempo: number }> {
    if (loads.length === o.rungs) {
      yield { loads: [...loads], tempo: at.checked().header.tempo };
      return;
    }
    for (const v of steps(at, loads.length, { base, school, options: o, random: seeded(1) })) {
      yield* climb({ ...v, ...stepped(at, v, o.order) }, [...loads, v.load.total]);
    }
  };
  for (const first of firstRungs(base, school)) yield* climb({ ...first, stage: 0, used: [] }, [first.load.total]);
}

const DRILLS = [
  "tempo: 40%\n\nA jab -> B slip out, cross\nA cross -> B parry",
  "tempo: 40%\n\nA rear hook -> B cover, cross\nA lead hook to body -> B elbow drop, rear uppercut",
  "tempo: 50%\n\nA jab, cross -> B parry, slip out, lead hook",
  "tempo: 40%\nA: holds stick 71 cm\nB: holds stick 71 cm\n\nA strike {1..3} -> B block {#}",
];
describe.each(DRILLS)("%s", (text) => {
  const base = checkFor(parse(text), school);
  const o: LadderOptions = { ...LADDER_DEFAULTS, rungs: 4, each: ALL, width: ALL };
  const ways = everyWay(base, o);
  const high = Math.min(base.load.total * o.goal.load, Math.max(...ways.map((loads) => loads[3]!)));
  const least = Math.min(
    ...ways
      .filter((loads) => loads[3]! >= high * NEAR_GOAL)
      .map((loads) => {
        const step = (loads[3]! - loads[0]!) / 3;
        return Math.max(...loads.slice(1).map((x, i) => Math.abs(x - loads[i]! - step) / step));
      }),
  );

  test("with all positions kept it is as even as the evenest of all ways up", () => {
    expect(ways.length).toBeGreaterThan(20);
    expect(made(base, o)).toBeCloseTo(least, 6);
  });
  test("with the few positions that are kept as a rule it is not far from it", () => {
    expect(made(base, { ...o, each: LADDER_DEFAULTS.each, width: LADDER_DEFAULTS.width }) - least).toBeLessThan(0.15);
  });
});
test("what is tried holds no drill twice in one step", () => {
  const base = checkFor(parse(DRILLS[1]!), school);
  const [first] = firstRungs(base, school);
  const next = steps({ ...first!, stage: 0, used: [] }, 2, {
    base,
    school,
    options: LADDER_DEFAULTS,
    random: seeded(1),
  });
  expect(new Set(next.map((v) => playOf(v.text))).size).toBe(next.length);
});
