/** On which devices somebody has signed in before. */
import type { Db } from "./pool.ts";

/** How somebody and a device know each other; `first`: there is no other device of theirs to compare it with. */
type Acquaintance = "known" | "first" | "new";

/** Notes that somebody signed in on a device, and says whether they had before. */
export async function meetDevice(tx: Db, accountId: string, tokenHash: Buffer): Promise<Acquaintance> {
  const [before] = await tx.query<{ devices: number; known: boolean }>(
    `with put as (
       insert into known_devices (account_id, token_hash) values ($1, $2)
       on conflict (account_id, token_hash) do update set seen_at = now()
     )
     select count(*)::int as devices, coalesce(bool_or(token_hash = $2), false) as known
     from known_devices where account_id = $1`,
    [accountId, tokenHash],
  );
  if (before?.known) return "known";
  return before && before.devices > 0 ? "new" : "first";
}
