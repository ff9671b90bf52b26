/** Backups against a real server: whole ones come back as they were, broken ones change nothing, who was erased stays so. */
import { spawn, spawnSync } from "node:child_process";
import {
  copyFileSync,
  existsSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  truncateSync,
  statSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { randomUUID } from "node:crypto";
import pg from "pg";
import { dayOfUtc } from "#core/base/days.ts";
import { SEED } from "#core/base/samples-testing.ts";
import { NOBODY } from "#core/people/testing.ts";
import { eraseStudent, insertStudents } from "#db/people.ts";
import { closePool, db } from "#db/pool.ts";
import { newSchool } from "#db/testing.ts";
import { toGo } from "#server/keeping/backup-rule.ts";

const folder = mkdtempSync(join(tmpdir(), "backups-"));
const url = process.env.DATABASE_URL!;
const other = `restored_${randomUUID().slice(0, 8)}`;
const otherUrl = url.replace(/\/[^/]+$/, `/${other}`);
const file = (name: string) => join(folder, name);

const ERASED = join(folder, "erased.lines");

/** One of the commands of bin/, on a database. */
function command(name: string, args: readonly string[], database: string, more: Readonly<Record<string, string>> = {}) {
  const { status, stdout, stderr } = spawnSync(join("bin", name), args, {
    encoding: "utf8",
    env: { ...process.env, VICISSOR_ERASED: ERASED, ...more, DATABASE_URL: database },
    timeout: 120_000,
  });
  return { code: status, said: `${stdout}${stderr}` };
}
async function onOther<T>(work: (client: pg.Client) => Promise<T>): Promise<T> {
  const client = new pg.Client(otherUrl);
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end();
  }
}

beforeAll(async () => {
  await db.query(`create database ${other}`);
});
afterAll(async () => {
  for (const name of [other, `${other}_new`, `${other}_before`])
    await db.query(`drop database if exists ${name} with (force)`);
  await closePool();
  rmSync(folder, { recursive: true, force: true });
});

test("a backup comes back in another database, row by row; who was erased since it was written is erased again", async () => {
  const scope = await newSchool();
  const [ann, bo] = [randomUUID(), randomUUID()];
  await insertStudents(scope, [
    { ...NOBODY, id: ann, name: "Ann" },
    { ...NOBODY, id: bo, name: "Bo" },
  ]);
  const written = command("backup", [file("one.dump")], url);
  expect([written.code, written.said]).toEqual([0, expect.stringMatching(/tables, .* read to its end/) as string]);
  const first = command("restore", [file("one.dump"), "--yes"], otherUrl);
  expect([first.code, first.said]).toEqual([0, expect.stringMatching(/The backup is back/) as string]);
  const names = () =>
    onOther(async (client) =>
      (
        await client.query<{ name: string }>(`select name from students where school_id = $1 order by id = $2`, [
          scope.schoolId,
          bo,
        ])
      ).rows.map(({ name }) => name),
    );
  expect(await names()).toEqual(["Ann", "Bo"]);
  const count = `select (select count(*) from revisions)::int + (select count(*) from pairs)::int as n`;
  const [here] = await db.query<{ n: number }>(count);
  expect(await onOther(async (client) => (await client.query<{ n: number }>(count)).rows[0]!.n)).toBeLessThanOrEqual(
    here!.n,
  );
  // Erased in the other database after the backup was written: it brings the name back, and the rule takes it again.
  await onOther((client) =>
    client.query(`update students set name = 'Former member', erased_at = now() where id = $1`, [bo]),
  );
  const second = command("restore", [file("one.dump"), "--yes"], otherUrl);
  expect([second.code, second.said]).toEqual([
    0,
    expect.stringMatching(/\d+ people were erased since, and are erased again/) as string,
  ]);
  expect(await names()).toEqual(["Ann", "Former member"]);
  await eraseStudent(scope, ann);
}, 180_000);
/** Each table with the number of its rows and one sum over all of them, whatever their order. */
async function tablesOf(address: string): Promise<Record<string, string>> {
  const client = new pg.Client(address);
  await client.connect();
  try {
    const { rows } = await client.query<{ name: string }>(
      `select table_name as name from information_schema.tables
       where table_schema = 'public' and table_type = 'BASE TABLE' and table_name <> 'migrations' order by 1`,
    );
    const sums: Record<string, string> = {};
    for (const { name } of rows) {
      const found = await client.query<{ sum: string }>(
        `select count(*) || ' ' || md5(coalesce(string_agg(md5(t::text), '' order by md5(t::text)), '')) as sum from "${name}" t`,
      );
      sums[name] = found.rows[0]!.sum;
    }
    return sums;
  } finally {
    await client.end();
  }
}

test("files are for whoever writes them alone, and the whole database is there again, table by table", async () => {
  const scope = await newSchool();
  await insertStudents(scope, [{ ...NOBODY, id: randomUUID(), name: "Ann" }]);
  // A database by itself: what other tests write meanwhile is not in it.
  expect(command("backup", [file("first.dump")], url).code).toBe(0);
  expect(command("restore", [file("first.dump"), "--yes"], otherUrl).code).toBe(0);
  const before = await tablesOf(otherUrl);
  expect(Object.keys(before).length).toBeGreaterThan(25);
  expect(command("backup", [file("deep/second.dump")], otherUrl).code).toBe(0);
  expect((statSync(file("deep/second.dump")).mode & 0o777).toString(8)).toBe("600");
  expect((statSync(file("deep")).mode & 0o777).toString(8)).toBe("700");
  await onOther((client) => client.query(`update students set name = 'Changed since'`));
  expect(await tablesOf(otherUrl)).not.toEqual(before);
  expect(command("restore", [file("deep/second.dump"), "--yes"], otherUrl).code).toBe(0);
  expect(await tablesOf(otherUrl)).toEqual(before);
}, 180_000);

test("whoever is on the list beside the backups is erased again, though no database knows of them any more", async () => {
  const scope = await newSchool();
  const [ann, bo] = [randomUUID(), randomUUID()];
  await insertStudents(scope, [
    { ...NOBODY, id: ann, name: "Ann" },
    { ...NOBODY, id: bo, name: "Bo" },
  ]);
  expect(command("backup", [file("list.dump")], url).code).toBe(0);
  // Of the second one the erasing did not hold.
  writeFileSync(ERASED, `${scope.schoolId} ${ann}\n${scope.schoolId} ${bo}\nnot ${scope.schoolId} ${bo}\n`);
  expect(command("restore", [file("list.dump"), "--yes"], otherUrl).code).toBe(0);
  rmSync(ERASED);
  const names = await onOther((client) =>
    client.query<{ name: string }>(`select name from students where school_id = $1 order by name`, [scope.schoolId]),
  );
  expect(names.rows.map(({ name }) => name)).toEqual(["Bo", "Former member"]);
}, 120_000);

test("a role that may not create databases is refused before anything is touched, with the command that helps", async () => {
  const role = `plain_${randomUUID().slice(0, 8)}`;
  await db.query(`create role ${role} login password 'pw'`);
  try {
    const { hostname, port } = new URL(url);
    const before = await tablesOf(otherUrl);
    expect(command("backup", [file("role.dump")], url).code).toBe(0);
    const { code, said } = command(
      "restore",
      [file("role.dump"), "--yes"],
      `postgres://${role}:pw@${hostname}:${port}/${other}`,
    );
    expect([code, said]).toEqual([
      2,
      expect.stringMatching(/Nothing was changed.*\n.*alter role .* createdb/) as string,
    ]);
    expect(await tablesOf(otherUrl)).toEqual(before);
  } finally {
    await db.query(`drop role ${role}`);
  }
}, 120_000);

/** Killed at so many moments; the long run says more. */
const KILLS = Number(process.env.RESTORE_KILLS ?? (process.env.TEST_LONG ? 12 : 2));
/** Other moments each day. */
const SHIFT = (SEED % 10) / 10;
test("killed at any moment the school is the old one or the new one, whole", async () => {
  const scope = await newSchool();
  const ann = randomUUID();
  await insertStudents(scope, [{ ...NOBODY, id: ann, name: "Ann" }]);
  expect(command("backup", [file("kill.dump")], url).code).toBe(0);
  writeFileSync(ERASED, `${scope.schoolId} ${ann}\n`);
  const began = Date.now();
  expect(command("restore", [file("kill.dump"), "--yes"], otherUrl).code).toBe(0);
  const took = Date.now() - began;
  const whole = await tablesOf(otherUrl);
  const marked = async () => {
    await onOther((client) => client.query(`update schools set name = 'The old one'`));
    return tablesOf(otherUrl);
  };
  for (let i = 1; i <= KILLS; i++) {
    const old = await marked();
    const child = spawn(join("bin", "restore"), [file("kill.dump"), "--yes"], {
      env: { ...process.env, VICISSOR_ERASED: ERASED, DATABASE_URL: otherUrl },
      detached: true,
      stdio: "ignore",
    });
    await new Promise((done) => setTimeout(done, (took * (i - SHIFT)) / KILLS));
    try {
      process.kill(-child.pid!, "SIGKILL");
    } catch {
      // It had come to its end.
    }
    const now = await tablesOf(otherUrl);
    // When somebody was erased again is another moment each time; all else is equal to the last row.
    const same = (wanted: typeof now) =>
      Object.keys(wanted).every((table) => table === "students" || now[table] === wanted[table]);
    const kind = JSON.stringify(now) === JSON.stringify(old) ? "old" : same(whole) ? "new" : "neither";
    expect(["old", "new"]).toContain(kind);
    // Whoever was erased is so in either.
    const { rows } = await onOther((client) =>
      client.query<{ name: string }>(`select name from students where school_id = $1`, [scope.schoolId]),
    );
    expect(rows.map(({ name }) => name)).toEqual(["Former member"]);
  }
  rmSync(ERASED);
}, 600_000);

test("a backup is encrypted for a recipient, and comes back with the key alone", async () => {
  spawnSync("age-keygen", ["-o", file("key.txt")]);
  const recipient = /age1\w+/.exec(readFileSync(file("key.txt"), "utf8"))![0];
  const made = command("backup", [file("sealed.dump")], otherUrl, { VICISSOR_AGE_RECIPIENT: recipient });
  expect([made.code, made.said]).toEqual([0, expect.stringMatching(/sealed\.dump\.age/) as string]);
  expect(existsSync(file("sealed.dump"))).toBe(false);
  expect(readFileSync(file("sealed.dump.age")).toString("latin1")).not.toContain("schools");
  const before = await tablesOf(otherUrl);
  const closed = command("restore", [file("sealed.dump.age"), "--yes"], otherUrl);
  expect([closed.code, closed.said]).toEqual([2, expect.stringMatching(/VICISSOR_AGE_IDENTITY/) as string]);
  const opened = command("restore", [file("sealed.dump.age"), "--yes"], otherUrl, {
    VICISSOR_AGE_IDENTITY: file("key.txt"),
  });
  expect(opened.code).toBe(0);
  expect(await tablesOf(otherUrl)).toEqual(before);
}, 120_000);

test("a broken backup, and a file that is none, change nothing and are said", () => {
  expect(command("backup", [file("whole.dump")], url).code).toBe(0);
  copyFileSync(file("whole.dump"), file("half.dump"));
  truncateSync(file("half.dump"), Math.floor(statSync(file("half.dump")).size / 2));
  writeFileSync(file("other.dump"), "not a backup");
  for (const name of ["half.dump", "other.dump", "missing.dump"]) {
    const { code, said } = command("restore", [file(name), "--yes"], otherUrl);
    expect([name, code]).toEqual([name, 2]);
    expect(said).toMatch(/Nothing was changed/);
  }
  const unsure = command("restore", [file("whole.dump")], otherUrl);
  expect([unsure.code, unsure.said]).toEqual([2, expect.stringMatching(/say --yes if you mean it/) as string]);
}, 120_000);
test("a backup that cannot be written leaves no file with its name", () => {
  writeFileSync(file("no-folder"), "");
  const { code, said } = command("backup", [join(file("no-folder"), "x.dump")], url);
  expect(code).not.toBe(0);
  expect(said).toMatch(/cannot be made|could not be written/);
  expect(readFileSync(file("no-folder"), "utf8")).toBe("");
});
test("the rule keeps seven days, five weeks and a year of months, and nothing older", () => {
  const day = 86_400_000;
  const today = Date.UTC(2026, 10, 30);
  const names = Array.from(
    { length: 500 },
    (_, i) => `nightly-${dayOfUtc(new Date(today - i * day)).replaceAll("-", "")}.dump`,
  );
  const gone = new Set(toGo([...names, "by-hand-1.dump", "notes.txt"], today));
  const kept = names.filter((name) => !gone.has(name));
  expect(kept.slice(0, 7)).toEqual(names.slice(0, 7));
  expect(kept.length).toBeGreaterThanOrEqual(7 + 4 + 10);
  expect(kept.length).toBeLessThanOrEqual(7 + 5 + 13);
  expect(names.indexOf(kept[kept.length - 1]!)).toBeLessThanOrEqual(12 * 31);
  expect(gone.has("by-hand-1.dump")).toBe(false);
  // Kept a day at a time it stays so: what the rule keeps today it does not miss tomorrow.
  expect(toGo(kept, today)).toEqual([]);
});
