/** The threads as they are built: what they compute, and what becomes of a task that takes too long. */
import { execFileSync } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { closeThreads, compute } from "./pool.ts";
import { readEnvAgain } from "../web/env.ts";

const dir = mkdtempSync(join(tmpdir(), "thread-"));
const settings = { key: "school:1", settings: { severity: { "inside-line": "error" } } };
let pool: { readonly compute: typeof compute; readonly closeThreads: typeof closeThreads };

beforeAll(async () => {
  const file = join(dir, "thread.mjs");
  execFileSync("node_modules/.bin/rolldown", [
    ...["server/checks/thread.ts", "--file", file, "--format", "esm"],
    ...["--platform", "node", "--external", "pg", "--logLevel", "silent"],
  ]);
  process.env.CHECK_THREAD = file;
  // Short beside minutes of work, long beside a row on a machine that does other work as well.
  process.env.CHECK_TIME_LIMIT = "2000";
  readEnvAgain();
  pool = await import("./pool.ts");
}, 60_000);
afterAll(async () => {
  await pool.closeThreads();
  delete process.env.CHECK_THREAD;
  delete process.env.CHECK_TIME_LIMIT;
  rmSync(dir, { recursive: true, force: true });
});

test("a text is judged as its school grades it", async () => {
  const strict = await pool.compute("judge", { text: "A jab -> B slip in" }, settings);
  const usual = await pool.compute("judge", { text: "A jab -> B slip in" }, { key: "school:2", settings: {} });
  expect([strict.verdict, usual.verdict]).toEqual(["broken", "risky"]);
});

test("what takes too long is stopped in words, and others go on meanwhile and afterwards", async () => {
  // A plan for far too many people at once: minutes of work.
  const people = Array.from({ length: 900 }, (_, i) => ({
    ...{ id: `p${i}`, name: `P${i}`, height_cm: 170, reach_cm: null, ages: null, mass_kg: 70, lead: "left" as const },
    ...{ hand: "right" as const, age: "adult" as const, level: 3, limits: [], from: 0, until: null },
  }));
  const versions = [{ text: "A jab -> B slip out", title: "x", load: 1 }];
  const long = pool.compute("round", { people, versions, base: 0, met: {}, wishes: [] }, settings);
  const stopped = expect(long).rejects.toThrow(/Pairing took too long; the pairs are unchanged. Try again/);
  const quick = await pool.compute("judge", { text: "A jab -> B catch" }, settings);
  expect(quick.verdict).toBe("sound");
  await stopped;
  for (let i = 0; i < 6; i++)
    expect((await pool.compute("judge", { text: "A cross -> B catch" }, settings)).verdict).toBe("sound");
});

test("a fault inside a thread is the caller's fault to see, not the end of the thread", async () => {
  const nothing = null as unknown as { readonly text: string };
  await expect(pool.compute("judge", nothing, settings)).rejects.toThrow(/null/);
  expect((await pool.compute("judge", { text: "A jab -> B catch" }, settings)).verdict).toBe("sound");
});
