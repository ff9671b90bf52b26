/** Blocks that are called, and evenings of two themes. How an evening is shared is common practice, no source. */
import { goodPlan, planOf, someone } from "./testing.ts";

test("what is called is heard by all: everybody is on the rung of the block, whatever their level", () => {
  const calls = "choose call:\n  one: A jab -> B parry\n  two: A cross -> B slip out\nend";
  const rungs = ["A jab -> B parry", calls, "A jab -> B slip out, cross"].map((text, load) => ({
    text,
    title: `R${load}`,
    load,
  }));
  const crowd = Array.from({ length: 8 }, (_, i) => someone(`p${i}`, { level: i < 2 ? 1 : i < 4 ? 5 : 3 }));
  const made = goodPlan(planOf({ people: crowd, rungs }));
  const block = made.blocks.find(({ rung }) => rung === 1)!;
  const on = made.rounds
    .filter((round) => round.block === block.id)
    .flatMap(({ pairs }) => pairs.map(({ rung }) => rung));
  expect(new Set(on)).toEqual(new Set([1]));
  const others = made.rounds
    .filter((round) => round.block !== block.id)
    .flatMap(({ pairs }) => pairs.map(({ rung }) => rung));
  expect(new Set(others).size).toBeGreaterThan(1);
});

describe("two themes", () => {
  const one = ["A jab -> B parry", "A jab -> B parry, cross", "A cross -> B slip out, cross"];
  const two = ["A lead hook -> B weave", "A rear hook -> B weave, cross", "A lead hook to body -> B elbow drop"];
  const rungs = [
    ...one.map((text, i) => ({ text, title: `Straight ${i + 1}`, load: 3 + i, theme: 0 as const })),
    ...two.map((text, i) => ({ text, title: `Round ${i + 1}`, load: 3 + i, theme: 1 as const })),
  ];
  const people = Array.from({ length: 8 }, (_, i) => someone(`p${i}`, { level: 1 + (i % 5) }));
  test("share the evening, each from its first step; nobody is put onto the other theme", () => {
    const made = goodPlan(planOf({ people, rungs, minutes: 90 }));
    const worked = made.blocks.filter(({ rung }) => rung !== null);
    const themes = worked.map(({ rung }) => rungs[rung!]!.theme);
    expect(themes).toEqual([...themes].sort());
    expect(worked.find(({ rung }) => rung! >= 3)!.title).toBe("Round 1");
    expect(worked[0]!.title).toBe("Straight 1");
    for (const { block, pairs } of made.rounds) {
      const base = made.blocks.find(({ id }) => id === block)!.rung!;
      for (const { rung } of pairs) expect(rungs[rung]!.theme).toBe(rungs[base]!.theme);
    }
  });
  test("more themes than minutes: the one that fits, and a sentence", () => {
    const made = goodPlan(planOf({ people, rungs, minutes: 20 }));
    expect(made.notes.join()).toMatch(/There are minutes for one of the two themes only/);
  });
});
