/** Brings the database at DATABASE_URL to the newest schema. */
import { runner } from "node-pg-migrate";

const databaseUrl = process.env.DATABASE_URL;
if (!databaseUrl) throw new Error("DATABASE_URL is not set");
await runner({
  databaseUrl,
  dir: "db/migrations",
  direction: "up",
  migrationsTable: "migrations",
  log: () => undefined,
  checkOrder: true,
});
