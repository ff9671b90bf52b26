/** People, wishes, ladders, plans and the term, against a real server. */
import { randomUUID } from "node:crypto";
import type { ClassPlan } from "#core/class/plan.ts";
import type { Member } from "#core/people/person.ts";
import { defaultSchool } from "#core/policy/school.ts";
import { keepPlan, planPage } from "#server/class-plan.ts";
import { peopleFromForm, wishFromForm } from "#server/people-forms.ts";
import { revisionInput } from "#server/revision-input.ts";
import { takeLadder } from "#server/take-ladder.ts";
import { termPage } from "#server/term.ts";
import { createClass, getClass, listPairs, listTrainedTexts, meetings, setPresent } from "./classes.ts";
import { createDrill, listDrills } from "./drills.ts";
import { listLadders, listRungs } from "./ladders.ts";
import * as people from "./people.ts";
import { dropPlan, listPresence, setPresence } from "./plans.ts";
import { closePool, db } from "./pool.ts";
import type { Scope } from "./scope.ts";
import { insertSchool } from "./school.ts";
import { copyClass, updateClass } from "./term.ts";

const TODAY = new Date().toISOString().slice(0, 10);
const newSchool = async (): Promise<Scope> => {
  const made: Scope = { schoolId: randomUUID(), accountId: randomUUID(), role: "instructor" };
  await insertSchool(db, made, "Test school", { name: "Tess Ter", email: `${made.accountId}@test.example` });
  return made;
};
const member = (name: string, more: Partial<Member> = {}): Member => ({
  id: randomUUID(),
  name,
  height_cm: 170,
  reach_cm: null,
  mass_kg: 70,
  lead: "left",
  hand: "right",
  minor: false,
  levels: {},
  limits: [],
  limits_until: null,
  agreed: "",
  ...more,
});
let scope: Scope;
beforeEach(async () => {
  scope = await newSchool();
});
afterAll(closePool);

describe("people", () => {
  test("a person is kept with levels, limits and their day", async () => {
    const ada = member("Ada", { levels: { flow: 4 }, limits: ["no falls"], limits_until: "2026-12-01" });
    await people.insertStudents(scope, [ada, member("Bo")]);
    const [first] = await people.listStudents(db, scope);
    expect(first).toMatchObject({ name: "Ada", levels: { flow: 4 }, limits_until: "2026-12-01", version: 1 });
  });
  test("a change on top of an old version writes nothing over", async () => {
    const ada = member("Ada");
    await people.insertStudent(db, scope, ada);
    expect(await people.updateStudent(db, scope, { ...ada, height_cm: 180 }, 1)).toBe(true);
    expect(await people.updateStudent(db, scope, { ...ada, height_cm: 150 }, 1)).toBe(false);
    expect((await people.listStudents(db, scope))[0]!.height_cm).toBe(180);
  });
  test("archived people are in no list and come back; erased ones leave no name and no measure", async () => {
    const [ada, bo] = [member("Ada", { agreed: "with Bo" }), member("Bo")];
    await people.insertStudents(scope, [ada, bo]);
    await people.setWish(db, scope, { a: ada.id, b: bo.id, kind: "apart" }, true);
    await people.setArchived(db, scope, ada.id, true);
    expect((await people.listStudents(db, scope)).map((s) => s.name)).toEqual(["Bo"]);
    expect((await people.listArchived(db, scope)).map((s) => s.name)).toEqual(["Ada"]);
    await people.setArchived(db, scope, ada.id, false);
    await people.eraseStudent(scope, ada.id);
    expect(await people.listArchived(db, scope)).toEqual([]);
    expect(await people.listWishes(db, scope)).toEqual([]);
    const [row] = await db.query<{ name: string; height_cm: number | null; agreed: string }>(
      `select name, height_cm, agreed from students where id = $1`,
      [ada.id],
    );
    expect(row).toEqual({ name: "Former member", height_cm: null, agreed: "" });
  });
  test("a wish is one whichever way round it is said, and goes again", async () => {
    const [ada, bo] = [member("Ada"), member("Bo")];
    await people.insertStudents(scope, [ada, bo]);
    await people.setWish(db, scope, { a: ada.id, b: bo.id, kind: "together" }, true);
    await people.setWish(db, scope, { a: bo.id, b: ada.id, kind: "together" }, true);
    expect(await people.listWishes(db, scope)).toHaveLength(1);
    await people.setWish(db, scope, { a: bo.id, b: ada.id, kind: "together" }, false);
    expect(await people.listWishes(db, scope)).toEqual([]);
  });
  test("schools do not see each other’s people", async () => {
    await people.insertStudent(db, scope, member("Ada"));
    expect(await people.listStudents(db, await newSchool())).toEqual([]);
  });
  test("what forms send is read, or refused in words", () => {
    expect(peopleFromForm(JSON.stringify([member("Ada")])).ok).toBe(true);
    expect(peopleFromForm("[")).toMatchObject({ ok: false, message: expect.stringMatching(/did not arrive whole/) });
    expect(peopleFromForm("[]")).toMatchObject({ ok: false, message: expect.stringMatching(/nobody in it/) });
    const far = peopleFromForm(JSON.stringify([member("Ada", { height_cm: 500 })]));
    expect(far).toMatchObject({ ok: false, message: expect.stringMatching(/height must be 90 to 230 cm/) });
    const id = randomUUID();
    expect(wishFromForm({ a: id, b: id, kind: "apart" })).toBeNull();
    expect(wishFromForm({ a: id, b: randomUUID(), kind: "friends" })).toBeNull();
  });
});

async function drill(text: string) {
  const id = randomUUID();
  const input = revisionInput(randomUUID(), text, defaultSchool()).input;
  await createDrill(scope, id, input, null);
  return { id, revisionId: input.id };
}
const ladderOf = (parentRevisionId: string, id = randomUUID()) =>
  JSON.stringify({
    id,
    parentRevisionId,
    title: "Two rungs",
    seed: 1,
    rungs: ["A jab -> B slip out", "A jab -> B slip out, cross"].map((text) => ({
      id: randomUUID(),
      revisionId: randomUUID(),
      text: `title: ${text}\n\n${text}\n`,
      operator: "start",
      changed: `now ${text}`,
    })),
  });

describe("a ladder in the library", () => {
  test("its rungs are drills in order; the same request twice makes it once", async () => {
    const base = await drill("A jab -> B slip out");
    const sent = ladderOf(base.revisionId);
    expect(await takeLadder(scope, base.id, sent)).toMatchObject({ kind: "taken", rungs: 2 });
    await takeLadder(scope, base.id, sent);
    const [ladder, ...more] = await listLadders(db, scope);
    expect(more).toEqual([]);
    const rungs = await listRungs(db, scope, ladder!.id);
    expect(rungs.map((r) => [r.position, r.changed])).toEqual([
      [1, "now A jab -> B slip out"],
      [2, "now A jab -> B slip out, cross"],
    ]);
    expect(rungs[1]!.load_total).toBeGreaterThan(rungs[0]!.load_total);
    expect(await listDrills(db, scope)).toHaveLength(3);
    expect(await listRungs(db, await newSchool(), ladder!.id)).toEqual([]);
  });
  test("what did not arrive whole is refused", async () => {
    expect(await takeLadder(scope, randomUUID(), "{")).toMatchObject({ kind: "refused" });
  });
});

describe("the plan of a class", () => {
  const setUp = async () => {
    const base = await drill("A jab -> B slip out, cross");
    const [ada, bo] = [member("Ada", { levels: { feeder: 1 } }), member("Bo")];
    await people.insertStudents(scope, [ada, bo]);
    const id = randomUUID();
    await createClass(db, scope, { id, held_on: TODAY, title: "Evening", minutes: 60 });
    for (const s of [ada, bo]) await setPresent(db, scope, id, s.id, true);
    return { base, ada, bo, id };
  };
  const plan = (a: string, b: string, rung = 0): ClassPlan => ({
    ok: true,
    blocks: [{ id: "w", kind: "work", title: "Work", minutes: 8, rung: 0, rounds: 1, locked: false }],
    left: 52,
    rounds: [
      {
        block: "w",
        turn: 0,
        side: "left",
        done: false,
        pairs: [{ a, b, c: null, locked: false, rung, verdict: "sound", distance: 1, why: ["new"], notes: [] }],
        alone: [],
      },
    ],
    shares: [],
    notes: [],
    floor: 6,
    queue: 10,
  });
  const kept = (version: number, base: string, made: ClassPlan) =>
    JSON.stringify({
      version,
      ladder: null,
      drill: base,
      done: 0,
      clock: { round: 180, change: 30, rest: 45 },
      locked: [],
      plan: made,
    });
  test("it rests on who is here, with their levels, and is kept with its pairs for the log", async () => {
    const { base, ada, bo, id } = await setUp();
    await setPresence(db, scope, id, { student_id: bo.id, from_round: 2, until_round: 5 });
    const page = (await planPage(scope, id, { ladder: null, drill: base.id }))!;
    expect(page.people.find((p) => p.id === ada.id)).toMatchObject({ level: 1, from: 0, until: null });
    expect(page.people.find((p) => p.id === bo.id)).toMatchObject({ level: 3, from: 2, until: 5 });
    expect(page.rungs.map((r) => r.drillId)).toEqual([base.id]);
    const saved = await keepPlan(scope, id, kept(page.lesson.version, base.id, plan(ada.id, bo.id)));
    expect(saved).toMatchObject({ kind: "saved", version: page.lesson.version + 1 });
    const [pair] = await listPairs(db, scope, id);
    expect(pair).toMatchObject({ student_a: ada.id, student_b: bo.id, revision_id: base.revisionId, why: "new" });
    expect([...(await meetings(db, scope, randomUUID())).values()]).toEqual([1]);
    expect((await planPage(scope, id, { ladder: null, drill: null }))!.kept!.plan.rounds).toHaveLength(1);
  });
  test("on top of an old version nothing is written over", async () => {
    const { base, ada, bo, id } = await setUp();
    await keepPlan(scope, id, kept(1, base.id, plan(ada.id, bo.id)));
    const late = await keepPlan(scope, id, kept(1, base.id, plan(bo.id, ada.id)));
    expect(late).toMatchObject({ kind: "stale", message: expect.stringMatching(/Somebody else changed this class/) });
    expect((await listPairs(db, scope, id))[0]!.student_a).toBe(ada.id);
    expect(await keepPlan(scope, id, "{")).toMatchObject({ kind: "refused" });
  });
  test("the log of a class that is over is not written anew", async () => {
    const { base, ada, bo } = await setUp();
    const id = randomUUID();
    await createClass(db, scope, { id, held_on: "2020-01-02", title: "Long ago", minutes: 60 });
    expect((await planPage(scope, id, { ladder: null, drill: null }))!.over).toBe(true);
    expect(await keepPlan(scope, id, kept(1, base.id, plan(ada.id, bo.id)))).toMatchObject({
      kind: "refused",
      message: expect.stringMatching(/This class is over/),
    });
  });
  test("who is unticked after a round was run stays in that round, and in no later one", async () => {
    const { base, ada, bo, id } = await setUp();
    const ran = kept(1, base.id, plan(ada.id, bo.id)).replace('"done":0', '"done":1');
    expect(await keepPlan(scope, id, ran)).toMatchObject({ kind: "saved" });
    await setPresent(db, scope, id, bo.id, false);
    const page = (await planPage(scope, id, { ladder: null, drill: null }))!;
    expect(page.people.find((p) => p.id === bo.id)).toMatchObject({ from: 0, until: 1 });
  });
  test("tonight counts as trained once a round was run, each lead by itself; a class of the past counts as it stands", async () => {
    const { base, ada, bo, id } = await setUp();
    await keepPlan(scope, id, kept(1, base.id, plan(ada.id, bo.id)));
    expect(await listTrainedTexts(db, scope)).toEqual([]);
    const made = plan(ada.id, bo.id);
    if (!made.ok) throw new Error("a plan");
    const [round] = made.rounds;
    const both = {
      ...made,
      rounds: [
        { ...round!, done: true },
        { ...round!, turn: 1, side: "right" as const, done: true },
        { ...round!, turn: 2, done: false },
      ],
    };
    await keepPlan(scope, id, kept(2, base.id, both));
    const trained = await listTrainedTexts(db, scope);
    expect(trained.map((t) => [t.date, t.side]).sort()).toEqual([
      [TODAY, "left"],
      [TODAY, "right"],
    ]);
    await db.query("update classes set held_on = '2020-01-02' where school_id = $1 and id = $2", [scope.schoolId, id]);
    expect((await listTrainedTexts(db, scope)).map((t) => t.date)).toEqual(["2020-01-02", "2020-01-02"]);
  });
  test("who was archived keeps the name in the plan and the term; who was erased does not", async () => {
    const { base, ada, bo, id } = await setUp();
    await keepPlan(scope, id, kept(1, base.id, plan(ada.id, bo.id)));
    await people.setArchived(db, scope, bo.id, true);
    const page = (await planPage(scope, id, { ladder: null, drill: null }))!;
    expect(page.names[bo.id]).toBe("Bo");
    const term = await termPage(scope);
    expect(term.people.map((p) => p.name)).not.toContain("Bo");
    expect(term.people.find((p) => p.id === ada.id)!.partners).toBe(1);
    await people.eraseStudent(scope, bo.id);
    expect((await planPage(scope, id, { ladder: null, drill: null }))!.names[bo.id]).toBeUndefined();
  });
  test("a dropped plan leaves no pairs behind", async () => {
    const { base, ada, bo, id } = await setUp();
    await keepPlan(scope, id, kept(1, base.id, plan(ada.id, bo.id)));
    await dropPlan(scope, id);
    expect(await listPairs(db, scope, id)).toEqual([]);
    expect((await planPage(scope, id, { ladder: null, drill: null }))!.kept).toBeNull();
    expect((await getClass(db, scope, id))!.version).toBe(3);
  });
  test("somebody who is erased is in no plan any more; who met whom stays", async () => {
    const { base, ada, bo, id } = await setUp();
    await keepPlan(scope, id, kept(1, base.id, plan(ada.id, bo.id)));
    await people.eraseStudent(scope, ada.id);
    expect((await planPage(scope, id, { ladder: null, drill: null }))!.kept).toBeNull();
    expect((await listPairs(db, scope, id))[0]!.why).toBe("");
  });
  test("presence is set again without a second row; another school has no such class", async () => {
    const { ada, id } = await setUp();
    for (const until of [3, 4])
      await setPresence(db, scope, id, { student_id: ada.id, from_round: 0, until_round: until });
    expect((await listPresence(db, scope, id)).find((p) => p.student_id === ada.id)!.until_round).toBe(4);
    expect(await planPage(await newSchool(), id, { ladder: null, drill: null })).toBeNull();
  });
});

describe("the term", () => {
  const lesson = { id: randomUUID(), held_on: "2026-11-25", title: "Evening", minutes: 60, theme: "Distance" };
  test("a class is copied to another day with its theme, and nobody in it", async () => {
    const from = { ...lesson, id: randomUUID() };
    await createClass(db, scope, from);
    const id = randomUUID();
    await copyClass(scope, from.id, id, "2026-12-02");
    expect(await getClass(db, scope, id)).toMatchObject({ held_on: "2026-12-02", theme: "Distance", version: 1 });
    expect((await termPage(scope)).classes.map((c) => c.here)).toEqual([0, 0]);
  });
  test("a change on top of an old version writes nothing over", async () => {
    const row = { ...lesson, id: randomUUID(), starts_at: "19:00" };
    await createClass(db, scope, row);
    expect(await updateClass(db, scope, { ...row, title: "Later" }, 1)).toBe(true);
    expect(await updateClass(db, scope, { ...row, title: "Too late" }, 1)).toBe(false);
    expect((await getClass(db, scope, row.id))!.title).toBe("Later");
  });
  test("who is ticked in two classes at one time is named; one after the other is fine", async () => {
    const ada = member("Ada");
    await people.insertStudent(db, scope, ada);
    const at = async (starts_at: string) => {
      const id = randomUUID();
      await createClass(db, scope, { ...lesson, id, starts_at });
      await setPresent(db, scope, id, ada.id, true);
      return id;
    };
    const early = await at("18:00");
    await at("19:00");
    expect((await termPage(scope)).classes.flatMap((c) => c.clash)).toEqual([]);
    const during = await at("18:30");
    const clash = (await termPage(scope)).classes.filter((c) => c.clash.length > 0).map((c) => c.id);
    expect(clash).toEqual(expect.arrayContaining([early, during]));
    expect((await termPage(scope)).people[0]).toMatchObject({ name: "Ada", classes: 3, partners: 0 });
  });
});
