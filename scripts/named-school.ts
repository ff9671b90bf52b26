/** For tools: the school that an argument names, or the only one that is there. */
import { db } from "#db/pool.ts";
import { listSchools } from "#db/school.ts";
import type { Scope } from "#db/scope.ts";

/** Who has the terminal has the school: its owner's scope. Ends the tool with words where it is not clear which one. */
export async function namedSchool(id: string | undefined): Promise<Scope> {
  const schools = await listSchools(db);
  const schoolId = id ?? (schools.length === 1 ? schools[0] : undefined);
  if (schoolId === undefined || !schools.includes(schoolId)) {
    console.error(
      `${id ? `There is no school ${id}` : "There are several schools"}. Name one of these at the end of the command: ${schools.join(", ") || "none"}`,
    );
    process.exit(2);
  }
  const [owner] = await db.query<{ id: string }>(
    `select account_id as id from memberships where school_id = $1 and role = 'owner' limit 1`,
    [schoolId],
  );
  return { schoolId, accountId: owner?.id ?? "00000000-0000-0000-0000-000000000000", role: "owner" };
}
