/** The servers at which the database is, and which of them writes: one, or a primary with its standbys. */
import pg from "pg";

/** Until a server that does not answer counts as away, ms. */
const PATIENCE = 1500;
/** They are looked at no more often than this, ms. */
const PAUSE = 500;

/**
 * The addresses in a `DATABASE_URL`, one for each server. Several hosts stand between commas, as in the addresses of
 * libpq (PostgreSQL manual, 34.1.1.3): `postgres://app@one:5432,two:5432/vicissor?target_session_attrs=read-write`.
 */
export function serversIn(url: string): string[] {
  const parts = /^(postgres(?:ql)?:\/\/(?:[^@/]*@)?)([^/?]*)(.*)$/.exec(url);
  if (!parts) return [url];
  const [, front, hosts, rest] = parts as unknown as readonly [string, string, string, string];
  // It says which of several hosts is meant, which is found out here.
  const back = rest.replace(/([?&])target_session_attrs=[\w-]+(&|$)/, (_, before: string, after: string) =>
    after === "&" ? before : "",
  );
  return hosts.split(",").map((host) => `${front}${host}${back}`);
}

function fromEnvironment(): string[] {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error("DATABASE_URL is not set; start the application with bin/start");
  return serversIn(url);
}

let writer = "";

/** The address of the server that writes, as far as is known. */
export function writerUrl(): string {
  const servers = fromEnvironment();
  if (!servers.includes(writer)) writer = servers[0]!;
  return writer;
}

/** The timeline of a server that writes: it grows with each promotion. null: a standby, or away. */
async function timelineOf(url: string): Promise<number | null> {
  const client = new pg.Client({ connectionString: url, connectionTimeoutMillis: PATIENCE, query_timeout: PATIENCE });
  client.on("error", () => undefined);
  try {
    await client.connect();
    const { rows } = await client.query<{ timeline: number; standby: boolean }>(
      `select timeline_id as timeline, pg_is_in_recovery() as standby from pg_control_checkpoint()`,
    );
    return rows[0]!.standby ? null : rows[0]!.timeline;
  } catch {
    return null;
  } finally {
    await client.end().catch(() => undefined);
  }
}

let looking: Promise<boolean> | null = null;
let lookedAt = 0;

async function look(): Promise<boolean> {
  const before = writerUrl();
  const found = await Promise.all(fromEnvironment().map(async (url) => ({ url, timeline: await timelineOf(url) })));
  // A primary that was thought dead and came back still writes: the one that was promoted later counts.
  const best = found
    .flatMap(({ url, timeline }) => (timeline === null ? [] : [{ url, timeline }]))
    .sort((a, b) => b.timeline - a.timeline)[0];
  lookedAt = Date.now();
  if (best) writer = best.url;
  return writer !== before;
}

/** Finds out which server writes now, where there are several; true where it is another one than before. */
export async function lookForWriter(): Promise<boolean> {
  if (fromEnvironment().length < 2 || Date.now() - lookedAt < PAUSE) return false;
  looking ??= look().finally(() => (looking = null));
  return looking;
}
