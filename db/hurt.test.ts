/** Somebody is hurt: they sit out at once, in every zone and after whatever was planned; what comes in late is asked about. */
import { randomUUID } from "node:crypto";
import { DateTime } from "luxon";
import { NOBODY } from "#core/people/testing.ts";
import { defaultSchool } from "#core/policy/school.ts";
import { timeline } from "#core/floor/timeline.ts";
import { AFTER_HEAD_BLOW } from "#core/class/limits.ts";
import { askBeforeIn } from "#server/classes/head-blows.ts";
import { keepPlan } from "#server/classes/keep-plan.ts";
import { planPage } from "#server/classes/plan-page.ts";
import { setClock } from "#server/school/save-settings.ts";
import { withLateComer, withSwap } from "#server/floor/again.ts";
import { takeItems } from "#server/floor/items.ts";
import { closeLive, liveStream } from "#server/floor/live.ts";
import { whoToLookAt } from "#server/floor/look-at.ts";
import { ladderFor } from "#server/drills/grow-ladder.ts";
import { revisionInput } from "#server/drills/revision-input.ts";
import { setEverybody, setPresence, listPresence } from "./attendance.ts";
import { createClass, getPlan } from "./classes.ts";
import { createDrill } from "./drills.ts";
import { answerQuestion, listQuestions } from "./floor-questions.ts";
import { floorSince } from "./floor.ts";
import { listLog, EVERYTHING } from "./log.ts";
import { logSums } from "./log-sums.ts";
import { notCleared } from "./incidents.ts";
import { insertStudents } from "./people.ts";
import { closePool, db } from "./pool.ts";
import { listRunPairs } from "./rounds-run.ts";
import { beganAgo, newSchool } from "./testing.ts";
import type { Scope } from "./scope.ts";

const TEXT = "title: Jab\ntempo: 40%\n\nA jab -> B slip out, cross\nA cross -> B parry, cross\n";
/** A plan is worked out before each test: on a machine with other work that takes its time, ms. */
const PLANNED = 30_000;
let scope: Scope;
let people: string[];
let lesson: string;
let drill: string;

async function evening(when: { readonly held_on: string; readonly starts_at: string }): Promise<string> {
  const id = randomUUID();
  await createClass(db, scope, { id, ...when, title: "Evening", minutes: 60 });
  for (const student_id of people.slice(0, 6))
    await setPresence(db, scope, id, { student_id, from_round: 0, until_round: null });
  const ladder = await ladderFor(scope, drill);
  if (!("id" in ladder)) throw new Error(ladder.message);
  const { lesson: row, chosen } = (await planPage(scope, id, { ladder: ladder.id, drill: null }))!;
  const decided = {
    ...chosen,
    version: row.version,
    clock: { round: 60, change: 30, rest: 15 },
    blocks: null,
    locked: [],
  };
  expect(await keepPlan(scope, id, JSON.stringify(decided))).toMatchObject({ kind: "saved" });
  return id;
}
beforeEach(async () => {
  scope = await newSchool();
  people = Array.from({ length: 7 }, () => randomUUID());
  await insertStudents(
    scope,
    people.map((id, i) => ({ ...NOBODY, id, name: `P${i}` })),
  );
  drill = randomUUID();
  await createDrill(scope, { id: drill, input: revisionInput(randomUUID(), TEXT, defaultSchool()), lineage: null });
  lesson = await evening(beganAgo(30));
}, PLANNED);
afterAll(async () => {
  await closeLive();
  await closePool();
});

const send = (items: object, id = lesson) => takeItems(scope, id, JSON.stringify(items));
const tap = (kind: string, at = Date.now(), more: object = {}) => ({ id: randomUUID(), at, tap: { kind }, ...more });
const hurt = (student_id: string, place = "head") => ({
  incidents: [{ id: randomUUID(), at: Date.now(), student_id, place, round: 0 }],
});
async function startedFor(round: number, id = lesson): Promise<number> {
  const { plan, clock } = (await getPlan(db, scope, id))!;
  const segments = timeline(plan, clock);
  const at = segments.findIndex((one) => one.kind === "round" && one.round === round);
  return Date.now() - (segments.slice(0, at).reduce((sum, one) => sum + one.seconds, 0) + 5) * 1000;
}
/** Rounds to come in which somebody stands. */
async function roundsOf(who: string, id = lesson): Promise<number[]> {
  const { kept, started } = (await planPage(scope, id, { ladder: null, drill: null }))!;
  return kept!.plan.rounds.flatMap(({ pairs }, i) =>
    i >= started && pairs.some(({ a, b, c }) => [a, b, c].includes(who)) ? [i] : [],
  );
}

test("after a late comer and a swap of two pairs somebody who is hurt is in no round to come", async () => {
  await send({ taps: [tap("start", await startedFor(0))] });
  expect(await withLateComer(scope, lesson, people[6]!)).toBeNull();
  const [first, second] = (await getPlan(db, scope, lesson))!.plan.rounds[2]!.pairs;
  expect(await withSwap(scope, lesson, { round: 2, one: first!.a, two: second!.a })).toBeNull();
  expect(await roundsOf(first!.a)).not.toEqual([]);
  expect((await send(hurt(first!.a))).trouble).toBeNull();
  expect(await roundsOf(first!.a)).toEqual([]);
  // The draft that the next plan and the papers are made from says the same.
  const draft = await db.query(
    `select 1 from pairs p join blocks b on b.school_id = p.school_id and b.id = p.block_id
     where b.class_id = $1 and p.at >= 1 and $2 in (p.student_a, p.student_b, p.student_c)`,
    [lesson, first!.a],
  );
  expect(draft).toEqual([]);
});

test("a plan that cannot be made again keeps nobody hurt in it: who was with them waits, on every screen", async () => {
  await send({ taps: [tap("start", await startedFor(0))] });
  // The drill that it would be made from is gone.
  await db.query(`update classes set plan = jsonb_set(plan, '{drill}', '"${randomUUID()}"') where id = $1`, [lesson]);
  await db.query(`update classes set plan = jsonb_set(plan, '{ladder}', 'null') where id = $1`, [lesson]);
  const who = (await getPlan(db, scope, lesson))!.plan.rounds[1]!.pairs[0]!;
  const { trouble } = await send(hurt(who.a));
  expect(trouble).not.toBeNull();
  const { rounds } = (await getPlan(db, scope, lesson))!.plan;
  for (const { pairs } of rounds.slice(1)) expect(pairs.flatMap(({ a, b, c }) => [a, b, c])).not.toContain(who.a);
  expect(rounds[1]!.alone).toContainEqual({ id: who.b, why: "Wait for the instructor" });
});

test.each(["America/New_York", "Pacific/Kiritimati", "America/Los_Angeles"])(
  "in %s at any hour of the evening the class is not over, and who is hurt is taken out",
  async (zone) => {
    await setClock(scope, zone);
    const began = DateTime.now().setZone(zone).minus({ minutes: 40 });
    const id = await evening({ held_on: began.toISODate()!, starts_at: began.toFormat("HH:mm:ss") });
    await send({ taps: [tap("start", await startedFor(0, id))] }, id);
    const who = (await getPlan(db, scope, id))!.plan.rounds[2]!.pairs[0]!.a;
    expect((await send(hurt(who), id)).trouble).toBeNull();
    expect(await roundsOf(who, id)).toEqual([]);
    expect(await withLateComer(scope, id, people[6]!)).toBeNull();
  },
);

test("with a blow to the head nobody comes in again that day; later it is asked at the tick, the late tap and the swap", async () => {
  await send({ taps: [tap("start", await startedFor(0))] });
  const [one] = people;
  await send(hurt(one!));
  expect(await withLateComer(scope, lesson, one!, "sure")).toMatchObject({
    kind: "refused",
    message: expect.stringMatching(/blow to the head today/) as string,
  });
  expect(await roundsOf(one!)).toEqual([]);
  // A tablet is told no health: only whose it is to decide.
  const tablet = { ...scope, role: "tablet" as const };
  expect(await withLateComer(tablet, lesson, one!, "sure")).toEqual({
    kind: "refused",
    message: expect.not.stringMatching(/head/) as string,
  });
  // The next week, in another class.
  await db.query("update incidents set at = at - interval '7 days' where school_id = $1", [scope.schoolId]);
  const next = await evening(beganAgo(20));
  for (const ask of [
    askBeforeIn(scope, next, [one!], "not asked"),
    withLateComer(scope, next, one!),
    withSwap(scope, next, { round: 3, one: one!, two: people[1]! }),
  ])
    expect(await ask).toMatchObject({ kind: "asks", message: expect.stringMatching(/not cleared/) as string });
  await setEverybody(db, scope, next, "none");
  await setEverybody(db, scope, next, "all", [...(await notCleared(db, scope)).keys()]);
  expect((await listPresence(db, scope, next)).map(({ student_id }) => student_id)).not.toContain(one);
  // Let in all the same they work without contact, in every plan.
  expect(await withLateComer(scope, next, one!, "sure")).toBeNull();
  const page = (await planPage(scope, next, { ladder: null, drill: null }))!;
  expect(page.people.find(({ id }) => id === one)!.limits).toEqual(expect.arrayContaining([...AFTER_HEAD_BLOW]));
  for (const { pairs } of page.kept!.plan.rounds)
    for (const pair of pairs) if ([pair.a, pair.b, pair.c].includes(one!)) expect(pair.form).toBe("stopped short");
});

test("two that got through to the head of one person are looked at", async () => {
  await send({ taps: [tap("start", await startedFor(0))] });
  const page = (await planPage(scope, lesson, { ladder: null, drill: null }))!;
  const seen = (person: string, round: number) => ({
    ...{ id: randomUUID(), at: Date.now(), round, person, role: "answers", mark: "hit" },
    revision: page.rungs[0]!.revisionId,
  });
  const [one, two] = people;
  await send({ marks: [seen(one!, 0), seen(two!, 0)] });
  expect(await whoToLookAt(scope, lesson, page)).toEqual([]);
  await send({ marks: [seen(one!, 0)] });
  expect(await whoToLookAt(scope, lesson, page)).toEqual(["P0"]);
});

test("a tap from outside the hours is kept, moves no clock, and is asked about; said to be right it does", async () => {
  const long = Date.now() - 5 * 3_600_000;
  for (const at of [0, long]) await send({ taps: [tap("start", at)] });
  expect((await floorSince(db, scope, lesson, 0))!.taps).toEqual([]);
  expect(await listRunPairs(db, scope, lesson)).toEqual([]);
  const [first, second, ...none] = await listQuestions(db, scope, lesson);
  expect([first, second, none]).toEqual([
    expect.objectContaining({ kind: "hours", tap: "start", at: 0, by: "Tess Ter" }),
    expect.objectContaining({ kind: "hours", at: long }),
    [],
  ]);
  expect(await answerQuestion(scope, { id: first!.id, answer: "no", now: Date.now() })).toBe(true);
  expect(await answerQuestion(scope, { id: first!.id, answer: "yes", now: Date.now() })).toBe(false);
  const { seq } = (await floorSince(db, scope, lesson, 0))!;
  expect(await answerQuestion(scope, { id: second!.id, answer: "yes", now: Date.now() })).toBe(true);
  // Devices that know all that came before hear of it.
  expect((await floorSince(db, scope, lesson, seq))!.taps).toHaveLength(1);
  expect((await listRunPairs(db, scope, lesson)).length).toBeGreaterThan(0);
});

test("somebody who says that the class runs now is believed, whatever its hours are; an old tap is not", async () => {
  const id = await evening({ held_on: "2099-01-01", starts_at: "19:00" });
  await send({ taps: [tap("start", Date.now() - 3_600_000)], sure: true }, id);
  expect((await floorSince(db, scope, id, 0))!.taps).toEqual([]);
  await send({ taps: [tap("start")], sure: true }, id);
  expect((await floorSince(db, scope, id, 0))!.taps).toHaveLength(1);
});

test("that rounds run on makes nobody's change of the plan stale", async () => {
  const before = (await planPage(scope, lesson, { ladder: null, drill: null }))!;
  await send({ taps: [tap("start", await startedFor(1))] });
  const after = (await planPage(scope, lesson, { ladder: null, drill: null }))!;
  expect([after.kept!.done, after.lesson.version]).toEqual([1, before.lesson.version]);
  const { clock, plan } = before.kept!;
  const decided = { ...before.chosen, version: before.lesson.version, clock, blocks: plan.blocks, locked: [] };
  expect(await keepPlan(scope, lesson, JSON.stringify(decided))).toMatchObject({ kind: "saved" });
});

test("several rounds by one tap are asked about, and taken back where they did not run", async () => {
  await send({ taps: [tap("start", await startedFor(3))] });
  const before = await listRunPairs(db, scope, lesson);
  expect(new Set(before.map(({ round }) => round))).toEqual(new Set([0, 1, 2, 3]));
  const [question] = await listQuestions(db, scope, lesson);
  expect(question).toMatchObject({ kind: "rounds", tap: "start", from_round: 0, to_round: 3 });
  await answerQuestion(scope, { id: question!.id, answer: "no", now: Date.now() });
  expect(await listRunPairs(db, scope, lesson)).toEqual([]);
  // The clock does not know better than whoever was there.
  await send({ taps: [tap("pause")] });
  expect(await listRunPairs(db, scope, lesson)).toEqual([]);
});

test("a device with a wrong clock says how long ago it was, and that is believed", async () => {
  const wrong = Date.now() - 40 * 86_400_000;
  const ago = 20_000;
  await send({ taps: [tap("start", wrong, { raw: wrong })], device: wrong + ago });
  const [kept] = (await floorSince(db, scope, lesson, 0))!.taps;
  expect(Math.abs(kept!.at - (Date.now() - ago))).toBeLessThan(2000);
  expect(await listQuestions(db, scope, lesson)).toEqual([]);
});

test("nothing seen amiss is in the room and no clean answer; an answer of who only held is kept and counts nowhere", async () => {
  const pads = randomUUID();
  const text = "title: Pads\ntempo: 40%\nA: wears mitts\nB: wears gloves\n\nA hold pads -> B jab\n";
  await createDrill(scope, { id: pads, input: revisionInput(randomUUID(), text, defaultSchool()), lineage: null });
  const [own, was] = [drill, lesson];
  drill = pads;
  lesson = await evening(beganAgo(30));
  await send({ taps: [tap("start", await startedFor(0))] });
  const [first] = await listRunPairs(db, scope, lesson);
  const [holds, answers] = first!.people;
  expect(first!.roles).toEqual({ [holds!]: { feeds: 60, answers: 0 }, [answers!]: { feeds: 0, answers: 60 } });
  const mark = (person: string, word: string) => ({
    ...{
      id: randomUUID(),
      at: Date.now(),
      round: 0,
      person,
      role: "answers",
      mark: word,
      revision: first!.revision_id,
    },
  });
  await send({ marks: [mark(holds!, "clean"), mark(answers!, "fine")] });
  const sums = await logSums(db, scope, { person: null, from: null, to: null });
  for (const who of [holds, answers])
    expect(sums.people.find(({ person }) => person === who)).toMatchObject({ rounds: 1, clean: 0, open: 0 });
  const rows = await listLog(db, scope, EVERYTHING, { limit: 10, offset: 0 });
  const marks = rows.flatMap((row) => row.marks).map((one) => [one.mark, one.doubtful]);
  expect(marks.sort()).toEqual([
    ["clean", true],
    ["fine", false],
  ]);
  [drill, lesson] = [own, was];
});

test("a session has at most twenty streams, a class two hundred, and what is new is asked for once", async () => {
  const gone: AbortController[] = [];
  const open = (session: string) => {
    const one = new AbortController();
    gone.push(one);
    return liveStream({ scope, classId: lesson, since: 0, session }, one.signal);
  };
  const own = Array.from({ length: 25 }, () => open("one"));
  expect(own.filter(Boolean)).toHaveLength(20);
  const others = Array.from({ length: 300 }, (_, i) => open(`session ${i}`));
  expect(others.filter(Boolean)).toHaveLength(180);
  gone.forEach((one) => one.abort());
  const last = open("one");
  expect(last).not.toBeNull();
  await last!.cancel();
});
