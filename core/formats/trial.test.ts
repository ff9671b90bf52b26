import { defaultSchool, readSchool } from "../policy/school.ts";
import { shippedMoves } from "../words/shipped.ts";
import { tryMove } from "./trial.ts";

const school = defaultSchool();
const move = (id: string, of = school) => [...of.vocabulary.moves.values()].find((m) => m.id === id)!;
const verdict = (pairs: readonly { feed: string; answer: string; verdict: string }[], feed: string, answer: string) =>
  pairs.find((p) => p.feed === feed && p.answer === answer)?.verdict;

// Common practice, no source.
test("an answer is tried against what a club throws, a feed against what it answers with", () => {
  const slip = tryMove(move("slip"), school);
  expect(verdict(slip.answers, "jab", "slip out")).toBe("valid");
  expect(verdict(slip.answers, "lead hook", "slip out")).toBe("invalid");
  expect(slip.answeredBy).toEqual([]);
  expect(slip.scene?.answer).toMatch(/slip/);
  const jab = tryMove(move("jab"), school);
  expect(verdict(jab.answeredBy, "jab high", "slip out")).toBe("valid");
  expect(jab.scene?.feed).toMatch(/jab/);
});
test("a school's own move is tried like any other", () => {
  const slip = shippedMoves.find((m) => m.id === "slip")!;
  const own = {
    ...slip,
    id: "reed",
    names: { english: ["reed bend"] },
    answer: [{ by: "displace" as const, side: { head: 0.02 }, way: "evade" as const }],
  };
  const result = readSchool({ moves: [own] });
  if (!result.ok) throw new Error(result.errors.join());
  const tried = tryMove(move("reed", result.school), result.school);
  expect(tried.answers.length).toBeGreaterThan(10);
  // Two centimetres of head take nobody off the line of a jab.
  expect(verdict(tried.answers, "jab", "reed bend out")).toBe("invalid");
});
