/**
 * Runs beside the primary and keeps the written rule about its standby: bin/tool standby-watch NAME [SECONDS]
 * While the standby NAME streams, a commit waits for it. When it is gone for longer than SECONDS (10) the primary goes on
 * alone and the schools are told; when it is back and has caught up commits wait for it again.
 */
import { setTimeout as rest } from "node:timers/promises";
import pg from "pg";
import { lookForWriter, writerUrl } from "#db/servers.ts";

const [name, seconds = "10"] = process.argv.slice(2);
if (!name || !/^\w+$/.test(name) || !(Number(seconds) > 0)) {
  console.error("usage: bin/tool standby-watch NAME [SECONDS]   NAME: the application_name of the standby");
  process.exit(2);
}
const patience = Number(seconds) * 1000;
/** The standby is looked at so often, ms. */
const EVERY = 1000;

interface State {
  readonly streams: boolean;
  readonly waits: boolean;
  readonly primary: boolean;
}

const say = (message: string): void => console.log(JSON.stringify({ at: new Date().toISOString(), message }));

async function stateOf(client: pg.Client): Promise<State> {
  const { rows } = await client.query<State>(
    `select exists (select from pg_stat_replication where application_name = $1 and state = 'streaming') as streams,
       current_setting('synchronous_standby_names') <> '' as waits, not pg_is_in_recovery() as primary`,
    [name],
  );
  return rows[0]!;
}

/** Commits wait for the standby from now on, or for nobody; what it says of that waits for nobody either way. */
async function setWaiting(client: pg.Client, waits: boolean): Promise<void> {
  await client.query(`alter system set synchronous_standby_names = '${waits ? name : ""}'`);
  await client.query(`select pg_reload_conf()`);
  await client.query(
    waits
      ? `delete from server_notices where kind = 'standby gone'`
      : `insert into server_notices (kind) values ('standby gone') on conflict do nothing`,
  );
}

async function watch(client: pg.Client): Promise<void> {
  await client.query(`set synchronous_commit = local`);
  let seen = Date.now();
  for (;;) {
    const { streams, waits, primary } = await stateOf(client);
    if (streams) seen = Date.now();
    if (primary && streams && !waits) {
      await setWaiting(client, true);
      say(`commits wait for ${name}`);
    }
    if (primary && waits && Date.now() - seen > patience) {
      await setWaiting(client, false);
      say(`${name} is gone for ${seconds} s: the primary goes on alone`);
    }
    await rest(EVERY);
  }
}

for (;;) {
  await lookForWriter();
  const client = new pg.Client(writerUrl());
  client.on("error", () => undefined);
  try {
    await client.connect();
    await watch(client);
  } catch (error) {
    say(`the database does not answer: ${(error as Error).message}`);
    await client.end().catch(() => undefined);
    await rest(EVERY);
  }
}
