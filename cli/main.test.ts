import { spawnSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

const run = (args: string[], input = "") => spawnSync("bin/vicissor", args, { input, encoding: "utf8" });

let dir: string;
beforeAll(() => {
  dir = mkdtempSync(join(tmpdir(), "vicissor-"));
  writeFileSync(join(dir, "good.vics"), "A jab -> B slip out, cross\n");
  writeFileSync(join(dir, "bad.vics"), "title: x\n\nA lead hook -> B slip out\n");
});
afterAll(() => rmSync(dir, { recursive: true }));

test("check says file, row, column, severity, rule and message; exit 0 without and 1 with errors", () => {
  const good = run(["check", join(dir, "good.vics")]);
  expect([good.status, good.stdout]).toEqual([0, ""]);
  const bad = run(["check", join(dir, "bad.vics")]);
  expect(bad.status).toBe(1);
  expect(bad.stdout).toMatch(/bad\.vics:3:18 error line-open The lead hook still reaches the head/);
});
test("several files with --json give one object a line, each with its file", () => {
  const { stdout, status } = run(["check", "--json", join(dir, "good.vics"), join(dir, "bad.vics")]);
  expect(status).toBe(1);
  const objects = stdout
    .trim()
    .split("\n")
    .map((line) => JSON.parse(line));
  expect(objects.map((o) => o.verdict)).toEqual(["sound", "broken"]);
  expect(objects[1].file).toMatch(/bad\.vics$/);
});
test("standard input is -, and format writes the one layout", () => {
  expect(run(["format", "-"], "a jab→b slip out ,cross").stdout).toBe("A jab -> B slip out, cross\n");
  expect(JSON.parse(run(["check", "--json", "-"], "A jab -> B slip out").stdout).verdict).toBe("sound");
});
test.each([
  [["check", "/no/such/file.vics"], /cannot read .*ENOENT/],
  [["check"], /which file/],
  [["dance", "x"], /unknown command dance/],
  [["check", "--loud", "x"], /unknown option --loud/],
])("%j cannot run: exit 2 and one clear line", (args, words) => {
  const { status, stderr } = run(args);
  expect(status).toBe(2);
  expect(stderr).toMatch(words);
  expect(stderr).not.toMatch(/at .*\.mjs/);
});
