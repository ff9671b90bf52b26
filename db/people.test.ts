/** People, wishes, ladders, plans and the term, against a real server. */
import { randomUUID } from "node:crypto";
import type { Block } from "#core/class/timetable.ts";
import { defaultSchool } from "#core/policy/school.ts";
import { keepPlan, sayWhatRan } from "#server/classes/keep-plan.ts";
import { planPage } from "#server/classes/plan-page.ts";
import { peopleFromForm, wishFromForm } from "#server/people/people-forms.ts";
import { revisionInput } from "#server/drills/revision-input.ts";
import { pairRound } from "#server/classes/one-round.ts";
import { takeLadder } from "#server/drills/take-ladder.ts";
import { termPage } from "#server/term/term.ts";
import {
  copyClass,
  createClass,
  dropPlan,
  getClass,
  listPairs,
  listTrainedTexts,
  meetings,
  updateClass,
} from "./classes.ts";
import { listPresence, setPresence, setPresent, setTonightNot } from "./attendance.ts";
import { createDrill, listDrills } from "./drills.ts";
import { listLadders, listRungs } from "./ladders.ts";
import * as people from "./people.ts";
import { closePool, db } from "./pool.ts";
import { listRunPairs } from "./rounds-run.ts";
import { beganAgo, member, newSchool } from "./testing.ts";
import type { Scope } from "./scope.ts";

const TODAY = beganAgo(0).held_on;
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
    await people.setWish(db, scope, { a: ada.id, b: bo.id, kind: "apart" }, "set");
    await people.setArchived(db, scope, { id: ada.id, archived: true });
    expect((await people.listStudents(db, scope)).map((s) => s.name)).toEqual(["Bo"]);
    expect((await people.listArchived(db, scope)).map((s) => s.name)).toEqual(["Ada"]);
    await people.setArchived(db, scope, { id: ada.id, archived: false });
    await people.eraseStudent(scope, ada.id);
    expect(await people.listArchived(db, scope)).toEqual([]);
    expect(await people.listWishes(db, scope)).toEqual([]);
    const [row] = await db.query<{ name: string; height_cm: number | null; agreed: string }>(
      `select name, height_cm, agreed from students where id = $1`,
      [ada.id],
    );
    expect(row).toEqual({ name: "Former member", height_cm: null, agreed: "" });
  });
  test("whatever column the database has of a person, erasing leaves nothing in it", async () => {
    const ada = member("Ada", {
      ...{ height_cm: 181, reach_cm: 190, mass_kg: 80, lead: "right", hand: "left", born: "2010-05-06", minor: true },
      ...{ ages: "13-17", levels: { flow: 4 }, limits: ["no falls"], limits_until: "2027-01-01", agreed: "with Bo" },
      falls: true,
    });
    const kept = () => db.query<Record<string, unknown>>(`select * from students where id = $1`, [ada.id]);
    await people.insertStudent(db, scope, ada);
    const [before] = await kept();
    await people.eraseStudent(scope, ada.id);
    const [after] = await kept();
    // What says who it was stays: of which school, by which number, since when gone.
    const bookkeeping = ["school_id", "id", "version", "archived_at", "erased_at", "created_at", "updated_at"];
    const personal = Object.keys(before!).filter((column) => !bookkeeping.includes(column));
    expect(personal.length).toBeGreaterThanOrEqual(14);
    for (const column of personal) expect([column, after![column]]).not.toEqual([column, before![column]]);
  });
  test("what somebody leaves out tonight goes with them", async () => {
    const ada = member("Ada");
    await people.insertStudent(db, scope, ada);
    const id = randomUUID();
    await createClass(db, scope, { id, held_on: TODAY, title: "Evening", minutes: 60 });
    await setTonightNot(db, scope, id, { studentId: ada.id, not: ["head"] });
    await people.eraseStudent(scope, ada.id);
    const rows = await db.query(`select tonight_not from attendance where student_id = $1`, [ada.id]);
    expect(rows).toEqual([{ tonight_not: [] }]);
  });
  test("a wish is one whichever way round it is said, and goes again", async () => {
    const [ada, bo] = [member("Ada"), member("Bo")];
    await people.insertStudents(scope, [ada, bo]);
    await people.setWish(db, scope, { a: ada.id, b: bo.id, kind: "together" }, "set");
    await people.setWish(db, scope, { a: bo.id, b: ada.id, kind: "together" }, "set");
    expect(await people.listWishes(db, scope)).toHaveLength(1);
    await people.setWish(db, scope, { a: bo.id, b: ada.id, kind: "together" }, "taken out");
    expect(await people.listWishes(db, scope)).toEqual([]);
  });
  test("schools do not see each other’s people", async () => {
    await people.insertStudent(db, scope, member("Ada"));
    expect(await people.listStudents(db, await newSchool())).toEqual([]);
  });
  test("what forms send is read, or refused in words", () => {
    expect(peopleFromForm(JSON.stringify([member("Ada")]))).toHaveLength(1);
    expect(() => peopleFromForm("[")).toThrow(/did not arrive whole/);
    expect(() => peopleFromForm("[]")).toThrow(/nobody in it/);
    expect(() => peopleFromForm(JSON.stringify([member("Ada", { height_cm: 500 })]))).toThrow(
      /height must be 90 to 230 cm/,
    );
    const id = randomUUID();
    expect(wishFromForm({ a: id, b: id, kind: "apart" })).toBeNull();
    expect(wishFromForm({ a: id, b: randomUUID(), kind: "friends" })).toBeNull();
  });
});

async function drill(text: string) {
  const id = randomUUID();
  const input = revisionInput(randomUUID(), text, defaultSchool());
  await createDrill(scope, { id, input, lineage: null });
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
  test("another ladder over the same drills is refused in words, and leaves nothing half done", async () => {
    const base = await drill("A jab -> B slip out");
    const sent = ladderOf(base.revisionId);
    await takeLadder(scope, base.id, sent);
    const again = { ...(JSON.parse(sent) as object), id: randomUUID() };
    expect(await takeLadder(scope, base.id, JSON.stringify(again))).toMatchObject({
      kind: "refused",
      message: expect.stringMatching(/in the library already/),
    });
    expect(await listLadders(db, scope)).toHaveLength(1);
  });
  test("what did not arrive whole is refused", async () => {
    await expect(takeLadder(scope, randomUUID(), "{")).rejects.toThrow(/did not arrive whole/);
  });
});

describe("the plan of a class", () => {
  const setUp = async () => {
    const base = await drill("A jab -> B slip out, cross");
    const [ada, bo] = [member("Ada", { levels: { feeder: 1 } }), member("Bo")];
    await people.insertStudents(scope, [ada, bo]);
    const id = randomUUID();
    await createClass(db, scope, { id, ...beganAgo(0), title: "Evening", minutes: 60 });
    for (const s of [ada, bo]) await setPresent(db, scope, id, { studentId: s.id, here: true });
    return { base, ada, bo, id };
  };
  const BLOCK: Block = { id: "w", kind: "work", title: "Work", minutes: 8, rung: 0, rounds: 1, locked: false };
  interface Decided {
    readonly rounds?: number;
    readonly locked?: readonly [string, string];
  }
  /** What a page sends: its blocks; the plan itself is worked out by the server. */
  const sent = (version: number, drillId: string, { rounds = 1, locked }: Decided = {}) =>
    JSON.stringify({
      version,
      ladder: null,
      drill: drillId,
      clock: { round: 180, change: 30, rest: 45 },
      blocks: [{ ...BLOCK, rounds }],
      locked: locked ? [{ round: 0, a: locked[0], b: locked[1], c: null }] : [],
    });
  /** An instructor says that so many rounds were run. */
  const done = async (id: string, rounds: number) =>
    sayWhatRan(scope, id, (await getClass(db, scope, id))!.version, { kind: "done", rounds });
  test("it rests on who is here, with their levels, and is kept with its pairs for the log", async () => {
    const { base, ada, bo, id } = await setUp();
    await setPresence(db, scope, id, { student_id: bo.id, from_round: 0, until_round: 5 });
    const page = (await planPage(scope, id, { ladder: null, drill: base.id }))!;
    expect(page.people.find((p) => p.id === ada.id)).toMatchObject({ level: 1, from: 0, until: null });
    expect(page.people.find((p) => p.id === bo.id)).toMatchObject({ level: 3, from: 0, until: 5 });
    expect(page.rungs.map((r) => r.drillId)).toEqual([base.id]);
    const saved = await keepPlan(scope, id, sent(page.lesson.version, base.id, { locked: [ada.id, bo.id] }));
    expect(saved).toMatchObject({ kind: "saved", version: page.lesson.version + 1 });
    const [pair] = await listPairs(db, scope, id);
    expect(pair).toMatchObject({ student_a: ada.id, student_b: bo.id, revision_id: base.revisionId });
    expect(pair!.why).not.toBe("");
    // What is only planned is no meeting.
    const met = async () => [...(await meetings(db, scope, randomUUID(), { among: null, since: null })).values()];
    expect(await met()).toEqual([]);
    expect(await done(id, 1)).toMatchObject({ kind: "saved" });
    expect(await met()).toEqual([1]);
    expect((await planPage(scope, id, { ladder: null, drill: null }))!.kept!.plan.rounds).toHaveLength(1);
  });
  test("on top of an old version nothing is written over", async () => {
    const { base, ada, bo, id } = await setUp();
    await keepPlan(scope, id, sent(1, base.id, { locked: [ada.id, bo.id] }));
    const late = await keepPlan(scope, id, sent(1, base.id, { locked: [bo.id, ada.id] }));
    expect(late).toMatchObject({ kind: "refused", message: expect.stringMatching(/Somebody else changed this class/) });
    expect((await listPairs(db, scope, id))[0]!.student_a).toBe(ada.id);
    await expect(keepPlan(scope, id, "{")).rejects.toThrow(/did not arrive whole/);
  });
  test("verdicts are the server's own, whatever a page sends along", async () => {
    const { base, ada, bo, id } = await setUp();
    const lies = {
      ...(JSON.parse(sent(1, base.id)) as object),
      plan: { ok: true, rounds: "none", notes: ["all fine"] },
    };
    expect(await keepPlan(scope, id, JSON.stringify(lies))).toMatchObject({ kind: "saved" });
    const { plan } = (await planPage(scope, id, { ladder: null, drill: null }))!.kept!;
    expect(plan.notes).not.toContain("all fine");
    const [round] = plan.rounds;
    expect(round!.pairs.map((p) => [[p.a, p.b].sort(), p.verdict])).toEqual([[[ada.id, bo.id].sort(), "sound"]]);
  });
  test.each([
    ["a block without rounds", { blocks: [{ id: "w", kind: "work", title: "Work", minutes: 8, rung: 0 }] }],
    ["a lock that is no pair", { locked: ["x"] }],
    ["a clock of nothing", { clock: { round: 0, change: 30, rest: 45 } }],
    ["more rounds than an evening has", { blocks: [{ ...BLOCK, rounds: 1000 }] }],
  ])("%s is refused and nothing is kept", async (_, part) => {
    const { base, id } = await setUp();
    const odd = { ...(JSON.parse(sent(1, base.id)) as object), ...part };
    await expect(keepPlan(scope, id, JSON.stringify(odd))).rejects.toThrow();
    expect((await planPage(scope, id, { ladder: null, drill: null }))!.kept).toBeNull();
  });
  test("what was run stays: neither another plan, nor one round, nor dropping it takes it out of the log", async () => {
    const { base, ada, bo, id } = await setUp();
    const cy = member("Cy");
    const di = member("Di");
    await people.insertStudents(scope, [cy, di]);
    for (const s of [cy, di]) await setPresent(db, scope, id, { studentId: s.id, here: true });
    const first = [
      [ada.id, bo.id],
      [cy.id, di.id],
    ] as const;
    const locked = first.map(([a, b]) => ({ round: 0, a, b, c: null }));
    const plan = (version: number) =>
      JSON.stringify({ ...(JSON.parse(sent(version, base.id, { rounds: 2 })) as object), locked });
    expect(await keepPlan(scope, id, plan(1))).toMatchObject({ kind: "saved" });
    expect(await done(id, 1)).toMatchObject({ kind: "saved" });
    const before = await listRunPairs(db, scope, id);
    expect(before.map(({ people: [a, b] }) => [a, b])).toEqual(first);
    const words = { kind: "refused", message: expect.stringMatching(/they stay in the log/) };
    // Other pairs for that round are planned for, and change nothing of it.
    const other = JSON.stringify({
      ...(JSON.parse(plan(3)) as object),
      locked: [{ round: 0, a: ada.id, b: cy.id, c: null }],
    });
    expect(await keepPlan(scope, id, other)).toMatchObject({ kind: "saved" });
    expect(await pairRound(scope, id, { drillId: base.id, version: 4 })).toMatchObject(words);
    expect(await dropPlan(scope, id, 4)).toEqual({ kind: "ran" });
    expect(await listRunPairs(db, scope, id)).toEqual(before);
    // Not run after all: said on the plan, on top of the newest version; then it may be dropped.
    expect(await sayWhatRan(scope, id, 3, { kind: "taken back", from: 0 })).toMatchObject({ kind: "refused" });
    expect(await sayWhatRan(scope, id, 4, { kind: "taken back", from: 0 })).toMatchObject({ kind: "saved" });
    expect(await dropPlan(scope, id, 5)).toMatchObject({ kind: "saved" });
  });
  test("the log of a class that is over is not written again", async () => {
    const { base } = await setUp();
    const id = randomUUID();
    await createClass(db, scope, { id, held_on: "2020-01-02", title: "Long ago", minutes: 60 });
    expect((await planPage(scope, id, { ladder: null, drill: null }))!.over).toBe(true);
    expect(await keepPlan(scope, id, sent(1, base.id))).toMatchObject({
      kind: "refused",
      message: expect.stringMatching(/This class is over/),
    });
  });
  test("who is unticked after a round was run stays in that round, and in no later one", async () => {
    const { base, ada, bo, id } = await setUp();
    expect(await keepPlan(scope, id, sent(1, base.id, { locked: [ada.id, bo.id] }))).toMatchObject({ kind: "saved" });
    await done(id, 1);
    await setPresent(db, scope, id, { studentId: bo.id, here: false });
    const page = (await planPage(scope, id, { ladder: null, drill: null }))!;
    expect(page.people.find((p) => p.id === bo.id)).toMatchObject({ from: 0, until: 1 });
  });
  test("tonight counts as trained once a round was run, each lead by itself", async () => {
    const { base, ada, bo, id } = await setUp();
    await keepPlan(scope, id, sent(1, base.id));
    expect(await listTrainedTexts(db, scope)).toEqual([]);
    expect(await keepPlan(scope, id, sent(2, base.id, { rounds: 3, locked: [ada.id, bo.id] }))).toMatchObject({
      kind: "saved",
    });
    await done(id, 2);
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
    await keepPlan(scope, id, sent(1, base.id));
    await done(id, 1);
    await people.setArchived(db, scope, { id: bo.id, archived: true });
    const page = (await planPage(scope, id, { ladder: null, drill: null }))!;
    expect(page.names[bo.id]).toBe("Bo");
    const term = await termPage(scope);
    expect(term.people.map((p) => p.name)).not.toContain("Bo");
    expect(term.people.find((p) => p.id === ada.id)!.partners).toBe(1);
    await people.eraseStudent(scope, bo.id);
    expect((await planPage(scope, id, { ladder: null, drill: null }))!.names[bo.id]).toBeUndefined();
  });
  test("a dropped plan leaves no pairs behind", async () => {
    const { base, id } = await setUp();
    await keepPlan(scope, id, sent(1, base.id));
    await dropPlan(scope, id, 2);
    expect(await listPairs(db, scope, id)).toEqual([]);
    expect((await planPage(scope, id, { ladder: null, drill: null }))!.kept).toBeNull();
    expect((await getClass(db, scope, id))!.version).toBe(3);
  });
  test("somebody who is erased is in no plan any more; who met whom stays", async () => {
    const { base, ada, id } = await setUp();
    await keepPlan(scope, id, sent(1, base.id));
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
    await copyClass(db, scope, { from: from.id, id, day: "2026-12-02" });
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
      await setPresent(db, scope, id, { studentId: ada.id, here: true });
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
