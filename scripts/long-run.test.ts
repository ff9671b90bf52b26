/** The long run is not forgotten: docs/long-run.md names the commit of the last one. */
import { spawnSync } from "node:child_process";
import { readFileSync } from "node:fs";

const MOST = 60;

test(`the last long run is no more than ${MOST} commits old`, () => {
  const commit = /Commit `(\w+)`/.exec(readFileSync("docs/long-run.md", "utf8"))?.[1];
  // Before the first one the document says so.
  if (commit === undefined) return expect(readFileSync("docs/long-run.md", "utf8")).toContain("None yet.");
  const { status, stdout } = spawnSync("git", ["rev-list", "--count", `${commit}..HEAD`], { encoding: "utf8" });
  // A copy without its history cannot be asked.
  if (status === 0) expect(Number(stdout)).toBeLessThanOrEqual(MOST);
});
