/** What instructors are asked of the floor: taps from outside the hours of a class, and several rounds by one tap. */
import { randomUUID } from "node:crypto";
import type { NewTap } from "./floor.ts";
import { transaction, type Db } from "./pool.ts";
import { recordRun, takeBack } from "./rounds-run.ts";
import type { Scope } from "./scope.ts";

export interface FloorQuestion {
  readonly id: string;
  readonly class_id: string;
  /** hours: a tap from outside the hours of its class; rounds: several that one tap wrote at once. */
  readonly kind: "hours" | "rounds";
  /** What was tapped, when (ms), and by whom; null: somebody who is gone. */
  readonly tap: string;
  readonly at: number;
  readonly by: string | null;
  /** Of several rounds, from 0. */
  readonly from_round: number | null;
  readonly to_round: number | null;
}

/** More rounds than this one tap does not write without a question. */
const AT_ONCE = 1;

/** Asks about taps that came in: those from outside the hours, and one that wrote several rounds. */
export async function askAbout(
  tx: Db,
  scope: Scope,
  classId: string,
  { fresh, before, after }: { readonly fresh: readonly NewTap[]; readonly before: number; readonly after: number },
): Promise<void> {
  const ask = (kind: FloorQuestion["kind"], tap: NewTap, rounds: readonly [number, number] | null) =>
    tx.query(
      `insert into floor_questions (school_id, id, class_id, kind, tap_id, from_round, to_round)
       values ($1, $2, $3, $4, $5, $6, $7) on conflict do nothing`,
      [scope.schoolId, randomUUID(), classId, kind, tap.id, rounds?.[0] ?? null, rounds?.[1] ?? null],
    );
  const moves = fresh.filter(({ tap }) => tap.kind !== "hurt");
  for (const one of moves) if (!one.within) await ask("hours", one, null);
  const first = moves.find(({ within }) => within);
  // Each tap of those that came together may have begun a round.
  if (first && after - before > Math.max(AT_ONCE, moves.filter(({ tap }) => tap.kind === "next").length))
    await ask("rounds", first, [before, after - 1]);
}

/** What is still open of a class, or of the school; the oldest first. */
export const listQuestions = (db: Db, scope: Scope, classId: string | null): Promise<FloorQuestion[]> =>
  db.query<FloorQuestion>(
    `select q.id, q.class_id, q.kind, t.tap ->> 'kind' as tap, (extract(epoch from t.at) * 1000)::float8 as at, a.name as by,
       q.from_round, q.to_round
     from floor_questions q
       join floor_taps t on t.school_id = q.school_id and t.id = q.tap_id
       join classes c on c.school_id = q.school_id and c.id = q.class_id and c.deleted_at is null
       left join accounts a on a.id = t.account_id
     where q.school_id = $1 and ($2::uuid is null or q.class_id = $2) and q.answer is null
     order by q.asked_at, t.at, q.id limit 200`,
    [scope.schoolId, classId],
  );

/**
 * An instructor answers. A tap that is right moves the clock from then on; rounds that were not run are taken back. False
 * where it was answered already.
 */
export const answerQuestion = (
  scope: Scope,
  { id, answer, now }: { readonly id: string; readonly answer: "yes" | "no"; readonly now: number },
): Promise<boolean> =>
  transaction(async (tx) => {
    const [found] = await tx.query<Pick<FloorQuestion, "class_id" | "kind" | "from_round" | "to_round">>(
      `update floor_questions set answer = $3, answered_at = now(), answered_by = $4, seq = nextval('floor_seq')
       where school_id = $1 and id = $2 and answer is null returning class_id, kind, from_round, to_round`,
      [scope.schoolId, id, answer, scope.accountId],
    );
    if (!found) return false;
    if (found.kind === "hours" && answer === "yes") await recordRun(tx, scope, found.class_id, now);
    if (found.kind === "rounds" && answer === "no")
      await takeBack(tx, scope, found.class_id, { from: found.from_round!, to: found.to_round! });
    return true;
  });
