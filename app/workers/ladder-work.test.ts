/** What the worker gives the ladder screen: plain views of ladders, cycles and joins. */
import { checkFor } from "#core/policy/judge.ts";
import { defaultSchool } from "#core/policy/school.ts";
import { parse } from "#core/score/parse.ts";
import { GOALS } from "#core/ladder/ladder-options.ts";
import { vary } from "#core/vary/vary.ts";
import { bridgeWork, flowWork, ladderWork, variationView } from "./ladder-work.ts";

const school = defaultSchool();
const drill = (text: string) => checkFor(parse(text), school);
function done<T>(work: Generator<number, T>): { result: T; shares: number[] } {
  const shares: number[] = [];
  for (;;) {
    const step = work.next();
    if (step.done) return { result: step.value, shares };
    shares.push(step.value);
  }
}
const TWO = drill("title: Two\n\nA jab -> B slip out, cross\nA lead hook -> B weave, cross");

test("a ladder has views that can be sent, others for each rung, and the load it was to reach", () => {
  const { result, shares } = done(ladderWork(TWO, school, { rungs: 5, goal: GOALS.quarter.goal }));
  if (!result.ok) throw new Error(result.message);
  expect(structuredClone(result)).toEqual(result);
  expect(result.rungs).toHaveLength(5);
  expect(result.top).toBeCloseTo(TWO.load.total * 1.25, 6);
  expect(result.rungs[0]!.alternatives).toEqual([]);
  expect(result.rungs.slice(1).some((r) => r.alternatives.length > 0)).toBe(true);
  expect(Math.max(...shares)).toBeLessThanOrEqual(1);
  for (const r of result.rungs) expect(r.view.load.total).toBeGreaterThan(0);
});
test("what was made can be kept: its rungs are taken back with their rows", () => {
  const { result } = done(ladderWork(TWO, school, { rungs: 5 }));
  if (!result.ok) throw new Error(result.message);
  const kept = result.rungs.slice(0, 3).map(({ text, operator, changed, rows }) => ({ text, operator, changed, rows }));
  const again = done(ladderWork(TWO, school, { rungs: 5, seed: 7, kept, pins: [2] })).result;
  if (!again.ok) throw new Error(again.message);
  expect(again.rungs[2]!.view.load.total).toBe(result.rungs[2]!.view.load.total);
});
test("a ladder that cannot be made says why", () => {
  const { result } = done(ladderWork(TWO, school, { operators: [] }));
  expect(result).toMatchObject({ ok: false, message: expect.stringMatching(/No operator is allowed/) });
});
test("cycles are named by their strokes, and have a title when they are added", () => {
  const sticks = drill("A: holds stick 71 cm\nB: holds stick 71 cm\n\nA forehand high -> B block high");
  const moves = ["forehand high", "backhand low", "backhand high", "forehand low"];
  const { result } = done(flowWork(sticks, school, { text: "", moves, counts: 4, known: [] }));
  if (!result.ok) throw new Error(result.message);
  expect(result.cycles[0]!.text).toMatch(/^title: 4 counts\n/);
  expect(result.cycles[0]!.changed.split(", ")).toHaveLength(4);
  expect(result.cycles.every((c) => c.fresh)).toBe(true);
  expect(structuredClone(result)).toEqual(result);
});
test("a way from drill to drill says what stands between, or why there is none", () => {
  const near = done(bridgeWork(drill("A jab -> B step back"), TWO, school)).result;
  if (!near.ok) throw new Error(near.message);
  expect(near.ways[0]!.rows).toBeGreaterThan(0);
  // To recover is to be back in guard and in place.
  expect(near.ways[0]!.changed).toBe("both recover");
  const none = done(
    bridgeWork(TWO, drill("kind: sensitivity\nrange: trap\n\nA push to centre -> B turn"), school),
  ).result;
  expect(none.ok).toBe(false);
});
test("a variation keeps its operator, words and text", () => {
  const [first] = vary(TWO, school, ["mirror"]).good;
  expect(variationView(first!)).toMatchObject({ operator: "mirror", text: first!.text, changed: first!.changed });
});
