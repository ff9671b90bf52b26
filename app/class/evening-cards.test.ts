import { rungWords } from "#core/class/rung-words.ts";
import { rolesIn } from "#core/class/roles.ts";
import { checkFor } from "#core/policy/judge.ts";
import { breaks } from "#core/calls/calls.ts";
import type { PlanPerson } from "#core/class/plan.ts";
import { goodPlan, planOf, someone } from "#core/class/testing.ts";
import { scoreView } from "#core/formats/desk-view.ts";
import { parse } from "#core/score/parse.ts";
import { defaultSchool } from "#core/policy/school.ts";
import { bodiesOf, callCard, isCalled, pairCard, roundsAhead, seedOf } from "./evening-cards.ts";

const school = defaultSchool();
const person = (id: string, more: Partial<PlanPerson> = {}) => someone(id, { name: `${id} Amsel`, ...more });
const PEOPLE = [person("Ada", { height_cm: 195 }), person("Bo", { height_cm: 160 }), person("Cid")];
const CLOCK = { round: 180, change: 30, rest: 45 };
const CALLED =
  "choose call:\n  one: A jab -> B parry\n  two: A cross -> B slip out\n  three: A lead hook -> B weave\nend\n";
const RUNGS = [
  {
    text: "A: lead left, wears mitts, mouthguard\n\nA jab -> B parry, cross\n",
    title: "The jab and its answer",
    load: 3,
  },
  { text: CALLED, title: "The coach calls", load: 5 },
];
const plan = goodPlan(planOf({ minutes: 60, clock: CLOCK, rungs: RUNGS, people: PEOPLE }));
const planned = (done: number) => ({
  ...plan,
  rounds: plan.rounds.map((round, i) => (i < done ? { ...round, done: true } : round)),
});
const pair = plan.rounds[0]!.pairs[0]!;
const rung = { ...RUNGS[pair.rung]!, ...rolesIn(RUNGS[pair.rung]!.text) };
const nameOf = (id: string) => PEOPLE.find((p) => p.id === id)?.name ?? "?";

test("cards are made for what is still ahead; for all of it when nothing is", () => {
  expect(roundsAhead(plan)).toHaveLength(plan.rounds.length);
  expect(roundsAhead(planned(2))[0]).toBe(2);
  const over = { ...plan, rounds: plan.rounds.map((r) => ({ ...r, done: true })) };
  expect(roundsAhead(over)).toHaveLength(plan.rounds.length);
});

describe("the card of a pair", () => {
  const words = rungWords([{ text: rung.text, operator: null }], school)[0]!;
  const bodies = bodiesOf(pair, PEOPLE);
  const view = scoreView(checkFor(parse(rung.text), school, bodies));
  const CARD = { plan, round: 0, pair, rung, words, clock: CLOCK, view, nameOf };
  const card = pairCard(CARD);
  test("is drawn for the two bodies themselves", () => {
    const usual = scoreView(checkFor(parse(rung.text), school));
    expect(bodies.A?.height).not.toBe(bodies.B?.height);
    expect(view.distance).not.toBeCloseTo(usual.distance, 2);
    expect(card.facts.join(" ")).toContain(`(${view.distance.toFixed(2)} m)`);
    expect(card.staves).toHaveLength(1);
  });
  test("names everybody with a letter, the third too, and no name is broken", () => {
    for (const letter of ["A", "B", "C"]) expect(card.title).toMatch(new RegExp(`${letter}\u00a0\\w+\u00a0Amsel`));
    const gloves = pairCard({ ...CARD, rung: { ...rung, pads: false } });
    expect(gloves.facts.join(" ")).toMatch(/C takes over/);
  });
  test("says which round, which rung, when roles change, and what is worn", () => {
    expect(card.place).toBe(`Round 1 of ${plan.rounds.length}: ${plan.blocks.find((b) => b.rung !== null)!.title}`);
    expect(card.facts[0]).toBe(`Your rung: ${pair.rung + 1}. ${rung.title}`);
    // Mitts stay on for a whole round.
    expect(card.facts[1]).toMatch(
      /Each holds for a third of the round: change at 1:00 and 2:00\. The two others hit in turn/,
    );
    const quick = { ...plan, rounds: plan.rounds.map((round) => ({ ...round, change: 30 })) };
    expect(pairCard({ ...CARD, plan: quick }).facts[1]).toMatch(/roles change every 30 s/);
    if (pair.rung === 0) expect(card.facts).toContain("A wears mitts, mouthguard.");
  });
  test("says in words what is done, what to think of, and when to go on", () => {
    expect(card.facts[card.facts.length - 1]).toMatch(/Go on when .*\.$/);
    expect(card.facts.join(" ")).toContain(words.play[0]!.text);
  });
  test("what the instructor should know stands on it", () => {
    const noted = { ...pair, notes: ["Without contact: the weight gap is too large."] };
    const { facts } = pairCard({ ...CARD, pair: noted });
    expect(facts).toContain("! Without contact: the weight gap is too large.");
  });
  test("somebody who has left is no body at all", () => {
    expect(bodiesOf({ ...pair, a: "gone", c: null }, PEOPLE)).toEqual({ A: {}, B: bodies.B });
  });
});

describe("the card of calls", () => {
  const view = scoreView(checkFor(parse(CALLED), school));
  const round = plan.rounds.length - 1;
  const card = (seed: number) => callCard(plan, round, view, CLOCK, seed)!;
  const calls = (seed: number) =>
    card(seed)
      .words.filter((w) => !w.includes("switch"))
      .map((w) => w.split("\u00a0\u00a0")[1]!);
  test("fills the round and no more, with a switch at each change of roles", () => {
    const { words } = card(1);
    expect(words.filter((w) => w.includes("switch roles")).map((w) => w.split("\u00a0")[0])).toEqual([
      "0:30",
      "1:00",
      "1:30",
      "2:00",
      "2:30",
    ]);
    expect(words.every((w) => !w.startsWith("3:"))).toBe(true);
    expect(calls(1).length).toBeGreaterThan(35);
  });
  test("every call comes about equally often, none three times running", () => {
    for (let seed = 1; seed < 20; seed++) {
      const order = calls(seed);
      const times = ["one", "two", "three"].map((name) => order.filter((x) => x === name).length);
      expect(Math.max(...times) - Math.min(...times)).toBeLessThanOrEqual(3);
      expect(breaks(order, "not three times")).toBe(false);
    }
  });
  test("says what each name stands for", () => {
    expect(card(1).facts[0]).toMatch(/one: jab, \d+×; two: cross, \d+×; three: lead hook, \d+×/);
  });
  test("is the same each time for a round, and another one for the next round and for another class", () => {
    expect(calls(seedOf("k", 3))).toEqual(calls(seedOf("k", 3)));
    expect(calls(seedOf("k", 3))).not.toEqual(calls(seedOf("k", 4)));
    expect(seedOf("5b3c7c1e", 0)).not.toBe(seedOf("5b3c7c1f", 0));
    expect(seedOf("5b3c7c1e", 0)).toBeGreaterThanOrEqual(1);
  });
  test("is made only where somebody chooses", () => {
    expect(RUNGS.map((r) => isCalled(r.text))).toEqual([false, true]);
    const alone = scoreView(checkFor(parse("A jab -> B parry"), school));
    expect(callCard(plan, round, alone, CLOCK, 1)).toBeNull();
  });
});
