import { drillCalls } from "./labels.ts";
import { CALL_DEFAULTS, callRound } from "./calls.ts";
import { defaultSchool } from "../policy/school.ts";
import { checkFor } from "../policy/judge.ts";
import { parse } from "../score/parse.ts";

const callsIn = (text: string) => drillCalls(checkFor(parse(text)), defaultSchool().vocabulary);
const choices = (text: string) => callsIn(text).choices.map(({ labels }) => labels.map(({ name }) => name));
const names = (text: string) => choices(text).flat();

test("labels of a choice are called; without one the feeds are", () => {
  expect(names("choose A:\n  one: A jab -> B catch\n  two: A cross -> B slip out\nend")).toEqual(["one", "two"]);
  expect(names("A jab -> B catch\nA cross -> B slip out\nA jab -> B parry")).toEqual(["jab", "cross"]);
});

test("a range is as many calls as it has numbers", () => {
  const sticks = "A: holds stick 71 cm\nB: holds stick 71 cm\n";
  expect(names(`${sticks}choose call:\n  A strike {1..4} -> B block {#}\nend`)).toEqual(["1", "2", "3", "4"]);
});

test("what is called is short: where a blow goes is left out while calls are told apart", () => {
  expect(names("range: kick\n\nA jab to head -> B catch\nA rear round kick to leg -> B shin check")).toEqual([
    "jab",
    "rear round kick",
  ]);
  expect(names("A lead hook to body -> B elbow drop\nA lead hook to head -> B cover")).toEqual([
    "lead hook to body",
    "lead hook to head",
  ]);
});

test("one choice is called at a time", () => {
  const choice = (feed: string) => `choose A:\n  one: A ${feed} -> B slip out\n  two: A lead hook -> B weave\nend\n`;
  expect(choices(choice("jab") + choice("cross"))).toEqual([
    ["one", "two"],
    ["one", "two"],
  ]);
  expect(callsIn(choice("jab") + choice("cross")).choices[1]!.name).toBe("Choice 2: one, two");
});

test("what shows how it goes wrong is not called", () => {
  expect(
    names("choose A:\n  one: A jab -> B catch\n  wrong: one: A jab -> B slip in\n  two: A cross -> B catch\nend"),
  ).toEqual(["one", "two"]);
});

test("people attack in the order of the drill, and a call turns it round", () => {
  const calls = callsIn(
    "formation: triangle 2 m\norder: A B C\nchoose call:\n  go: A jab at any -> any catch\n  turn: reverse\nend",
  );
  expect(calls.turns).toEqual(["A", "B", "C"]);
  expect(calls.rotates).toBe(true);
  const { labels } = calls.choices[0]!;
  expect(labels).toContainEqual({ name: "turn", weight: 1, reverses: true });
  const made = callRound({ ...CALL_DEFAULTS, turns: calls.turns, labels, count: 60, switchEvery: null, seed: 3 });
  expect(made.ok).toBe(true);
  if (!made.ok) return;
  let way = 1;
  let last: string | null = null;
  for (const { label, by } of made.round.items) {
    if (label === "turn") {
      expect(by).toBeNull();
      way = -way;
      continue;
    }
    const order = ["A", "B", "C"];
    if (last !== null) expect(by).toBe(order[(order.indexOf(last) + way + 3) % 3]);
    last = by;
  }
  expect(made.round.items.filter(({ label }) => label === "turn").length).toBeGreaterThan(10);
});

test("without an order nobody is named", () => {
  const { turns } = callsIn(
    "formation: triangle 2 m\nchoose call:\n  one: A jab at B -> B catch\n  two: B jab at C -> C catch\nend",
  );
  expect(turns).toBeNull();
});

describe("a feed that goes to either of the other two", () => {
  const HEAD = "formation: triangle 2 m\n";
  test("is one call, and at whom is said with it: never the one who attacks, each of the others as often", () => {
    const calls = callsIn(`${HEAD}order: A B C\n\nA jab at any -> any catch\nA cross at any -> any parry`);
    const { labels } = calls.choices[0]!;
    expect(labels).toEqual([
      { name: "jab", weight: 1, free: true },
      { name: "cross", weight: 1, free: true },
    ]);
    const made = callRound({ ...CALL_DEFAULTS, turns: calls.turns, labels, count: 60, switchEvery: null });
    if (!made.ok) throw new Error(made.message);
    const times = new Map<string, number>();
    for (const { label, by } of made.round.items) {
      const at = label.split(" at ")[1]!;
      expect(at).not.toBe(by);
      times.set(`${by}${at}`, (times.get(`${by}${at}`) ?? 0) + 1);
    }
    expect([...times.values()]).toEqual([10, 10, 10, 10, 10, 10]);
  });
  test("goes to the left or the right where nobody is named", () => {
    const { choices, turns } = callsIn(
      `${HEAD}choose call:\n  one: A jab at any -> any catch\n  two: A cross at any -> any catch\nend`,
    );
    const made = callRound({ ...CALL_DEFAULTS, turns, labels: choices[0]!.labels, count: 20, switchEvery: null });
    if (!made.ok) throw new Error(made.message);
    const sides = made.round.items.map(({ label }) => label.split(", ")[1]);
    expect(sides.filter((side) => side === "left")).toHaveLength(10);
    expect(new Set(sides)).toEqual(new Set(["left", "right"]));
  });
});
