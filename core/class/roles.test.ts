/** Roles by what is held: pads for a whole round, three where the drill has a C. Common practice, no source. */
import { rolesIn } from "./roles.ts";
import { goodPlan, planOf, someone } from "./testing.ts";
import { changeOn, CLOCK } from "./timetable.ts";

const PADS = "A: wears mitts\nB: wears gloves\n\nA hold pads -> B jab, cross\nA hold pads -> B jab, cross, lead hook\n";
const THREES =
  "formation: triangle 2 m\norder: A B C\n\nA jab at B -> B slip out\nB cross at C -> C parry\nC jab at A -> A catch\n";
const people = (count: number) => Array.from({ length: count }, (_, i) => someone(`p${String(i).padStart(2, "0")}`));
const rung = (text: string) => ({ text, title: "T", load: 4 });

test("what a rung asks for is read from its text", () => {
  expect(rolesIn(PADS)).toEqual({ people: 2, pads: true, fed: true });
  expect(rolesIn(THREES)).toEqual({ people: 3, pads: false, fed: true });
  expect(rolesIn("A jab -> B catch")).toEqual({ people: 2, pads: false, fed: true });
  expect(rolesIn("kind: flow\n\nA jab -> B catch").fed).toBe(false);
  expect(rolesIn("loop 4 swap:\n  A jab -> B catch").fed).toBe(false);
});
test("pads change hands between rounds, once in a long one; gloves as the clock says", () => {
  expect(changeOn({ pads: true }, CLOCK)).toBe(CLOCK.round);
  expect(changeOn({ pads: true }, { ...CLOCK, round: 300 })).toBe(150);
  expect(changeOn({ pads: false }, CLOCK)).toBe(CLOCK.change);
});
test.each([4, 9, 13, 24])("%i people with pads: blocks of even rounds, each holds as long as they hit", (count) => {
  const plan = goodPlan(planOf({ people: people(count), rungs: [rung(PADS)], gear: { mitts: 20 } }));
  for (const block of plan.blocks.filter((one) => one.rung !== null)) expect(block.rounds % 2).toBe(0);
  for (const share of plan.shares) {
    if (count % 2 === 0) expect(share.feeding).toBe(share.answering);
    expect(share.left).toBeGreaterThan(0);
    expect(share.right).toBeGreaterThan(0);
  }
  expect(plan.rounds.every(({ change }) => change === CLOCK.round)).toBe(true);
  expect(plan.notes.join()).not.toMatch(/even number of rounds/);
});
test("an odd number of rounds with pads is said", () => {
  const block = { id: "w", kind: "work" as const, title: "Pads", minutes: 13, rung: 0, rounds: 3, locked: false };
  const plan = goodPlan(planOf({ people: people(4), rungs: [rung(PADS)], blocks: [block] }));
  expect(plan.notes.join()).toMatch(/Pads: with pads each holds for a whole round. Give it an even number/);
});
test.each([9, 13, 15, 31])("%i people on a drill for three stand in threes; nobody is left out", (count) => {
  const rungs = [rung("A jab -> B slip out"), rung(THREES)];
  const plan = goodPlan(planOf({ people: people(count), rungs }));
  const [easy, hard] = [0, 1].map((at) => plan.blocks.find((block) => block.rung === at)!);
  const on = (id: string) => plan.rounds.filter((round) => round.block === id);
  const pairsLeft = [0, 2, 1][count % 3]!;
  for (const { pairs, alone } of on(hard!.id)) {
    expect(alone).toEqual([]);
    expect(pairs.filter(({ c }) => c === null)).toHaveLength(pairsLeft);
    // Two do not work on what is for three.
    for (const pair of pairs) if (pair.c === null) expect(pair.rung).toBe(0);
  }
  for (const { pairs } of on(easy!.id)) expect(pairs.filter(({ c }) => c !== null).length).toBeLessThanOrEqual(1);
});
test("where there is nothing else for two they are told which rows are theirs", () => {
  const plan = goodPlan(planOf({ people: people(4), rungs: [rung(THREES)] }));
  expect(plan.rounds[0]!.pairs[0]!.notes[0]).toMatch(/^This is for three/);
});
