/** What one search finds of a school, and only of that one; stars; everybody ticked at once. */
import { NOBODY } from "#core/people/testing.ts";
import { randomUUID } from "node:crypto";
import { createClass, deleteClass } from "./classes.ts";
import { listPresence, setEverybody } from "./attendance.ts";
import { countDeleted, listDeleted } from "./deleted.ts";
import { createDrill, deleteDrills, getDrill, restoreDrills, setStars, setTag } from "./drills.ts";
import { insertStudent, setArchived } from "./people.ts";
import { closePool, db } from "./pool.ts";
import { newSchool } from "./testing.ts";
import type { Scope } from "./scope.ts";
import { findClasses, findDrills, findPeople } from "./search.ts";
import { defaultSchool } from "#core/policy/school.ts";
import { revisionInput } from "#server/drills/revision-input.ts";

const drill = async (scope: Scope, text: string): Promise<string> => {
  const id = randomUUID();
  await createDrill(scope, { id, input: revisionInput(randomUUID(), text, defaultSchool()), lineage: null });
  return id;
};
const someone = (name: string) => ({ ...NOBODY, id: randomUUID(), name });

let scope: Scope;
beforeEach(async () => {
  scope = await newSchool();
});
afterAll(closePool);

const titles = async (typed: string, pattern: string | null, of = scope) =>
  (await findDrills(db, of, { typed, pattern, most: 10 })).map(({ title }) => title);

test("drills are found by title first, then by what is in them; deleted ones and those of others are not", async () => {
  await drill(scope, "title: Weaving\n\nA lead hook -> B weave\n");
  await drill(scope, "title: Other\n\nA lead hook -> B weave\n");
  const gone = await drill(scope, "title: Gone weave\n\nA jab -> B catch\n");
  await deleteDrills(db, scope, [gone]);
  expect(await titles("weav", "\\m(?:weave)\\M")).toEqual(["Weaving", "Other"]);
  expect(await titles("weav", null)).toEqual(["Weaving"]);
  expect(await titles("hook", "\\m(?:hoo)\\M")).toEqual([]);
  expect(await titles("weav", "\\m(?:weave)\\M", await newSchool())).toEqual([]);
});

test("signs of patterns are letters like others", async () => {
  await drill(scope, "title: Half 50% speed\n\nA jab -> B catch\n");
  await drill(scope, "title: Half 500 times\n\nA jab -> B catch\n");
  expect(await titles("50%", null)).toEqual(["Half 50% speed"]);
  expect(await titles("_", null)).toEqual([]);
});

test("people who were archived and classes that were deleted are not found", async () => {
  const [ida, odo] = [someone("Ida Quay"), someone("Odo Quay")];
  for (const one of [ida, odo]) await insertStudent(db, scope, one);
  await setArchived(db, scope, { id: odo.id, archived: true });
  expect(await findPeople(db, scope, "quay", 10)).toEqual([{ id: ida.id, name: "Ida Quay" }]);
  const [kept, dropped] = [randomUUID(), randomUUID()];
  for (const id of [kept, dropped])
    await createClass(db, scope, { id, held_on: "2026-11-25", title: "Quay evening", minutes: 90, theme: "" });
  await deleteClass(db, scope, dropped);
  expect(await findClasses(db, scope, "quay", 10)).toEqual([{ id: kept, title: "Quay evening", date: "2026-11-25" }]);
});

test("a star is put on and taken off, in its own school", async () => {
  const id = await drill(scope, "A jab -> B catch\n");
  await setStars(db, await newSchool(), [id], "on");
  expect((await getDrill(db, scope, id))!.drill.starred).toBe(false);
  await setStars(db, scope, [id], "on");
  expect((await getDrill(db, scope, id))!.drill.starred).toBe(true);
  await setStars(db, scope, [id], "off");
  expect((await getDrill(db, scope, id))!.drill.starred).toBe(false);
});

test("a tag goes onto several drills once each, and off again; never onto those of another school", async () => {
  const [one, two] = [await drill(scope, "A jab -> B catch\n"), await drill(scope, "A jab -> B slip\n")];
  const tags = async (id: string) => (await getDrill(db, scope, id))!.drill.tags;
  await setTag(db, scope, [one], { tag: "warm-up", put: "on" });
  await setTag(db, scope, [one, two], { tag: "exam", put: "on" });
  await setTag(db, scope, [one], { tag: "exam", put: "on" });
  await setTag(db, await newSchool(), [one], { tag: "stolen", put: "on" });
  expect([await tags(one), await tags(two)]).toEqual([["exam", "warm-up"], ["exam"]]);
  await setTag(db, scope, [one, two], { tag: "exam", put: "off" });
  expect([await tags(one), await tags(two)]).toEqual([["warm-up"], []]);
});

test("drills and classes that were deleted are listed together, the last first, each school its own", async () => {
  const [one, two] = [
    await drill(scope, "title: Gone one\n\nA jab -> B catch\n"),
    await drill(scope, "title: Gone two\n\nA jab -> B slip\n"),
  ];
  const lesson = randomUUID();
  await createClass(db, scope, { id: lesson, held_on: "2026-11-25", title: "Gone evening", minutes: 90, theme: "" });
  expect(await deleteDrills(db, scope, [one, two])).toBe(2);
  await deleteClass(db, scope, lesson);
  expect((await listDeleted(db, scope)).map(({ kind, title }) => [kind, title]).slice(0, 3)).toEqual([
    ["class", "Gone evening, 25 Nov 2026"],
    ["drill", "Gone one"],
    ["drill", "Gone two"],
  ]);
  expect(await countDeleted(db, await newSchool())).toBe(0);
  const before = await countDeleted(db, scope);
  await restoreDrills(db, scope, [one, two]);
  expect(await countDeleted(db, scope)).toBe(before - 2);
});

test("everybody of the school is ticked at once, but for the archived; then nobody", async () => {
  const all = [someone("Ida"), someone("Odo"), someone("Una")];
  for (const one of all) await insertStudent(db, scope, one);
  await setArchived(db, scope, { id: all[2]!.id, archived: true });
  const lesson = randomUUID();
  await createClass(db, scope, { id: lesson, held_on: "2026-11-25", title: "E", minutes: 90, theme: "" });
  await setEverybody(db, scope, lesson, "all");
  await setEverybody(db, scope, lesson, "all");
  expect((await listPresence(db, scope, lesson)).map((one) => one.student_id).sort()).toEqual(
    [all[0]!.id, all[1]!.id].sort(),
  );
  await setEverybody(db, scope, lesson, "none");
  expect(await listPresence(db, scope, lesson)).toEqual([]);
});
