/** Combinations answered as a whole; which answers go together is common practice, no source. */
import { defaultSchool } from "../policy/school.ts";
import { rankCombined, thrownInTurn } from "./combined.ts";

const school = defaultSchool();
const ranked = (turn: string, context: readonly string[] = []) =>
  rankCombined(context, "A", thrownInTurn(context, turn, school), school);
const first = (turn: string, context: readonly string[] = []) => ranked(turn, context)[0]?.text;
const STICKS = ["A: holds stick 71 cm", "B: holds stick 71 cm"];

test.each([
  ["A jab, cross", [], "catch, slip out"],
  ["A 1-2", [], "catch, slip out"],
  ["A jab, cross, lead hook", [], "catch, slip out, cover"],
  ["A lead hook to body, lead hook", [], "elbow drop, cover"],
  ["A jab, rear round kick to leg", [], "catch, shin check"],
  ["A jab, double leg", [], "catch, sprawl"],
  ["A forehand high, forehand low", STICKS, "block, low sweep"],
  ["A push to left chest, push to right chest", ["kind: sensitivity"], "turn, turn"],
])("%s %j: %s", (turn, context, answers) => {
  expect(first(turn, context)).toBe(answers);
});

test("a step between the blows needs no answer", () => {
  expect(first("A step in, jab, cross")).toBe("catch, slip out");
});

test("each feed is met in time, and no list stands twice", () => {
  const found = ranked("A jab, cross, lead hook");
  expect(found.length).toBeGreaterThan(8);
  expect(new Set(found.map(({ text }) => text)).size).toBe(found.length);
  for (const { exchanges } of found) {
    expect(exchanges).toHaveLength(3);
    for (const { verdict, ceiling } of exchanges) {
      expect(["valid", "risky"]).toContain(verdict);
      expect(ceiling!).toBeGreaterThan(0.1);
    }
  }
});

test("one feed is no combination, and what has no answer has no list", () => {
  expect(thrownInTurn([], "A jab", school)).toEqual([]);
  expect(thrownInTurn([], "A jab -> B catch", school)).toEqual([]);
  expect(thrownInTurn([], "frobnicate", school)).toEqual([]);
  expect(rankCombined([], "A", ["frobnicate", "jab"], school)).toEqual([]);
  expect(ranked("A step in, step back")).toEqual([]);
});
