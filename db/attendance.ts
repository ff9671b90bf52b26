/** Who is here in a class, for which rounds, and what they leave out tonight. */
import type { Db } from "./pool.ts";
import type { Scope } from "./scope.ts";

/** Who is ticked in some classes. */
export const listAttendance = (
  db: Db,
  scope: Scope,
  classIds: readonly string[],
): Promise<{ class_id: string; student_id: string }[]> =>
  db.query(`select class_id, student_id from attendance where school_id = $1 and class_id = any ($2)`, [
    scope.schoolId,
    classIds,
  ]);

/** Somebody who is here, from a round (0: the first) to another (null: the last). */
export interface Presence {
  readonly student_id: string;
  readonly from_round: number;
  readonly until_round: number | null;
}
export interface PresentTonight extends Presence {
  /** What they leave out tonight: ids of `TONIGHT`. */
  readonly tonight_not: readonly string[];
}

export const listPresence = (db: Db, scope: Scope, classId: string): Promise<PresentTonight[]> =>
  db.query<PresentTonight>(
    `select student_id, from_round, until_round, tonight_not from attendance where school_id = $1 and class_id = $2`,
    [scope.schoolId, classId],
  );

/** Sets the rounds for which somebody is here; nothing happens for somebody who was erased. */
export async function setPresence(
  db: Db,
  scope: Scope,
  classId: string,
  { student_id, from_round, until_round }: Presence,
): Promise<void> {
  await db.query(
    `insert into attendance (school_id, class_id, student_id, from_round, until_round)
     select $1, $2, id, $4, $5 from students where school_id = $1 and id = $3 and erased_at is null
     on conflict (school_id, class_id, student_id) do update set from_round = excluded.from_round, until_round = excluded.until_round`,
    [scope.schoolId, classId, student_id, from_round, until_round],
  );
}

/** Ticks everybody of the school as here for the whole evening but those who are asked about one by one, or nobody. */
export async function setEverybody(
  db: Db,
  scope: Scope,
  classId: string,
  here: "all" | "none",
  but: readonly string[] = [],
): Promise<void> {
  const sql =
    here === "all"
      ? `insert into attendance (school_id, class_id, student_id)
         select $1, $2, id from students where school_id = $1 and erased_at is null and archived_at is null
           and id <> all ($3::uuid[]) on conflict do nothing`
      : `delete from attendance where school_id = $1 and class_id = $2`;
  await db.query(sql, here === "all" ? [scope.schoolId, classId, but] : [scope.schoolId, classId]);
}

/** Ticks people as they were before, with their rounds and what they leave out. */
export async function bringBack(db: Db, scope: Scope, classId: string, were: readonly PresentTonight[]): Promise<void> {
  await db.query(
    `insert into attendance (school_id, class_id, student_id, from_round, until_round, tonight_not)
     select $1, $2, s.id, w.from_round, w.until_round, w.tonight_not
     from jsonb_to_recordset($3) as w(student_id uuid, from_round integer, until_round integer, tonight_not text[])
     join students s on s.school_id = $1 and s.id = w.student_id and s.erased_at is null
     on conflict do nothing`,
    [scope.schoolId, classId, JSON.stringify(were)],
  );
}

/** Who came to one class is ticked for another, for the whole evening. */
export const copyAttendance = (
  tx: Db,
  scope: Scope,
  { from, to }: { readonly from: string; readonly to: string },
): Promise<unknown> =>
  tx.query(
    `insert into attendance (school_id, class_id, student_id)
     select a.school_id, $3, a.student_id from attendance a
     join students s on s.school_id = a.school_id and s.id = a.student_id and s.archived_at is null and s.erased_at is null
     where a.school_id = $1 and a.class_id = $2 on conflict do nothing`,
    [scope.schoolId, from, to],
  );

/** What somebody leaves out tonight; who says so is here. */
export async function setTonightNot(
  db: Db,
  scope: Scope,
  classId: string,
  { studentId, not }: { readonly studentId: string; readonly not: readonly string[] },
): Promise<void> {
  await db.query(
    `insert into attendance (school_id, class_id, student_id, tonight_not)
     select $1, $2, id, $4 from students where school_id = $1 and id = $3 and erased_at is null
     on conflict (school_id, class_id, student_id) do update set tonight_not = excluded.tonight_not`,
    [scope.schoolId, classId, studentId, not],
  );
}

/** Ticks somebody as here for the whole evening, or as away; repeated requests are harmless. */
export async function setPresent(
  db: Db,
  scope: Scope,
  classId: string,
  { studentId, here }: { readonly studentId: string; readonly here: boolean },
): Promise<void> {
  const sql = here
    ? `insert into attendance (school_id, class_id, student_id)
       select $1, $2, id from students where school_id = $1 and id = $3 and erased_at is null on conflict do nothing`
    : `delete from attendance where school_id = $1 and class_id = $2 and student_id = $3`;
  await db.query(sql, [scope.schoolId, classId, studentId]);
}
