/** The connection pool and the ways to use it: a query, or a transaction. Server only. */
import { createHash } from "node:crypto";
import pg from "pg";
import { lookForWriter, writerUrl } from "./servers.ts";

export interface Db {
  query<Row extends pg.QueryResultRow>(sql: string, values?: readonly unknown[]): Promise<Row[]>;
}

// Dates stay the text they are: a class is on a day, not at a moment in some time zone.
pg.types.setTypeParser(pg.types.builtins.DATE, (text) => text);
pg.types.setTypeParser(pg.types.builtins.NUMERIC, Number);

let pool: pg.Pool | null = null;

/** How long a request waits for a free connection, ms: 3 s, or `DATABASE_WAIT_SECONDS`. */
function waitForConnection(): number {
  const seconds = Number(process.env.DATABASE_WAIT_SECONDS);
  return seconds > 0 ? seconds * 1000 : 3000;
}

function getPool(): pg.Pool {
  if (pool) return pool;
  pool = new pg.Pool({
    connectionString: writerUrl(),
    max: 10,
    connectionTimeoutMillis: waitForConnection(),
    idleTimeoutMillis: 30_000,
  });
  // A server that goes away breaks idle connections; the next query opens a new one.
  // One that is in the middle of a transaction breaks as well: its next query says so, and nothing else ends by it.
  pool.on("connect", (client) => client.on("error", () => undefined));
  pool.on("error", (error) => console.error(`database connection lost: ${error.message}`));
  return pool;
}

const names = new Map<string, string>();

/**
 * A query with values is read and planned once for a connection: by a name, which follows from its text. There are as
 * many texts as the program has; what is asked for is in the values.
 */
function prepared(text: string, values: readonly unknown[]): pg.QueryConfig {
  if (values.length === 0) return { text };
  let name = names.get(text);
  if (name === undefined) names.set(text, (name = createHash("sha256").update(text).digest("base64url")));
  return { name, text, values: [...values] };
}

const wrap = (client: { query: (query: pg.QueryConfig) => Promise<{ rows: unknown[] }> }): Db => ({
  async query<Row extends pg.QueryResultRow>(sql: string, values: readonly unknown[] = []) {
    const { rows } = await client.query(prepared(sql, values));
    return rows as Row[];
  },
});

/** What a standby says that is asked to write (PostgreSQL manual, appendix A). */
const READ_ONLY = "25006";

/** After a fault that may mean that another server writes now: later queries go to that one. */
function afterFault(error: unknown): void {
  if (!isDatabaseDown(error) && (error as { code?: string } | null)?.code !== READ_ONLY) return;
  void lookForWriter().then((isAnother) => {
    if (!isAnother) return;
    const old = pool;
    pool = null;
    void old?.end().catch(() => undefined);
  });
}

/** The database outside a transaction. */
export const db: Db = wrap({
  query: (query) =>
    getPool()
      .query(query)
      .catch((error: unknown) => {
        afterFault(error);
        throw error;
      }),
});

/** Runs `work` in one transaction; any exception rolls it back. */
export async function transaction<T>(work: (tx: Db) => Promise<T>): Promise<T> {
  const client = await getPool()
    .connect()
    .catch((error: unknown) => {
      afterFault(error);
      throw error;
    });
  try {
    await client.query("begin");
    const result = await work(wrap(client));
    await client.query("commit");
    return result;
  } catch (error) {
    await client.query("rollback").catch(() => undefined);
    afterFault(error);
    throw error;
  } finally {
    client.release();
  }
}

/** True where the database answers a question within a second. */
export async function databaseAnswers(): Promise<boolean> {
  const late = new Promise<boolean>((done) => setTimeout(() => done(false), 1000).unref());
  const asked = db.query("select 1").then(
    () => true,
    () => false,
  );
  return Promise.race([asked, late]);
}

export async function closePool(): Promise<void> {
  await pool?.end();
  pool = null;
}

/** True where an error means that the database cannot be reached or is starting or stopping. */
export function isDatabaseDown(error: unknown): boolean {
  if (!(error instanceof Error)) return false;
  const code = (error as { code?: string }).code ?? "";
  if (
    [
      "ECONNREFUSED",
      "ECONNRESET",
      "ETIMEDOUT",
      "ENOTFOUND",
      "57P01",
      "57P02",
      "57P03",
      "08006",
      "08003",
      "08001",
    ].includes(code)
  )
    return true;
  if (error instanceof AggregateError) return error.errors.some(isDatabaseDown);
  return /connection terminated|client has encountered a connection error|client was closed|timeout exceeded when trying to connect|connect ECONNREFUSED/i.test(
    error.message,
  );
}
