/** Templates of classes: kept by a name, used, replaced, deleted, within their school. */
import { randomUUID } from "node:crypto";
import { applyTemplate, deleteTemplate, keepTemplate, listTemplates, shapeOfClass } from "./class-templates.ts";
import { copyClass, createClass } from "./classes.ts";
import { closePool, db } from "./pool.ts";
import type { Scope } from "./scope.ts";
import { newSchool } from "./testing.ts";

afterAll(closePool);

const SHAPE = {
  clock: { round: 120, change: 30, rest: 45 },
  blocks: [{ kind: "warm-up", title: "Warm-up", minutes: 10, rounds: 0 }],
} as const;

async function schoolWithClass() {
  const scope = await newSchool();
  const id = randomUUID();
  // A Tuesday (any calendar).
  await createClass(db, scope, { id, held_on: "2026-12-01", title: "Tuesday", minutes: 75, starts_at: "18:30" });
  return { scope, id };
}
const keep = (scope: Scope, from: string, name = "My Tuesday") =>
  keepTemplate(db, scope, { id: randomUUID(), name, from, shape: SHAPE });

test("a class is kept with its weekday, time and minutes; the same name again replaces it", async () => {
  const { scope, id } = await schoolWithClass();
  expect(await keep(scope, id)).toBe(true);
  expect(await keep(scope, id)).toBe(true);
  expect(await listTemplates(db, scope)).toMatchObject([
    { name: "My Tuesday", weekday: 2, starts_at: "18:30:00", minutes: 75 },
  ]);
});

test("a class that is made by it has its frame, and keeps standing without it", async () => {
  const { scope, id } = await schoolWithClass();
  await keep(scope, id);
  const [template] = await listTemplates(db, scope);
  const made = randomUUID();
  await createClass(db, scope, { id: made, held_on: "2026-12-08", title: "Tuesday", minutes: 75 });
  expect(await shapeOfClass(db, scope, made)).toBeNull();
  await applyTemplate(db, scope, { classId: made, template: template!.id });
  expect(await shapeOfClass(db, scope, made)).toEqual(SHAPE);
  const copy = randomUUID();
  await copyClass(db, scope, { from: made, id: copy, day: "2026-12-15" });
  expect(await shapeOfClass(db, scope, copy)).toEqual(SHAPE);
  await deleteTemplate(db, scope, template!.id);
  expect(await listTemplates(db, scope)).toEqual([]);
  expect(await shapeOfClass(db, scope, made)).toBeNull();
});

test("no class of another school is kept, and no template of another school is used or deleted", async () => {
  const [one, other] = [await schoolWithClass(), await schoolWithClass()];
  expect(await keep(other.scope, one.id)).toBe(false);
  await keep(one.scope, one.id);
  const [template] = await listTemplates(db, one.scope);
  await deleteTemplate(db, other.scope, template!.id);
  await applyTemplate(db, other.scope, { classId: other.id, template: template!.id });
  expect(await listTemplates(db, one.scope)).toHaveLength(1);
  expect(await shapeOfClass(db, other.scope, other.id)).toBeNull();
});

test("thirty are enough", async () => {
  const { scope, id } = await schoolWithClass();
  for (let i = 0; i < 30; i++) expect(await keep(scope, id, `Evening ${i}`)).toBe(true);
  expect(await keep(scope, id, "One more")).toBe(false);
  expect(await keep(scope, id, "Evening 3")).toBe(true);
});
