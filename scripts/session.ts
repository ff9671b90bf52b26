/**
 * Cookies of new sessions, for tests and for tools that ask as somebody: bin/tool session ROLE [COUNT] [SCHOOL-ID]
 * ROLE may be tablet: one that sees the class of today.
 * Whoever can run it has the database already.
 */
import { closePool, db } from "#db/pool.ts";
import { openSession } from "#server/access/session.ts";
import { DEMO_SCHOOL } from "#demo/club.ts";

const [role = "owner", count = "1", school = DEMO_SCHOOL] = process.argv.slice(2);
const isTablet = role === "tablet";
const [member] = await db.query<{ account_id: string; class_id: string | null }>(
  `select account_id, (select id from classes c where c.school_id = m.school_id
     order by abs(held_on - school_today($1)), starts_at desc, id limit 1) as class_id
   from memberships m where school_id = $1 and role = $2 order by created_at limit 1`,
  [school, isTablet ? "owner" : role],
);
if (!member) {
  console.error(`Nobody is ${role} in the school ${school}.`);
  process.exit(2);
}
const request = new Request("http://localhost/", { headers: { "user-agent": "a tool" } });
for (let i = 0; i < Number(count); i++) {
  const signedIn = { schoolId: school, accountId: member.account_id };
  const headers = await openSession(
    request,
    isTablet && member.class_id
      ? { ...signedIn, classId: member.class_id, lasts: "tablet" }
      : { ...signedIn, lasts: "own" },
  );
  console.log(headers.get("set-cookie")!.split(";")[0]);
}
await closePool();
