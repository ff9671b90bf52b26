/**
 * An evening on two application servers with a primary and its streaming standby: one server is killed, then the primary;
 * the standby is promoted. Every tap that was acknowledged is there afterwards. Synchronous replication as PostgreSQL has
 * it (manual, 27.2.8).
 */
import { execFileSync, spawn, type ChildProcess } from "node:child_process";
import { randomUUID } from "node:crypto";
import { expect, test } from "@playwright/test";
import pg from "pg";
import {
  answers,
  crash,
  freePort,
  newAppServer,
  newPrimary,
  promote,
  removeServer,
  spreadOver,
  standbyOf,
  STANDBY,
  start,
  until,
  type DatabaseServer,
} from "./two-machines.ts";

const TONIGHT = "5b3c7c1e-0d52-4a4e-9b10-7d6a51fe0000";
const DEVICES = 6;

const urlOf = (...servers: readonly DatabaseServer[]): string =>
  `postgres://app@${servers.map(({ port }) => `127.0.0.1:${port}`).join(",")}/vicissor?target_session_attrs=read-write`;

const tool = (url: string, ...args: readonly string[]): string =>
  execFileSync("bin/tool", args, { encoding: "utf8", env: { ...process.env, DATABASE_URL: url } }).trim();

async function ask<Row extends pg.QueryResultRow>(server: DatabaseServer, sql: string): Promise<Row[]> {
  const client = new pg.Client(`postgres://app@127.0.0.1:${server.port}/vicissor`);
  await client.connect();
  try {
    return (await client.query<Row>(sql)).rows;
  } finally {
    await client.end();
  }
}

/** Does a commit wait for the standby? */
const waits = async (server: DatabaseServer): Promise<boolean> =>
  (await ask<{ waits: boolean }>(server, `select current_setting('synchronous_standby_names') <> '' as waits`))[0]!
    .waits;

test(
  "a server and the primary are killed in the middle of a class: no acknowledged tap is lost",
  { tag: "@day1" },
  async () => {
    test.skip(!process.env.PG_BIN, "the programs of a database server of one's own are needed");
    test.setTimeout(240_000);
    const primary = await newPrimary();
    let second: DatabaseServer | null = null;
    const children: ChildProcess[] = [];
    try {
      tool(urlOf(primary), "migrate");
      tool(urlOf(primary), "seed");
      second = await standbyOf(primary);
      const standby = second;
      const watcher = spawn("bin/tool", ["standby-watch", STANDBY, "6"], {
        env: { ...process.env, DATABASE_URL: urlOf(primary) },
        stdio: "ignore",
        detached: true,
      });
      children.push(watcher);
      await until("commits wait for the standby", () => waits(primary));

      // The standby is gone: commits wait at first, then the rule lets the primary go on alone, and the school is told.
      const front = await freePort();
      const both = urlOf(primary, standby);
      const servers = [await newAppServer(both, `127.0.0.1:${front}`), await newAppServer(both, `127.0.0.1:${front}`)];
      children.push(...servers.map(({ process: child }) => child));
      const proxy = spreadOver(servers, front);
      const base = `http://127.0.0.1:${front}`;
      const cookie = tool(both, "session", "owner");
      const items = `${base}/class/${TONIGHT}/floor/items`;
      const send = async (id: string, patience = 5000): Promise<boolean> => {
        const tap = { id, at: Date.now(), tap: { kind: "longer", from: "nothing", seconds: 1 } };
        const answer = await fetch(items, {
          method: "POST",
          headers: { "content-type": "application/x-www-form-urlencoded", origin: base, cookie },
          body: new URLSearchParams({ items: JSON.stringify({ taps: [tap], marks: [], incidents: [] }) }),
          signal: AbortSignal.timeout(patience),
        }).catch(() => null);
        return answer?.ok === true;
      };
      expect(await send(randomUUID())).toBe(true);
      crash(standby);
      // Nobody is told that it is kept before it is on both.
      expect(await send(randomUUID(), 1500)).toBe(false);
      await until("the primary goes on alone", async () => !(await waits(primary)));
      expect(await send(randomUUID())).toBe(true);
      const page = async (): Promise<string> => (await fetch(`${base}/people`, { headers: { cookie } })).text();
      await until("the school is told", async () => (await page()).includes("on one machine only"));
      start(standby);
      await until("commits wait again", () => waits(primary));
      await until("the school is told no more", async () => !(await page()).includes("on one machine only"));

      // The watcher of the primary dies with its machine.
      const acknowledged: string[] = [];
      let over = false;
      let refused = 0;
      const device = async (): Promise<void> => {
        while (!over) {
          const id = randomUUID();
          while (!(await send(id))) {
            refused++;
            await new Promise((go) => setTimeout(go, 200));
            if (over) return;
          }
          acknowledged.push(id);
          await new Promise((go) => setTimeout(go, 100));
        }
      };
      const devices = Array.from({ length: DEVICES }, device);
      await until("taps come in", () => acknowledged.length > 50);
      servers[0]!.process.kill("SIGKILL");
      const afterServer = acknowledged.length;
      await until("taps go on by the other server", () => acknowledged.length > afterServer + 50);
      process.kill(-watcher.pid!, "SIGKILL");
      crash(primary);
      const afterPrimary = acknowledged.length;
      promote(standby);
      await until("taps go on at the promoted standby", () => acknowledged.length > afterPrimary + 50);
      over = true;
      await Promise.all(devices);
      expect(await answers(`${base}/ready`)).toBe(true);

      const kept = new Set((await ask<{ id: string }>(standby, "select id from floor_taps")).map(({ id }) => id));
      console.log(
        `${acknowledged.length} taps acknowledged, ${afterServer} before the server was killed, ${afterPrimary} before the primary was; ${refused} times sent again`,
      );
      expect(acknowledged.filter((id) => !kept.has(id))).toEqual([]);
      expect(new Set(acknowledged).size).toBe(acknowledged.length);

      // The old primary comes back and would write: the one that was promoted later counts.
      start(primary);
      const last = randomUUID();
      await until("another tap is kept", () => send(last));
      expect((await ask<{ id: string }>(standby, `select id from floor_taps where id = '${last}'`)).length).toBe(1);
      proxy.close();
      proxy.closeAllConnections();
    } finally {
      for (const child of children) child.kill("SIGKILL");
      for (const server of [primary, second]) if (server) removeServer(server);
    }
  },
);
