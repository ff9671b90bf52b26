/** Drills as they are said to people who read no notation. How one says it is common practice, no source. */
import { checkFor } from "../policy/judge.ts";
import { defaultSchool } from "../policy/school.ts";
import { parse } from "../score/parse.ts";
import { inWords } from "./in-words.ts";
import { rungWords } from "./rung-words.ts";

const said = (text: string): string[] => {
  const { score, header } = checkFor(parse(text));
  return inWords(score, header).map((row) => `${"  ".repeat(row.depth)}${row.text}`);
};

test.each([
  ["A jab -> B slip out, cross", "A: jab. B: slip out, then cross."],
  [
    "A jab, cross -> B slap parry, slip out, lead hook -> A cover",
    "A: jab, then cross. B: slap parry, slip out, then lead hook. A: cover.",
  ],
  ["A jab, jab -> B parry, parry", "A: jab, twice. B: parry, twice."],
  ["A cross -> B slip out + lead hook to body", "A: cross. B: slip out with lead hook to body."],
  ["A jab -> B slip out, cross | catch, jab", "A: jab. B: slip out, then cross; or catch, then jab."],
  ["A ~jab, cross -> B slip out", "A: shown jab, then cross. B: slip out."],
])("%s", (row, words) => {
  expect(said(row)).toEqual([words]);
});
test("blocks say what is round their rows, who meets is said once", () => {
  expect(
    said(
      "kind: flow\nA: holds stick 71 cm\nB: holds stick 71 cm\n\nloop x8:\n  A R forehand high <> B R forehand high\nend",
    ),
  ).toEqual(["8 times:", "  Both: forehand high."]);
  expect(said("choose call:\n  one: A jab -> B catch\n  two: A cross -> B parry\nend")[0]).toBe(
    "One of these is called:",
  );
  expect(said("loop swap x4:\n  A jab -> B catch\nend")[0]).toBe("4 times, roles change after each one:");
  expect(said("kind: solo\n\nloop x10 each side on count:\n  A jab, cross\nend")).toEqual([
    "10 times, all of it on each side, on the count:",
    "  Jab, then cross.",
  ]);
});
test("what shows how it goes wrong is not said", () => {
  expect(said("A jab -> B slip out\nwrong: A jab -> B slip in")).toEqual(["A: jab. B: slip out."]);
});
test("each rung has its words, its cues, and when to go on; what is new is coached", () => {
  const [first, second] = rungWords(
    [
      { text: "A jab -> B slip out", operator: null },
      { text: "A jab -> B slip out, cross", operator: "rows" },
    ],
    defaultSchool(),
  );
  expect(first!.cues.length).toBeGreaterThan(0);
  expect(first!.cues.length).toBeLessThanOrEqual(2);
  expect(second!.cues).not.toEqual(first!.cues);
  expect(second!.goOn).toMatch(/^Go on when .*\.$/);
});
