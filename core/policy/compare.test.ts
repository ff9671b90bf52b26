import { compareSchools, compareTexts } from "./compare.ts";
import { defaultSchool, readSchool } from "./school.ts";

const strict = readSchool({ severity: { "inside-line": "error" } });
if (!strict.ok) throw new Error("settings");

test("drills whose verdict changes are named with what is said now", () => {
  const drills = [
    { id: "1", title: "Inside", text: "A jab -> B slip in" },
    { id: "2", title: "Outside", text: "A jab -> B slip out" },
  ];
  const changes = compareSchools(drills, defaultSchool(), strict.school);
  expect(changes).toMatchObject([{ id: "1", title: "Inside", before: "risky", after: "broken" }]);
  expect(changes[0]!.said).toMatch(/slip|line|hand/i);
  expect(compareSchools(drills, strict.school, strict.school)).toEqual([]);
});
test("exchanges of two texts are matched by their words, the same one twice in order", () => {
  const { before, after, exchanges } = compareTexts(
    "A jab -> B slip out\nA jab -> B slip out\nA cross -> B catch",
    "A jab -> B slip out\nA lead hook -> B slip out\nA cross -> B catch",
    defaultSchool(),
  );
  expect([before, after]).toEqual(["sound", "broken"]);
  expect(exchanges).toEqual([
    { words: "A jab -> B slip out (2)", before: "valid", after: null },
    { words: "A lead hook -> B slip out", before: null, after: "invalid" },
  ]);
});
test("a header row that changes the bodies changes verdicts of the same words", () => {
  const line = "A jab -> B step back, step in + cross";
  const { exchanges } = compareTexts(line, `range: out\n\n${line}`, defaultSchool());
  expect(exchanges).toMatchObject([{ before: "valid", after: "invalid" }]);
});
