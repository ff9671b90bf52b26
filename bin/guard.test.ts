/** The private database against a real server: it lets in who knows its password, and nobody else. */
import { spawnSync } from "node:child_process";
import { cpSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

/** Asks twice each time: as somebody who knows nothing, and as the application. */
const LINES = `
set -Eeuo pipefail
. bin/lib.sh
. bin/database.sh
unset DATABASE_URL PGPASSWORD
trap 'stop_database; rm -rf "$pg_data" "$(password_file)"' EXIT
both() {
  sleep 1
  printf '%s: ' "$1"
  { env -u PGPASSWORD "$pg_bin/psql" -w -h 127.0.0.1 -p "$pg_port" -U app -d vicissor -tAc "select 'in'" 2>&1 || true; } | grep -oE 'no password supplied|in$'
  "$pg_bin/psql" -d "$DATABASE_URL" -tAc "select 'in'"
  unset DATABASE_URL PGPASSWORD
}
start_database guard
both new
stat -c 'kept for %a' "$(password_file)"
rm "$(password_file)"
start_database guard
both lost
set_way_in trust
start_database guard
both "made before there was one"
`;

test("nobody comes in without the password: in a new one, after it was lost, and in one that had none", () => {
  const folder = mkdtempSync(join(tmpdir(), "guard-"));
  try {
    cpSync("bin", join(folder, "bin"), { recursive: true });
    const { stdout, stderr } = spawnSync("bash", ["-c", LINES], { cwd: folder, encoding: "utf8", timeout: 90_000 });
    expect(`${stderr}${stdout}`.trim().split("\n")).toEqual([
      "Making a database cluster ...",
      ...["new: no password supplied", "in", "kept for 600"],
      ...["lost: no password supplied", "in"],
      ...["made before there was one: no password supplied", "in"],
    ]);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}, 120_000);
