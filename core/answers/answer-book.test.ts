import { TRADE } from "../trade/trade.ts";
import { checkFor } from "../policy/judge.ts";
import { answerBook, bookReason, drillFor, wholeBook } from "./answer-book.ts";
import type { Book } from "./book.ts";
import { parse } from "../score/parse.ts";
import { defaultSchool, readSchool } from "../policy/school.ts";
import type { BookChoice } from "../policy/settings.ts";

const school = defaultSchool();
function run(choice: BookChoice, of = school): { book: Book; shares: number[] } {
  const shares: number[] = [];
  const work = answerBook(choice, of);
  for (;;) {
    const step = work.next();
    if (step.done) return { book: step.value, shares };
    shares.push(step.value);
  }
}
const code = (feed: string, answer: string, side: 0 | 1 = 0) =>
  run({ feeds: [feed], answers: [answer] }).book.codes[0]![side];

describe("a cell", () => {
  // Common practice, no source.
  test.each([
    ["jab", "slip out", "v"],
    ["jab", "cover", "x"],
    ["lead hook", "cover", "v"],
    ["lead hook", "slip out", "x"],
    ["rear round kick to leg", "shin check", "v"],
    ["overhead", "roof block", "v"],
    ["slash forehand high", "step back", "d"],
    ["slash forehand high", "cover", "x"],
    ["double leg", "sprawl", "v"],
  ])("%s against %s: %s", (feed, answer, expected) => {
    expect([code(feed, answer, 0), code(feed, answer, 1)]).toEqual([expected, expected]);
  });
  test("says the same as a whole score of that pair", () => {
    for (const feed of ["jab", "cross", "lead hook", "rear uppercut", "push kick", "overhand"])
      for (const answer of ["slip out", "parry", "weave", "cover", "step back", "shin check"]) {
        const whole = checkFor(parse(`A: lead left\nB: lead left\n\nA ${feed} -> B ${answer}`), school).exchanges[0]!;
        expect([feed, answer, code(feed, answer)]).toEqual([
          feed,
          answer,
          whole.verdict[0] === "i" ? "x" : whole.verdict[0],
        ]);
      }
  });
  test("is the same on both sides when everything is mirrored, and blank where it cannot be done", () => {
    expect(code("jab", "no such move")).toBe("");
    expect(code("jab", "roof block")).toBe(" ");
  });
});

test("progress rises from 0 towards 1, once for each feed", () => {
  const { shares, book } = run(TRADE.book);
  expect(shares).toHaveLength(TRADE.book.feeds.length);
  expect(shares[0]).toBe(0);
  expect([...shares].sort((a, b) => a - b)).toEqual(shares);
  expect(book.feeds.map((f) => f.text)).toEqual([...TRADE.book.feeds]);
  expect(book.answers.map((a) => a.text)).toEqual([...TRADE.book.answers]);
  for (const [left, right] of book.codes) expect([left.length, right.length]).toEqual([32, 32]);
});
test("every usual feed has an answer from both sides: a trained club has no hole there", () => {
  const { book } = run(TRADE.book);
  const holes = book.codes.flatMap((sides, i) =>
    sides.flatMap((row, s) => (/[vd]/.test(row) ? [] : [`${book.feeds[i]!.text} ${s}`])),
  );
  expect(holes).toEqual([]);
});
test("tools and ranges come from the moves' data", () => {
  const { book } = run({
    feeds: ["jab", "push kick", "forehand high", "slash backhand low", "double leg"],
    answers: ["step back"],
  });
  expect(book.feeds.map((f) => f.tool)).toEqual(["hand", "leg", "stick", "blade", "takedown"]);
  expect(book.feeds.map((f) => f.range).slice(0, 4)).toEqual(["punch", "kick", "weapon", "weapon"]);
});
test("words that are no feed are left out, the rest stays", () => {
  expect(run({ feeds: ["jab", "teapot", "weave"], answers: ["slip out"] }).book.feeds.map((f) => f.text)).toEqual([
    "jab",
  ]);
});
test("everything that ships can be laid out", () => {
  const whole = wholeBook(school);
  expect(whole.feeds.length).toBeGreaterThan(100);
  expect(whole.answers.length).toBeGreaterThan(80);
  const { book } = run({ feeds: whole.feeds.slice(0, 40), answers: whole.answers });
  expect(book.feeds.length).toBeGreaterThan(35);
});
test("a ruling of the school is in the book", () => {
  const read = readSchool({ rulings: [{ feed: "jab", answer: "cover", verdict: "valid", reason: "tight guard" }] });
  if (!read.ok) throw new Error("settings");
  expect(code("jab", "cover")).not.toBe("v");
  expect(run({ feeds: ["jab"], answers: ["cover"] }, read.school).book.codes[0]![0]).toBe("v");
});
test("the reason of a cell is the checker's own sentence", () => {
  const why = bookReason("lead hook", "slip out", "left", school)!;
  expect(why.verdict).toBe("invalid");
  expect(why.words).toMatch(/hook/);
  expect(bookReason("jab", "slip out", "right", school)).toMatchObject({
    verdict: "valid",
    words: "It moves out of the way.",
  });
  expect(bookReason("jab", "teapot", "right", school)).toBeNull();
});
test.each([
  ["backhand low", "low sweep", "left"],
  ["jab", "slip out", "right"],
  ["slash forehand high", "step back", "left"],
] as const)("a drill for %s and %s from the %s is sound as it stands", (feed, answer, side) => {
  const text = drillFor(feed, answer, side, school);
  expect(checkFor(parse(text), school).exchanges[0]!.verdict).toBe("valid");
  expect(text).toMatch(/^title: /);
});
