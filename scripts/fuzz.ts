/**
 * Throws texts of all kinds at reading, checking and formatting, and says what broke:
 *   bin/tool fuzz [COUNT] [SEED]     100,000 texts by default
 * Nothing may throw, no text may take long, and formatting twice must be the same as once.
 */
import { readdirSync, readFileSync } from "node:fs";
import { performance } from "node:perf_hooks";
import { checkFor } from "#core/policy/judge.ts";
import { seeded } from "#core/random/random.ts";
import { format } from "#core/score/format.ts";
import { parse } from "#core/score/parse.ts";
import { hostileText, mutated } from "./fuzz-texts.ts";

const count = Number(process.argv[2] ?? 100_000);
const random = seeded(Number(process.argv[3] ?? 1));
const drills = [...readdirSync("demo/drills").map((file) => `demo/drills/${file}`), "docs/examples/forms.vics"].map(
  (file) => readFileSync(file, "utf8"),
);

interface Slow {
  readonly text: string;
  readonly ms: number;
}
const slowest: Slow[] = [];
const broken: { readonly text: string; readonly what: string }[] = [];
let total = 0;

for (let i = 0; i < count; i++) {
  const text = random() < 0.5 ? hostileText(random) : mutated(drills, random);
  const began = performance.now();
  try {
    checkFor(parse(text));
    const once = format(parse(text));
    const twice = format(parse(once));
    if (twice !== once) broken.push({ text, what: `formatting twice differs from once: ${firstChange(once, twice)}` });
  } catch (error) {
    broken.push({ text, what: String(error) });
  }
  const ms = performance.now() - began;
  total += ms;
  slowest.push({ text, ms });
  if (slowest.length > 500) slowest.sort((a, b) => b.ms - a.ms).splice(5);
}

/** The first row that formatting changed again. */
function firstChange(once: string, twice: string): string {
  const rows = twice.split("\n");
  const at = once.split("\n").findIndex((row, i) => row !== rows[i]);
  return `row ${at + 1}, ${JSON.stringify(once.split("\n")[at])} became ${JSON.stringify(rows[at])}`;
}

slowest.sort((a, b) => b.ms - a.ms);
const short = (text: string) => JSON.stringify(text.length > 160 ? `${text.slice(0, 160)}...` : text);
for (const { text, what } of broken.slice(0, 20)) console.log(`${what}: ${short(text)}`);
console.log(`${count} texts, ${broken.length} broken, ${(total / count).toFixed(2)} ms each on average`);
for (const { text, ms } of slowest.slice(0, 3))
  console.log(`slow: ${ms.toFixed(0)} ms, ${text.length} characters`, short(text));
process.exitCode = broken.length > 0 ? 1 : 0;
