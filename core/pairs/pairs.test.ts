import fc from "fast-check";
import { pairUp, PAIR_WEIGHTS, scorePair, type Person } from "./pairs.ts";

const person = (n: number, more: Partial<Person> = {}): Person => ({
  id: String(n).padStart(3, "0"),
  name: `P${n}`,
  height: 1.6 + (n % 5) * 0.07,
  mass: 55 + (n % 7) * 6,
  minor: false,
  lead: "left",
  limits: [],
  ...more,
});
const NONE = new Map<string, number>();

/** Best total over all ways to pair an even group: the reference the matching must equal. */
function exhaustive(people: readonly Person[], met: ReadonlyMap<string, number>): number {
  if (people.length === 0) return 0;
  const [first, ...rest] = people;
  return Math.max(
    ...rest.map(
      (mate, i) =>
        scorePair(first!, mate, met, PAIR_WEIGHTS).score + exhaustive([...rest.slice(0, i), ...rest.slice(i + 1)], met),
    ),
  );
}

const group = (sizes: readonly number[]) =>
  fc.constantFrom(...sizes).chain((n) =>
    fc.tuple(
      fc.array(
        fc.record({
          height: fc.option(fc.double({ min: 1.48, max: 1.93, noNaN: true })),
          mass: fc.option(fc.integer({ min: 40, max: 105 })),
          minor: fc.boolean(),
        }),
        { minLength: n, maxLength: n },
      ),
      fc.array(fc.tuple(fc.nat(n - 1), fc.nat(n - 1), fc.integer({ min: 1, max: 4 })), { maxLength: 8 }),
    ),
  );
const build = ([measures, meetings]: [Partial<Person>[], [number, number, number][]]) => {
  const people = measures.map((m, i) => person(i, m));
  const met = new Map(
    meetings.filter(([a, b]) => a !== b).map(([a, b, n]) => [[people[a]!.id, people[b]!.id].sort().join("|"), n]),
  );
  return { people, met };
};

test("the sum of scores equals an exhaustive search, for 200 small classes", () => {
  fc.assert(
    fc.property(group([2, 4, 6, 8]), (input) => {
      const { people, met } = build(input as never);
      const result = pairUp(people, met);
      expect(result.kind === "pairs" && result.total).toBe(exhaustive(people, met));
    }),
    { numRuns: 200 },
  );
});

test("everybody is in exactly one pair, and an odd number makes exactly one three", () => {
  fc.assert(
    fc.property(group([3, 5, 6, 7, 9]), (input) => {
      const { people, met } = build(input as never);
      const result = pairUp(people, met);
      if (result.kind !== "pairs") throw new Error("expected pairs");
      const ids = result.pairs.flatMap((p) => [p.a, p.b, ...(p.c ? [p.c] : [])]).map((p) => p.id);
      expect([...ids].sort()).toEqual(people.map((p) => p.id).sort());
      expect(result.pairs.filter((p) => p.c).length).toBe(people.length % 2);
    }),
    { numRuns: 60 },
  );
});

test("is never worse than a greedy pass", () => {
  const people = Array.from({ length: 14 }, (_, i) => person(i));
  const left = [...people];
  let greedy = 0;
  while (left.length > 0) {
    const a = left.shift()!;
    left.sort((x, y) => scorePair(a, y, NONE, PAIR_WEIGHTS).score - scorePair(a, x, NONE, PAIR_WEIGHTS).score);
    greedy += scorePair(a, left.shift()!, NONE, PAIR_WEIGHTS).score;
  }
  const result = pairUp(people);
  expect(result.kind === "pairs" && result.total).toBeGreaterThanOrEqual(greedy);
});

describe("what makes a pair", () => {
  const score = (a: Partial<Person>, b: Partial<Person>, met = NONE) =>
    scorePair(person(1, a), person(2, b), met, PAIR_WEIGHTS);
  test("meetings, height, weight and age count against it, and it says so", () => {
    const plain = score({ height: 1.7, mass: 70 }, { height: 1.7, mass: 70 });
    expect(plain.why).toContain("not met before");
    expect(score({ height: 1.7, mass: 70 }, { height: 1.7, mass: 70 }, new Map([["001|002", 2]])).score).toBeLessThan(
      plain.score,
    );
    expect(score({ height: 1.5, mass: 70 }, { height: 1.9, mass: 70 }).score).toBeLessThan(plain.score);
    expect(score({ height: 1.7, mass: 50 }, { height: 1.7, mass: 90 }).why.join()).toMatch(/weight gap/);
    expect(score({ height: 1.7, minor: true }, { height: 1.7 }).why.join()).toMatch(/minor with an adult/);
  });
  test("a height that was never taken is said, not guessed", () => {
    expect(score({ height: null }, { height: 1.7 }).why).toContain("height not known");
  });
});

test("nobody and one person alone cannot pair", () => {
  expect(pairUp([])).toEqual({ kind: "too-few", count: 0 });
  expect(pairUp([person(1)])).toEqual({ kind: "too-few", count: 1 });
});

test("three people make one three", () => {
  const result = pairUp([person(1), person(2), person(3)]);
  expect(result.kind === "pairs" && result.pairs).toHaveLength(1);
});
