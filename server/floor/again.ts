/** The rounds to come planned again while a class is running: somebody is hurt, comes late, or changes place. What was run stays. */
import { listPresence, setPresence, setPresent } from "#db/attendance.ts";
import { runningAt } from "#core/floor/running.ts";
import { timeline } from "#core/floor/timeline.ts";
import { getPlan, type KeptPlan } from "#db/classes.ts";
import { floorSince } from "#db/floor.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import { clockTaps } from "./clock-taps.ts";
import { keepPlan, planPage } from "../class-plan.ts";
import { refused, type Refusal } from "../respond.ts";

/** Tries so often where somebody else changes the class in the same moment. */
const TRIES = 3;

type Locked = KeptPlan["locked"];
type Planned = KeptPlan["plan"]["rounds"];

/** The pairs of a round as they stand. */
const heldAs = (round: number, pairs: Planned[number]["pairs"]): Locked =>
  pairs.map(({ a, b, c }) => ({ round, a, b, c }));

/**
 * Plans the rounds to come for whoever is here now. Who works together at this moment goes on: rounds before `from`
 * stand as they are, and so does what `held` gives for others.
 */
async function planAgain(
  scope: Scope,
  classId: string,
  from: number,
  held: (rounds: Planned) => Locked = () => [],
): Promise<Refusal | null> {
  for (let i = 0; ; i++) {
    const page = await planPage(scope, classId, { ladder: null, drill: null });
    if (!page?.kept) return null;
    const { kept, chosen, lesson } = page;
    const { clock, locked, lines = null, begin = 0, steps = [], done, plan } = kept;
    const ran = plan.rounds.slice(0, done).map(({ pairs }) => pairs.map(({ a, b, c }) => ({ a, b, c })));
    const underWay = plan.rounds.slice(done, from).flatMap(({ pairs }, i) => heldAs(done + i, pairs));
    const own = held(plan.rounds);
    const fixed = new Set([...underWay, ...own].map(({ round }) => round));
    const { ladder, drill, second } = chosen;
    const decided = {
      ...{ ladder, drill, second, clock, lines, begin, steps },
      locked: [
        ...locked.filter(({ round }) => round >= done && !fixed.has(round)),
        ...underWay.filter(({ round }) => !own.some((one) => one.round === round)),
        ...own,
      ],
    };
    const saved = await keepPlan(
      scope,
      classId,
      JSON.stringify({ ...decided, version: lesson.version, blocks: plan.blocks, ran }),
    );
    if (saved.kind === "saved" || i >= TRIES) return saved.kind === "saved" ? null : saved;
  }
}

/** The next round that is not under way: in a talk or a rest the one that it leads to. */
async function nextRound(scope: Scope, classId: string): Promise<number> {
  const [kept, news] = await Promise.all([getPlan(db, scope, classId), floorSince(db, scope, classId, 0)]);
  if (!kept || !news) return 0;
  const segments = timeline(kept.plan, kept.clock);
  const { at, done } = runningAt(segments, clockTaps(news.taps), Date.now());
  const isUnderWay = segments[at]?.kind === "round";
  return Math.min(Math.max(kept.done, done) + (isUnderWay ? 1 : 0), kept.plan.rounds.length);
}

/** They are here for no round to come. */
export async function withoutHurt(scope: Scope, classId: string, people: readonly string[]): Promise<void> {
  const from = await nextRound(scope, classId);
  for (const one of await listPresence(db, scope, classId))
    if (people.includes(one.student_id)) {
      // Who has not worked yet is not here at all.
      if (from > one.from_round) await setPresence(db, scope, classId, { ...one, until_round: from });
      else await setPresent(db, scope, classId, { studentId: one.student_id, here: false });
    }
  await planAgain(scope, classId, from);
}

/** Somebody who comes now is in from the next round on. */
export async function withLateComer(scope: Scope, classId: string, student: string): Promise<Refusal | null> {
  const from = await nextRound(scope, classId);
  await setPresence(db, scope, classId, { student_id: student, from_round: from, until_round: null });
  return planAgain(scope, classId, from);
}

/** Two people take each other's place in a round that is under way or comes; everybody else of it stays. */
export async function withSwap(
  scope: Scope,
  classId: string,
  { round, one, two }: { readonly round: number; readonly one: string; readonly two: string },
): Promise<Refusal | null> {
  const [kept, from] = await Promise.all([getPlan(db, scope, classId), nextRound(scope, classId)]);
  const pairs = kept?.plan.rounds[round]?.pairs ?? [];
  if (!kept || round < kept.done) return refused("This round is over: its pairs stay in the log as they were.");
  const place = (who: string) => pairs.findIndex(({ a, b, c }) => a === who || b === who || c === who);
  if (place(one) < 0 || place(two) < 0) return refused("One of them is not in this round any more. Look again.");
  if (place(one) === place(two)) return refused("They work together already: choose two of different pairs.");
  const put = (who: string) => (who === one ? two : who === two ? one : who);
  return planAgain(scope, classId, from, (rounds) =>
    heldAs(
      round,
      rounds[round]!.pairs.map((pair) => ({ ...pair, a: put(pair.a), b: put(pair.b), c: pair.c && put(pair.c) })),
    ),
  );
}
