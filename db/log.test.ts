/** The log against a database: rounds that were run, in order, filtered, with marks as they stand; and as files. */
import { randomUUID } from "node:crypto";
import { readFileSync } from "node:fs";
import Ajv from "ajv/dist/2020.js";
import Papa from "papaparse";
import { NOBODY } from "#core/people/testing.ts";
import { defaultSchool } from "#core/policy/school.ts";
import { filterFrom, logFile, logPage } from "#server/learning/log.ts";
import { revisionInput } from "#server/drills/revision-input.ts";
import { createClass } from "./classes.ts";
import { createDrill } from "./drills.ts";
import { addFloor } from "./floor.ts";
import { EVERYTHING, listLog } from "./log.ts";
import { insertStudents } from "./people.ts";
import { closePool, db } from "./pool.ts";
import { newSchool, trainBlock } from "./testing.ts";
import type { Scope } from "./scope.ts";

const [ANN, BO, CY, DI] = Array.from({ length: 4 }, () => randomUUID()) as [string, string, string, string];
let scope: Scope;
let lesson: string;
let revision: string;

/** An evening of the past with two blocks of two rounds. */
beforeEach(async () => {
  scope = await newSchool();
  const named = { [ANN]: "Ann", [BO]: "=Bo", [CY]: "Cy", [DI]: "Di" };
  await insertStudents(
    scope,
    Object.entries(named).map(([id, name]) => ({ ...NOBODY, id, name })),
  );
  const drill = randomUUID();
  revision = randomUUID();
  const text = "title: 50% jab\n\nA jab -> B catch\n";
  await createDrill(scope, { id: drill, input: revisionInput(revision, text, defaultSchool()), lineage: null });
  lesson = randomUUID();
  await createClass(db, scope, { id: lesson, held_on: "2026-03-04", title: "Evening", minutes: 60 });
  const pair = (round: number, a: string, b: string) => ({
    ...{ id: randomUUID(), round, a, b, c: null, revisionId: revision, why: "", side: "left" as const },
  });
  for (const position of [1, 2])
    await trainBlock(scope, lesson, {
      ...{ id: randomUUID(), position, drillId: drill, minutes: 10 },
      pairs: [pair(1, ANN, BO), pair(1, CY, DI), pair(2, ANN, CY), pair(2, BO, DI)],
    });
});
afterAll(closePool);

const mark = (round: number, person: string, word: string, corrects: string | null = null) => ({
  ...{ id: randomUUID(), at: 1_700_000_000_000, round, person, role: "answers" as const, mark: word },
  ...{ text: "", corrects, revision },
});
const see = (...marks: ReturnType<typeof mark>[]) =>
  addFloor(scope, lesson, { taps: [], marks, incidents: [] }, Date.now());
const all = (more: object = {}) => listLog(db, scope, { ...EVERYTHING, ...more }, { limit: 100, offset: 0 });

test("rounds are counted through the evening, newest first", async () => {
  const rows = await all();
  expect(rows.map(({ round }) => round)).toEqual([3, 3, 2, 2, 1, 1, 0, 0]);
  expect(rows[0]).toMatchObject({ day: "2026-03-04", class: "Evening", drill: "50% jab", side: "left" });
  expect(await listLog(db, scope, EVERYTHING, { limit: 3, offset: 6 })).toHaveLength(2);
  expect(await listLog(db, await newSchool(), EVERYTHING, { limit: 9, offset: 0 })).toEqual([]);
});
test("is found by person, day, words, and by what was seen", async () => {
  const late = mark(2, ANN, "late");
  await see(late, mark(2, BO, "clean"), mark(0, CY, "clean"));
  expect((await all({ person: ANN })).every(({ people }) => people.includes(ANN))).toBe(true);
  expect(await all({ from: "2026-03-05" })).toEqual([]);
  expect(await all({ to: "2026-03-04", words: "50%" })).toHaveLength(8);
  expect(await all({ words: "50_" })).toEqual([]);
  expect((await all({ marks: "seen" })).map(({ round }) => round)).toEqual([2, 0]);
  expect((await all({ marks: "open" })).map(({ round }) => round)).toEqual([2]);
  // Put right it does not stand any more.
  await see(mark(2, ANN, "clean", late.id));
  expect(await all({ marks: "open" })).toEqual([]);
  const [row] = await all({ person: ANN, marks: "seen" });
  expect(row!.marks.map((one) => [one.person, one.mark]).sort()).toEqual(
    [
      [ANN, "clean"],
      [BO, "clean"],
    ].sort(),
  );
});
test("an address that cannot be read asks for everything", async () => {
  expect(filterFrom(new URLSearchParams("person=nobody&words=jab"))).toEqual({ ...EVERYTHING, words: "jab" });
  const page = await logPage(scope, new URLSearchParams("page=-3"));
  expect([page.page, page.more, page.rows.length]).toEqual([0, false, 8]);
});
test("as JSON it is as its schema says; as a table no name is a formula", async () => {
  await see(mark(0, ANN, "late"));
  const json = JSON.parse((await logFile(scope, new URLSearchParams("as=json"))).text) as unknown;
  const valid = new Ajv({ strict: false, validateFormats: false }).compile(
    JSON.parse(readFileSync("docs/log.schema.json", "utf8")) as object,
  );
  expect(valid(json) || valid.errors).toBe(true);
  const { text } = await logFile(scope, new URLSearchParams());
  const { data } = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true });
  expect(data).toHaveLength(8);
  expect(data.find(({ seen }) => seen)!.seen).toBe("Ann answers: late");
  expect(text).toContain("'=Bo");
});
