/** What is the matter with the servers themselves, and how far their schema is. */
import { db } from "./pool.ts";

/** Since when what is saved is on one machine only; null while there is a standby, or none is wanted. */
export async function standbyGoneSince(): Promise<Date | null> {
  const rows = await db.query<{ since: Date }>(`select since from server_notices where kind = 'standby gone'`);
  return rows[0]?.since ?? null;
}

/** The newest migration that the database has. */
export async function newestMigration(): Promise<string | null> {
  const rows = await db.query<{ name: string }>(`select name from migrations order by id desc limit 1`);
  return rows[0]?.name ?? null;
}
