/**
 * Plans of classes of all sizes, read by the checklist by which an instructor would read them. The
 * points are common practice, no source.
 */
import { MASS_RATIO } from "../policy/pair-weights.ts";
import { below, seeded } from "../random/random.ts";
import type { PlanRung } from "./plan-rung.ts";
import type { PlanPerson } from "./plan.ts";
import { goodPlan, planOf, someone } from "./testing.ts";
import { CLOCK, total } from "./timetable.ts";

const ROWS = [
  "A jab -> B slip out, cross",
  "A lead hook -> B weave, cross",
  "A cross -> B parry, cross",
  "A rear hook -> B cover, cross",
];
const rungs: PlanRung[] = [1, 2, 3, 4].map((rows) => ({
  text: `tempo: 40%\n\n${ROWS.slice(0, rows).join("\n")}`,
  title: `${rows} rows`,
  load: 2 + 1.5 * rows,
}));
const MINUTES = 90;

/** A class drawn by chance: grown-ups of all sizes and levels, `minors` of them not yet. */
function drawn(size: number, minors: number, seed: number): PlanPerson[] {
  const random = seeded(seed);
  return Array.from({ length: size }, (_, i) =>
    someone(`p${String(i).padStart(2, "0")}`, {
      name: `P${i}`,
      height_cm: 158 + below(random, 35),
      mass_kg: 52 + below(random, 50),
      lead: below(random, 5) === 0 ? "right" : "left",
      age: i < minors ? "minor" : "adult",
      level: 1 + below(random, 5),
    }),
  );
}

describe.each([
  [4, 0],
  [7, 0],
  [12, 0],
  [13, 2],
  [20, 6],
  [31, 0],
])("%i people, %i of them minors", (size, minors) => {
  const people = drawn(size, minors, size * 31 + minors);
  const byId = new Map(people.map((p) => [p.id, p]));
  const plan = goodPlan(planOf({ minutes: MINUTES, people, rungs }));
  const members = plan.rounds.map((r) =>
    r.pairs.flatMap(({ a, b, c }) => [a, b, ...(c ? [c] : [])]).concat(r.alone.map((x) => x.id)),
  );

  test("nobody waits: each is in one place in each round, and at work", () => {
    for (const ids of members) expect([...ids].sort()).toEqual(people.map((p) => p.id));
    for (const round of plan.rounds) expect(round.alone).toEqual([]);
  });
  test("each feeds and answers, with either lead in front", () => {
    for (const share of plan.shares) {
      expect(share.feeding).toBeGreaterThan(0);
      expect(share.answering).toBeGreaterThan(0);
      expect(share.left).toBeGreaterThan(0);
      expect(share.right).toBeGreaterThan(0);
    }
  });
  test("the work is shared out evenly: nobody has two thirds of what another has, but in a trio", () => {
    const times = plan.shares.map((s) => s.working);
    expect(Math.min(...times)).toBeGreaterThanOrEqual((2 / 3) * Math.max(...times) - 1);
  });
  test("the same two do not meet again while both have others left who are as free as they", () => {
    const others = Math.min(minors > 0 ? minors - 1 : size, size - minors - 1);
    const rounds = plan.rounds.slice(0, Math.min(3, others));
    const met = new Set<string>();
    for (const { pairs } of rounds)
      for (const { a, b } of pairs) {
        const key = [a, b].sort().join("|");
        expect([size, key, met.has(key)]).toEqual([size, key, false]);
        met.add(key);
      }
  });
  test("minors work with minors", () => {
    for (const { pairs } of plan.rounds)
      for (const { a, b, c } of pairs) {
        const kinds = new Set([a, b, ...(c ? [c] : [])].map((id) => byId.get(id)!.age));
        expect(kinds.size).toBe(1);
      }
  });
  test("contact across a large weight gap is ruled out in words", () => {
    for (const { pairs } of plan.rounds)
      for (const { a, b, notes } of pairs) {
        const [one, two] = [byId.get(a)!.mass_kg!, byId.get(b)!.mass_kg!];
        if (Math.max(one, two) / Math.min(one, two) > MASS_RATIO) expect(notes.join()).toMatch(/Without contact/);
      }
  });
  test("a pair's rungs fit who answers, and work for its bodies", () => {
    for (const { pairs, block } of plan.rounds) {
      const own = plan.blocks.find((b) => b.id === block)!.rung!;
      for (const { a, b, c, rung, back, verdict, notes } of pairs) {
        const level = (id: string) => byId.get(id)!.level;
        const answerers = c
          ? [{ at: rung, by: Math.min(level(a), level(b), level(c)) }]
          : [
              { at: rung, by: level(b) },
              { at: back ?? rung, by: level(a) },
            ];
        for (const { at, by } of answerers) {
          if (by <= 2) expect(at).toBeLessThanOrEqual(Math.max(0, own - 1));
          if (by < 4) expect(at).toBeLessThanOrEqual(own);
        }
        if (verdict !== "broken") continue;
        // Only bodies that are very unlike: what is in their way is said, so that another answer is found.
        const [one, two] = [byId.get(a)!.height_cm!, byId.get(b)!.height_cm!];
        expect(Math.abs(one - two)).toBeGreaterThan(25);
        expect(notes.join()).toMatch(/Write|Try|Start|Step/);
      }
    }
  });
  test("warm-up first, time to explain, the hardest not last, and no minute too long", () => {
    expect(plan.blocks[0]!.kind).toBe("warm-up");
    expect(plan.blocks[plan.blocks.length - 1]!.kind).toBe("close");
    expect(total(plan.blocks)).toBeLessThanOrEqual(MINUTES);
    const work = plan.blocks.filter((b) => b.rung !== null);
    for (const b of work) expect(b.minutes * 60).toBeGreaterThan(b.rounds * CLOCK.round);
    expect(work[work.length - 1]!.rung).toBeLessThan(Math.max(...work.map((b) => b.rung!)));
  });
});
