/** What a term covers of the feeds of a book. */
import { coverage } from "./coverage.ts";
import { defaultSchool } from "../policy/school.ts";

const school = defaultSchool();
const BOOK = ["jab", "cross", "lead hook", "forehand high"];
const LEFT = "A jab -> B slip out, cross\nA cross -> B parry";
const RIGHT = "A: lead right\n\nA jab -> B parry";
const at = (texts: readonly (readonly [string, string])[], feeds = BOOK) =>
  coverage(
    texts.map(([text, date]) => ({ text, date, side: null })),
    feeds,
    school,
  );

test("nothing trained: every feed of the book is open, in the order of the book", () => {
  const { days, feeds, both, one, none } = at([]);
  expect([days, both, one, none]).toEqual([[], 0, 0, 4]);
  expect(feeds.map((f) => f.text)).toEqual(BOOK);
  expect(feeds.every((f) => f.inBook && f.times === 0 && f.last === null)).toBe(true);
});
test("sides, days and answers are counted; the same text on two days counts twice", () => {
  const { feeds, both, one, none } = at([
    [LEFT, "2026-09-08"],
    [LEFT, "2026-09-01"],
    [RIGHT, "2026-09-15"],
  ]);
  const jab = feeds.find((f) => f.text === "jab")!;
  expect(jab).toMatchObject({ sides: ["left", "right"], times: 3, last: "2026-09-15" });
  expect(jab.answers).toEqual([
    { text: "slip out", times: 2, last: "2026-09-08" },
    { text: "parry", times: 1, last: "2026-09-15" },
  ]);
  expect(feeds.find((f) => f.text === "cross")).toMatchObject({ sides: ["left"], times: 2 });
  expect([both, one, none]).toEqual([1, 1, 2]);
});
test("each day says what was new and what was known, and both together are the pairs of the day", () => {
  const { days } = at([
    [LEFT, "2026-09-01"],
    [LEFT, "2026-09-08"],
    [RIGHT, "2026-09-08"],
  ]);
  expect(days).toEqual([
    { date: "2026-09-01", fresh: 2, again: 0 },
    { date: "2026-09-08", fresh: 1, again: 2 },
  ]);
});
test("a feed that the book does not hold stands behind it", () => {
  const { feeds, none } = at([["A overhand -> B cover", "2026-09-01"]]);
  expect(feeds[feeds.length - 1]).toMatchObject({ text: "overhand", inBook: false, times: 1 });
  expect(none).toBe(4);
});
test("a feed that cannot be read is left out, and so is a text that cannot", () => {
  const found = at([["-> jab ->", "2026-09-01"]], ["jab", "moon kick of doom"]);
  expect(found.feeds.map((f) => f.text)).toEqual(["jab"]);
  expect(found.days).toEqual([]);
});
test("a round with the other lead in front is the other side; a weapon stays in its hand", () => {
  const stick = "A: holds stick 71 cm\n\nA forehand high -> B step back";
  const { feeds } = coverage(
    [LEFT, stick].flatMap((text) => (["left", "right"] as const).map((side) => ({ text, date: "2026-09-01", side }))),
    BOOK,
    school,
  );
  expect(feeds.map((f) => [f.text, f.sides])).toEqual([
    ["jab", ["left", "right"]],
    ["cross", ["left", "right"]],
    ["lead hook", []],
    ["forehand high", ["left"]],
  ]);
  // Two sides of one day are one day.
  expect(feeds[0]!.times).toBe(1);
});
test("a lead hook and a rear hook are two feeds, and a hook alone is the lead one", () => {
  const { feeds } = at([["A rear hook -> B cover\nA hook -> B weave", "2026-09-01"]], ["lead hook", "rear hook"]);
  expect(feeds.map((f) => [f.text, f.answers.map((a) => a.text)])).toEqual([
    ["lead hook", ["weave"]],
    ["rear hook", ["cover"]],
  ]);
});
