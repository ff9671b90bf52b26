/** Classes of a term: copied, renamed, and who came. */
import { transaction, type Db } from "./pool.ts";
import type { Scope } from "./scope.ts";

export const listAttendance = (db: Db, scope: Scope): Promise<{ class_id: string; student_id: string }[]> =>
  db.query(`select class_id, student_id from attendance where school_id = $1`, [scope.schoolId]);

/** A class again on another day: its title, minutes, theme and ladder, and nobody in it yet. */
export const copyClass = (scope: Scope, from: string, id: string, day: string): Promise<void> =>
  transaction(async (tx) => {
    await tx.query(
      `insert into classes (school_id, id, held_on, title, minutes, theme, starts_at, ladder_id)
       select school_id, $3, $4, title, minutes, theme, starts_at, ladder_id from classes
       where school_id = $1 and id = $2 on conflict do nothing`,
      [scope.schoolId, from, id, day],
    );
  });

/** Changes what a class is called, when it is and how long; false where somebody else did so meanwhile. */
export async function updateClass(
  db: Db,
  scope: Scope,
  row: {
    readonly id: string;
    readonly title: string;
    readonly theme: string;
    readonly held_on: string;
    readonly starts_at: string;
    readonly minutes: number;
  },
  version: number,
): Promise<boolean> {
  const rows = await db.query(
    `update classes set title = $3, theme = $4, held_on = $5, starts_at = $6, minutes = $7, version = version + 1
     where school_id = $1 and id = $2 and version = $8 returning id`,
    [scope.schoolId, row.id, row.title, row.theme, row.held_on, row.starts_at, row.minutes, version],
  );
  return rows.length > 0;
}
