/**
 * An address by which somebody comes in once, as bin/start says it: bin/tool way-in ORIGIN [--own | EMAIL]
 * `--own`: the owner of a school of one's own; where there is none yet the address makes one. EMAIL: whoever has that
 * account, such as somebody who forgot their password and is in several schools. Else the owner of the demo club.
 */
import { accountByEmail, membershipsOf } from "#db/accounts.ts";
import { closePool, db } from "#db/pool.ts";
import { newSchoolAddress, signInAddress } from "#server/access/tickets.ts";
import { DEMO_SCHOOL } from "#demo/club.ts";

const [origin, who] = process.argv.slice(2);
if (!origin) {
  console.error("usage: bin/tool way-in ORIGIN [--own | EMAIL]");
  process.exit(2);
}

async function addressOf(email: string): Promise<string | null> {
  const account = await accountByEmail(email);
  const [first] = account ? await membershipsOf(account.id) : [];
  return account && first ? signInAddress(first.school_id, account.id, origin!) : null;
}

/** The owner of the demo club, or of the first school beside it; a new school where there is none. */
async function addressOfOwner(): Promise<string> {
  const [owner] = await db.query<{ school: string; account: string }>(
    `select school_id as school, account_id as account from memberships
     where role = 'owner' and (school_id = $1) = $2 order by created_at limit 1`,
    [DEMO_SCHOOL, who !== "--own"],
  );
  return owner ? signInAddress(owner.school, owner.account, origin!) : newSchoolAddress(origin!);
}

const address = who && who !== "--own" ? await addressOf(who) : await addressOfOwner();
if (address) console.log(address);
else {
  console.error(`Nobody with the address ${who} is in a school here.`);
  process.exitCode = 2;
}
await closePool();
