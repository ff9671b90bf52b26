/** Whether what is asked for is the school's: ids of others are not found, here as everywhere. */
import type { Db } from "./pool.ts";
import type { Scope } from "./scope.ts";

/** Tables whose rows are asked for by their id alone. */
type Named = "drills" | "classes" | "students";

export async function areKnown(db: Db, scope: Scope, table: Named, ids: readonly string[]): Promise<boolean> {
  const [row] = await db.query<{ known: number }>(
    `select count(*)::int as known from ${table} where school_id = $1 and id = any($2::uuid[])`,
    [scope.schoolId, ids],
  );
  return row!.known === new Set(ids).size;
}
