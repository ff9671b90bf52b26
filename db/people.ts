/** The students of a school and its gear. */
import type { Measured } from "#core/people/measures.ts";
import type { Db } from "./pool.ts";
import type { Scope } from "./scope.ts";

export interface Student extends Measured {
  readonly limits: readonly string[];
}

export const listStudents = (db: Db, scope: Scope): Promise<Student[]> =>
  db.query<Student>(
    `select id, name, height_cm, reach_cm, mass_kg, lead, hand, minor, limits from students where school_id = $1 and archived_at is null order by name`,
    [scope.schoolId],
  );

export async function insertStudent(db: Db, scope: Scope, s: Student): Promise<void> {
  await db.query(
    `insert into students (school_id, id, name, height_cm, reach_cm, mass_kg, lead, hand, minor, limits) values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10) on conflict do nothing`,
    [scope.schoolId, s.id, s.name, s.height_cm, s.reach_cm, s.mass_kg, s.lead, s.hand, s.minor, s.limits],
  );
}

export const listGear = (db: Db, scope: Scope): Promise<{ kind: string; count: number }[]> =>
  db.query(`select kind, count from gear where school_id = $1 order by kind`, [scope.schoolId]);

export async function setGear(db: Db, scope: Scope, kind: string, count: number): Promise<void> {
  await db.query(
    `insert into gear (school_id, kind, count) values ($1, $2, $3) on conflict (school_id, kind) do update set count = excluded.count`,
    [scope.schoolId, kind, count],
  );
}
