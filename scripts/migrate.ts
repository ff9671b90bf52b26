/** Brings the database at DATABASE_URL to the newest schema, and says what was taken over of data from before. */
import { runner } from "node-pg-migrate";
import { takenOver } from "#db/old-marks.ts";
import { closePool, db } from "#db/pool.ts";
import { lookForWriter, writerUrl } from "#db/servers.ts";
import { doubtOldMarks } from "#server/learning/old-marks.ts";

/** With this migration what ran is kept apart from its plan. */
const WHAT_RAN = "0021_rounds_run";

async function migrate(): Promise<void> {
  await lookForWriter();
  const databaseUrl = writerUrl();
  const log = () => undefined;
  const done = await runner({ databaseUrl, dir: "db/migrations", direction: "up", migrationsTable: "migrations", log });
  const doubtful = await doubtOldMarks();
  if (!done.some(({ name }) => name === WHAT_RAN)) return;
  const { pairs, rounds, never } = await takenOver(db);
  if (pairs + never + doubtful === 0) return;
  console.log(
    `What was run is kept apart from its plan now: ${pairs} pairs of ${rounds} rounds. ${never} pairs were planned for classes of the past and never said to be run: they are in no log. ${doubtful} answers were marked of people who held or fed for the whole round: they are kept as doubtful.`,
  );
}

try {
  await migrate();
} catch (error) {
  // One line says enough: which server, and what it answered.
  const { message, code } = error as Error & { code?: string };
  console.error(`migrate: ${message || code || "the database does not answer"}`);
  process.exitCode = 1;
}
await closePool();
