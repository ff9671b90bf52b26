/** Takes old nightly backups away by the rule: bin/tool keep-backups FOLDER */
import { readdirSync, unlinkSync } from "node:fs";
import { join } from "node:path";
import { toGo } from "#server/keeping/backup-rule.ts";

const folder = process.argv[2];
if (!folder) throw new Error("Say which folder: bin/tool keep-backups FOLDER");
for (const name of toGo(readdirSync(folder), Date.now())) {
  unlinkSync(join(folder, name));
  console.log(`${name} went by the rule`);
}
