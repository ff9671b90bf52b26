/** Every sample of the help reads, and does what the step says of it. */
import { checkFor } from "#core/policy/judge.ts";
import { defaultSchool } from "#core/policy/school.ts";
import { parse } from "#core/score/parse.ts";
import { STEPS } from "./help-text.ts";

test("there are twelve steps", () => {
  expect(STEPS).toHaveLength(12);
});

test.each(STEPS.map(({ title, sample }) => [title, sample] as const))("%s", (_, sample) => {
  const checked = checkFor(parse(sample), defaultSchool());
  expect(checked.findings.filter(({ severity }) => severity !== "note").map(({ message }) => message)).toEqual([]);
  expect(checked.exchanges.length + checked.games.length).toBeGreaterThan(0);
  expect(checked.verdict).toBe("sound");
});
