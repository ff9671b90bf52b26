/** What was deleted and can be brought back. */
import type { Db } from "./pool.ts";
import type { Scope } from "./scope.ts";

interface DeletedRow {
  readonly id: string;
  readonly kind: "drill" | "class";
  readonly title: string;
  readonly deleted_at: Date;
}

const DELETED = `
  select id, 'drill' as kind, title, deleted_at from drills where school_id = $1 and deleted_at is not null
  union all
  select id, 'class', title || ', ' || to_char(held_on, 'FMDD Mon YYYY'), deleted_at from classes where school_id = $1 and deleted_at is not null`;

/** The last things that were deleted, the newest first. */
export const listDeleted = (db: Db, scope: Scope, most = 200): Promise<DeletedRow[]> =>
  db.query<DeletedRow>(`${DELETED} order by deleted_at desc, title limit $2`, [scope.schoolId, most]);

export async function countDeleted(db: Db, scope: Scope): Promise<number> {
  const [row] = await db.query<{ count: number }>(`select count(*)::int as count from (${DELETED}) one`, [
    scope.schoolId,
  ]);
  return row!.count;
}
