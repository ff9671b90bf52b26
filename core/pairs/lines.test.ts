/** Lines that move on by a place: what a room does with many people. Common practice, no source. */
import { finished } from "../base/work.ts";
import { planEvening, type Attendee, type Evening, type EveningOptions } from "./evening.ts";
import { LINES_FROM, OUT_OF_LINE } from "./lines.ts";
import { NO_FACTS, pairKey, scorePair, type Person } from "./score.ts";
import { PAIR_WEIGHTS } from "../policy/pair-weights.ts";
import { below, seeded } from "../random/random.ts";

const random = seeded(7);
const person = (i: number, more: Partial<Person> = {}): Person => ({
  id: `p${String(i).padStart(2, "0")}`,
  name: `P${i}`,
  height: 1.58 + below(random, 35) / 100,
  mass: 52 + below(random, 45),
  age: "adult" as const,
  lead: "left",
  level: 1 + below(random, 5),
  limits: [],
  ...more,
});
const stayed = (people: readonly Person[]): Attendee[] => people.map((one) => ({ person: one, from: 0, until: null }));
const OPTIONS: EveningOptions = {
  rounds: 8,
  weights: PAIR_WEIGHTS,
  wishes: [],
  met: new Map(),
  done: [],
  locked: [],
  lines: true,
};
const evening = (attendees: readonly Attendee[], more: Partial<EveningOptions> = {}): Evening =>
  finished(planEvening(attendees, { ...OPTIONS, ...more }));
const group = (count: number) => Array.from({ length: count }, (_, i) => person(i));
const placed = ({ pairs, alone }: Evening["rounds"][number]) =>
  [...pairs.flatMap(({ a, b, c }) => (c ? [a, b, c] : [a, b])), ...alone.map((one) => one.person)].map(({ id }) => id);

test.each([16, 24, 31, 60])("%i people: everybody is in one place, and nobody meets a partner twice", (count) => {
  const people = group(count);
  const { rounds, lines } = evening(stayed(people));
  expect(lines).toHaveLength(1);
  expect(lines[0]!.stays).toHaveLength(Math.ceil(count / 2));
  const met = new Set<string>();
  for (const round of rounds) {
    expect(placed(round).sort()).toEqual(people.map(({ id }) => id));
    expect(round.alone).toEqual([]);
    for (const { a, b } of round.pairs) {
      expect(met.has(pairKey(a.id, b.id))).toBe(false);
      met.add(pairKey(a.id, b.id));
    }
  }
});
test("one line stays and the other goes on by a place", () => {
  const { rounds, lines } = evening(stayed(group(16)));
  const [{ stays, moves }] = lines as [(typeof lines)[number]];
  rounds.forEach(({ pairs }, r) =>
    expect(pairs.map(({ a, b }) => [a.id, b.id])).toEqual(
      stays.map(({ id }, i) => [id, moves[(i + r) % moves.length]!.id]),
    ),
  );
});
test("the order is better than the one in which they stand on the list", () => {
  const people = group(20);
  const { rounds } = evening(stayed(people));
  const facts = { ...NO_FACTS, weights: PAIR_WEIGHTS };
  const sum = (pairs: readonly (readonly [Person, Person])[]) =>
    pairs.reduce((all, [a, b]) => all + scorePair(a, b, facts).score, 0);
  const made = sum(rounds.flatMap(({ pairs }) => pairs.map(({ a, b }) => [a, b] as const)));
  const listed = sum(
    rounds.flatMap((_, r) => people.slice(0, 10).map((a, i) => [a, people[10 + ((i + r) % 10)]!] as const)),
  );
  expect(made).toBeGreaterThan(listed);
});
test("of an odd number another one is the third each time", () => {
  const thirds = evening(stayed(group(15)), { rounds: 6 }).rounds.map(({ pairs }) => pairs.find(({ c }) => c)?.c?.id);
  expect(thirds.every(Boolean)).toBe(true);
  expect(new Set(thirds).size).toBe(6);
});
test("minors and adults stand in lines of their own", () => {
  const people = Array.from({ length: 18 }, (_, i) => person(i, { age: i < 6 ? "minor" : "adult" }));
  const { rounds, lines } = evening(stayed(people));
  expect(lines.map(({ stays }) => stays.length)).toEqual([3, 6]);
  for (const { pairs } of rounds) for (const { a, b } of pairs) expect(a.age).toBe(b.age);
});
test("two who are kept apart change with the next pair, and it is said", () => {
  const people = group(14);
  const wishes = people.slice(1, 13).map(({ id }) => ({ a: "p00", b: id, kind: "apart" as const }));
  const { rounds } = evening(stayed(people), { wishes });
  for (const { pairs } of rounds)
    for (const { a, b } of pairs)
      if (a.id === "p00" || b.id === "p00") expect([a.id, b.id].sort()).toEqual(["p00", "p13"]);
  expect(rounds.flatMap(({ pairs }) => pairs).some(({ why }) => why.includes(OUT_OF_LINE))).toBe(true);
});
test("late comers stand at the end of the shorter line, and who leaves is missed by nobody", () => {
  const attendees = stayed(group(16)).map((one, i) => ({ ...one, from: i > 13 ? 3 : 0, until: i === 2 ? 5 : null }));
  const { rounds } = evening(attendees);
  rounds.forEach((round, r) => {
    const here = attendees.filter(({ from, until }) => from <= r && (until === null || r < until));
    expect(placed(round).sort()).toEqual(here.map((one) => one.person.id));
    expect(round.alone).toEqual([]);
  });
});
test("who is put together by hand is called by name for that round", () => {
  const { rounds } = evening(stayed(group(LINES_FROM + 1)), { locked: [{ round: 2, a: "p03", b: "p09", c: null }] });
  expect(rounds[2]!.pairs.some(({ a, b, locked }) => locked && a.id === "p03" && b.id === "p09")).toBe(true);
});
