/** What holds of every plan, whoever is here. */
import fc from "fast-check";
import type { PlanPerson } from "./plan.ts";
import { goodPlan, planOf } from "./testing.ts";
import { blockFaults, packClass, total, workMinutes, type Clock } from "./timetable.ts";

const clock = fc.record({
  round: fc.constantFrom(60, 90, 120, 180, 240, 300),
  change: fc.constantFrom(15, 30, 60),
  rest: fc.constantFrom(0, 30, 60),
}) as fc.Arbitrary<Clock>;

test("any class is packed within its minutes, peak before the end, or it says why not", () => {
  fc.assert(
    fc.property(fc.integer({ min: 5, max: 240 }), fc.integer({ min: 1, max: 12 }), clock, (minutes, rungs, c) => {
      const titles = Array.from({ length: rungs }, (_, i) => `R${i + 1}`);
      const packed = packClass(minutes, titles, c);
      if (!packed.ok) return expect(packed.message).toMatch(/too short/);
      expect(total(packed.blocks)).toBeLessThanOrEqual(minutes);
      for (const b of packed.blocks) expect(b.minutes).toBeGreaterThan(0);
      // What is said to be worked is worked: its rounds, and a few minutes to show it and to look.
      for (const b of packed.blocks)
        if (b.kind === "work") expect(b.minutes - workMinutes(b.rounds, c)).toBeLessThanOrEqual(4);
      const loads = titles.map((_, i) => i);
      expect(blockFaults(packed.blocks, minutes, loads)).toEqual([]);
    }),
  );
});

const RUNGS = [
  "A jab -> B slip out",
  "A jab -> B slip out, cross",
  "A jab -> B slip out, cross\nA cross -> B parry",
].map((text, i) => ({ text, title: `R${i}`, load: i }));
const someone = fc.record({
  height_cm: fc.option(fc.integer({ min: 145, max: 200 })),
  mass_kg: fc.option(fc.integer({ min: 40, max: 110 })),
  age: fc.constantFrom("minor" as const, "adult" as const),
  level: fc.integer({ min: 1, max: 5 }),
  from: fc.constantFrom(0, 0, 0, 1, 2),
});
const people = fc.array(someone, { minLength: 2, maxLength: 14 }).map((all) =>
  all.map((p, i): PlanPerson => ({
    id: `p${String(i).padStart(2, "0")}`,
    name: `P${i}`,
    reach_cm: null,
    ages: null,
    lead: i % 3 === 0 ? "right" : "left",
    hand: "right",
    limits: [],
    until: null,
    ...p,
  })),
);
const plan = (all: readonly PlanPerson[]) => goodPlan(planOf({ minutes: 60, people: all, rungs: RUNGS }));

test("in every round each who is here stands in one place; no minor is with an adult unagreed", () => {
  fc.assert(
    fc.property(people, (all) => {
      const made = plan(all);
      made.rounds.forEach((round, r) => {
        const placed = [
          ...round.pairs.flatMap(({ a, b, c }) => [a, b, ...(c ? [c] : [])]),
          ...round.alone.map((x) => x.id),
        ];
        const here = all.filter((p) => p.from <= r).map((p) => p.id);
        expect([...placed].sort()).toEqual(here);
        for (const { a, b, c } of round.pairs) {
          const minors = new Set([a, b, ...(c ? [c] : [])].map((id) => all.find((p) => p.id === id)!.age));
          expect(minors.size).toBe(1);
        }
      });
    }),
    { numRuns: 30 },
  );
});
test("nobody is alone where the numbers of minors and adults allow partners for all", () => {
  fc.assert(
    fc.property(people, (all) => {
      const made = plan(all);
      made.rounds.forEach((round, r) => {
        const here = all.filter((p) => p.from <= r);
        const minors = here.filter((p) => p.age === "minor").length;
        const adults = here.length - minors;
        if (minors !== 1 && adults !== 1) expect(round.alone).toEqual([]);
      });
    }),
    { numRuns: 30 },
  );
});

test("no more gear is in use at once than is there, and every pair is told when it has it", () => {
  const mitts = [{ text: "A: wears mitts\nB: wears gloves\n\nA hold pads -> B jab, cross", title: "Pads", load: 3 }];
  fc.assert(
    fc.property(people, fc.integer({ min: 1, max: 4 }), (all, there) => {
      const made = goodPlan(planOf({ minutes: 60, people: all, rungs: mitts, gear: { mitts: there } }));
      for (const { pairs } of made.rounds) {
        const from = new Map<string, number>();
        for (const { notes } of pairs) {
          const turn = notes.map((note) => /have the mitts from (\S+)/.exec(note)?.[1]).find(Boolean);
          if (turn) from.set(turn, (from.get(turn) ?? 0) + 1);
          else expect(pairs.length).toBeLessThanOrEqual(there);
        }
        for (const count of from.values()) expect(count).toBeLessThanOrEqual(there);
      }
    }),
    { numRuns: 30 },
  );
});
