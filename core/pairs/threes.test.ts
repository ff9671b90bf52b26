/** Threes for drills with a third person of their own. How an odd class is split is common practice, no source. */
import { PAIR_WEIGHTS } from "../policy/pair-weights.ts";
import { finished } from "../base/work.ts";
import { planEvening, type EveningOptions } from "./evening.ts";
import type { Person } from "./score.ts";

const person = (i: number, more: Partial<Person> = {}): Person => ({
  id: `p${String(i).padStart(2, "0")}`,
  name: `P${i}`,
  height: 1.7,
  mass: 70,
  age: "adult" as const,
  lead: "left",
  level: 3,
  limits: [],
  ...more,
});
function rounds(people: readonly Person[], more: Partial<EveningOptions>) {
  const options = {
    rounds: 4,
    weights: PAIR_WEIGHTS,
    wishes: [],
    met: new Map<string, number>(),
    done: [],
    locked: [],
  };
  const attendees = people.map((one) => ({ person: one, from: 0, until: null }));
  return finished(planEvening(attendees, { ...options, ...more })).rounds;
}
const ids = ({ a, b, c }: { a: Person; b: Person; c: Person | null }) => [a, b, ...(c ? [c] : [])].map(({ id }) => id);

test.each([
  [3, 1, 0],
  [4, 0, 2],
  [5, 1, 1],
  [6, 2, 0],
  [9, 3, 0],
  [13, 3, 2],
  [15, 5, 0],
  [31, 9, 2],
])("%i people make %i threes and %i pairs, each in one place", (count, threes, pairs) => {
  const people = Array.from({ length: count }, (_, i) => person(i));
  for (const round of rounds(people, { threes: new Set([0, 1, 2, 3]) })) {
    expect(round.pairs.filter(({ c }) => c !== null)).toHaveLength(threes);
    expect(round.pairs.filter(({ c }) => c === null)).toHaveLength(pairs);
    expect([...round.pairs.flatMap(ids), ...round.alone.map((x) => x.person.id)].sort()).toEqual(
      people.map(({ id }) => id),
    );
  }
});
test("nobody is third to somebody they may not work with", () => {
  const people = Array.from({ length: 9 }, (_, i) => person(i, { age: i < 3 ? "minor" : "adult" }));
  for (const round of rounds(people, { threes: new Set([0, 1, 2, 3]) }))
    for (const pair of round.pairs) {
      const minors = new Set([pair.a, pair.b, ...(pair.c ? [pair.c] : [])].map((one) => one.age));
      expect(minors.size).toBe(1);
    }
});
test("partners who stay change their roles, and have met once", () => {
  const people = Array.from({ length: 6 }, (_, i) => person(i));
  const made = rounds(people, { again: new Set([1, 3]) });
  const said = (r: number) => made[r]!.pairs.map(({ a, b }) => `${a.id} ${b.id}`);
  expect(said(1)).toEqual(made[0]!.pairs.map(({ a, b }) => `${b.id} ${a.id}`));
  expect(said(3)).toEqual(made[2]!.pairs.map(({ a, b }) => `${b.id} ${a.id}`));
  const met = new Set([0, 2].flatMap((r) => made[r]!.pairs.map(({ a, b }) => [a.id, b.id].sort().join())));
  expect(met.size).toBe(6);
});
test("who comes later breaks up those who would have stayed", () => {
  const people = Array.from({ length: 4 }, (_, i) => person(i));
  const attendees = people.map((one, i) => ({ person: one, from: i < 2 ? 0 : 1, until: null }));
  const options = { rounds: 2, weights: PAIR_WEIGHTS, wishes: [], met: new Map(), done: [], locked: [] };
  const [, second] = finished(planEvening(attendees, { ...options, again: new Set([1]) })).rounds;
  expect(second!.pairs.flatMap(ids).sort()).toEqual(people.map(({ id }) => id));
});
