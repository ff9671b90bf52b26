/** Brings the database at DATABASE_URL to the newest schema. */
import { runner } from "node-pg-migrate";
import { lookForWriter, writerUrl } from "#db/servers.ts";

async function migrate(): Promise<void> {
  await lookForWriter();
  const databaseUrl = writerUrl();
  const log = () => undefined;
  await runner({ databaseUrl, dir: "db/migrations", direction: "up", migrationsTable: "migrations", log });
}

try {
  await migrate();
} catch (error) {
  // One line says enough: which server, and what it answered.
  const { message, code } = error as Error & { code?: string };
  console.error(`migrate: ${message || code || "the database does not answer"}`);
  process.exitCode = 1;
}
