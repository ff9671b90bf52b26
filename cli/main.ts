/** `bin/vicissor`: checks and formats scores from files or standard input; reads no database. */
import { readFileSync } from "node:fs";
import { check, type School } from "#core/check/check.ts";
import { resultJson } from "#core/formats/result.ts";
import { format } from "#core/score/format.ts";
import { parse } from "#core/score/parse.ts";
import { shippedVocabulary } from "#core/words/vocabulary.ts";

const USAGE = `usage: vicissor check [--json] FILE...|-
       vicissor format [--json] FILE...|-

check   prints FILE:LINE:COL severity rule message; exit 0 without errors, 1 with, 2 when it cannot run
format  prints the score in its one layout
`;

/** Thrown for anything that keeps the command from running; printed as one line, exit 2. */
class CannotRun extends Error {}

function readText(file: string): string {
  try {
    return readFileSync(file === "-" ? 0 : file, "utf8");
  } catch (error) {
    throw new CannotRun(`cannot read ${file}: ${(error as NodeJS.ErrnoException).code ?? "unknown reason"}`);
  }
}

function runCheck(files: readonly string[], json: boolean, school: School): number {
  let worst = 0;
  for (const file of files) {
    const checked = check(parse(readText(file)), school);
    if (checked.verdict === "broken") worst = 1;
    if (json) {
      const result = resultJson(checked);
      console.log(JSON.stringify(files.length > 1 ? { file, ...result } : result));
      continue;
    }
    for (const f of checked.findings) console.log(`${file}:${f.line}:${f.column} ${f.severity} ${f.rule} ${f.message}`);
  }
  return worst;
}

function runFormat(files: readonly string[], json: boolean): number {
  for (const file of files) {
    const text = format(parse(readText(file)));
    if (json) console.log(JSON.stringify({ file, text }));
    else process.stdout.write(text);
  }
  return 0;
}

function main(args: readonly string[]): number {
  const [command, ...rest] = args;
  const flags = rest.filter((arg) => arg.startsWith("--"));
  const files = rest.filter((arg) => !arg.startsWith("--"));
  const json = flags.includes("--json");
  const unknown = flags.find((flag) => flag !== "--json");
  if (unknown) throw new CannotRun(`unknown option ${unknown}\n${USAGE}`);
  if (!command || command === "help" || flags.includes("--help")) {
    process.stdout.write(USAGE);
    return command ? 0 : 2;
  }
  if (files.length === 0) throw new CannotRun(`which file?\n${USAGE}`);
  if (command === "check") return runCheck(files, json, { vocabulary: shippedVocabulary() });
  if (command === "format") return runFormat(files, json);
  throw new CannotRun(`unknown command ${command}\n${USAGE}`);
}

try {
  process.exitCode = main(process.argv.slice(2));
} catch (error) {
  if (!(error instanceof CannotRun)) throw error;
  console.error(`vicissor: ${error.message}`);
  process.exitCode = 2;
}
