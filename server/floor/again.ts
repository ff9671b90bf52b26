/** The rounds to come planned again while a class is running: somebody is hurt, leaves or comes late. What was run stays. */
import { listPresence, setPresence, setPresent } from "#db/attendance.ts";
import { runningAt } from "#core/floor/running.ts";
import { timeline } from "#core/floor/timeline.ts";
import { getPlan } from "#db/classes.ts";
import { floorSince } from "#db/floor.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import { clockTaps } from "./clock-taps.ts";
import { keepPlan, planPage } from "../class-plan.ts";
import type { Refusal } from "../respond.ts";

/** Tries so often where somebody else changes the class in the same moment. */
const TRIES = 3;

/** Plans the rounds to come for whoever is here now. */
async function planAgain(scope: Scope, classId: string): Promise<Refusal | null> {
  for (let i = 0; ; i++) {
    const page = await planPage(scope, classId, { ladder: null, drill: null });
    if (!page?.kept) return null;
    const { kept, chosen, lesson } = page;
    const { clock, locked, lines = null, begin = 0, done, plan } = kept;
    const ran = plan.rounds.slice(0, done).map(({ pairs }) => pairs.map(({ a, b, c }) => ({ a, b, c })));
    const { ladder, drill, second } = chosen;
    const decided = { ladder, drill, second, clock, locked: locked.filter(({ round }) => round >= done), lines, begin };
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
  await planAgain(scope, classId);
}

/** Somebody who comes now is in from the next round on. */
export async function withLateComer(scope: Scope, classId: string, student: string): Promise<Refusal | null> {
  const from = await nextRound(scope, classId);
  await setPresence(db, scope, classId, { student_id: student, from_round: from, until_round: null });
  return planAgain(scope, classId);
}
