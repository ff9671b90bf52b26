/** The plan of a class: kept as it was made, and its rounds as pairs for the log. */
import type { ClassPlan, PlanInput } from "#core/class/plan.ts";
import { transaction, type Db } from "./pool.ts";
import type { Scope } from "./scope.ts";

/** What is kept of a plan: enough to show it, and to plan the rest anew. */
export interface KeptPlan {
  readonly ladder: string | null;
  readonly drill: string;
  readonly clock: PlanInput["clock"];
  readonly locked: PlanInput["locked"];
  /** Rounds that were run. */
  readonly done: number;
  readonly plan: ClassPlan & { readonly ok: true };
}

export interface Presence {
  readonly student_id: string;
  readonly from_round: number;
  readonly until_round: number | null;
}

export const listPresence = (db: Db, scope: Scope, classId: string): Promise<Presence[]> =>
  db.query<Presence>(
    `select student_id, from_round, until_round from attendance where school_id = $1 and class_id = $2`,
    [scope.schoolId, classId],
  );

/** Sets the rounds for which somebody is here. */
export async function setPresence(
  db: Db,
  scope: Scope,
  classId: string,
  { student_id, from_round, until_round }: Presence,
): Promise<void> {
  await db.query(
    `insert into attendance (school_id, class_id, student_id, from_round, until_round) values ($1, $2, $3, $4, $5)
     on conflict (school_id, class_id, student_id) do update set from_round = excluded.from_round, until_round = excluded.until_round`,
    [scope.schoolId, classId, student_id, from_round, until_round],
  );
}

export async function getPlan(db: Db, scope: Scope, classId: string): Promise<KeptPlan | null> {
  const [row] = await db.query<{ plan: KeptPlan | null }>(`select plan from classes where school_id = $1 and id = $2`, [
    scope.schoolId,
    classId,
  ]);
  return row?.plan ?? null;
}

/** Takes the plan of a class out, with the pairs of its rounds. */
export const dropPlan = (scope: Scope, classId: string): Promise<void> =>
  transaction(async (tx) => {
    await clearRounds(tx, scope, classId);
    await tx.query(`update classes set plan = null, version = version + 1 where school_id = $1 and id = $2`, [
      scope.schoolId,
      classId,
    ]);
  });

/** Takes out all blocks of a class and their pairs. */
async function clearRounds(tx: Db, scope: Scope, classId: string): Promise<void> {
  await tx.query(
    `delete from pairs where school_id = $1 and block_id in (select id from blocks where school_id = $1 and class_id = $2)`,
    [scope.schoolId, classId],
  );
  await tx.query(`delete from blocks where school_id = $1 and class_id = $2`, [scope.schoolId, classId]);
}

export interface PlanBlock {
  readonly id: string;
  readonly drillId: string;
  readonly minutes: number;
  readonly pairs: readonly {
    readonly id: string;
    readonly round: number;
    readonly a: string;
    readonly b: string;
    readonly c: string | null;
    readonly revisionId: string;
    readonly why: string;
    /** Which lead was in front. */
    readonly side: "left" | "right";
    readonly ran: boolean;
  }[];
}

/** Saves a plan on top of `version`; null where somebody else changed the class meanwhile. */
export function savePlan(
  scope: Scope,
  classId: string,
  version: number,
  kept: KeptPlan,
  blocks: readonly PlanBlock[],
): Promise<number | null> {
  return transaction(async (tx) => {
    const [row] = await tx.query<{ version: number }>(
      `update classes set plan = $4, ladder_id = $5, version = version + 1
       where school_id = $1 and id = $2 and version = $3 returning version`,
      [scope.schoolId, classId, version, JSON.stringify(kept), kept.ladder],
    );
    if (!row) return null;
    await clearRounds(tx, scope, classId);
    for (const [position, block] of blocks.entries()) {
      await tx.query(
        `insert into blocks (school_id, id, class_id, position, minutes, drill_id) values ($1, $2, $3, $4, $5, $6)`,
        [scope.schoolId, block.id, classId, position + 1, block.minutes, block.drillId],
      );
      for (const [place, pair] of block.pairs.entries())
        await tx.query(
          `insert into pairs (school_id, id, block_id, round, position, student_a, student_b, student_c, revision_id, why, side, ran)
           values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12)`,
          [
            scope.schoolId,
            pair.id,
            block.id,
            pair.round,
            place + 1,
            pair.a,
            pair.b,
            pair.c,
            pair.revisionId,
            pair.why,
            pair.side,
            pair.ran,
          ],
        );
    }
    return row.version;
  });
}
