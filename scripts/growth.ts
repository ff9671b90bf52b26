/**
 * The cost of reading, checking and formatting a text by its length: microseconds a character at 1 KB, 10 KB,
 * 50 KB and 200 KB, for each kind of text that can grow. Flat columns are what is wanted.   bin/tool growth
 */
import { performance } from "node:perf_hooks";
import { checkFor } from "#core/policy/judge.ts";
import { seeded } from "#core/random/random.ts";
import { format } from "#core/score/format.ts";
import { parse } from "#core/score/parse.ts";
import { grown } from "./fuzz-texts.ts";

const LENGTHS = [1_000, 10_000, 50_000, 200_000];

function microsPerCharacter(text: string): number {
  const began = performance.now();
  checkFor(parse(text));
  format(parse(text));
  return ((performance.now() - began) * 1000) / text.length;
}

// The first texts pay for compiling the code.
for (const text of grown(2_000, seeded(7))) microsPerCharacter(text);
const columns = LENGTHS.map((length, i) =>
  grown(length, seeded(i + 1)).map((text) => ({ text, micros: microsPerCharacter(text) })),
);
console.log(["1 KB", "10 KB", "50 KB", "200 KB"].map((head) => head.padStart(8)).join(" "), " µs a character");
columns[0]!.forEach(({ text }, kind) =>
  console.log(
    columns.map((column) => column[kind]!.micros.toFixed(2).padStart(8)).join(" "),
    "",
    JSON.stringify(text.slice(0, 50)),
  ),
);
