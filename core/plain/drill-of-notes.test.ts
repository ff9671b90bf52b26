import { checkFor } from "../policy/judge.ts";
import { defaultSchool } from "../policy/school.ts";
import { parse } from "../score/parse.ts";
import { drillOfNotes, isRow } from "./drill-of-notes.ts";
import { readPlain } from "./read-plain.ts";

const school = defaultSchool();
const PAGE = "Tuesday\n\nA: wears gloves\n1. jab -> parries, jab back x10\nslip jab\ntempo: 30%\n";

test("a page becomes a drill that the checker reads; nothing that was typed is lost", () => {
  const lines = readPlain(PAGE, [], school);
  const text = drillOfNotes("Quay", lines, new Map());
  expect(text).toBe(
    "title: Quay\nkind: feeder\nA: wears gloves\ntempo: 30%\n\n# Tuesday\nA jab -> B parry, jab # x10\nA jab -> B slip\n",
  );
  expect(checkFor(parse(text), school).findings.filter(({ severity }) => severity === "error")).toEqual([]);
});
test("a question that was answered otherwise gives the other row", () => {
  const lines = readPlain(PAGE, [], school);
  const asked = lines.find(({ question }) => question)!;
  expect(drillOfNotes("Quay", lines, new Map([[asked.line, 1]]))).toContain("\nA slip, jab\n");
});
test("headings and rows of the header are no rows of play", () => {
  expect(readPlain(PAGE, [], school).map(isRow)).toEqual([false, false, true, true, false]);
});
