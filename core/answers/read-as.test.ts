import { checkFor } from "../policy/judge.ts";
import { defaultSchool } from "../policy/school.ts";
import { parse } from "../score/parse.ts";
import { repairsOf } from "./repairs.ts";

const school = defaultSchool();
const repairs = (text: string) => {
  const checked = checkFor(parse(text), school);
  return checked.findings.flatMap((finding) =>
    repairsOf(text, checked, finding, school).map(({ label, score }) => ({ rule: finding.rule, label, score })),
  );
};
const labels = (text: string) => [...new Set(repairs(text).map(({ label }) => label))];

test("a row in plain words is offered as the row that it means, and nothing is put behind it", () => {
  expect(labels("Right cross, B slips outside and crosses back")).toEqual(["Read as A cross -> B slip out, cross"]);
  expect(labels("A jab -> B parries, jab back")).toEqual(["Read as A jab -> B parry, jab"]);
  expect(labels("A low kick -> B check it")).toEqual(["Read as A low kick -> B check"]);
});
test("where a word alone is wrong, that one is mended first", () => {
  expect(labels("A jabb -> B slip")[0]).toBe("Write jab");
});
test("the rest of the drill, the label of the row and the header stay", () => {
  const text =
    "title: Quay\nkind: feeder\n\nA jab -> B catch\n\nchoose A:\n  one: jab, B parries\n  two: A cross -> B parry\n";
  const [first] = repairs(text);
  expect(first!.score).toBe(text.replace("jab, B parries", "A jab -> B parry"));
});
test("a press never loses a word that was typed", () => {
  expect(labels("A frobnicate -> B slip out").filter((label) => label.startsWith("Read"))).toEqual([]);
});
