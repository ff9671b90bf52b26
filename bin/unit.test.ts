/** The unit file for systemd, checked by its own verifier where there is one. */
import { spawnSync } from "node:child_process";
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir, userInfo } from "node:os";
import { join } from "node:path";

const unit = readFileSync("deploy/vicissor.service", "utf8");
const VERIFIER = "/usr/bin/systemd-analyze";

test("it starts what is there, and may write where the data are and nowhere else", () => {
  const [, command] = /^ExecStart=\/opt\/vicissor\/(\S+)$/m.exec(unit)!;
  expect(existsSync(command!)).toBe(true);
  expect(unit).toMatch(/^ProtectSystem=strict$/m);
  expect(unit.match(/^ReadWritePaths=.*$/gm)).toEqual(["ReadWritePaths=/opt/vicissor"]);
});
(existsSync(VERIFIER) ? test : test.skip)("the verifier finds nothing wrong with it", () => {
  const folder = mkdtempSync(join(tmpdir(), "unit-"));
  const file = join(folder, "vicissor.service");
  // The paths and the user of this machine: the verifier looks whether they are there.
  writeFileSync(
    file,
    unit.replaceAll("/opt/vicissor", process.cwd()).replace("User=vicissor", `User=${userInfo().username}`),
  );
  const { status, stderr } = spawnSync(VERIFIER, ["verify", file], { encoding: "utf8" });
  rmSync(folder, { recursive: true });
  expect([status, stderr.split("\n").filter((line) => line.includes("vicissor.service"))]).toEqual([0, []]);
});
