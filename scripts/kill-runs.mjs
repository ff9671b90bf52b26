/**
 * Kills server or database in the middle of taps, again and again, and counts taps that were acknowledged and are not there
 * afterwards. `bin/start` has to run, so that what was killed is started again.
 * Usage: DATABASE_URL=... SESSION=... node scripts/kill-runs.mjs http://127.0.0.1:3000 CLASS-ID [RUNS] [KINDS] [FOLDER]
 * KINDS: of server, database and disk, with commas. FOLDER: on the disk of the database, a small one of its own; it is
 * filled up.
 */
/* global Buffer, AbortSignal, URLSearchParams */
import { randomUUID } from "node:crypto";
import { closeSync, openSync, readdirSync, readFileSync, rmSync, writeSync } from "node:fs";
import { join } from "node:path";
import { setTimeout as rest } from "node:timers/promises";
import pg from "pg";

const [base, classId, runs = "20", kinds = "server,database", folder = ""] = process.argv.slice(2);
const { DATABASE_URL, SESSION: cookie } = process.env;
if (!base || !classId || !DATABASE_URL || !cookie) {
  console.error("Say DATABASE_URL, SESSION, where it is served and which class.");
  process.exit(2);
}
const { port } = new URL(base);
const DEVICES = 8;
/** Taps before, and after, something dies, ms; a server that dies within ten seconds counts as one that never started. */
const BEFORE = 11_000;
const AFTER = 3000;

async function ask(sql, values = []) {
  const client = new pg.Client(DATABASE_URL);
  await client.connect();
  try {
    return (await client.query(sql, values)).rows;
  } finally {
    await client.end();
  }
}

const environment = (pid) => {
  try {
    return [readFileSync(`/proc/${pid}/cmdline`, "utf8"), readFileSync(`/proc/${pid}/environ`, "utf8")];
  } catch {
    return ["", ""];
  }
};

function killServer() {
  const pid = readdirSync("/proc").find((one) => {
    const [command, variables] = /^\d+$/.test(one) ? environment(one) : ["", ""];
    return command.includes("server/serve.mjs") && variables.split("\0").includes(`PORT=${port}`);
  });
  process.kill(Number(pid), "SIGKILL");
}

async function killDatabase() {
  const client = new pg.Client(DATABASE_URL);
  client.on("error", () => undefined);
  await client.connect();
  const [{ pid: own }] = (await client.query("select pg_backend_pid() as pid")).rows;
  const parent = /\(.*\) \S (\d+)/.exec(readFileSync(`/proc/${own}/stat`, "utf8"))[1];
  process.kill(Number(parent), "SIGKILL");
  await client.end().catch(() => undefined);
}

async function fillDisk() {
  const file = join(folder, "filler");
  const handle = openSync(file, "w");
  const piece = Buffer.alloc(1 << 20, 1);
  try {
    for (;;) writeSync(handle, piece);
  } catch {
    // It is full.
  }
  closeSync(handle);
  await rest(AFTER);
  rmSync(file);
}

const KINDS = { server: killServer, database: killDatabase, disk: fillDisk };
const acknowledged = [];
let again = 0;

async function tap(id) {
  const items = {
    taps: [{ id, at: Date.now(), tap: { kind: "longer", from: "nothing", seconds: 1 } }],
    marks: [],
    incidents: [],
  };
  const answer = await fetch(`${base}/class/${classId}/floor/items`, {
    method: "POST",
    headers: { "content-type": "application/x-www-form-urlencoded", origin: base, cookie },
    body: new URLSearchParams({ items: JSON.stringify(items) }),
    signal: AbortSignal.timeout(5000),
  }).catch(() => null);
  return answer?.ok === true;
}

let over = false;
async function device() {
  while (!over) {
    const id = randomUUID();
    while (!over && !(await tap(id))) {
      again++;
      await rest(200);
    }
    if (!over) acknowledged.push(id);
    await rest(50);
  }
}

console.log("| run | what dies | acknowledged so far |\n|---:|---|---:|");
const devices = Array.from({ length: DEVICES }, device);
const names = kinds.split(",");
for (let run = 1; run <= Number(runs); run++) {
  await rest(BEFORE);
  const kind = names[run % names.length];
  await KINDS[kind]();
  const then = acknowledged.length;
  // Until taps come in again.
  for (let i = 0; i < 150 && acknowledged.length < then + DEVICES; i++) await rest(200);
  console.log(`| ${run} | ${kind} | ${acknowledged.length} |`);
}
await rest(AFTER);
over = true;
await Promise.all(devices);
const kept = new Set((await ask("select id from floor_taps where class_id = $1", [classId])).map(({ id }) => id));
console.log(
  `\n${acknowledged.length} taps acknowledged, ${again} times sent again, lost: ${acknowledged.filter((id) => !kept.has(id)).length}`,
);
