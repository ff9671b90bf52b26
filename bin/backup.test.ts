/** Backups against a real server: whole ones come back as they were, broken ones change nothing, who was erased stays so. */
import { spawnSync } from "node:child_process";
import { copyFileSync, mkdtempSync, readFileSync, rmSync, truncateSync, statSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { randomUUID } from "node:crypto";
import pg from "pg";
import { dayOfUtc } from "#core/base/days.ts";
import { NOBODY } from "#core/people/testing.ts";
import { eraseStudent, insertStudents } from "#db/people.ts";
import { closePool, db } from "#db/pool.ts";
import { newSchool } from "#db/testing.ts";
import { toGo } from "#server/backup-rule.ts";

const folder = mkdtempSync(join(tmpdir(), "backups-"));
const url = process.env.DATABASE_URL!;
const other = `restored_${randomUUID().slice(0, 8)}`;
const otherUrl = url.replace(/\/[^/]+$/, `/${other}`);
const file = (name: string) => join(folder, name);

/** One of the commands of bin/, on a database. */
function command(name: string, args: readonly string[], database: string) {
  const { status, stdout, stderr } = spawnSync(join("bin", name), args, {
    encoding: "utf8",
    env: { ...process.env, DATABASE_URL: database },
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
  await db.query(`drop database if exists ${other} with (force)`);
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
