/** Somebody sits out from now on: taken out of every round that has not started, at once and whatever else can be planned. */
import { WAITS } from "#core/class/waits.ts";
import { listPresence, setPresence, setPresent } from "./attendance.ts";
import type { KeptPlan } from "./classes.ts";
import type { Db } from "./pool.ts";
import type { Scope } from "./scope.ts";

type Round = KeptPlan["plan"]["rounds"][number];

/** A round without some people: a three goes on as a pair, who is left alone waits. */
function roundWithout(round: Round, gone: ReadonlySet<string>): Round {
  const pairs: Round["pairs"][number][] = [];
  const alone = round.alone.filter(({ id }) => !gone.has(id));
  for (const pair of round.pairs) {
    const all = [pair.a, pair.b, ...(pair.c ? [pair.c] : [])];
    const left = all.filter((id) => !gone.has(id));
    if (left.length === all.length) pairs.push(pair);
    else if (left.length === 2) pairs.push({ ...pair, a: left[0]!, b: left[1]!, c: null });
    else for (const id of left) alone.push({ id, why: WAITS });
  }
  return { ...round, pairs, alone };
}

/** A plan in which some people are in no round from one on, and are held by no lock. */
function planWithout(kept: KeptPlan, gone: ReadonlySet<string>, from: number): KeptPlan {
  const rounds = kept.plan.rounds.map((round, i) => (i < from ? round : roundWithout(round, gone)));
  const locked = kept.locked.filter(
    ({ round, a, b, c }) => round < from || ![a, b, c].some((id) => id !== null && gone.has(id)),
  );
  return { ...kept, locked, plan: { ...kept.plan, rounds } };
}

/**
 * Takes people out of all rounds of a class from one on, in a transaction that holds the class: of who is here, of the plan
 * and of its draft. It rests on no planning, so that nothing can hold it up.
 */
export async function sitOut(
  tx: Db,
  scope: Scope,
  classId: string,
  { people, from }: { readonly people: readonly string[]; readonly from: number },
): Promise<void> {
  const gone = new Set(people);
  for (const one of await listPresence(tx, scope, classId))
    if (gone.has(one.student_id)) {
      // Who has not worked yet is not here at all.
      if (from > one.from_round) await setPresence(tx, scope, classId, { ...one, until_round: from });
      else await setPresent(tx, scope, classId, { studentId: one.student_id, here: false });
    }
  const [row] = await tx.query<{ plan: KeptPlan | null }>(
    `select plan from classes where school_id = $1 and id = $2 for update`,
    [scope.schoolId, classId],
  );
  if (!row?.plan) return;
  await tx.query(`update classes set plan = $3, version = version + 1 where school_id = $1 and id = $2`, [
    scope.schoolId,
    classId,
    JSON.stringify(planWithout(row.plan, gone, from)),
  ]);
  const draft = `p.school_id = $1 and p.at >= $3
    and p.block_id in (select id from blocks where school_id = $1 and class_id = $2)`;
  const given = [scope.schoolId, classId, from, people];
  await tx.query(
    `update pairs p set student_c = null,
       student_a = case when p.student_a = any ($4::uuid[]) then p.student_c else p.student_a end,
       student_b = case when p.student_b = any ($4::uuid[]) then p.student_c else p.student_b end
     where ${draft} and p.student_c is not null
       and (p.student_a = any ($4::uuid[]))::int + (p.student_b = any ($4::uuid[]))::int
         + (p.student_c = any ($4::uuid[]))::int = 1`,
    given,
  );
  await tx.query(
    `delete from pairs p where ${draft} and (p.student_a = any ($4::uuid[]) or p.student_b = any ($4::uuid[]))`,
    given,
  );
}
