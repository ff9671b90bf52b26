import { readFileSync } from "node:fs";
import { checkFor } from "#core/policy/judge.ts";
import { parse } from "#core/score/parse.ts";
import { ownFacts } from "#core/drill/own-facts-testing.ts";
let good = 0; const all = ownFacts(readFileSync("core/drill/own-facts.txt", "utf8"));
for (const f of all) {
  let said = "";
  try {
    const c = checkFor(parse([...f.headers, "", f.score, ""].join("\n")));
    const rules = new Set<string>(c.findings.map((x) => x.rule));
    const v = c.exchanges[0]?.verdict;
    if (rules.has("syntax")) said += " syntax!";
    if (f.verdict && v !== f.verdict) said += ` ${v} not ${f.verdict}`;
    for (const r of f.present) if (!rules.has(r)) said += ` lacks ${r}`;
    for (const r of f.absent) if (rules.has(r)) said += ` should not ${r}`;
    if (said) said += `   [${c.findings.map((x) => `${x.rule}: ${x.message}`).join(" / ")}]`;
  } catch (e) { said = String(e); }
  if (said) console.log(`${f.group}: ${f.headers.join("; ")} | ${f.score.replaceAll("\n","\\n")} ::${said}   (${f.why})`); else good++;
}
console.log(`${good} of ${all.length}`);
