/**
 * For a change that must change nothing: a print of the whole check of each of many made texts, a line a text.
 *   bin/tool check-prints [COUNT] [SEED] > prints     here and in a checkout of the code before; `diff` the two
 * The texts: drills put together from all shipped moves in all forms, practice facts, and drills with pieces exchanged.
 */
import { createHash } from "node:crypto";
import { readdirSync, readFileSync } from "node:fs";
import facts from "#core/drill/practice-facts.json" with { type: "json" };
import { checkFor } from "#core/policy/judge.ts";
import { below, seeded, type Random } from "#core/random/random.ts";
import { parse } from "#core/score/parse.ts";
import { shippedVocabulary } from "#core/words/vocabulary.ts";
import { mutated } from "./fuzz-texts.ts";

const count = Number(process.argv[2] ?? 40_000);
const random = seeded(Number(process.argv[3] ?? 1));
const drills = readdirSync("demo/drills").map((file) => readFileSync(`demo/drills/${file}`, "utf8"));
const played = facts.map(({ headers, score }) => [...headers, "", score].join("\n"));

const pick = <T>(from: readonly T[], by: Random): T => from[below(by, from.length)]!;
const moves = [...shippedVocabulary().moves.values()];
const named = (role: "feed" | "answer" | "return" | "setup") =>
  moves.filter(({ roles }) => (roles as readonly string[]).includes(role)).map(({ name }) => name);
const FEEDS = named("feed");
const ANSWERS = named("answer");
const RETURNS = [...named("return"), ...named("return"), ...named("setup"), "recover"];
const MORE = " left, right, lead, rear, high, low, out, in, back, ~, to head, to body, to leg, on pad".split(",");
const HEADERS = [
  "kind: flow",
  "kind: sensitivity",
  "kind: solo",
  "range: clinch",
  "range: kick",
  "range: 1.4 m",
  "tempo: 60%",
  "A: lead right, height 165",
  "B: left handed, height 190",
  "A: holds stick 71 cm\nB: holds stick 71 cm",
  "B: wears mitts",
  "rules B: no steps",
];
const BLOCKS = ["loop:", "loop x3:", "loop swap x4:", "choose A:", "choose call:", "carry:"];

function word(from: readonly string[], by: Random): string {
  const more = by() < 0.25 ? pick(MORE, by) : "";
  const text = more === "~" ? `~${pick(from, by)}` : `${pick(from, by)}${more}`;
  return by() < 0.12 ? `${text} + ${pick(from, by)}` : text;
}
const beats = (from: readonly string[], most: number, by: Random): string =>
  Array.from({ length: 1 + below(by, most) }, () => word(from, by)).join(", ");

function row(by: Random): string {
  if (by() < 0.04) return `A ${word(FEEDS, by)} <> B ${word(FEEDS, by)}`;
  let text = `A ${beats(FEEDS, 2, by)} -> B ${beats(ANSWERS, 2, by)}`;
  if (by() < 0.4) text += `, ${beats(RETURNS, 2, by)}`;
  if (by() < 0.3) text += ` -> A ${beats(ANSWERS, 2, by)}`;
  return by() < 0.1 ? `${text} | ${word(ANSWERS, by)}` : text;
}

function drill(by: Random): string {
  const header = Array.from({ length: below(by, 3) }, () => pick(HEADERS, by));
  const rows = Array.from({ length: 1 + below(by, 4) }, () => row(by));
  const block = by() < 0.4 ? [pick(BLOCKS, by), ...rows.map((one) => `  ${one}`), "end"] : rows;
  return [...header, "", ...block, ""].join("\n");
}

function printOf(text: string): string {
  try {
    const { verdict, exchanges, wrong, loose, findings, closure, load, distance } = checkFor(parse(text));
    const json = JSON.stringify({ verdict, exchanges, wrong, loose, findings, closure, load, distance });
    return createHash("sha1").update(json).digest("hex");
  } catch (error) {
    return String(error);
  }
}

for (let i = 0; i < count; i++) {
  const kind = below(random, 8);
  const text = kind === 0 ? mutated(drills, random) : kind === 1 ? mutated(played, random) : drill(random);
  console.log(`${printOf(text)} ${JSON.stringify(text)}`);
}
