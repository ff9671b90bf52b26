/** A whole school out and in again, against a database: equal, alone, and nothing of a broken archive. */
import { keepTemplate } from "./class-templates.ts";
import { randomUUID } from "node:crypto";
import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";
import { NOBODY } from "#core/people/testing.ts";
import { defaultSchool } from "#core/policy/school.ts";
import { exportSchool, importSchool } from "#server/keeping/archive.ts";
import { keepPlan, sayWhatRan } from "#server/classes/keep-plan.ts";
import { planPage } from "#server/classes/plan-page.ts";
import { ladderFor } from "#server/drills/grow-ladder.ts";
import { revisionInput } from "#server/drills/revision-input.ts";
import { ARCHIVED, readRows } from "./archive.ts";
import { setPresence } from "./attendance.ts";
import { createClass, getClass } from "./classes.ts";
import { createDrill } from "./drills.ts";
import { addFloor } from "./floor.ts";
import { insertStudents, setGear, setWish } from "./people.ts";
import { closePool, db } from "./pool.ts";
import { getSchool, saveSettings } from "./school.ts";
import { newSchool } from "./testing.ts";
import type { Scope } from "./scope.ts";

const people = Array.from({ length: 4 }, () => randomUUID());
let scope: Scope;

/** A school with something in every table. */
beforeAll(async () => {
  scope = await newSchool();
  await insertStudents(
    scope,
    people.map((id, i) => ({ ...NOBODY, id, name: `=P"${i},ü`, limits: ["no falls"], height_cm: 170.5 })),
  );
  await setWish(db, scope, { a: people[0]!, b: people[1]!, kind: "apart" }, "set");
  await setGear(db, scope, { kind: "mitts", count: 3, was: null });
  await saveSettings(db, scope, 1, { customs: { names: "thai" } });
  const drill = randomUUID();
  const text = "title: Jab / 50%\ntempo: 40%\n\nA jab -> B slip out, cross\n";
  await createDrill(scope, { id: drill, input: revisionInput(randomUUID(), text, defaultSchool()), lineage: null });
  const ladder = await ladderFor(scope, drill);
  if (!("id" in ladder)) throw new Error(ladder.message);
  const lesson = randomUUID();
  await createClass(db, scope, { id: lesson, held_on: "2099-01-08", title: "Evening", minutes: 60 });
  for (const student_id of people)
    await setPresence(db, scope, lesson, { student_id, from_round: 0, until_round: null });
  const { lesson: row, chosen } = (await planPage(scope, lesson, { ladder: ladder.id, drill: null }))!;
  const decided = { ...chosen, version: row.version, clock: { round: 60, change: 30, rest: 15 }, blocks: null };
  await keepPlan(scope, lesson, JSON.stringify({ ...decided, locked: [], ran: [] }));
  await keepTemplate(db, scope, { id: randomUUID(), name: "My Thursday", from: lesson, shape: null });
  const mark = { round: 0, person: people[0]!, role: "answers" as const, text: "", revision: null };
  const first = randomUUID();
  await addFloor(
    scope,
    lesson,
    {
      taps: [{ id: randomUUID(), at: 1_700_000_000_123, tap: { kind: "start" }, within: false }],
      marks: [
        { ...mark, id: first, at: 5, mark: "late", corrects: null },
        { ...mark, id: randomUUID(), at: 6, mark: "clean", corrects: first },
      ],
      incidents: [{ id: randomUUID(), student_id: people[1]!, at: 7, place: "head", round: null }],
    },
    Date.now(),
  );
  const version = async () => (await getClass(db, scope, lesson))!.version;
  await sayWhatRan(scope, lesson, await version(), { kind: "done", rounds: 2 });
  await db.query(
    `insert into round_ends (school_id, run, class_id, ended, seconds)
     select school_id, run, class_id, now(), 60 from rounds_run where class_id = $1 and round = 0 limit 1`,
    [lesson],
  );
  await sayWhatRan(scope, lesson, await version(), { kind: "taken back", from: 1 });
});
afterAll(closePool);

const rowsOf = async (school: Scope) =>
  Object.fromEntries(
    await Promise.all(ARCHIVED.map(async (table) => [table, await readRows(db, school, table)] as const)),
  );

test("what comes in is equal to what went out, row by row, and every table had something in it", async () => {
  const bytes = await exportSchool(scope);
  const other = await newSchool();
  const before = await rowsOf(scope);
  for (const table of ARCHIVED) if (table !== "lineage") expect([table, before[table]!.length]).not.toEqual([table, 0]);
  expect(await importSchool(other, bytes)).toMatchObject({ rows: expect.any(Number) as number });
  expect(await rowsOf(other)).toEqual(before);
  expect((await getSchool(db, other))!.settings).toEqual({ customs: { names: "thai" } });
  // Out once more it is the same to the letter, but for the moment at which it was written.
  const again = unzipSync(await exportSchool(other));
  const first = unzipSync(bytes);
  for (const name of Object.keys(first).filter((one) => one !== "manifest.json"))
    expect([name, strFromU8(again[name]!)]).toEqual([name, strFromU8(first[name]!)]);
});
test("others read it: scores as they are written, tables that begin no formula, and no other school", async () => {
  const files = unzipSync(await exportSchool(scope));
  const scores = Object.keys(files).filter((name) => /^drills\/[\p{L}\p{N}-]+\.vics$/u.test(name));
  expect(strFromU8(files[scores.find((name) => name.startsWith("drills/Jab-50-"))!]!)).toContain(
    "A jab -> B slip out, cross",
  );
  expect(strFromU8(files["people.csv"]!)).toContain("'=P");
  const foreign = await newSchool();
  const name = `Foreign ${randomUUID()}`;
  await insertStudents(foreign, [{ ...NOBODY, id: randomUUID(), name }]);
  expect(Object.values(unzipSync(await exportSchool(scope))).some((bytes) => strFromU8(bytes).includes(name))).toBe(
    false,
  );
});
test("nothing of a broken archive comes in, nor anything into a school that is not empty", async () => {
  const files = unzipSync(await exportSchool(scope));
  const other = await newSchool();
  const tried: [Record<string, Uint8Array> | Uint8Array, RegExp][] = [
    [strToU8("no zip"), /no zip file/],
    [{ "a.txt": strToU8("x") }, /no archive of a school/],
    [{ ...files, "rows/marks.json": strToU8("[]") }, /rows\/marks\.json .* was changed/],
    [Object.fromEntries(Object.entries(files).filter(([name]) => name !== "people.csv")), /people\.csv .* is missing/],
  ];
  for (const [given, said] of tried)
    expect(await importSchool(other, given instanceof Uint8Array ? given : zipSync(given))).toMatchObject({
      message: expect.stringMatching(said) as string,
    });
  expect((await rowsOf(other)).students).toEqual([]);
  expect(await importSchool(scope, zipSync(files))).toMatchObject({
    message: expect.stringMatching(/empty one alone/) as string,
  });
});
