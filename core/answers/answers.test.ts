import { answerTexts, rankAnswers, rankFeeds, rankReturns } from "./answers.ts";
import { defaultSchool } from "../policy/school.ts";

const school = defaultSchool();
const texts = (found: readonly { text: string }[]) => found.map((f) => f.text);

test("what A holds decides what can be fed", () => {
  const bare = texts(rankFeeds(["A: lead left"], school));
  expect(bare).toEqual(expect.arrayContaining(["jab", "lead hook", "rear hook"]));
  expect(bare).not.toContain("forehand high");
  expect(bare).not.toContain("forehand");
  const stick = texts(rankFeeds(["A: holds stick 71 cm"], school));
  expect(stick.some((t) => t.startsWith("forehand"))).toBe(true);
  const felt = texts(rankFeeds(["kind: sensitivity"], school));
  expect(felt).toContain("lead push");
  expect(felt).not.toContain("jab");
});
// Common practice, no source.
test("after an answer those blows are offered that reach, with hands that are free", () => {
  const after = texts(rankReturns([], "A jab", "slip out", school));
  expect(after).toContain("cross");
  expect(after).not.toContain("jab to nothing");
  const away = texts(rankReturns([], "A jab", "step back", school));
  expect(away.length).toBeLessThan(after.length);
  expect(away).not.toContain("lead elbow");
});
test("a head that goes aside can go to either side; a body that turns or drops goes where it goes", () => {
  const of = (id: string) => answerTexts([...school.vocabulary.moves.values()].find((m) => m.id === id)!);
  expect(of("slip")).toEqual(["slip out", "slip in"]);
  expect(of("weave")).toEqual(["weave"]);
  expect(of("pivot")).toEqual(["pivot"]);
});
test("the best answer comes first, and nothing that does not work is given", () => {
  const found = rankAnswers([], "A lead hook", school);
  expect(found.length).toBeGreaterThan(5);
  const places = found.map(({ standard }) => standard).filter((place) => place !== null);
  expect(places).toEqual([...places].sort((a, b) => a - b));
  expect(found[0]!.text).toBe("cover");
  const others = found.filter(({ standard }) => standard === null).map(({ worth }) => worth);
  expect([...others].sort((a, b) => b - a)).toEqual(others);
  for (const { exchange } of found) expect(["valid", "risky"]).toContain(exchange.verdict);
  expect(texts(found)).not.toContain("slip out");
});
