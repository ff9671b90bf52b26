/** Two database servers and two application servers behind a proxy, on loopback, as a federation would have them. */
import { execFileSync, spawn, type ChildProcess } from "node:child_process";
import { once } from "node:events";
import { chmodSync, chownSync, mkdtempSync, rmSync, statSync } from "node:fs";
import { createServer, type Server } from "node:http";
import { createServer as listenOnce } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { createProxyServer } from "http-proxy-3";

const BIN = process.env.PG_BIN!;
const isRoot = process.getuid?.() === 0;
/** The name by which the primary knows its standby. */
export const STANDBY = "second";

export async function freePort(): Promise<number> {
  const probe = listenOnce().listen(0, "127.0.0.1");
  await once(probe, "listening");
  const address = probe.address();
  probe.close();
  return typeof address === "object" && address ? address.port : 0;
}

/** Runs a program of PostgreSQL as a user that may: never as root. */
function asPostgres(program: string, ...args: readonly string[]): void {
  const whole = [join(BIN, program), ...args];
  execFileSync(isRoot ? "runuser" : whole[0]!, isRoot ? ["-u", "postgres", "--", ...whole] : whole.slice(1), {
    cwd: "/",
    stdio: "ignore",
    timeout: 60_000,
  });
}

export interface DatabaseServer {
  readonly port: number;
  readonly data: string;
}

const control = ({ data, port }: DatabaseServer, ...args: readonly string[]): void =>
  asPostgres(
    "pg_ctl",
    ...["-D", data, "-w", "-s", "-l", join(data, "server.log")],
    ...["-o", `-p ${port} -c listen_addresses=127.0.0.1 -c unix_socket_directories='' -c fsync=on`],
    ...args,
  );

/** As with kill -9: nothing is written down first. */
export const crash = (server: DatabaseServer): void => control(server, "stop", "-m", "immediate");
export const start = (server: DatabaseServer): void => control(server, "start");
export const promote = (server: DatabaseServer): void => control(server, "promote");

/** A folder that the user of the server owns, and how to take it away. */
function folderFor(name: string): string {
  const folder = mkdtempSync(join(tmpdir(), `${name}-`));
  if (isRoot) {
    const { uid, gid } = statSync(execFileSync("getent", ["passwd", "postgres"], { encoding: "utf8" }).split(":")[5]!);
    chownSync(folder, uid, gid);
  }
  chmodSync(folder, 0o700);
  return folder;
}

export async function newPrimary(): Promise<DatabaseServer> {
  const server = { port: await freePort(), data: folderFor("primary") };
  asPostgres("initdb", "-D", server.data, "-U", "app", "--auth=trust", "-E", "UTF8", "--locale=C.UTF-8");
  start(server);
  asPostgres("createdb", "-h", "127.0.0.1", "-p", String(server.port), "-U", "app", "vicissor");
  return server;
}

/** A standby that streams from a primary. */
export async function standbyOf(primary: DatabaseServer): Promise<DatabaseServer> {
  const server = { port: await freePort(), data: folderFor("standby") };
  const from = `host=127.0.0.1 port=${primary.port} user=app application_name=${STANDBY}`;
  asPostgres("pg_basebackup", "-D", server.data, "-d", from, "-R", "-X", "stream", "-c", "fast");
  start(server);
  return server;
}

export function removeServer(server: DatabaseServer): void {
  try {
    crash(server);
  } catch {
    // It is stopped already.
  }
  rmSync(server.data, { recursive: true, force: true });
}

export interface AppServer {
  readonly port: number;
  readonly process: ChildProcess;
}

export const answers = async (url: string): Promise<boolean> =>
  (await fetch(url, { signal: AbortSignal.timeout(2000) }).catch(() => null))?.ok === true;

/** Waits until something is so, and says what it was waiting for if it never is. */
export async function until(what: string, isSo: () => Promise<boolean> | boolean, seconds = 30): Promise<void> {
  for (const end = Date.now() + seconds * 1000; Date.now() < end;) {
    if (await isSo()) return;
    await new Promise((go) => setTimeout(go, 200));
  }
  throw new Error(`not within ${seconds} s: ${what}`);
}

export async function newAppServer(databaseUrl: string, hosts: string): Promise<AppServer> {
  const port = await freePort();
  const child = spawn(process.execPath, ["server/serve.mjs"], {
    env: {
      ...process.env,
      ...{
        PORT: String(port),
        NODE_ENV: "production",
        DATABASE_URL: databaseUrl,
        ALLOWED_HOSTS: hosts,
        TRUST_PROXY: "1",
      },
    },
    stdio: "ignore",
  });
  await until("the application server answers", () => answers(`http://127.0.0.1:${port}/ready`));
  return { port, process: child };
}

/** Spreads requests over application servers in turn; one that does not take a request is passed over. */
export function spreadOver(servers: readonly AppServer[], port: number): Server {
  const proxy = createProxyServer({ xfwd: true });
  let turn = 0;
  const alive = () => servers.filter(({ process: child }) => child.exitCode === null && child.signalCode === null);
  const spread = createServer((request, response) => {
    const targets = alive();
    const target = targets[turn++ % targets.length]!;
    proxy.web(request, response, { target: `http://127.0.0.1:${target.port}` }, () => {
      if (!response.headersSent) response.writeHead(502);
      response.end();
    });
  });
  return spread.listen(port, "127.0.0.1");
}
