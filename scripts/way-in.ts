/**
 * An address by which its owner comes in once, as bin/start says it: bin/tool way-in ORIGIN [--own]
 * `--own`: to a school of one's own; where there is none yet the address makes one. Else to the demo club.
 */
import { closePool, db } from "#db/pool.ts";
import { newSchoolAddress, signInAddress } from "#server/access/tickets.ts";
import { DEMO_SCHOOL } from "#demo/club.ts";

const [origin, own] = process.argv.slice(2);
if (!origin) {
  console.error("usage: bin/tool way-in ORIGIN [--own]");
  process.exit(2);
}
const [owner] = await db.query<{ school: string; account: string }>(
  `select school_id as school, account_id as account from memberships
   where role = 'owner' and (school_id = $1) = $2 order by created_at limit 1`,
  [DEMO_SCHOOL, own !== "--own"],
);
console.log(owner ? await signInAddress(owner.school, owner.account, origin) : await newSchoolAddress(origin));
await closePool();
