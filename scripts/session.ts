/**
 * Cookies of new sessions, for tests and for tools that ask as somebody: bin/tool session ROLE [COUNT] [SCHOOL-ID]
 * Whoever can run it has the database already.
 */
import { closePool, db } from "#db/pool.ts";
import { openSession } from "#server/access/session.ts";
import { DEMO_SCHOOL } from "#demo/club.ts";

const [role = "owner", count = "1", school = DEMO_SCHOOL] = process.argv.slice(2);
const [member] = await db.query<{ account_id: string }>(
  `select account_id from memberships where school_id = $1 and role = $2 order by created_at limit 1`,
  [school, role],
);
if (!member) {
  console.error(`Nobody is ${role} in the school ${school}.`);
  process.exit(2);
}
const request = new Request("http://localhost/", { headers: { "user-agent": "a tool" } });
for (let i = 0; i < Number(count); i++) {
  const headers = await openSession(request, { schoolId: school, accountId: member.account_id, lasts: "own" });
  console.log(headers.get("set-cookie")!.split(";")[0]);
}
await closePool();
