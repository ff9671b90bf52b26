/**
 * The gate for a change of the model: every drill of the demo club, checked by the code of a tag or commit and by the
 * code here. bin/tool verdicts --against TAG [FILE...]   Names each change; exit 1 where there is one.
 */
import { spawnSync } from "node:child_process";
import { readdirSync } from "node:fs";
import { parseArgs } from "node:util";
import { withEarlier } from "./earlier.ts";
import { changesBetween, type CheckJson } from "./verdict-changes.ts";

const { values, positionals } = parseArgs({ options: { against: { type: "string" } }, allowPositionals: true });
if (!values.against) {
  console.error("usage: bin/tool verdicts --against TAG [FILE...]");
  process.exit(2);
}
const root = process.cwd();

/** What a command line says of each file, by its name. */
function checks(command: string, args: readonly string[], files: readonly string[]): Map<string, CheckJson> {
  // One file more, so that there are always several and each result says its own.
  const { stdout, stderr } = spawnSync(command, [...args, "check", "--json", ...files, files[0]!], {
    cwd: root,
    encoding: "utf8",
    maxBuffer: 1 << 30,
  });
  if (stdout === "") throw new Error(stderr);
  return new Map(
    stdout
      .trim()
      .split("\n")
      .map((line) => JSON.parse(line) as CheckJson & { readonly file: string })
      .map(({ file, ...check }) => [file, check]),
  );
}

const files = positionals.length > 0 ? positionals : readdirSync("demo/drills").map((name) => `demo/drills/${name}`);
const before = await withEarlier(values.against, "cli/main.ts", (built) => checks(process.execPath, [built], files));
const after = checks("bin/vicissor", [], files);
let changed = 0;
for (const file of files) {
  const changes = changesBetween(before.get(file)!, after.get(file)!);
  if (changes.length === 0) continue;
  changed++;
  console.log(file);
  for (const change of changes) console.log(`  ${change}`);
}
const of = `${files.length} ${files.length === 1 ? "drill" : "drills"}`;
console.log(changed === 0 ? `No verdict changed in ${of}.` : `Verdicts changed in ${changed} of ${of}.`);
process.exitCode = changed === 0 ? 0 : 1;
