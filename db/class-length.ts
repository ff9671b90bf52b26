/** How long a class is. */
import type { Db } from "./pool.ts";
import type { Scope } from "./scope.ts";

/** Sets how long a class is; false where somebody else has set it since `was`. */
export async function setMinutes(
  db: Db,
  scope: Scope,
  { id, minutes, was }: { readonly id: string; readonly minutes: number; readonly was: number },
): Promise<boolean> {
  const rows = await db.query(
    `update classes set minutes = $3 where school_id = $1 and id = $2 and minutes = $4 returning id`,
    [scope.schoolId, id, minutes, was],
  );
  return rows.length > 0;
}
