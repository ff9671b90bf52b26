/** Commands that judge drills as they stand: check, format, refute, and the moves that ship. */
import { drillCautions } from "#core/class/drill-cautions.ts";
import { repairsOf } from "#core/answers/repairs.ts";
import type { Finding } from "#core/findings/finding.ts";
import { resultJson } from "#core/formats/result.ts";
import { summaryOf, summaryWords } from "#core/formats/summary.ts";
import { checkFor } from "#core/policy/judge.ts";
import { format } from "#core/score/format.ts";
import { parse } from "#core/score/parse.ts";
import { refutationWords } from "#core/search/refutation-words.ts";
import { refute } from "#core/search/refute.ts";
import { shippedFaults } from "#core/words/schema.ts";
import { shippedMoves } from "#core/words/shipped.ts";
import { printJson, readText, schoolFrom, type Common } from "./options.ts";

export function runCheck(files: readonly string[], options: Common & { readonly repairs?: true }): number {
  const school = schoolFrom(options.school);
  let worst = 0;
  for (const file of files) {
    const text = readText(file);
    const checked = checkFor(parse(text), school);
    const mend = options.repairs ? (f: Finding) => repairsOf(text, checked, f, school) : null;
    if (checked.verdict === "broken") worst = 1;
    if (options.json) {
      printJson(files, file, resultJson(checked, mend));
      continue;
    }
    for (const f of checked.findings) {
      console.log(`${file}:${f.line}:${f.column} ${f.severity} ${f.rule} ${f.message}`);
      for (const { label } of mend?.(f) ?? []) console.log(`  ${label}`);
    }
    console.log(`${files.length > 1 ? `${file}: ` : ""}${summaryWords(summaryOf(checked))}`);
    for (const { says } of drillCautions(checked)) console.log(`! ${says}`);
  }
  return worst;
}

export function runFormat(files: readonly string[], { json }: Common): number {
  for (const file of files) {
    const text = format(parse(readText(file)));
    if (json) printJson(files, file, { text });
    else process.stdout.write(text);
  }
  return 0;
}

export function runRefute(
  files: readonly string[],
  { plies, nodes, ...options }: Common & { readonly plies: number; readonly nodes: number },
): number {
  const school = schoolFrom(options.school);
  let worst = 0;
  for (const file of files) {
    const result = refute(checkFor(parse(readText(file)), school), school, { plies, nodes });
    if (result.kind === "refuted") worst = 1;
    if (options.json) printJson(files, file, result);
    else console.log(`${file}: ${refutationWords(result)}`);
  }
  return worst;
}

/** Checks the moves that ship against their schema: file, move and field of each fault. */
export function runMoves(): number {
  const faults = shippedFaults();
  for (const fault of faults) console.log(fault);
  if (faults.length === 0) console.log(`${shippedMoves.length} moves, no fault`);
  return faults.length === 0 ? 0 : 1;
}
