import { answerBook } from "./answer-book.ts";
import { trainedPairs } from "./trained.ts";
import { trainedKey } from "./book.ts";
import { defaultSchool } from "../policy/school.ts";
import { finished } from "../base/work.ts";

const school = defaultSchool();
const keys = (feed: string, answer: string) => {
  const { feedKeys, answerKeys } = finished(answerBook({ feeds: [feed], answers: [answer] }, school));
  return [feedKeys[0]!, answerKeys[0]!] as const;
};

test("a pair that a class worked on is found under the keys of the book, with its last day", () => {
  const trained = trainedPairs(
    [
      { text: "A jab -> B slip out, cross\nA lead hook -> B cover", date: "2026-03-02", side: null },
      { text: "A: lead right\nB: lead left\n\nA jab -> B slip out", date: "2026-01-10", side: null },
      { text: "A jab -> B slip out", date: "2026-02-01", side: null },
    ],
    school,
  );
  expect(trained[trainedKey("left", ...keys("jab", "slip out"))]).toBe("2026-03-02");
  expect(trained[trainedKey("right", ...keys("jab", "slip out"))]).toBe("2026-01-10");
  expect(trained[trainedKey("left", ...keys("lead hook", "cover"))]).toBe("2026-03-02");
  expect(trained[trainedKey("left", ...keys("jab", "parry"))]).toBeUndefined();
});
test("a weapon counts by the hand that holds it, and unreadable texts count nothing", () => {
  const stick = "A: holds stick 71 cm\nB: holds stick 71 cm\n\nA forehand high -> B block high";
  const trained = trainedPairs(
    [
      { text: stick, date: "2026-03-02", side: null },
      { text: "-> -> ->", date: "2026-03-03", side: null },
    ],
    school,
  );
  expect(Object.keys(trained)).toEqual([trainedKey("left", ...keys("forehand high", "block high"))]);
});
