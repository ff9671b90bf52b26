/** Games as screens and paper show them: the table, what scores, whether it is fair. */
import { check } from "../drill/check.ts";
import { parse } from "../score/parse.ts";
import { inWords } from "../class/in-words.ts";
import { scoreView } from "./desk-view.ts";

const GAME = (head: string, bMay = "catch, jab | step back") => `${head}
game Small:
  start: A guard; range 1.2 m
  A may: jab | jab, jab
  B may: ${bMay}
  A scores: line 1
  B scores: clean with return 2, clean 1
  touch: to the glove
  ends: 3 points or 90 s
  swap: every 8 feeds
end`;
const view = (text: string) => scoreView(check(parse(text))).games[0]!;

test("the table has a row for each feed and a cell for each answer", () => {
  const { tables, feeder } = view(GAME(""));
  expect(feeder).toBe("A");
  expect(tables).toHaveLength(1);
  expect(tables[0]).toMatchObject({ actor: "B", feeds: ["jab", "jab, jab"], answers: ["catch, jab", "step back"] });
  expect(tables[0]!.cells.map((row) => row.map(({ verdict }) => verdict))).toEqual([
    ["valid", "valid"],
    ["invalid", "valid"],
  ]);
});

test("who moves for a feint has moved for nothing, who stays has not", () => {
  const feints = GAME("")
    .replace("jab | jab, jab", "jab | ~jab")
    .replace("catch, jab | step back", "catch, jab | stay");
  expect(view(feints).tables[0]!.cells.map((row) => row.map(({ forNothing }) => forNothing))).toEqual([
    [false, false],
    [true, false],
  ]);
});

test("what scores, touches and ends is said in words", () => {
  expect(view(GAME("")).says).toEqual([
    "Start: A guard, 1.2 m apart.",
    "A scores 1: gets through on an open line.",
    "B scores 2: answers without being touched, and returns.",
    "B scores 1: answers without being touched.",
    "The touch: to the glove.",
    "It ends after 3 points or 90 s. Roles change every 8 feeds.",
  ]);
});

test("it says whether it is fair, what evens it, or that something has no answer", () => {
  expect(view(GAME("tempo: 40%\n")).fairness).toBe("At 40% 2 of 2 feeds can still be answered.");
  expect(view(GAME("tempo: 150%\n")).fairness).toMatch(/^At 150% \d of 2 feeds .* At \d+% it is fair\.$/);
  expect(view(GAME("", "catch, jab")).fairness).toMatch(/The rest has no answer yet\.$/);
});

test("on paper a game says who may do what, and the rules that are printed with every game", () => {
  const text = GAME("");
  const { score, header } = check(parse(text));
  const rows = inWords(score, header).map((row) => row.text);
  expect(rows[0]).toBe("Game: Small.");
  expect(rows).toEqual(
    expect.arrayContaining([
      "A may: jab; or jab, twice.",
      "B may: catch, then jab; or step back.",
      "“Stop”, or two taps, ends it at once and costs nothing.",
    ]),
  );
});
