import { beatText, lineText } from "./format.ts";
import { beatOf, headerRows, mapParts, plainScore, single, textOf, withLines } from "./edit.ts";
import { parse } from "./parse.ts";
import { linesOf } from "./structure.ts";

const TEXT =
  "title: Quay\nA: lead left\n\nsection One\nA jab -> B slip out | catch\nloop x2:\n  choose A:\n    one: A cross -> B parry\n  end\nend\n";
const score = parse(TEXT);

test("header rows are kept, replaced, added and taken out", () => {
  expect(headerRows(score)).toEqual(["title: Quay", "A: lead left"]);
  expect(headerRows(score, { title: "New", A: "lead right", B: "minor" })).toEqual([
    "title: New",
    "A: lead right",
    "B: minor",
  ]);
  expect(headerRows(score, { title: null })).toEqual(["A: lead left"]);
});
test("the same lines give the same play", () => {
  const again = textOf(withLines(score, (item) => item.line, {}));
  const lines = (text: string) => [...linesOf(parse(text).items)].map((l) => [l.label, lineText(l.line)]);
  expect(lines(again)).toEqual(lines(TEXT));
  expect(parse(again).items.map((i) => i.kind)).toEqual(score.items.map((i) => i.kind));
});
test("a line can be taken out or changed", () => {
  const without = textOf(withLines(score, (item) => (item.label === "one" ? null : item.line), {}));
  expect(without).not.toMatch(/cross/);
  const changed = textOf(
    withLines(
      score,
      (item) =>
        mapParts(item.line, (part) => ({
          ...part,
          words: part.words.map((w) => ({ ...w, text: w.text === "cross" ? "jab" : w.text })),
        })),
      {},
    ),
  );
  expect(changed).toMatch(/one: A jab -> B parry/);
});
test("plain scores hold just their lines", () => {
  const [line] = [...linesOf(score.items)];
  expect(textOf(plainScore(score, [line!.line], { title: "x" }))).toBe(
    "title: x\nA: lead left\n\nA jab -> B slip out | catch\n",
  );
});
test("beats go to text and back", () => {
  expect(beatText(beatOf("step in + lead hook to body"))).toBe("step in + lead hook to body");
  const [line] = [...linesOf(score.items)];
  expect(single(line!.line.turns[1])).toBeNull();
  expect(single(line!.line.turns[0])).not.toBeNull();
  expect(single(undefined)).toBeNull();
});
