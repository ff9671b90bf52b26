/** How hard a drill is: a total of named parts, each computed from the score and its check. */
import data from "./load-weights.json" with { type: "json" };
import type { CheckedExchange } from "./types.ts";
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

/** Beats of all turns of a score: what has to be done in order. */
function extraBeats(items: readonly ScoreItem[]): number {
  return items.reduce((sum, item) => {
    if (item.kind === "block") return sum + extraBeats(item.items);
    if (item.kind !== "line") return sum;
    return sum + item.line.turns.reduce((n, turn) => n + Math.max(0, (turn.alternatives[0]?.beats.length ?? 1) - 1), 0);
  }, 0);
}

/** Load of a checked score, with what each part weighs. Exchanges of repeated passes count once. */
export function loadOf(
  score: Score,
  header: Header,
  exchanges: readonly CheckedExchange[],
  weights: LoadWeights = LOAD_WEIGHTS,
): Load {
  const once = exchanges.filter((e) => e.pass === null || e.pass === 1);
  const uses = once.flatMap((e) => e.answer);
  const raw: Record<LoadPart, number> = {
    choice: choiceBits(score.items) + alternativeBits(once),
    length:
      once.length +
      RETURN_SHARE * once.reduce((sum, e) => sum + e.returns.length, 0) +
      EXTRA_SHARE * extraBeats(score.items),
    coordination:
      once.filter((e) => e.layers.length > 1 || e.answer.length > 1).length + sidesUsed(once) + goesOn(score.items),
    footwork: uses.filter((use) => use.move.group === "footwork").length,
    // Both move freely: nobody knows when it comes.
    cue: cueOf(header, once) + (headerValue(score, "cadence") === "free" ? 1 : 0),
    pressure: pressureOf(header, once),
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

/** Alternatives of an answer are the responder's own choice: half a bit each. */
function alternativeBits(exchanges: readonly CheckedExchange[]): number {
  const seen = new Map<string, Set<string>>();
  for (const e of exchanges) {
    const key = `${e.row.index}:${e.from}`;
    const set = seen.get(key) ?? new Set();
    set.add(e.answer.map((a) => a.text).join("+"));
    seen.set(key, set);
  }
  let bits = 0;
  for (const set of seen.values()) if (set.size > 1) bits += Math.log2(set.size) / 2;
  return bits;
}

/** Without a stop from row to row there is no time to set oneself anew. */
const goesOn = (items: readonly ScoreItem[]): number =>
  items.some((item) => item.kind === "block" && (item.head.type !== "choose" || goesOn(item.items) > 0)) ? 1 : 0;

function sidesUsed(exchanges: readonly CheckedExchange[]): number {
  const sides = new Set(exchanges.map((e) => e.blow?.incoming).filter(Boolean));
  return sides.size > 1 ? 1 : 0;
}

/** Called early < seen < hidden in a combination < felt; feints add. */
function cueOf(header: Header, exchanges: readonly CheckedExchange[]): number {
  if (header.kind === "sensitivity") return 2;
  const hidden = exchanges.filter((e) => e.feed?.feint).length;
  return (header.kind === "flow" ? 0.5 : 1) + hidden * 0.5;
}

function pressureOf(header: Header, exchanges: readonly CheckedExchange[]): number {
  const ceilings = exchanges.map((e) => e.ceiling).filter((c): c is number => c !== null && c > 0);
  if (ceilings.length === 0) return header.tempo;
  return Math.min(2, header.tempo / Math.min(...ceilings));
}
