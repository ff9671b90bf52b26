/** What ran stays: evenings drawn by chance, with taps, late comers, injuries, other themes and plans made again. */
import { randomUUID } from "node:crypto";
import fc from "fast-check";
import { timeline } from "#core/floor/timeline.ts";
import { defaultSchool } from "#core/policy/school.ts";
import { NOBODY } from "#core/people/testing.ts";
import { keepPlan, sayWhatRan } from "#server/classes/keep-plan.ts";
import { planPage } from "#server/classes/plan-page.ts";
import { withLateComer, withSwap } from "#server/floor/again.ts";
import { takeItems } from "#server/floor/items.ts";
import { ladderFor } from "#server/drills/grow-ladder.ts";
import { revisionInput } from "#server/drills/revision-input.ts";
import { setPresence } from "./attendance.ts";
import { createClass, getClass, getPlan } from "./classes.ts";
import { createDrill } from "./drills.ts";
import { eraseStudent, insertStudents } from "./people.ts";
import { closePool, db, transaction } from "./pool.ts";
import { listRunPairs } from "./rounds-run.ts";
import { beganAgo, newSchool } from "./testing.ts";
import type { Scope } from "./scope.ts";

const PUSH = "title: Push and turn\nkind: sensitivity\ntempo: 40%\n\nA push left chest -> B turn left\n";
const PADS =
  "title: Pads\nA: wears mitts\nB: wears gloves\ntempo: 50%\n\nA hold pads -> B jab\nA hold pads -> B jab, cross\n";
const CLOCK = { round: 60, change: 30, rest: 15, explain: 30 };
let scope: Scope;
let themes: string[];
beforeAll(async () => {
  scope = await newSchool();
  themes = await Promise.all([ladder(PUSH), ladder(PADS)]);
});
afterAll(closePool);

async function ladder(text: string): Promise<string> {
  const drill = randomUUID();
  await createDrill(scope, { id: drill, input: revisionInput(randomUUID(), text, defaultSchool()), lineage: null });
  const made = await ladderFor(scope, drill);
  if (!("id" in made)) throw new Error(made.message);
  return made.id;
}
interface Evening {
  readonly id: string;
  readonly people: readonly string[];
}
async function evening(size: number, theme = 0): Promise<Evening> {
  const people = Array.from({ length: size + 1 }, () => randomUUID());
  await insertStudents(
    scope,
    people.map((id, i) => ({ ...NOBODY, id, name: `P${i}` })),
  );
  const id = randomUUID();
  await createClass(db, scope, { id, ...beganAgo(60), title: "Evening", minutes: 45 });
  for (const student_id of people.slice(0, size))
    await setPresence(db, scope, id, { student_id, from_round: 0, until_round: null });
  const made = await plan(id, themes[theme]!, null);
  if (made.kind !== "saved") throw new Error(made.message);
  return { id, people };
}
async function plan(id: string, theme: string, blocks: unknown, sure = true) {
  const { lesson, chosen } = (await planPage(scope, id, { ladder: theme, drill: null }))!;
  const decided = { ...chosen, version: lesson.version, clock: CLOCK, blocks, locked: [], sure };
  return keepPlan(scope, id, JSON.stringify(decided));
}
const send = (id: string, items: object) => takeItems(scope, id, JSON.stringify(items));
const tap = (kind: string, at: number, more: object = {}) => ({
  taps: [{ id: randomUUID(), at, tap: { kind, ...more } }],
});
/** When the class was started so that a stretch is under way for some seconds by now, ms. */
async function startFor(id: string, round: number, into = 5): Promise<number> {
  const { plan: made, clock } = (await getPlan(db, scope, id))!;
  const segments = timeline(made, clock);
  const at = segments.findIndex((one) => one.kind === "round" && one.round === round);
  return Date.now() - (segments.slice(0, at).reduce((sum, one) => sum + one.seconds, 0) + into) * 1000;
}
/** All rows that say what ran, whole. */
const ranRows = () =>
  db.query<Record<string, unknown>>(
    `select to_jsonb(r) as row from rounds_run r where school_id = $1
     union all select to_jsonb(e) from round_ends e where school_id = $1
     union all select to_jsonb(c) from round_corrections c where school_id = $1`,
    [scope.schoolId],
  );
const revisionsOf = async (id: string, round: number) =>
  (await listRunPairs(db, scope, id)).filter((one) => one.round === round).map((one) => one.revision_id);

test("another theme in mid-class asks first, and leaves rounds, rungs, sides and people of what ran as they were", async () => {
  const { id } = await evening(6);
  await send(id, tap("start", await startFor(id, 1)));
  const before = await listRunPairs(db, scope, id);
  expect(new Set(before.map(({ round }) => round))).toEqual(new Set([0, 1]));
  const asked = await plan(id, themes[1]!, null, false);
  expect(asked).toMatchObject({
    kind: "refused",
    message: expect.stringMatching(/running.*Rounds 1 to 2 stay/) as string,
  });
  expect(await plan(id, themes[1]!, null)).toMatchObject({ kind: "saved" });
  expect(await listRunPairs(db, scope, id)).toEqual(before);
  const page = (await planPage(scope, id, { ladder: null, drill: null }))!;
  // What the sheet and a phone show of the rounds that ran is what ran, by the revision of each rung.
  for (const round of [0, 1])
    expect(page.kept!.plan.rounds[round]!.pairs.map(({ rung }) => page.rungs[rung]!.revisionId)).toEqual(
      await revisionsOf(id, round),
    );
  const { blocks, rounds } = page.kept!.plan;
  expect(page.rungs[rounds[2]!.pairs[0]!.rung]!.past).toBeUndefined();
  // The gear first, then it is shown.
  const next = blocks[blocks.findIndex(({ id: block }) => block === rounds[1]!.block) + 1]!;
  expect(next.title).toMatch(/^Change gear: take .*mitts/);
  const segments = timeline(page.kept!.plan, page.kept!.clock);
  const first = segments.findIndex(({ round, kind }) => kind === "round" && round === 2);
  expect(segments[first - 1]).toMatchObject({ kind: "talk" });
  expect(segments[first - 1]!.seconds).toBeGreaterThanOrEqual(CLOCK.explain);
});

test("a round that began while nobody tapped is written down before its plan is made again", async () => {
  const { id, people } = await evening(4);
  await send(id, tap("start", await startFor(id, 0, -2)));
  expect(await listRunPairs(db, scope, id)).toEqual([]);
  await new Promise((done) => setTimeout(done, 2500));
  const planned = (await getPlan(db, scope, id))!.plan.rounds[0]!.pairs.map(({ a, b, c }) => (c ? [a, b, c] : [a, b]));
  expect(await withLateComer(scope, id, people[4]!)).toBeNull();
  expect((await listRunPairs(db, scope, id)).map((one) => one.people)).toEqual(planned);
});

test("rows of what ran cannot be changed or taken out, but where somebody is erased or restored", async () => {
  const { id } = await evening(2);
  await send(id, tap("start", await startFor(id, 0)));
  for (const sql of [
    "update rounds_run set side = 'right' where class_id = $1",
    "delete from rounds_run where class_id = $1",
  ])
    await expect(db.query(sql, [id])).rejects.toThrow(/only added to/);
  await expect(db.query("truncate round_ends")).rejects.toThrow(/only added to/);
  await transaction(async (tx) => {
    await tx.query("set local vicissor.erasing = on");
    await tx.query("delete from rounds_run where class_id = $1", [id]);
  });
  expect(await listRunPairs(db, scope, id)).toEqual([]);
});

test("going back takes a start out by a row of its own, and the round stands again when it is begun again", async () => {
  const { id } = await evening(2);
  const { plan: made, clock } = (await getPlan(db, scope, id))!;
  const segments = timeline(made, clock);
  const [first, rest, second] = ["round:0", "rest:1", "round:1"].map(
    (end) => segments.find((one) => one.id.endsWith(end))!.id,
  );
  const began = await startFor(id, 0, 20);
  await send(id, tap("start", began));
  const now = Date.now();
  await send(id, tap("next", now - 9000, { from: first }));
  await send(id, tap("next", now - 8000, { from: rest }));
  expect((await listRunPairs(db, scope, id)).map(({ round }) => round)).toEqual([0, 1]);
  // Twice back soon after a beginning: the rest, then the first round.
  await send(id, tap("back", now - 7000, { from: second }));
  await send(id, tap("back", now - 6000, { from: rest }));
  expect((await listRunPairs(db, scope, id)).map(({ round }) => round)).toEqual([0]);
  const [counts] = await db.query(
    `select count(*)::int as runs, (select count(*)::int from round_corrections where class_id = $1) as corrected
     from rounds_run where class_id = $1`,
    [id],
  );
  expect(counts).toEqual({ runs: 3, corrected: 2 });
});

test("somebody who is erased in mid-class leaves what ran behind, under no name", async () => {
  const { id, people } = await evening(4);
  await send(id, tap("start", await startFor(id, 1)));
  const before = await listRunPairs(db, scope, id);
  await eraseStudent(scope, people[0]!);
  expect(await listRunPairs(db, scope, id)).toEqual(before);
});

/** So many seconds of drawn evenings, or with EVENINGS so many evenings however long they take. */
const EVENINGS = Number(process.env.EVENINGS ?? (process.env.TEST_LONG ? 2000 : 0));
const SECONDS = EVENINGS > 0 ? 24 * 3600 : 20;
test(
  "in evenings drawn by chance no row of what ran is ever changed, and nobody hurt is in a round to come",
  async () => {
    const steps = fc.array(
      fc.oneof(
        fc.record({ do: fc.constant("go" as const), rounds: fc.integer({ min: 0, max: 2 }) }),
        fc.record({ do: fc.constant("hurt" as const), who: fc.nat(5), place: fc.constantFrom("head", "other") }),
        fc.record({ do: fc.constant("late" as const), who: fc.nat(6) }),
        fc.record({ do: fc.constant("theme" as const), which: fc.nat(1) }),
        fc.record({ do: fc.constant("swap" as const), round: fc.nat(5), one: fc.nat(5), two: fc.nat(5) }),
        fc.record({ do: fc.constant("done" as const), round: fc.nat(3) }),
        fc.record({ do: fc.constantFrom("stop" as const, "pause" as const, "again" as const) }),
      ),
      { minLength: 2, maxLength: 7 },
    );
    await fc.assert(
      fc.asyncProperty(steps, fc.integer({ min: 3, max: 6 }), async (all, size) => {
        const { id, people } = await evening(size);
        const hurt = new Set<string>();
        await send(id, tap("start", await startFor(id, 0)));
        for (const step of all) {
          const before = await ranRows();
          const version = (await getClass(db, scope, id))!.version;
          switch (step.do) {
            case "go": {
              const { plan: made, clock } = (await getPlan(db, scope, id))!;
              const ids = timeline(made, clock).map((one) => one.id);
              for (const from of ids.slice(0, step.rounds * 2 + 4)) await send(id, tap("next", Date.now(), { from }));
              break;
            }
            case "hurt": {
              const student_id = people[step.who % size]!;
              hurt.add(student_id);
              const incident = { id: randomUUID(), at: Date.now(), student_id, place: step.place, round: 0 };
              await send(id, { incidents: [incident] });
              break;
            }
            case "late": {
              const who = people[step.who % (size + 1)]!;
              const refused = await withLateComer(scope, id, who);
              if (!refused) hurt.delete(who);
              break;
            }
            case "theme":
              await plan(id, themes[step.which]!, null);
              break;
            case "swap":
              await withSwap(scope, id, { ...step, one: people[step.one % size]!, two: people[step.two % size]! });
              break;
            case "done":
              await sayWhatRan(scope, id, version, { kind: "done", rounds: step.round + 1 });
              break;
            default:
              await send(id, tap(step.do === "again" ? "go" : step.do, Date.now()));
          }
          const after = new Set((await ranRows()).map((row) => JSON.stringify(row)));
          for (const row of before)
            if (!after.has(JSON.stringify(row))) throw new Error(`changed: ${JSON.stringify(row)}`);
          const page = (await planPage(scope, id, { ladder: null, drill: null }))!;
          for (const { pairs } of page.kept!.plan.rounds.slice(page.started))
            for (const pair of pairs)
              for (const who of [pair.a, pair.b, pair.c]) expect(hurt.has(who ?? "")).toBe(false);
        }
      }),
      { numRuns: EVENINGS || 100_000, interruptAfterTimeLimit: SECONDS * 1000, markInterruptAsFailure: false },
    );
  },
  (SECONDS + 60) * 1000,
);
