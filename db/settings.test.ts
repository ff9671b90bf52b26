/** Settings, automatic revisions and what classes worked on, against a real server. */
import { randomUUID } from "node:crypto";
import { defaultSchool } from "#core/policy/school.ts";
import { revisionInput } from "#server/drills/revision-input.ts";
import { judgeAgain, judgingEnds, judgingOf } from "#server/drills/judging.ts";
import { modelVersion } from "#server/drills/model-version.ts";
import { patchSettings } from "#server/school/save-settings.ts";
import { forOneRequest, schoolOf } from "#server/school/school-of.ts";
import { createClass, listTrainedTexts } from "./classes.ts";
import { createDrill, getDrill, listDrills, listRevisions, saveDrill } from "./drills.ts";
import { insertStudent } from "./people.ts";
import { closePool, db } from "./pool.ts";
import { member, newSchool, trainBlock } from "./testing.ts";
import type { Scope } from "./scope.ts";
import { getSchool, insertSchool, saveSettings } from "./school.ts";

const input = (text: string) => revisionInput(randomUUID(), text, defaultSchool());
let scope: Scope;
beforeEach(async () => {
  scope = await newSchool();
});
afterAll(closePool);

const drill = async (text: string) => {
  const id = randomUUID();
  await createDrill(scope, { id, input: input(text), lineage: null });
  return id;
};

describe("settings", () => {
  test("two saves in one breath: what is judged behind them follows the second", async () => {
    const id = await drill("A jab -> B slip in");
    const verdict = async () => (await getDrill(db, scope, id))!.revision.verdict;
    await judgingEnds(scope);
    // Each request keeps what it has read of its school.
    const requests = [forOneRequest({ ...scope }), forOneRequest({ ...scope })] as const;
    await patchSettings(requests[0], 1, { severity: { "inside-line": "error" } });
    await patchSettings(requests[1], 2, { severity: { "inside-line": "note" } });
    await judgingEnds(scope);
    expect(await verdict()).toBe("sound");
    expect(judgingOf(scope)).toBeNull();
  });

  test("a part is saved, the rest stays, and the checker follows", async () => {
    await patchSettings(scope, 1, { customs: { names: "thai" } });
    const saved = await patchSettings(scope, 2, { severity: { "inside-line": "error" } });
    expect(saved).toEqual({ kind: "saved", version: 3 });
    expect((await getSchool(db, scope))!.settings).toEqual({
      customs: { names: "thai" },
      severity: { "inside-line": "error" },
    });
    const school = await schoolOf(scope);
    expect([school.customs.names, school.severity["inside-line"]]).toEqual(["thai", "error"]);
  });
  test("drills in the list are judged again behind it, those of an older model as well", async () => {
    const id = await drill("A jab -> B slip in");
    expect((await getDrill(db, scope, id))!.drill.verdict).toBe("risky");
    await patchSettings(scope, 1, { severity: { "inside-line": "error" } });
    expect(judgingOf(scope)).not.toBeNull();
    await judgingEnds(scope);
    expect(judgingOf(scope)).toBeNull();
    expect((await getDrill(db, scope, id))!.drill.verdict).toBe("broken");
    await patchSettings(scope, 2, { severity: { "inside-line": "note" } });
    await judgingEnds(scope);
    expect((await getDrill(db, scope, id))!.drill.verdict).toBe("sound");
    await db.query("update revisions set model_version = 'older', verdict = 'broken' where school_id = $1", [
      scope.schoolId,
    ]);
    await judgeAgain(scope, "older");
    expect((await getDrill(db, scope, id))!.revision).toMatchObject({
      verdict: "sound",
      model_version: modelVersion(),
    });
  });
  test("what is wrong is refused in words and nothing is kept", async () => {
    const refused = await patchSettings(scope, 1, { customs: { pads: "sideways" } });
    expect(refused).toMatchObject({ kind: "refused", message: expect.stringMatching(/pads/) });
    for (const patch of [null, "x", [], { other: 1 }])
      expect((await patchSettings(scope, 1, patch)).kind).toBe("refused");
    expect(await getSchool(db, scope)).toMatchObject({ settings: {}, version: 1 });
  });
  test("on top of an old version nothing is written over, and schools do not share", async () => {
    await patchSettings(scope, 1, { customs: { hookFist: "flat" } });
    expect((await patchSettings(scope, 1, { customs: { hookFist: "upright" } })).kind).toBe("stale");
    expect((await getSchool(db, scope))!.settings).toEqual({ customs: { hookFist: "flat" } });
    const other = await newSchool();
    expect(await getSchool(db, other)).toMatchObject({ settings: {}, version: 1 });
    expect(await saveSettings(db, other, 2, {})).toEqual({ kind: "conflict" });
  });
});

describe("automatic revisions", () => {
  const numbers = async (id: string) =>
    (await listRevisions(db, scope, id)).map((r) => `${r.number}${r.auto ? "a" : ""}`);
  test("the next save of the same person takes their place", async () => {
    const id = await drill("A jab -> B catch");
    await saveDrill(scope, id, { baseVersion: 1, input: input("A jab -> B parry"), auto: true });
    await saveDrill(scope, id, { baseVersion: 2, input: input("A jab -> B slip out"), auto: true });
    expect(await numbers(id)).toEqual(["3a", "1"]);
    await saveDrill(scope, id, { baseVersion: 3, input: input("A jab -> B duck"), auto: false });
    expect(await numbers(id)).toEqual(["4", "1"]);
  });
  test("a key pressed on a text that was saved by itself makes it one that stays", async () => {
    const id = await drill("A jab -> B catch");
    await saveDrill(scope, id, { baseVersion: 1, input: input("A jab -> B parry"), auto: true });
    expect(await saveDrill(scope, id, { baseVersion: 2, input: input("A jab -> B parry"), auto: false })).toEqual({
      kind: "saved",
      version: 2,
    });
    expect(await numbers(id)).toEqual(["2", "1"]);
  });
  test("what somebody else saved by itself stays", async () => {
    const id = await drill("A jab -> B catch");
    await saveDrill(scope, id, { baseVersion: 1, input: input("A jab -> B parry"), auto: true });
    const colleague: Scope = { ...scope, accountId: randomUUID() };
    await insertSchool(db, colleague, "Test school", { name: "Cole", email: `${colleague.accountId}@test.example` });
    await saveDrill(colleague, id, { baseVersion: 2, input: input("A jab -> B duck"), auto: true });
    expect(await numbers(id)).toEqual(["3a", "2a", "1"]);
  });
  test("one that a class works on stays, and counts as trained on each of its days", async () => {
    const id = await drill("A jab -> B catch");
    const auto = input("A jab -> B parry");
    await saveDrill(scope, id, { baseVersion: 1, input: auto, auto: true });
    const people = [randomUUID(), randomUUID()] as const;
    for (const person of people) await insertStudent(db, scope, member("P", { id: person }));
    for (const [held_on, minutes] of [
      ["2026-01-10", 60],
      ["2026-02-10", 60],
      ["2999-01-01", 60],
    ] as const) {
      const classId = randomUUID();
      await createClass(db, scope, { id: classId, held_on, title: "x", minutes });
      const pair = { a: people[0], b: people[1], c: null, revisionId: auto.id, why: "", side: null };
      const pairs = [{ ...pair, id: randomUUID(), round: 1 }];
      await trainBlock(scope, classId, { id: randomUUID(), position: 1, drillId: id, minutes: 20, pairs });
    }
    await saveDrill(scope, id, { baseVersion: 2, input: input("A jab -> B duck"), auto: true });
    expect(await numbers(id)).toEqual(["3a", "2a", "1"]);
    expect(await listTrainedTexts(db, scope)).toEqual([
      { text: "A jab -> B parry", date: "2026-02-10", side: null },
      { text: "A jab -> B parry", date: "2026-01-10", side: null },
    ]);
    expect((await listDrills(db, scope))[0]!.last_trained).toBe("2026-02-10");
  });
});
