/** How hard a drill is: a total of named parts, each computed from the score and its check. */
import data from "./load-weights.json" with { type: "json" };
import type { LineShare } from "./shares.ts";
import type { Header } from "../score/header.ts";
import { headerValue } from "../score/structure.ts";
import type { Score, ScoreItem } from "../score/types.ts";

export const LOAD_PARTS = [
  "choice",
  "length",
  "coordination",
  "footwork",
  "cue",
  "pressure",
  "consequence",
  "restriction",
] as const;
export type LoadPart = (typeof LOAD_PARTS)[number];
export interface Load {
  readonly total: number;
  readonly parts: Readonly<Record<LoadPart, number>>;
}

export type LoadWeights = Readonly<Record<LoadPart, number>>;

/** What one unit of each part adds, and what a unit is. */
export const LOAD_WEIGHTS = Object.fromEntries(
  LOAD_PARTS.map((part) => [part, data.weights[part].adds]),
) as LoadWeights;
export const loadUnit = (part: LoadPart): string => data.weights[part].for;

const CONTACT_STEP = { none: 0, light: 1, medium: 2, full: 3 } as const;

/** A return is a beat to remember, but nobody has to answer it; a set-up or an exit is less. */
const RETURN_SHARE = 0.4;
const EXTRA_SHARE = 0.2;

/** Load of a score from what each of its lines adds, with what each part weighs. Repeated passes count once. */
export function loadOf(
  score: Score,
  header: Header,
  shares: readonly LineShare[],
  weights: LoadWeights = LOAD_WEIGHTS,
): Load {
  const sum = (part: (share: LineShare) => number) => shares.reduce((total, share) => total + part(share), 0);
  const sides = shares.some((s) => s.fromLeft) && shares.some((s) => s.fromRight) ? 1 : 0;
  const raw: Record<LoadPart, number> = {
    choice: choiceBits(score.items) + sum((s) => s.bits),
    length: sum((s) => s.exchanges) + RETURN_SHARE * sum((s) => s.returns) + EXTRA_SHARE * sum((s) => s.extraBeats),
    coordination: sum((s) => s.together) + sides + goesOn(score.items),
    footwork: sum((s) => s.footwork),
    // Both move freely: nobody knows when it comes.
    cue:
      cueOf(
        header,
        sum((s) => s.feints),
      ) + (headerValue(score, "cadence") === "free" ? 1 : 0),
    pressure: pressureOf(header, shares),
    consequence: CONTACT_STEP[header.contact] + (header.people.B.wears.length === 0 ? 0.5 : 0),
    restriction: header.rules.A.size + header.rules.B.size + header.rules.C.size,
  };
  const parts = {} as Record<LoadPart, number>;
  let total = 0;
  for (const part of LOAD_PARTS) {
    parts[part] = Math.round(raw[part] * weights[part] * 100) / 100;
    total += parts[part];
  }
  return { total: Math.round(total * 100) / 100, parts };
}

/** Bits of each choice: log2 of the number of lines that may come. */
function choiceBits(items: readonly ScoreItem[]): number {
  let bits = 0;
  for (const item of items) {
    if (item.kind !== "block") continue;
    bits += choiceBits(item.items);
    if (item.head.type === "choose") {
      const lines = item.items.filter((i) => i.kind === "line").length;
      if (lines > 1) bits += Math.log2(lines) * (item.head.by === "call" ? 0.7 : 1);
    }
  }
  return bits;
}

/** Without a stop from row to row there is no time to set oneself anew. */
const goesOn = (items: readonly ScoreItem[]): number =>
  items.some((item) => item.kind === "block" && (item.head.type !== "choose" || goesOn(item.items) > 0)) ? 1 : 0;

/** Called early < seen < hidden in a combination < felt; feints add. */
function cueOf(header: Header, feints: number): number {
  if (header.kind === "sensitivity") return 2;
  return (header.kind === "flow" ? 0.5 : 1) + feints * 0.5;
}

function pressureOf(header: Header, shares: readonly LineShare[]): number {
  const ceiling = shares.reduce((least, share) => Math.min(least, share.ceiling ?? Infinity), Infinity);
  return Number.isFinite(ceiling) ? Math.min(2, header.tempo / ceiling) : header.tempo;
}
