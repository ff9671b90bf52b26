/** The running class: taps and marks as they come in, and those since a place in their order. */
import type { Tap, Tapped } from "#core/floor/running.ts";
import type { Mark } from "#core/floor/marks.ts";
import type { KeptPlan } from "./classes.ts";
import { addIncident, type NewIncident } from "./incidents.ts";
import { transaction, type Db } from "./pool.ts";
import type { Scope } from "./scope.ts";

/** Somebody cannot go on; what exactly was is in the incident. */
interface Hurt {
  readonly kind: "hurt";
  readonly person: string;
}
export type FloorTap = Tap | Hurt;

export interface NewTap {
  readonly id: string;
  /** ms of the server's clock. */
  readonly at: number;
  readonly tap: FloorTap;
}
export interface NewMark extends Mark {
  readonly revision: string | null;
}

export interface FloorItems {
  readonly taps: readonly NewTap[];
  readonly marks: readonly NewMark[];
  readonly incidents: readonly NewIncident[];
}

/** What happened after a place in the order of a class. */
export interface FloorNews {
  readonly seq: number;
  readonly taps: readonly (Omit<Tapped, "tap"> & { readonly tap: FloorTap })[];
  readonly marks: readonly Mark[];
  /** Version of the class: another one means that its plan may be another. */
  readonly version: number;
}

/** Takes in what devices send; what was sent before is there already and changes nothing. */
export const addFloor = (scope: Scope, classId: string, { taps, marks, incidents }: FloorItems): Promise<void> =>
  transaction(async (tx) => {
    // One after the other in a class: numbers are handed out in the order of the commits.
    await tx.query(`select pg_advisory_xact_lock(hashtextextended($1, 0))`, [classId]);
    for (const { id, at, tap } of taps)
      await tx.query(
        `insert into floor_taps (school_id, id, class_id, at, tap, account_id)
         values ($1, $2, $3, to_timestamp($4::double precision / 1000), $5, $6) on conflict do nothing`,
        [scope.schoolId, id, classId, at, JSON.stringify(tap), scope.accountId],
      );
    for (const incident of incidents) await addIncident(tx, scope, classId, incident);
    for (const mark of marks) await addMark(tx, scope, classId, mark);
  });

/** What was seen of somebody; twice the same is once, and nobody of another school is marked. */
export async function addMark(tx: Db, scope: Scope, classId: string, mark: NewMark): Promise<void> {
  await tx.query(
    `insert into marks (school_id, id, class_id, at, round, student_id, revision_id, role, mark, words, corrects, account_id)
     select $1, $2, $3, to_timestamp($4::double precision / 1000), $5, s.id,
       (select r.id from revisions r where r.school_id = $1 and r.id = $7), $8, $9, $10, $11, $12
     from students s where s.school_id = $1 and s.id = $6 on conflict do nothing`,
    [
      scope.schoolId,
      mark.id,
      classId,
      mark.at,
      mark.round,
      mark.person,
      mark.revision,
      mark.role,
      mark.mark,
      mark.text,
      mark.corrects,
      scope.accountId,
    ],
  );
}

const MS = "(extract(epoch from at) * 1000)::float8";

/** What came in after `since`; 0: all of it. Null where the class is not there. */
export async function floorSince(db: Db, scope: Scope, classId: string, since: number): Promise<FloorNews | null> {
  const [row] = await db.query<{ version: number; taps: FloorNews["taps"]; marks: readonly Mark[]; seq: string }>(
    `with t as (
       select seq, json_build_object('id', id, 'at', ${MS}, 'tap', tap) as item
       from floor_taps where school_id = $1 and class_id = $2 and seq > $3
     ), m as (
       select seq, json_build_object('id', id, 'round', round, 'person', student_id, 'role', role, 'mark', mark,
         'text', words, 'corrects', corrects, 'at', ${MS}) as item
       from marks where school_id = $1 and class_id = $2 and seq > $3
     )
     select c.version,
       coalesce((select json_agg(item order by seq) from t), '[]') as taps,
       coalesce((select json_agg(item order by seq) from m), '[]') as marks,
       greatest((select max(seq) from t), (select max(seq) from m), $3) as seq
     from classes c where c.school_id = $1 and c.id = $2 and c.deleted_at is null`,
    [scope.schoolId, classId, since],
  );
  return row ? { version: row.version, taps: row.taps, marks: row.marks, seq: Number(row.seq) } : null;
}

/**
 * Writes down that so many rounds were run, in the plan and in the log; never fewer than before. Changes nothing, and
 * no version, where that is known.
 */
export const setRun = (scope: Scope, classId: string, done: number): Promise<void> =>
  transaction(async (tx) => {
    const [row] = await tx.query<{ plan: KeptPlan | null }>(
      `select plan from classes where school_id = $1 and id = $2 for update`,
      [scope.schoolId, classId],
    );
    if (!row?.plan || row.plan.done >= done) return;
    const rounds = row.plan.plan.rounds.map((round, i) => (i < done ? { ...round, done: true } : round));
    const plan: KeptPlan = { ...row.plan, done: Math.min(done, rounds.length), plan: { ...row.plan.plan, rounds } };
    await tx.query(`update classes set plan = $3, version = version + 1 where school_id = $1 and id = $2`, [
      scope.schoolId,
      classId,
      JSON.stringify(plan),
    ]);
    // Blocks of the log stand in the order of those blocks of the plan that have rounds.
    const blocks = [...new Set(rounds.map(({ block }) => block))];
    for (const { block, turn } of rounds.slice(0, done))
      await tx.query(
        `update pairs set ran = true where school_id = $1 and round = $4 and block_id in
           (select id from blocks where school_id = $1 and class_id = $2 and position = $3)`,
        [scope.schoolId, classId, blocks.indexOf(block) + 1, turn + 1],
      );
  });
