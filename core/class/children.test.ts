/** Classes of children, guests, games and circuits. Common practice, no source. */
import { agesApart, youngest } from "../pairs/ages.ts";
import { GUEST_LEVEL, NO_FACTS, scorePair, type Person } from "../pairs/score.ts";
import { CHILDREN_GAMES, GAMES, gameTitle } from "./games.ts";
import { type PlanPerson } from "./plan.ts";
import { clockFor } from "./block-needs.ts";
import { goodPlan, planOf, someone } from "./testing.ts";
import { circuit, CLOCK, inOrder, packClass, total } from "./timetable.ts";

const rungs = [
  "A jab -> B slip out",
  "A jab -> B slip out, cross",
  "A jab -> B slip out, cross\nA cross -> B parry",
].map((text, i) => ({ text, title: `Rung ${i + 1}`, load: i + 2 }));
const child = (i: number, ages: PlanPerson["ages"]): PlanPerson =>
  someone(`c${i}`, { name: `Child ${i}`, age: "minor" as const, ages, height_cm: 130, mass_kg: 30 });
const children = (count: number) => Array.from({ length: count }, (_, i) => child(i, i % 2 ? "7-9" : "10-12"));

describe("a class of children", () => {
  test("goes by the youngest; with adults, or ages unknown, as everybody does", () => {
    expect(youngest(children(4))?.id).toBe("7-9");
    expect(youngest([...children(4), someone("grown")])).toBeNull();
    expect(clockFor(children(4))).toEqual({ round: 45, change: 15, rest: 30, explain: 60 });
    expect(clockFor([someone("a"), someone("b")])).toEqual(CLOCK);
    expect(clockFor([child(1, null)])).toEqual(CLOCK);
  });
  test("plays a game between two blocks of work, at least every ten minutes of it", () => {
    const people = children(8);
    const plan = goodPlan(planOf({ minutes: 60, people, rungs, clock: clockFor(people) }));
    const kinds = plan.blocks.map(({ kind }) => kind);
    const work = plan.blocks.filter(({ kind }) => kind === "work");
    expect(kinds.filter((kind) => kind === "game")).toHaveLength(work.length - 1);
    for (const { minutes } of work) expect(minutes).toBeLessThanOrEqual(12);
    expect(plan.blocks.find(({ kind }) => kind === "drink")?.title).toBe("Drink, toilet");
    expect(total(plan.blocks)).toBeLessThanOrEqual(60);
    expect(plan.notes.join()).toMatch(/second adult/);
  });
  test("nobody has a partner more than one band away", () => {
    expect(agesApart("4-6", "10-12")).toBe(true);
    expect(agesApart("4-6", "7-9")).toBe(false);
    expect(agesApart(null, "4-6")).toBe(false);
    const people = [child(1, "4-6"), child(2, "10-12"), child(3, "4-6"), child(4, "10-12")];
    const plan = goodPlan(planOf({ minutes: 45, people, rungs }));
    for (const { pairs } of plan.rounds)
      for (const { a, b } of pairs) expect([a, b].sort().join()).toMatch(/c1,c3|c2,c4/);
  });
});

describe("a trial guest", () => {
  const of = (level: number): Person => ({
    ...{ id: `l${level}`, name: `L${level}`, height: 1.75, mass: 70, age: "adult" as const, lead: "left", limits: [] },
    level,
  });
  test("is best with whoever is steadiest, and least with another guest", () => {
    const score = (level: number) => scorePair(of(GUEST_LEVEL), { ...of(level), id: "other" }, NO_FACTS).score;
    expect(score(5)).toBeGreaterThan(score(3));
    expect(score(1)).toBeGreaterThan(score(GUEST_LEVEL));
  });
  test("works on the first rung, and the instructor reads so", () => {
    const people = [1, 2, 3].map((i) => someone(`p${i}`, { level: 5 }));
    const guest = someone("g", { name: "Gast", level: GUEST_LEVEL, limits: ["no contact"], from: 1 });
    const free = rungs.map((r) => ({ ...r, text: `contact: none\n\n${r.text}` }));
    const plan = goodPlan(planOf({ minutes: 60, people: [...people, guest], rungs: free }));
    expect(plan.notes.join()).toMatch(/Gast is here for the first time: a round to watch/);
    expect(plan.rounds[0]!.pairs.some(({ a, b, c }) => [a, b, c].includes("g"))).toBe(false);
    for (const { pairs } of plan.rounds)
      for (const { a, b, rung, back } of pairs) {
        if (b === "g") expect(rung).toBe(0);
        if (a === "g") expect(back ?? rung).toBe(0);
      }
  });
});

describe("games", () => {
  test("each says how it goes, how it is won and how long", () => {
    for (const one of GAMES) expect(gameTitle(one)).toMatch(/^Game: .*, \d+ s a go\. [A-Z].* Won by .*\.$/);
    expect(CHILDREN_GAMES.length).toBeGreaterThan(3);
  });
  test("stand behind the work, and one too many before the close", () => {
    const packed = packClass(45, ["One", "Two"], { ...CLOCK, round: 60 }, { games: ["Tag"] });
    if (!packed.ok) throw new Error(packed.message);
    const kinds = (blocks: typeof packed.blocks) => blocks.map(({ kind }) => kind).join(" ");
    expect(kinds(packed.blocks)).toBe("warm-up work game work close");
    const game = packed.blocks[2]!;
    expect(kinds(inOrder([...packed.blocks, { ...game, id: "g2" }, { ...game, id: "g3" }]))).toBe(
      "warm-up work game work game game close",
    );
  });
});

describe("a circuit", () => {
  const people = Array.from({ length: 6 }, (_, i) => someone(`p${i}`));
  const plan = goodPlan(planOf({ people, rungs, blocks: [circuit([0, 1, 2], CLOCK, "c")] }));
  test("has a round for each station, and each pair works at all of them with the same partner", () => {
    expect(plan.rounds).toHaveLength(3);
    const byPair = new Map<string, number[]>();
    for (const { pairs } of plan.rounds)
      for (const { a, b, rung } of pairs) {
        const key = [a, b].sort().join();
        byPair.set(key, [...(byPair.get(key) ?? []), rung]);
      }
    expect(byPair.size).toBe(3);
    for (const at of byPair.values()) expect([...at].sort()).toEqual([0, 1, 2]);
  });
  test("at any time the pairs are at different stations, so that gear is shared out", () => {
    for (const { pairs } of plan.rounds) expect(new Set(pairs.map(({ rung }) => rung)).size).toBe(3);
    const pads = [
      { ...rungs[0]!, text: "A: wears mitts\nB: wears gloves\n\nA hold pads -> B jab" },
      rungs[1]!,
      rungs[2]!,
    ];
    const short = goodPlan(
      planOf({ people, rungs: pads, gear: { mitts: 1 }, blocks: [circuit([0, 1, 2], CLOCK, "c")] }),
    );
    expect(short.notes.join()).not.toMatch(/mitts/);
    expect(short.rounds.every(({ change }) => change! <= CLOCK.round / 2)).toBe(true);
  });
});

test("an evening that is carried on begins with the rung that was reached", () => {
  const people = [someone("a"), someone("b")];
  const six = Array.from({ length: 6 }, (_, i) => ({ ...rungs[0]!, title: `Rung ${i + 1}`, load: i }));
  const plan = goodPlan(planOf({ people, rungs: six, begin: 3 }));
  const work = plan.blocks.filter(({ rung }) => rung !== null).map(({ rung }) => rung);
  expect(work[0]).toBe(3);
  expect(Math.min(...work.map((rung) => rung!))).toBe(3);
  expect(work).toContain(5);
});
