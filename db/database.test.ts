/** Queries against a real server: the one that bin/test starts, or DATABASE_URL. */
import { randomUUID } from "node:crypto";
import { createClass, dropPlan, getTonight, listPairs, meetings, savePairs } from "./classes.ts";
import { listPresence, setPresence, setPresent, setTonightNot } from "./attendance.ts";
import {
  createDrill,
  deleteDrills,
  getDrill,
  listDrills,
  listExchangeIds,
  listRevisions,
  restoreDrills,
  saveDrill,
} from "./drills.ts";
import { eraseStudent, insertStudent, listGear, listStudents, setGear } from "./people.ts";
import { closePool, db, isDatabaseDown, transaction } from "./pool.ts";
import { beganAgo, member, newSchool } from "./testing.ts";
import type { Scope } from "./scope.ts";
import { defaultSchool } from "#core/policy/school.ts";
import { revisionInput } from "#server/drills/revision-input.ts";

const input = (text: string) => revisionInput(randomUUID(), text, defaultSchool());
const TEXT = "title: Quay\n\nA jab -> B slip out\nA cross -> B catch\n";

let scope: Scope;
beforeEach(async () => {
  scope = await newSchool();
});
afterAll(closePool);

async function drill(text = TEXT): Promise<string> {
  const id = randomUUID();
  await createDrill(scope, { id, input: input(text), lineage: null });
  return id;
}

describe("drills", () => {
  test("are stored with what the checker made of them", async () => {
    const id = await drill();
    const found = await getDrill(db, scope, id);
    expect(found).toMatchObject({
      drill: { title: "Quay", version: 1, kind: "feeder", verdict: "sound" },
      revision: { text: TEXT, author: "Tess Ter" },
    });
    expect(found!.drill.load_total).toBeGreaterThan(0);
  });
  test("the same request twice makes one drill", async () => {
    const id = randomUUID();
    const first = input(TEXT);
    await createDrill(scope, { id, input: first, lineage: null });
    expect(await createDrill(scope, { id, input: first, lineage: null })).toBe("made");
    expect(await createDrill(scope, { id, input: input("A jab -> B duck"), lineage: null })).toBe("taken");
    expect(await listDrills(db, scope)).toHaveLength(1);
  });
  test("a save is a new revision; exchange ids are carried over", async () => {
    const id = await drill();
    const before = await listExchangeIds(db, scope, (await getDrill(db, scope, id))!.revision.id);
    const saved = await saveDrill(scope, id, {
      baseVersion: 1,
      input: input(TEXT.replace("catch", "parry")),
      auto: false,
    });
    expect(saved).toEqual({ kind: "saved", version: 2 });
    const after = await listExchangeIds(db, scope, (await getDrill(db, scope, id))!.revision.id);
    expect(after.map((e) => e.id)).toEqual(before.map((e) => e.id));
    expect((await listRevisions(db, scope, id)).map((r) => r.number)).toEqual([2, 1]);
  });
  test("two edits at once: the second sees both and nothing is written over", async () => {
    const id = await drill();
    await saveDrill(scope, id, { baseVersion: 1, input: input(`${TEXT}A lead hook -> B weave\n`), auto: false });
    const second = await saveDrill(scope, id, {
      baseVersion: 1,
      input: input(`${TEXT}A lead hook -> B cover\n`),
      auto: false,
    });
    expect(second).toMatchObject({ kind: "conflict", theirs: { number: 2, author: "Tess Ter" } });
    expect((await getDrill(db, scope, id))!.revision.text).toMatch(/weave/);
  });
  test("two saves in the same moment: exactly one wins", async () => {
    const id = await drill();
    const results = await Promise.all(
      ["weave", "cover", "duck"].map((answer) =>
        saveDrill(scope, id, { baseVersion: 1, input: input(`${TEXT}A rear hook -> B ${answer}\n`), auto: false }),
      ),
    );
    expect(results.map((r) => r.kind).sort()).toEqual(["conflict", "conflict", "saved"]);
  });
  test("a deleted drill is gone for others and can be brought back", async () => {
    const id = await drill();
    expect(await deleteDrills(db, scope, [id])).toBe(1);
    expect(await getDrill(db, scope, id)).toBeNull();
    expect(await saveDrill(scope, id, { baseVersion: 1, input: input("A jab -> B catch"), auto: false })).toEqual({
      kind: "gone",
    });
    await restoreDrills(db, scope, [id]);
    expect(await getDrill(db, scope, id)).not.toBeNull();
  });
  test("a variation knows what it came from", async () => {
    const id = await drill();
    const parent = (await getDrill(db, scope, id))!.revision;
    const child = randomUUID();
    const lineage = {
      parentRevisionId: parent.id,
      operator: "isolate",
      parameters: { row: 3 },
      seed: null,
      changed: "Only the jab",
    };
    await createDrill(scope, { id: child, input: input("title: Quay: one\n\nA jab -> B slip out"), lineage });
    expect((await getDrill(db, scope, child))!.drill).toMatchObject({
      parent_id: id,
      parent_title: "Quay",
      changed: "Only the jab",
    });
  });
});

describe("schools", () => {
  test("see nothing of each other", async () => {
    const id = await drill();
    const other = await newSchool();
    expect(await listDrills(db, other)).toEqual([]);
    expect(await getDrill(db, other, id)).toBeNull();
    expect(await deleteDrills(db, other, [id])).toBe(0);
    expect(await saveDrill(other, id, { baseVersion: 1, input: input("A jab -> B catch"), auto: false })).toEqual({
      kind: "gone",
    });
  });
  test("rows of two schools cannot be joined even by mistake", async () => {
    const id = await drill();
    const other = await newSchool();
    const classId = randomUUID();
    await createClass(db, other, { id: classId, held_on: "2026-01-01", title: "x", minutes: 60 });
    await expect(
      db.query(
        "insert into blocks (school_id, id, class_id, position, minutes, drill_id) values ($1, $2, $3, 1, 10, $4)",
        [other.schoolId, randomUUID(), classId, id],
      ),
    ).rejects.toThrow(/foreign key/);
  });
  test("names are bound, never spliced", async () => {
    await insertStudent(db, scope, member("Robin'); drop table students; --"));
    expect((await listStudents(db, scope))[0]!.name).toMatch(/drop table/);
  });
  test("gear is counted once for each kind", async () => {
    expect(await setGear(db, scope, { kind: "mitts", count: 4, was: null })).toBe(true);
    expect(await setGear(db, scope, { kind: "mitts", count: 6, was: 4 })).toBe(true);
    // Two tabs: the one that still shows 4 is told, and writes nothing over.
    expect(await setGear(db, scope, { kind: "mitts", count: 3, was: 4 })).toBe(false);
    expect(await listGear(db, scope)).toEqual([{ kind: "mitts", count: 6 }]);
  });
});

const block = (drillId: string, revisionId: string, a: string, b: string) => ({
  id: randomUUID(),
  drillId,
  minutes: 10,
  pairs: [{ id: randomUUID(), round: 1, a, b, c: null, revisionId, why: "w", side: null }],
});

describe("classes", () => {
  async function people(n: number): Promise<string[]> {
    const ids = Array.from({ length: n }, () => randomUUID());
    for (const [i, id] of ids.entries())
      await insertStudent(db, scope, member(`P${i}`, { id, height_cm: 170 + i, mass_kg: null }));
    return ids;
  }
  test("attendance can be set again and again", async () => {
    const [a] = await people(1);
    const classId = randomUUID();
    await createClass(db, scope, { id: classId, held_on: "2026-03-01", title: "x", minutes: 60 });
    await setPresent(db, scope, classId, { studentId: a!, here: true });
    await setPresent(db, scope, classId, { studentId: a!, here: true });
    expect(await listPresence(db, scope, classId)).toEqual([
      { student_id: a, from_round: 0, until_round: null, tonight_not: [] },
    ]);
    await setPresent(db, scope, classId, { studentId: a!, here: false });
    await setTonightNot(db, scope, classId, { studentId: a!, not: ["head"] });
    await setPresence(db, scope, classId, { student_id: a!, from_round: 1, until_round: null });
    expect((await listPresence(db, scope, classId))[0]!.tonight_not).toEqual(["head"]);
    await setPresent(db, scope, classId, { studentId: a!, here: false });
    expect(await listPresence(db, scope, classId)).toEqual([]);
    await eraseStudent(scope, a!);
    await setPresent(db, scope, classId, { studentId: a!, here: true });
    expect(await listPresence(db, scope, classId)).toEqual([]);
  });
  test("pairs keep the revision they worked on, and count as meetings for other evenings", async () => {
    const [a, b] = await people(2);
    const drillId = await drill();
    const revisionId = (await getDrill(db, scope, drillId))!.revision.id;
    const classId = randomUUID();
    await createClass(db, scope, { id: classId, ...beganAgo(0), title: "x", minutes: 60 });
    expect(await savePairs(scope, classId, 1, block(drillId, revisionId, a!, b!))).toEqual({
      kind: "saved",
      version: 2,
    });
    await saveDrill(scope, drillId, { baseVersion: 1, input: input("title: Quay\n\nA jab -> B catch"), auto: false });
    expect((await listPairs(db, scope, classId))[0]).toMatchObject({ revision_id: revisionId, text: TEXT, why: "w" });
    expect([...(await meetings(db, scope, randomUUID(), { among: null, since: null })).values()]).toEqual([1]);
    expect((await meetings(db, scope, classId, { among: null, since: null })).size).toBe(0);
    expect((await meetings(db, scope, randomUUID(), { among: [], since: null })).size).toBe(0);
    expect((await meetings(db, scope, randomUUID(), { among: null, since: "2999-01-01" })).size).toBe(0);
  });
  test("pairs are not written over from a page that is older, nor after their day", async () => {
    const [a, b] = await people(2);
    const drillId = await drill();
    const revisionId = (await getDrill(db, scope, drillId))!.revision.id;
    const classId = randomUUID();
    await createClass(db, scope, { id: classId, ...beganAgo(0), title: "x", minutes: 60 });
    const save = (version: number) => savePairs(scope, classId, version, block(drillId, revisionId, a!, b!));
    // At the same moment: one is saved, the others find the class changed, and nobody meets a fault.
    const kinds = (await Promise.all([save(1), save(1), save(1), save(1)])).map((r) => r.kind).sort();
    expect(kinds).toEqual(["saved", "stale", "stale", "stale"]);
    await db.query("update classes set held_on = held_on - 1 where id = $1", [classId]);
    expect(await save(2)).toEqual({ kind: "over" });
    expect(await dropPlan(scope, classId, 2)).toEqual({ kind: "over" });
    expect(await savePairs(scope, randomUUID(), 1, block(drillId, revisionId, a!, b!))).toEqual({ kind: "gone" });
    expect(await listPairs(db, scope, classId)).toHaveLength(1);
  });
  test("tonight is today's class before any other", async () => {
    await createClass(db, scope, { id: randomUUID(), held_on: "2020-01-01", title: "old", minutes: 60 });
    await createClass(db, scope, { id: randomUUID(), ...beganAgo(10), title: "now", minutes: 60 });
    expect((await getTonight(db, scope))!.title).toBe("now");
  });
});

test("a transaction that fails leaves nothing behind", async () => {
  await expect(
    transaction(async (tx) => {
      await setGear(tx, scope, { kind: "sticks", count: 3, was: null });
      throw new Error("stop");
    }),
  ).rejects.toThrow("stop");
  expect(await listGear(db, scope)).toEqual([]);
});

test("a server that is away is told from other faults", () => {
  expect(isDatabaseDown(Object.assign(new Error("connect ECONNREFUSED 127.0.0.1:5"), { code: "ECONNREFUSED" }))).toBe(
    true,
  );
  expect(isDatabaseDown(Object.assign(new Error("shutting down"), { code: "57P01" }))).toBe(true);
  expect(isDatabaseDown(new Error("syntax error at or near"))).toBe(false);
});
