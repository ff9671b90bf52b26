/** Every demo drill as a JSON file against the published schema, read by a validator that knows nothing of the project. */
import { checkFor } from "#core/policy/judge.ts";
import { readFileSync } from "node:fs";
import { Ajv } from "ajv";
import { drillJson, readDrillFile } from "#core/formats/drill-file.ts";
import { defaultSchool } from "#core/policy/school.ts";
import { parse } from "#core/score/parse.ts";
import { drillFiles } from "./club.ts";

const ajv = new Ajv({ allErrors: true });
const validate = ajv.compile(JSON.parse(readFileSync("public/drill.schema.json", "utf8")) as object);

test.each([...drillFiles])("%s fits the schema and comes back as it was", (name) => {
  const text = readFileSync(`demo/drills/${name}.vics`, "utf8");
  const json = drillJson(text, checkFor(parse(text)));
  expect([validate(JSON.parse(json)), ajv.errorsText(validate.errors)]).toEqual([true, "No errors"]);
  expect(readDrillFile(`${name}.json`, json, defaultSchool())).toMatchObject({ ok: true, text });
});
test.each([
  [{ format: "vicissor drill", version: 1 }, /text/],
  [{ format: "other", version: 1, text: "A jab" }, /format/],
  [{ format: "vicissor drill", version: 1, text: "A jab", check: { verdict: "good" } }, /verdict/],
])("the schema refuses %j", (file, words) => {
  expect(validate(file)).toBe(false);
  expect(ajv.errorsText(validate.errors)).toMatch(words);
});
