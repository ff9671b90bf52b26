/**
 * The gate for a change of the notation: every text is read by the parser of a tag or commit and by the one here, and
 * what reads otherwise is named. Texts are the demo drills, the facts of the trade, and hostile ones made from a seed.
 * bin/tool parser-changes --against TAG [--texts COUNT]   Exit 1 where one reads otherwise.
 */
import { readdirSync, readFileSync } from "node:fs";
import { pathToFileURL } from "node:url";
import { parseArgs } from "node:util";
import { seeded } from "#core/random/random.ts";
import { parse, plain } from "#core/score/parse.ts";
import type { Score } from "#core/score/types.ts";
import { withEarlier } from "./earlier.ts";
import { hostileText, mutated } from "./fuzz-texts.ts";

const { values } = parseArgs({ options: { against: { type: "string" }, texts: { type: "string", default: "20000" } } });
if (!values.against) {
  console.error("usage: bin/tool parser-changes --against TAG [--texts COUNT]");
  process.exit(2);
}

/** Forms that read otherwise by design: they were unread, a header or a label before. */
const NEW =
  /^[ \t\ufeff]*(?:any[ \t]+time|lands)[ \t]*:|^[ \t\ufeff]*game[ \t]+[^:#\n]*:[ \t]*(?:#|\r?$)|\}[ \t]*in[ \t]+any[ \t]+order\b/im;

const drills = readdirSync("demo/drills").map((file) => readFileSync(`demo/drills/${file}`, "utf8"));
const facts = JSON.parse(readFileSync("core/drill/practice-facts.json", "utf8")) as readonly {
  readonly score: string;
}[];
const random = seeded(1);
const made = Array.from({ length: Number(values.texts) }, () =>
  random() < 0.5 ? hostileText(random) : mutated(drills, random),
);

/** What a text reads as, without how its tree is written down. */
const treeOf = (score: Score): string =>
  JSON.stringify(score.items, (key, value: unknown) => (key === "mark" || key === "wrong" ? undefined : value));

const all = [...drills, ...facts.map(({ score }) => score), ...made].filter((text) => !NEW.test(plain(text)));
const differ = await withEarlier(values.against, "core/score/parse.ts", async (built) => {
  const before = (await import(pathToFileURL(built).href)) as { readonly parse: (text: string) => Score };
  return all.filter((text) => treeOf(before.parse(text)) !== treeOf(parse(text)));
});
for (const text of differ.slice(0, 10)) console.log(JSON.stringify(text.slice(0, 300)));
console.log(`${all.length} texts, ${differ.length} read otherwise`);
process.exitCode = differ.length === 0 ? 0 : 1;
