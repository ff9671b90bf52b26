/** The running class in the database: each tap once, in one order for everybody, and what is run written down. */
import { randomUUID } from "node:crypto";
import { NOBODY } from "#core/people/testing.ts";
import { defaultSchool } from "#core/policy/school.ts";
import { TAKEN_OUT } from "#core/floor/marks.ts";
import { timeline } from "#core/floor/timeline.ts";
import { keepPlan } from "#server/classes/keep-plan.ts";
import { planPage } from "#server/classes/plan-page.ts";
import { ownPage } from "#server/classes/handed-over.ts";
import { withLateComer, withSwap } from "#server/floor/again.ts";
import { takeItems } from "#server/floor/items.ts";
import { closeLive, liveStream } from "#server/floor/live.ts";
import { clearHead } from "#server/classes/head-blows.ts";
import { ladderFor } from "#server/drills/grow-ladder.ts";
import { revisionInput } from "#server/drills/revision-input.ts";
import { listPresence, setPresence } from "./attendance.ts";
import { createClass, getPlan, listPairs } from "./classes.ts";
import { createDrill } from "./drills.ts";
import { addFloor, floorSince, type FloorItems } from "./floor.ts";
import { clearIncident, listIncidents, noteIncident } from "./incidents.ts";
import { insertStudents } from "./people.ts";
import { closePool, db } from "./pool.ts";
import { listRunPairs } from "./rounds-run.ts";
import { beganAgo, newSchool } from "./testing.ts";
import type { Scope } from "./scope.ts";

const NONE: FloorItems = { taps: [], marks: [], incidents: [] };
const TEXT = "title: Jab\ntempo: 40%\n\nA jab -> B slip out, cross\nA cross -> B parry, cross\n";
let scope: Scope;
let people: string[];
let lesson: string;

/** A planned evening of five, today. */
beforeEach(async () => {
  scope = await newSchool();
  people = Array.from({ length: 6 }, () => randomUUID());
  await insertStudents(
    scope,
    people.map((id, i) => ({ ...NOBODY, id, name: `P${i}` })),
  );
  const drill = randomUUID();
  await createDrill(scope, { id: drill, input: revisionInput(randomUUID(), TEXT, defaultSchool()), lineage: null });
  lesson = randomUUID();
  await createClass(db, scope, { id: lesson, ...beganAgo(10), title: "Evening", minutes: 60 });
  for (const id of people.slice(0, 5))
    await setPresence(db, scope, lesson, { student_id: id, from_round: 0, until_round: null });
  const ladder = await ladderFor(scope, drill);
  if (!("id" in ladder)) throw new Error(ladder.message);
  const { lesson: row, chosen } = (await planPage(scope, lesson, { ladder: ladder.id, drill: null }))!;
  const decided = { ...chosen, version: row.version, clock: { round: 60, change: 30, rest: 15 }, blocks: null };
  await keepPlan(scope, lesson, JSON.stringify({ ...decided, locked: [], ran: [] }));
  // A plan is worked out: on a machine with other work that takes its time, ms.
}, 30_000);
afterAll(async () => {
  await closeLive();
  await closePool();
});

const tap = (kind: "start" | "pause" | "stop", at = Date.now()) => ({ id: randomUUID(), at, tap: { kind } });
const send = (items: Partial<FloorItems>) => takeItems(scope, lesson, JSON.stringify({ ...NONE, ...items }));
/** A start so long ago that the first round is under way. */
async function inFirstRound() {
  const { plan, clock } = (await getPlan(db, scope, lesson))!;
  const segments = timeline(plan, clock);
  const first = segments.findIndex(({ kind }) => kind === "round");
  const before = segments.slice(0, first).reduce((sum, { seconds }) => sum + seconds, 0);
  return tap("start", Date.now() - (before + 5) * 1000);
}
const mark = (more: object = {}) => ({
  ...{ id: randomUUID(), at: Date.now(), round: 0, person: people[0]!, role: "answers" as const, mark: "clean" },
  ...{ text: "", corrects: null, revision: null },
  ...more,
});

test("what is sent twice, or by two devices at once, is there once and in one order", async () => {
  const all = Array.from({ length: 40 }, () => tap("pause"));
  await Promise.all(
    [...all, ...all].map((one) => addFloor(scope, lesson, { ...NONE, taps: [{ ...one, within: true }] }, Date.now())),
  );
  const news = (await floorSince(db, scope, lesson, 0))!;
  expect(news.taps.map(({ id }) => id).sort()).toEqual(all.map(({ id }) => id).sort());
  const half = (await floorSince(db, scope, lesson, news.seq - 1))!;
  expect(half.taps.length + half.marks.length).toBeLessThanOrEqual(1);
  expect((await floorSince(db, scope, lesson, news.seq))!.taps).toEqual([]);
  expect(await floorSince(db, await newSchool(), lesson, 0)).toBeNull();
});
test("a device whose clock runs ahead taps now; what is no tap is refused in words", async () => {
  const ahead = tap("start", Date.now() + 3_600_000);
  await send({ taps: [ahead] });
  const [kept] = (await floorSince(db, scope, lesson, 0))!.taps;
  expect(kept!.at).toBeLessThanOrEqual(Date.now());
  const wrong = { ...ahead, id: randomUUID(), tap: { kind: "dance" } };
  await expect(takeItems(scope, lesson, JSON.stringify({ taps: [wrong] }))).rejects.toThrow(/Load it again/);
});
test("rounds that are over are written down in the plan and in the log, and never fewer", async () => {
  const plan = (await getPlan(db, scope, lesson))!;
  const segments = timeline(plan.plan, plan.clock);
  const second = segments.findIndex(({ round, kind }) => round === 1 && kind === "round");
  const seconds = segments.slice(0, second + 1).reduce((sum, one) => sum + one.seconds, 0);
  await send({ taps: [tap("start", Date.now() - (seconds + 1) * 1000)] });
  expect((await getPlan(db, scope, lesson))!.done).toBe(2);
  await send({ taps: [tap("pause")] });
  expect((await getPlan(db, scope, lesson))!.done).toBe(2);
  // The third is under way: after it comes a rest or a talk, so that it is none yet.
  const ran = await listRunPairs(db, scope, lesson);
  expect(ran.map(({ round, people }) => [round, people])).toEqual(
    plan.plan.rounds
      .slice(0, 2)
      .flatMap(({ pairs }, round) => pairs.map(({ a, b, c }) => [round, c ? [a, b, c] : [a, b]])),
  );
  expect(ran.every(({ roles }) => Object.values(roles!).every(({ feeds, answers }) => feeds + answers === 60))).toBe(
    true,
  );
});
test("nothing was tapped in the future, whatever the clock of a device shows", async () => {
  const ahead = mark({ at: Date.now() + 3_600_000 });
  await send({ marks: [ahead] });
  const { marks } = (await floorSince(db, scope, lesson, 0))!;
  expect(marks[0]!.at).toBeLessThanOrEqual(Date.now());
  expect(marks[0]!.at).toBeGreaterThan(Date.now() - 60_000);
});
test("marks are kept, put right by another and taken out again", async () => {
  const first = mark();
  const late = mark({ mark: "late", corrects: first.id });
  await send({ marks: [first] });
  await send({ marks: [late, mark({ person: people[1]!, role: "feeds", mark: "hard" })] });
  await send({ marks: [mark({ mark: TAKEN_OUT, corrects: late.id })] });
  const { marks } = (await floorSince(db, scope, lesson, 0))!;
  expect(marks.map((one) => one.mark)).toEqual(["clean", "late", "hard", TAKEN_OUT]);
  expect(marks[1]!.corrects).toBe(first.id);
});
test("who is hurt is in no round to come, what was run stays, and a blow to the head is no contact until cleared", async () => {
  const id = randomUUID();
  const incident = { id, at: Date.now(), student_id: people[0]!, place: "head" as const, round: 0 };
  await send({ taps: [await inFirstRound()] });
  await send({ incidents: [incident] });
  await send({ incidents: [incident] });
  const found = await listIncidents(db, scope, lesson);
  expect(found).toHaveLength(1);
  const plan = (await getPlan(db, scope, lesson))!;
  const inRound = (round: number) => plan.plan.rounds[round]!.pairs.flatMap(({ a, b, c }) => [a, b, c]);
  expect(inRound(0)).toContain(people[0]);
  for (let round = 1; round < plan.plan.rounds.length; round++) expect(inRound(round)).not.toContain(people[0]);
  const limits = async () =>
    (await planPage(scope, lesson, { ladder: null, drill: null }))!.people.find((one) => one.id === people[0])!.limits;
  expect(await limits()).toContain("no contact: a blow to the head, not cleared yet");
  const told = {
    id,
    what: "Heads together",
    done: "Sat down, cold",
    told: "Coach",
    parents: true,
    stays_with: "Coach",
    home_with: "Father",
    version: 1,
  };
  expect(await noteIncident(db, scope, told)).toBe(true);
  expect(await noteIncident(db, scope, { ...told, what: "Other" })).toBe(false);
  const cleared = { id, version: 2, by: "Coach", doctor: "Dr. Example", guardian: "", said_on: beganAgo(0).held_on };
  // Not on the day of the blow, whoever says so.
  expect(await clearHead(scope, cleared)).toMatchObject({
    message: expect.stringMatching(/on the day of the blow/) as string,
  });
  expect(await clearIncident(db, scope, cleared)).toBe(false);
  await db.query("update incidents set at = at - interval '3 days' where id = $1", [id]);
  const wrong = [{ by: "" }, { doctor: "" }, { said_on: "2020-01-01" }, { said_on: "2999-01-01" }, { version: 1 }];
  for (const part of wrong) expect(await clearHead(scope, { ...cleared, ...part })).toMatchObject({ kind: "refused" });
  expect(await limits()).not.toEqual([]);
  expect(await clearHead(scope, cleared)).toEqual({ kind: "saved" });
  expect(await limits()).toEqual([]);
});
test("who is hurt before a round begins is not in it either", async () => {
  const incident = { id: randomUUID(), at: Date.now(), student_id: people[0]!, place: "other" as const, round: null };
  await send({ taps: [tap("start")] });
  await send({ incidents: [incident] });
  const { plan } = (await getPlan(db, scope, lesson))!;
  for (const { pairs } of plan.rounds) expect(pairs.flatMap(({ a, b, c }) => [a, b, c])).not.toContain(people[0]);
});
test("a student is told their own rounds with what they do in each, and nothing of others but a name", async () => {
  const { lesson: tonight } = await ownPage(scope, people[0]!, "P0");
  const { plan } = (await getPlan(db, scope, lesson))!;
  const mine = plan.rounds.flatMap(({ pairs }) => pairs.filter(({ a, b, c }) => [a, b, c].includes(people[0]!)));
  expect(mine.length).toBeGreaterThan(2);
  expect(tonight!.rounds).toHaveLength(mine.length);
  for (const { whom, what } of tonight!.rounds) {
    expect(whom).toMatch(/^A P\d, B P\d(?:, C P\d)?$/);
    expect(whom).toContain("P0");
    for (const { title, play } of what) expect([title === "", play.length > 0]).toEqual([false, true]);
  }
  // Another school has no such class.
  expect((await ownPage(await newSchool(), people[0]!, "P0")).lesson).toBeNull();
});
test("a late comer is in from the next round on", async () => {
  await send({ taps: [await inFirstRound()] });
  expect(await withLateComer(scope, lesson, people[5]!)).toBeNull();
  const { plan } = (await getPlan(db, scope, lesson))!;
  const inRound = (round: number) => plan.rounds[round]!.pairs.flatMap(({ a, b, c }) => [a, b, c]);
  expect(inRound(0)).not.toContain(people[5]);
  expect(inRound(1)).toContain(people[5]);
  // What they did not see is not counted as theirs.
  const here = await listPresence(db, scope, lesson);
  expect(here.find(({ student_id }) => student_id === people[5])).toMatchObject({ from_round: 1, until_round: null });
  expect((await listPairs(db, scope, lesson)).length).toBeGreaterThan(0);
});
test("whoever works together goes on when somebody else is hurt or comes; the rounds after are planned again", async () => {
  await send({ taps: [await inFirstRound()] });
  const before = (await getPlan(db, scope, lesson))!.plan.rounds[0]!.pairs.map(({ a, b, c }) => [a, b, c]);
  await withLateComer(scope, lesson, people[5]!);
  await send({ incidents: [{ id: randomUUID(), at: Date.now(), student_id: people[1]!, place: "other", round: 0 }] });
  const { rounds } = (await getPlan(db, scope, lesson))!.plan;
  expect(new Set(rounds[0]!.pairs.map(({ a, b, c }) => [a, b, c].join()))).toEqual(
    new Set(before.map((one) => one.join())),
  );
});
test("two change places in the round under way, everybody else of it stays; what is over stays too", async () => {
  await send({ taps: [await inFirstRound()] });
  const pairsOf = async (round: number) => (await getPlan(db, scope, lesson))!.plan.rounds[round]!.pairs;
  const [first, second] = await pairsOf(0);
  const change = { round: 0, one: first!.b, two: second!.b };
  expect(await withSwap(scope, lesson, change)).toBeNull();
  const together = (await pairsOf(0)).map(({ a, b }) => [a, b].sort().join());
  expect(together).toContain([first!.a, second!.b].sort().join());
  expect(together).toContain([second!.a, first!.b].sort().join());
  expect(await withSwap(scope, lesson, { ...change, two: second!.a })).toMatchObject({
    message: expect.stringMatching(/work together already/) as string,
  });
  expect(await withSwap(scope, lesson, { ...change, two: randomUUID() })).toMatchObject({ kind: "refused" });
  const { plan, clock } = (await getPlan(db, scope, lesson))!;
  const seconds = timeline(plan, clock)
    .slice(0, timeline(plan, clock).findIndex(({ kind }) => kind === "round") + 1)
    .reduce((sum, one) => sum + one.seconds, 0);
  await send({ taps: [tap("start", Date.now() - (seconds + 2) * 1000)] });
  expect(await withSwap(scope, lesson, change)).toMatchObject({
    message: expect.stringMatching(/round is over/) as string,
  });
});
const watch = (since: number, signal: AbortSignal, session: string = randomUUID()) =>
  liveStream({ scope, classId: lesson, since, session }, signal)!;
test("every device hears of a tap within half a second, and of those it missed", async () => {
  const leave = new AbortController();
  const heard = async (since: number, until: (text: string) => boolean) => {
    const reader = watch(since, leave.signal).getReader();
    const text = new TextDecoder();
    let all = "";
    while (!until(all)) {
      const { value, done } = await reader.read();
      if (done) break;
      all += text.decode(value);
    }
    return all;
  };
  const one = tap("start");
  const late = tap("stop");
  // Two watch from the beginning, and are told of what comes later.
  const watching = [1, 2].map(() => heard(0, (text) => text.includes(late.id)));
  await send({ taps: [one] });
  await new Promise((done) => setTimeout(done, 300));
  const at = Date.now();
  await send({ taps: [late] });
  for (const text of await Promise.all(watching)) expect(text).toContain(one.id);
  expect(Date.now() - at).toBeLessThan(500);
  const missed = await heard(0, (text) => text.includes(late.id));
  expect(missed).toMatch(/^retry: 1000\n\nid: \d+\ndata: \{/);
  leave.abort();
});
test("a browser that goes away without a word does no harm to anybody", async () => {
  const stream = watch(0, new AbortController().signal);
  const reader = stream.getReader();
  await reader.read();
  await reader.cancel();
  await send({ taps: [tap("start")] });
  // Whoever watches next hears of it all the same.
  const next = watch(0, new AbortController().signal).getReader();
  let heard = "";
  while (!heard.includes("start")) heard += new TextDecoder().decode((await next.read()).value);
  await next.cancel();
});
