/** Ladders and variations of drills with rows beside their lines: what is left out is said, and nothing breaks without lines. */
import { checkFor } from "../policy/judge.ts";
import { defaultSchool } from "../policy/school.ts";
import { finished } from "../base/work.ts";
import { parse } from "../score/parse.ts";
import { withHeader } from "../score/edit.ts";
import { vary } from "../vary/vary.ts";
import { makeLadder } from "./ladder.ts";
import { LADDER_DEFAULTS } from "./ladder-options.ts";

const school = defaultSchool();
const ladder = (text: string) => finished(makeLadder(checkFor(parse(text), school), school, LADDER_DEFAULTS));
const GAME =
  "game Small:\n  A may: jab\n  B may: catch\n  A scores: line 1\n  B scores: clean 1\n  touch: to the glove\n  ends: 3 points\nend";
const HOOKS = "A jab -> B catch, cross\nany time: A lead hook -> B cover\nlands: A jab -> B step back";

test.each([
  [GAME, "A ladder is built of rows"],
  ["any time: A jab -> B catch", "A ladder is built of rows"],
])("%j has no ladder, and says why", (text, words) => {
  const made = ladder(text);
  expect(made.ok ? "a ladder" : made.message).toContain(words);
  // Under another header a game stays the game that it is.
  for (const one of vary(checkFor(parse(text), school), school).good) expect(one.text).toContain(text);
});

test("rows beside the lines are in no rung, which is said", () => {
  const made = ladder(`${HOOKS}\n${GAME}`);
  if (!made.ok) throw new Error(made.message);
  expect(made.notes).toEqual(
    expect.arrayContaining([
      "What may come at any time is in no rung.",
      "What goes on from a hit is in no rung.",
      "The game is in no rung.",
    ]),
  );
  for (const { text } of made.rungs) expect(text).not.toMatch(/any time:|lands:|game /);
});

test("under another header they stay, since they are as true there", () => {
  expect(withHeader(parse(HOOKS), { tempo: "40%" })).toEqual(["tempo: 40%", "", ...HOOKS.split("\n")]);
});

test("they stay in their section, and a label stays with its row", () => {
  const text =
    "any time: A cross -> B catch\nsection One\nA jab -> B catch\nany time: A lead hook -> B cover\nchoose A:\n  one: A jab -> B catch\n  lands: two: A jab -> B step back\nend\nsection Two\nA jab -> B parry";
  expect(withHeader(parse(text), {})).toEqual(text.split("\n"));
});

test("numbers in any order climb as one row, and every rung is as good as the checker says", () => {
  const made = ladder(
    "A: holds stick 71 cm\nB: holds stick 71 cm\n\nA strike {1..5} in any order -> B block {#}, counter {#}\nA thrust high -> B parry",
  );
  if (!made.ok) throw new Error(made.message);
  for (const { text } of made.rungs) expect(checkFor(parse(text), school).verdict).not.toBe("broken");
  expect(made.rungs.some(({ text }) => text.includes("in any order"))).toBe(true);
});
