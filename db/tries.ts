/** Tries at a door: each is reserved by one statement before it is looked at, so that many at once are as many as they are. */
import { createHash } from "node:crypto";
import { db } from "./pool.ts";

const keyOf = (what: string): Buffer => createHash("sha256").update(what).digest();

/** How many tries in a row are free, and how long the next one waits then: longer each time, to `most` seconds. */
interface Patience {
  readonly free: number;
  readonly most: number;
}

/**
 * Reserves a try. Null: it may be made. A number: seconds until the next one may. After an hour without any it begins
 * anew. The wait doubles from 10 s.
 */
export async function reserveTry(what: string, { free, most }: Patience): Promise<number | null> {
  const rows = await db.query(
    `insert into tries as t (key, count) values ($1, 1)
     on conflict (key) do update set
       count = case when t.touched_at < now() - interval '1 hour' then 1 else t.count + 1 end,
       closed_until = case when t.touched_at < now() - interval '1 hour' or t.count + 1 < $2 then null
         else now() + make_interval(secs => least($3, power(2, least(t.count + 1 - $2, 20)) * 10)) end,
       touched_at = now()
     where t.closed_until is null or t.closed_until <= now()
     returning key`,
    [keyOf(what), free, most],
  );
  if (rows.length > 0) return null;
  const [closed] = await db.query<{ seconds: number }>(
    `select greatest(1, ceil(extract(epoch from closed_until - now())))::int as seconds from tries where key = $1`,
    [keyOf(what)],
  );
  return closed?.seconds ?? 1;
}

/** A try was right: those before it are forgotten. */
export const forgetTries = (what: string): Promise<unknown> =>
  db.query(`delete from tries where key = $1`, [keyOf(what)]);

/** Counts one of at most so many in a stretch of time, s; false where there were that many already. */
export async function reserveOneOf(
  what: string,
  { most, seconds }: { readonly most: number; readonly seconds: number },
): Promise<boolean> {
  const [row] = await db.query<{ count: number }>(
    `insert into tries as t (key, count) values ($1, 1)
     on conflict (key) do update set
       count = case when t.since < now() - make_interval(secs => $2) then 1 else t.count + 1 end,
       since = case when t.since < now() - make_interval(secs => $2) then now() else t.since end,
       touched_at = now()
     returning count`,
    [keyOf(what), seconds],
  );
  return row!.count <= most;
}

/** Takes away what nobody asks for any more. */
export const dropOldTries = (): Promise<unknown> =>
  db.query(`delete from tries where touched_at < now() - interval '1 day'`);
