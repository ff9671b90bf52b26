/** The rounds to come planned again while a class is running: somebody is hurt, leaves or comes late. What was run stays. */
import { listPresence, setPresence } from "#db/attendance.ts";
import { getPlan } from "#db/classes.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
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

/** The next round that is not under way: the one after those that were run and the one that runs. */
async function nextRound(scope: Scope, classId: string): Promise<number> {
  const kept = await getPlan(db, scope, classId);
  return kept ? Math.min(kept.done + 1, kept.plan.rounds.length) : 0;
}

/** They are here for no round to come. */
export async function withoutHurt(scope: Scope, classId: string, people: readonly string[]): Promise<void> {
  const from = await nextRound(scope, classId);
  for (const one of await listPresence(db, scope, classId))
    if (people.includes(one.student_id) && from > one.from_round)
      await setPresence(db, scope, classId, { ...one, until_round: from });
  await planAgain(scope, classId);
}

/** Somebody who comes now is in from the next round on. */
export async function withLateComer(scope: Scope, classId: string, student: string): Promise<Refusal | null> {
  const from = await nextRound(scope, classId);
  await setPresence(db, scope, classId, { student_id: student, from_round: from, until_round: null });
  return planAgain(scope, classId);
}
