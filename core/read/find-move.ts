/** Finds the move that words name, with the phrases and modifiers that belong to it. */
import { nameKey } from "../words/name-key.ts";
import type { MoveUse, PartRef, SideWord, Way } from "./types.ts";
import { ACTORS, type Actor } from "../score/types.ts";
import { partNamed } from "../words/part-names.ts";
import type { Height, Move } from "../words/types.ts";
import { chooseHomonym, type LookupContext, type Vocabulary } from "../words/vocabulary.ts";

/** Words for a side. */
export const SIDES: Record<string, SideWord> = {
  lead: "lead",
  front: "lead",
  rear: "rear",
  l: "left",
  left: "left",
  r: "right",
  right: "right",
};
/** Words for a way. */
export const WAYS: Record<string, Way> = {
  in: "in",
  inside: "in",
  out: "out",
  outside: "out",
  back: "back",
  forward: "forward",
  forwards: "forward",
};
/** Words for a height. */
export const HEIGHT_WORDS: Record<string, Height> = {
  high: "high",
  mid: "mid",
  middle: "mid",
  low: "low",
  jodan: "high",
  chudan: "mid",
  gedan: "low",
};
/** What kind of technique it is, behind its Japanese name: striking, kicking, punching, receiving. */
const CLASS_WORDS = ["uchi", "geri", "keri", "tsuki", "zuki", "uke", "waza"];
/** Words that say nothing. */
export const FILLER = new Set([
  "the",
  "with",
  "hand",
  "a",
  "and",
  "throws",
  "degrees",
  "arm",
  "leg",
  "lead-hand",
  "vertical",
  "flat",
  "upright",
  "horizontal",
  ...CLASS_WORDS,
]);

/** Words before a part that say nothing about which. */
const ARTICLES = new Set(["the", "his", "her", "their", "both"]);

/** Words that say whose a part is. */
const WHOSE = new Set(["own", "other", "my"]);
/** Onto what a blow goes: one pad, or pads for every blow of the turn. */
const PAD_WORDS: Readonly<Record<string, MoveUse["pad"]>> = {
  pad: "this",
  mitt: "this",
  shield: "this",
  pads: "all",
  mitts: "all",
};

/** Which way a pad looks. */
const FACINGS: Readonly<Record<string, MoveUse["facing"]>> = {
  in: "in",
  inward: "in",
  inwards: "in",
  down: "down",
  downward: "down",
  downwards: "down",
  front: "front",
  forward: "front",
  forwards: "front",
  out: "front",
};

interface FoundMove {
  readonly move: Move;
  readonly rest: readonly string[];
  readonly target: PartRef | null;
  readonly on: PartRef | null;
  readonly at: Actor | null;
  readonly pad: MoveUse["pad"];
  readonly facing: MoveUse["facing"];
}

/** The longest run of words that is a name; long names first, then `to` and `on` phrases, then single words. */
export function findMove(words: readonly string[], vocabulary: Vocabulary, context: LookupContext): FoundMove | null {
  let rest = words;
  let move = longestName(rest, vocabulary, context, 2);
  if (move) rest = move.rest;
  const { left, ...phrases } = takePhrases(rest);
  rest = left;
  if (!move) {
    move = longestName(rest, vocabulary, context, 1);
    if (!move) return null;
    rest = move.rest;
  }
  return { move: move.move, rest, ...phrases };
}

/** Where the hands hold different tools, the one that the words name is what is held. */
function inNamedHand(words: readonly string[], context: LookupContext): LookupContext {
  const { off } = context;
  if (!off) return context;
  const named = words.some((word) => SIDES[word] === off.hand);
  return { ...context, holds: named ? off.kind : context.holds, off: null };
}

function longestName(words: readonly string[], vocabulary: Vocabulary, held: LookupContext, least: number) {
  const context = inNamedHand(words, held);
  const numberFollows = (end: number) => /^\d+$/.test(words[end] ?? "");
  for (let length = Math.min(vocabulary.longest, words.length); length >= least; length--) {
    let best: { move: Move; rest: string[]; strays: number } | null = null;
    for (let start = 0; start + length <= words.length; start++) {
      const moves = vocabulary.byName.get(nameKey(words.slice(start, start + length).join(" ")));
      if (!moves) continue;
      const end = start + length;
      // Of two moves of one name a number says which: the one of the numbering set.
      const fitting = moves.filter((one) => (one.numbered !== undefined) === numberFollows(end));
      const move = chooseHomonym(fitting.length > 0 ? fitting : moves, context);
      const rest = [...words.slice(0, start), ...words.slice(end)];
      // Of two names of one length the one that leaves modifiers only: "lead | straight punch".
      const strays = rest.filter((word) => !isModifierWord(word)).length;
      if (!best || strays < best.strays) best = { move, rest, strays };
    }
    if (best) return best;
  }
  return null;
}

/** Words between moves that say only that more comes. */
const JOINING = new Set(["and", "then", "with", "a", "the"]);

/** The moves that stand side by side in words, each with what is said of it; none where a word is neither. */
export function movesIn(words: readonly string[], { byName, longest }: Vocabulary): string[] {
  const found: string[][] = [];
  let before: string[] = [];
  for (let i = 0; i < words.length;) {
    if (JOINING.has(words[i]!)) {
      i++;
      continue;
    }
    let length = Math.min(longest, words.length - i);
    while (length > 0 && !byName.has(nameKey(words.slice(i, i + length).join(" ")))) length--;
    const said = words.slice(i, i + Math.max(1, length));
    const only = length === 1 && isModifierWord(said[0]!);
    if (length > 0 && !only) found.push([...before, ...said]);
    else if (!isModifierWord(said[0]!) && !FILLER.has(said[0]!)) return [];
    else if (found.length > 0 && !(said[0]! in SIDES)) found[found.length - 1]!.push(...said);
    if (length > 0 && !only) before = [];
    else if (found.length === 0 || said[0]! in SIDES) before.push(...said);
    i += said.length;
  }
  return found.map((one) => one.join(" "));
}

/** True for a word that says something about a move and is none itself. */
export const isModifierWord = (word: string): boolean =>
  word in SIDES ||
  word in WAYS ||
  word in HEIGHT_WORDS ||
  /^(?:to|on|at|facing|intercept|\d+)$/.test(word) ||
  partNamed(word) !== null;

/** Returns the phrases of a part (`to head`, `on lead wrist`, `at C`) and the words that are left. */
export function takePhrases(words: readonly string[]) {
  const left: string[] = [];
  let target: PartRef | null = null;
  let on: PartRef | null = null;
  let at: Actor | null = null;
  let pad: MoveUse["pad"] = null;
  let facing: MoveUse["facing"] = null;
  for (let i = 0; i < words.length; i++) {
    const word = words[i]!;
    const looks = word === "facing" ? FACINGS[words[i + 1] ?? ""] : undefined;
    if (looks) {
      facing = looks;
      i++;
      continue;
    }
    if (word !== "to" && word !== "on" && word !== "at") {
      left.push(word);
      continue;
    }
    const actor = ACTORS.find((a) => a.toLowerCase() === words[i + 1]);
    if (word === "at" && actor) {
      at = actor;
      i++;
      continue;
    }
    const gear = PAD_WORDS[words[i + 1] === "the" ? words[i + 2]! : (words[i + 1] ?? "")];
    if (word === "on" && gear) {
      pad = gear;
      i += words[i + 1] === "the" ? 2 : 1;
      continue;
    }
    let j = i + 1;
    const own = words[j] === "own" || words[j] === "my";
    const both = words[j] === "both" || (words[j] === "the" && words[j + 1] === "both");
    while (j < words.length - 1 && (ARTICLES.has(words[j]!) || WHOSE.has(words[j]!))) j++;
    const side = SIDES[words[j] ?? ""] ?? null;
    if (side) j++;
    const two = partNamed(`${words[j] ?? ""} ${words[j + 1] ?? ""}`);
    const part = two ?? partNamed(words[j] ?? "");
    if (!part) {
      left.push(word);
      continue;
    }
    const ref: PartRef = { part, side, ...(own ? { own } : {}), ...(both ? { both } : {}) };
    if (word === "to") target = ref;
    else on = ref;
    i = two ? j + 1 : j;
  }
  return { left, target, on, at, pad, facing };
}
