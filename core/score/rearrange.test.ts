import { rowIndex } from "../base/units.ts";
import { addRow, moveRow, nudgeRow, openRow, siblingRows, type TextEdit } from "./rearrange.ts";
import { parse } from "./parse.ts";

const TEXT = [
  "title: Quay",
  "",
  "section One",
  "A jab -> B slip out   # first",
  "A cross -> B catch",
  "choose A:",
  "  one: A lead hook -> B cover",
  "  two: A jab -> B parry",
  "end",
  "A overhand -> B cover",
].join("\n");
const at = rowIndex;
const apply = (text: string, edit: TextEdit | null) =>
  edit ? text.slice(0, edit.from) + edit.insert + text.slice(edit.to) : text;
const rows = (text: string) => text.split("\n").map((line) => line.trim());

test("rows of one block belong together", () => {
  expect(siblingRows(parse(TEXT), at(3))).toEqual([3, 4, 9]);
  expect(siblingRows(parse(TEXT), at(6))).toEqual([6, 7]);
  expect(siblingRows(parse(TEXT), at(0))).toEqual([]);
});
test("a row changes places with its neighbour and takes its comment along", () => {
  const next = rows(apply(TEXT, moveRow(TEXT, parse(TEXT), at(3), at(4))));
  expect(next.slice(3, 5)).toEqual(["A cross -> B catch", "A jab -> B slip out   # first"]);
  expect(next.slice(5)).toEqual(rows(TEXT).slice(5));
});
test("moving there and back gives the text again", () => {
  const there = apply(TEXT, moveRow(TEXT, parse(TEXT), at(6), at(7)));
  expect(there).not.toBe(TEXT);
  expect(apply(there, moveRow(there, parse(there), at(7), at(6)))).toBe(TEXT);
});
test("a row stays in its block", () => {
  expect(moveRow(TEXT, parse(TEXT), at(6), at(3))).toBeNull();
  expect(moveRow(TEXT, parse(TEXT), at(3), at(3))).toBeNull();
  expect(nudgeRow(TEXT, parse(TEXT), at(3), "up")).toBeNull();
  expect(nudgeRow(TEXT, parse(TEXT), at(7), "down")).toBeNull();
});
test("nudging goes one place", () => {
  expect(rows(apply(TEXT, nudgeRow(TEXT, parse(TEXT), at(7), "up")))[6]).toBe("two: A jab -> B parry");
});
test("a new line stands behind its row, as deep", () => {
  expect(apply(TEXT, addRow(TEXT, "three: A cross -> B catch", at(7))).split("\n")[8]).toBe(
    "  three: A cross -> B catch",
  );
});
test("a new line at the end is play, whatever stands before it", () => {
  for (const text of ["", "title: Quay", "title: Quay\n", "A jab -> B slip out", TEXT]) {
    const next = apply(text, addRow(text, "A cross -> B catch", null));
    const last = parse(next).items.at(-1);
    expect(last?.kind).toBe("line");
    expect(next.endsWith("A cross -> B catch\n")).toBe(true);
  }
});

test.each([
  ["tempo: 50%\n\nA jab -> B ", "jab"],
  ["A jab\n", "jab"],
  ["choose A:\n  one: A lead hook ->\n", "lead hook"],
  ["A: lead left\nB: lead left\n", null],
  ["A jab -> B catch\n", null],
  ["A jab, cross ->", null],
  ["A R forehand high <> B", null],
  ["", null],
])("%j waits for an answer to: %s", (text, feed) => {
  expect(openRow(text)?.feed ?? null).toBe(feed);
});

test("a row that waits for its answer is finished, another one stands behind it", () => {
  const put = (text: string, line: string) => {
    const { from, to, insert } = addRow(text, line, null);
    return text.slice(0, from) + insert + text.slice(to);
  };
  expect(put("tempo: 50%\n\nA jab -> B \n", "A jab -> B catch, cross")).toBe("tempo: 50%\n\nA jab -> B catch, cross\n");
  expect(put("choose A:\n  one: A jab ->", "A jab -> B catch")).toBe("choose A:\n  one: A jab -> B catch\n");
  expect(put("A jab -> B ", "A cross -> B catch")).toBe("A jab -> B \nA cross -> B catch\n");
});
