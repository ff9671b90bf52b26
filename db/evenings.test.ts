/** What the plan of an evening asks of the database: ticks taken back, parts of drills, evenings carried on. */
import { randomUUID } from "node:crypto";
import { keepPlan, sayWhatRan } from "#server/classes/keep-plan.ts";
import { planPage } from "#server/classes/plan-page.ts";
import { ladderFor } from "#server/drills/grow-ladder.ts";
import { revisionInput } from "#server/drills/revision-input.ts";
import { defaultSchool } from "#core/policy/school.ts";
import { NOBODY } from "#core/people/testing.ts";
import { bringBack, listPresence, setEverybody, setPresence, setTonightNot } from "./attendance.ts";
import { createClass } from "./classes.ts";
import { createDrill } from "./drills.ts";
import { listLadders, listRungs } from "./ladders.ts";
import { insertStudents, listStudents, updateStudent } from "./people.ts";
import { closePool, db } from "./pool.ts";
import { newSchool } from "./testing.ts";
import type { Scope } from "./scope.ts";

const TEXT = `title: Hands and feet
tempo: 40%

section Hands
A jab -> B slip out, cross
A cross -> B parry, cross
A lead hook -> B weave, cross
section Feet
A rear round kick to leg -> B shin check
`;
const DAYS = ["2026-11-18", "2099-11-25"] as const;
let scope: Scope;
beforeEach(async () => {
  scope = await newSchool();
});
afterAll(closePool);

const people = Array.from({ length: 4 }, (_, i) => ({ ...NOBODY, id: randomUUID(), name: `P${i}` }));
async function evening(day: string) {
  const ids = people.map((one) => ({ ...one, id: randomUUID() }));
  await insertStudents(scope, ids);
  const id = randomUUID();
  await createClass(db, scope, { id, held_on: day, title: "Evening", minutes: 75 });
  for (const one of ids) await setPresence(db, scope, id, { student_id: one.id, from_round: 0, until_round: null });
  return id;
}
async function drill() {
  const id = randomUUID();
  await createDrill(scope, { id, input: revisionInput(randomUUID(), TEXT, defaultSchool()), lineage: null });
  return id;
}
const page = async (id: string, ladder: string | null = null) =>
  (await planPage(scope, id, { ladder, drill: null, second: null }))!;

test("the age of a minor is kept and can be taken out again", async () => {
  const child = { ...NOBODY, id: randomUUID(), name: "Kim", minor: true, ages: "7-9" as const };
  await insertStudents(scope, [child]);
  expect((await listStudents(db, scope))[0]).toMatchObject({ minor: true, ages: "7-9" });
  await updateStudent(db, scope, { ...child, minor: false, ages: null }, 1);
  expect((await listStudents(db, scope))[0]).toMatchObject({ minor: false, ages: null });
});
test("who unticks everybody gets them back with their rounds and what they leave out", async () => {
  const id = await evening(DAYS[1]);
  const [first] = await listPresence(db, scope, id);
  await setPresence(db, scope, id, { ...first!, from_round: 2, until_round: 5 });
  await setTonightNot(db, scope, id, { studentId: first!.student_id, not: ["knee"] });
  const were = await listPresence(db, scope, id);
  await setEverybody(db, scope, id, "none");
  expect(await listPresence(db, scope, id)).toEqual([]);
  await bringBack(db, scope, id, were);
  const order = (rows: typeof were) => [...rows].sort((a, b) => a.student_id.localeCompare(b.student_id));
  expect(order(await listPresence(db, scope, id))).toEqual(order(were));
  // People of another school are nobody here.
  const other = await newSchool();
  await bringBack(db, other, id, were);
  expect(await listPresence(db, other, id)).toEqual([]);
});
test("a part of a drill has a ladder of its own beside that of all of it, each made once", async () => {
  const id = await drill();
  const [all, hands, again, gone] = [
    await ladderFor(scope, id),
    await ladderFor(scope, id, "Hands"),
    await ladderFor(scope, id, "Hands"),
    await ladderFor(scope, id, "Elbows"),
  ];
  if (!("id" in all) || !("id" in hands)) throw new Error("no ladder");
  expect(again).toEqual(hands);
  expect(all.id).not.toBe(hands.id);
  expect(await ladderFor(scope, id)).toEqual(all);
  expect(gone).toMatchObject({ message: expect.stringMatching(/no part “Elbows” any more/) as string });
  expect((await listLadders(db, scope)).map(({ title }) => title).sort()).toEqual([
    "Hands and feet, for an evening",
    "Hands and feet: Hands, for an evening",
  ]);
  for (const { text } of await listRungs(db, scope, hands.id)) expect(text).not.toMatch(/kick/);
  const shown = await page(await evening(DAYS[1]), hands.id);
  expect([shown.parts, shown.chosen.part]).toEqual([["Hands", "Feet"], "Hands"]);
});
test("the next evening on a ladder begins where the one before got to", async () => {
  const ladder = await ladderFor(scope, await drill());
  if (!("id" in ladder)) throw new Error(ladder.message);
  const first = await evening(DAYS[1]);
  expect((await page(first, ladder.id)).carried).toBeNull();
  const { lesson, chosen } = await page(first, ladder.id);
  const decided = { ...chosen, version: lesson.version, clock: { round: 180, change: 30, rest: 45 }, blocks: null };
  const kept = await keepPlan(scope, first, JSON.stringify({ ...decided, locked: [], ran: [], begin: 1, lines: true }));
  expect(kept).toMatchObject({ kind: "saved" });
  const saved = (await page(first, ladder.id)).kept!;
  const later = await evening("2099-12-09");
  // What was only planned was not reached.
  expect((await page(later, ladder.id)).carried).toEqual({ day: DAYS[1], rung: 0, steps: [] });
  const { rounds } = saved.plan;
  await sayWhatRan(scope, first, lesson.version + 1, { kind: "done", rounds: rounds.length });
  expect([saved.begin, saved.lines]).toEqual([1, true]);
  expect(Math.min(...saved.plan.blocks.flatMap(({ rung }) => rung ?? []))).toBe(1);
  const next = await evening("2099-12-02");
  const { carried, rungs } = await page(next, ladder.id);
  expect(carried).toEqual({ day: DAYS[1], rung: rungs.length - 3, steps: [] });
});

test("who is to have an easier rung has it again the next time on this ladder, until it is taken back", async () => {
  const [first, next] = [await evening(DAYS[1]), await evening("2099-12-02")];
  const made = await ladderFor(scope, await drill());
  if (!("id" in made)) throw new Error(made.message);
  const before = await page(first, made.id);
  const who = before.people[0]!.id;
  const decided = { ...before.chosen, version: before.lesson.version, clock: { round: 120, change: 30, rest: 30 } };
  const saved = await keepPlan(
    scope,
    first,
    JSON.stringify({ ...decided, blocks: null, locked: [], ran: [], steps: [{ who, by: -1 }] }),
  );
  expect(saved.kind).toBe("saved");
  expect((await page(first)).kept!.steps).toEqual([{ who, by: -1 }]);
  expect((await page(next, made.id)).carried!.steps).toEqual([{ who, by: -1 }]);
  await expect(
    keepPlan(scope, first, JSON.stringify({ ...decided, blocks: null, locked: [], ran: [], steps: [{ who, by: 3 }] })),
  ).rejects.toThrow();
});
