import { checkFor } from "../policy/judge.ts";
import { drillJson, readDrillFile } from "./drill-file.ts";
import { fileName } from "./file-name.ts";
import { parse } from "../score/parse.ts";
import { defaultSchool } from "../policy/school.ts";

const TEXT = "title: Quay → wall\n\nA jab -> B slip out, cross\n";
const school = defaultSchool();
const read = (name: string, content: string) => readDrillFile(name, content, school);

test("a JSON file gives the text back as it was", () => {
  const json = drillJson(TEXT, checkFor(parse(TEXT)));
  expect(read("quay.json", json)).toMatchObject({ ok: true, text: TEXT });
  expect(JSON.parse(json)).toMatchObject({ title: "Quay → wall", check: { verdict: "sound" } });
});
test("a score is read whatever its line ends and its mark at the start", () => {
  const result = read("quay.vics", `\ufeff${TEXT.replace(/\n/g, "\r\n")}`);
  expect(result).toMatchObject({ ok: true, text: TEXT });
});
test.each([
  ["empty.vics", "  \n", /empty\.vics is empty/],
  ["half.json", '{"format": "vicissor drill", "te', /half\.json is not whole JSON/],
  ["other.json", '{"name": "x"}', /no drill/],
  ["list.json", '{"format": "vicissor drill", "text": 5}', /text/],
  ["photo.jpg", "\u0000\u0001\u0002", /not a text file/],
])("%s is refused with what to do", (name, content, words) => {
  const result = read(name, content);
  expect(result.ok).toBe(false);
  if (!result.ok) expect(result.message).toMatch(words);
});
test.each([
  ["Quay → wall!", "quay-wall.vics"],
  ["Übung 3", "u-bung-3.vics"],
  ["///", "drill.vics"],
])("the file of %s is called %s", (title, name) => {
  expect(fileName(title, "vics")).toBe(name);
});
