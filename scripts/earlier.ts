/** The sources of an earlier version, built with the packages that are here: for comparing what it says with what is said now. */
import { execFileSync } from "node:child_process";
import { mkdtempSync, rmSync, symlinkSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

/** Builds an entry file as it was at a tag or commit; `then` gets the built file, and all of it is removed afterwards. */
export async function withEarlier<T>(tag: string, entry: string, then: (built: string) => T | Promise<T>): Promise<T> {
  const root = process.cwd();
  const there = mkdtempSync(join(tmpdir(), "vicissor-before-"));
  try {
    const tar = execFileSync("git", ["archive", tag], { maxBuffer: 1 << 30 });
    execFileSync("tar", ["-x", "-C", there], { input: tar });
    symlinkSync(join(root, "node_modules"), join(there, "node_modules"));
    execFileSync("npm", ["run", "--silent", "grammar"], { cwd: there, stdio: "ignore" });
    const built = join(there, "built.mjs");
    const rolldown = join(root, "node_modules/.bin/rolldown");
    const args = [entry, "--file", built, "--format", "esm", "--platform", "node", "--logLevel", "silent"];
    execFileSync(rolldown, args, { cwd: there });
    return await then(built);
  } finally {
    rmSync(there, { recursive: true, force: true });
  }
}
