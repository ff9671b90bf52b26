/** Whether this server can serve: its database answers, and has the schema that this version was made for. */
import { readdirSync } from "node:fs";
import { newestMigration, standbyGoneSince } from "#db/notices.ts";

const MIGRATIONS = "db/migrations";

/** What is wrong with the schema of the database; null where nothing is. */
export async function troubleOfSchema(): Promise<string | null> {
  const wanted = readdirSync(MIGRATIONS)
    .sort()
    .at(-1)!
    .replace(/\.sql$/, "");
  try {
    const found = await newestMigration();
    if (found === wanted) return null;
    return `the database has the schema ${found ?? "of nothing"}, this version needs ${wanted}: run bin/tool migrate`;
  } catch {
    return "the database does not answer";
  }
}

/** It is asked for with each page, so that it is known for a while, ms. */
const KNOWN_FOR = 5000;
let known: { readonly at: number; readonly since: Promise<Date | null> } | null = null;

/** Since when what is saved is on one machine only, as known a few seconds ago. */
export async function aloneSince(): Promise<string | null> {
  if (!known || Date.now() - known.at > KNOWN_FOR) known = { at: Date.now(), since: standbyGoneSince() };
  return (await known.since.catch(() => null))?.toISOString() ?? null;
}
