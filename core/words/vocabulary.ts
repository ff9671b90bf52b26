/** The moves a score may use: what ships and what a school added, found by any of their names. */
import { nameKey } from "./name-key.ts";
import { distance } from "fastest-levenshtein";
import { keptFor } from "../base/bounded.ts";
import type { Side, WeaponKind } from "../score/person.ts";
import type { Kind } from "../score/header.ts";
import type { NumberingSet } from "./numbering.ts";
import { numberingSets, shippedMoves } from "./shipped.ts";
import { TRADITIONS, type Move, type MoveData, type MoveId, type Tradition } from "./types.ts";

/** All moves by id and by name. */
export interface Vocabulary {
  readonly moves: ReadonlyMap<MoveId, Move>;
  /** Lower-case name to the moves that bear it, shipped order first. */
  readonly byName: ReadonlyMap<string, readonly Move[]>;
  /** Most words in any name. */
  readonly longest: number;
  readonly numbering: ReadonlyMap<string, NumberingSet>;
}

/** Words that people write in more than one way. */
const SPELT: readonly (readonly [RegExp, string])[] = [
  // `hook to body` says where a hook goes.
  [/(?<!\b(?:to|on)) the /g, " "],
  [/\bsao\b/g, "sau"],
  [/\bzuki\b/g, "tsuki"],
  [/ (geri|zuki|uke)\b/g, "$1"],
];

/** A name in all its spellings. */
const spellings = (name: string): string[] => [
  ...new Set([name, ...SPELT.map(([usual, other]) => name.replace(usual, other))]),
];

/** Builds a vocabulary from shipped moves and a school's own; own moves come first among homonyms. */
export function makeVocabulary(own: readonly MoveData[] = [], ownSets: readonly NumberingSet[] = []): Vocabulary {
  const moves = new Map<MoveId, Move>();
  const byName = new Map<string, Move[]>();
  let longest = 1;
  const add = (data: MoveData, from: Pick<Move, "own">) => {
    const id = data.id as MoveId;
    const move: Move = { ...data, id, name: displayName(data, "english"), ...from };
    moves.set(id, move);
    for (const name of Object.values(data.names).flatMap((names) => names.flatMap(spellings))) {
      const key = nameKey(name);
      longest = Math.max(longest, key.split(" ").length);
      const known = byName.get(key) ?? [];
      if (!known.includes(move)) known.push(move);
      byName.set(key, known);
    }
  };
  for (const data of own) add(data, { own: true });
  for (const data of shippedMoves) if (!moves.has(data.id as MoveId)) add(data, { own: false });
  const numbering = new Map([...numberingSets, ...ownSets].map((set) => [set.id, set]));
  return { moves, byName, longest, numbering };
}

/** The name to show for a move in a tradition; English where the tradition has none. */
export function displayName(move: Pick<MoveData, "names" | "id">, tradition: Tradition): string {
  return move.names[tradition]?.[0] ?? move.names.english?.[0] ?? move.id;
}

let shipped: Vocabulary | null = null;
/** The vocabulary as it ships. */
export function shippedVocabulary(): Vocabulary {
  return (shipped ??= makeVocabulary());
}

/** What somebody has in the hands and on the body that decides which moves they can do. */
export interface Held {
  readonly holds: WeaponKind | null;
  readonly twoSticks: boolean;
  /** What the other hand holds, and which hand that is, where it is another tool. */
  readonly off: { readonly kind: WeaponKind; readonly hand: Side } | null;
  /** Mitts, a belly pad or a kick shield are worn. */
  readonly pads: boolean;
}

/** The circumstances that decide between moves of one name. */
export interface LookupContext extends Held {
  readonly kind: Kind;
  readonly tradition: string | null;
}

const isBlade = (kind: WeaponKind | null): boolean => kind !== null && kind !== "stick";

/** True where the actor holds or wears what the move needs. */
export function canHold(move: Pick<Move, "needs" | "limb">, { holds, twoSticks, off, pads }: Held): boolean {
  switch (move.needs) {
    case undefined:
      return true;
    case "stick":
      return holds === "stick" || off?.kind === "stick";
    case "blade":
      return isBlade(holds) || isBlade(off?.kind ?? null);
    case "weapon":
      return holds !== null;
    case "two sticks":
      return twoSticks;
    case "empty":
      return move.limb === "both hands" ? holds === null : !twoSticks;
    case "pad":
      return pads;
    default:
      return move.needs satisfies never;
  }
}

/** True for a move that nobody does with empty hands. */
export const needsWeapon = ({ needs }: Pick<Move, "needs">): boolean =>
  needs !== undefined && needs !== "empty" && needs !== "pad";

const CONTACT_GROUPS = new Set(["contact", "energy", "yielding"]);

/** Picks among moves of one name: by what the actor holds, then the kind, then the tradition. */
export function chooseHomonym(moves: readonly Move[], context: LookupContext): Move {
  const score = (move: Move) => {
    const byContact = CONTACT_GROUPS.has(move.group) === (context.kind === "sensitivity");
    const tradition = TRADITIONS.find((t) => t === context.tradition);
    // Of two that can be done what needs the thing in the hand is meant.
    const held = needsWeapon(move) && canHold(move, context);
    return (
      (canHold(move, context) ? 8 : 0) +
      (held ? 1 : 0) +
      (byContact ? 2 : 0) +
      (tradition && move.names[tradition] ? 1 : 0)
    );
  };
  return moves.reduce((best, move) => (score(move) > score(best) ? move : best));
}

/** Names with the letters they hold as bits: a lower bound of a distance that costs next to nothing. */
const lettersOf = new WeakMap<Vocabulary, readonly (readonly [name: string, letters: number])[]>();

function letters(text: string): number {
  let bits = 0;
  for (let i = 0; i < text.length; i++) bits |= 1 << (text.charCodeAt(i) % 31);
  return bits;
}

function bitsIn(value: number): number {
  let count = 0;
  for (let left = value; left !== 0; left &= left - 1) count++;
  return count;
}

/** The names that may be meant by a word that is none: those that go on from it, then those that are spelt nearly so. */
export function nearestNames(vocabulary: Vocabulary, typed: string, count = 3): string[] {
  const key = nameKey(typed).slice(0, 40);
  if (key.length < 2) return [];
  const found = [...goingOn(vocabulary, key), ...speltNearly(vocabulary, key)];
  // A number is a blow of a set: nobody means it by a word.
  return [...new Set(found)].filter((name) => !/^\d+$/.test(name)).slice(0, count);
}

/** Letters from which on the beginning of a word says what is meant. */
const ENOUGH = 3;

function goingOn({ byName }: Vocabulary, key: string): string[] {
  if (key.length < ENOUGH) return [];
  return [...byName.keys()]
    .filter((name) => name.startsWith(key) || name.includes(` ${key}`))
    .sort((a, b) => Number(b.startsWith(key)) - Number(a.startsWith(key)) || a.length - b.length || a.localeCompare(b));
}

function speltNearly(vocabulary: Vocabulary, key: string): string[] {
  const most = key.length < 4 ? 1 : Math.max(2, Math.floor(key.length / 3));
  const own = letters(key);
  const names = keptFor(lettersOf, vocabulary, () =>
    [...vocabulary.byName.keys()].map((name) => [name, letters(name)] as const),
  );
  const scored: { name: string; cost: number }[] = [];
  for (const [name, its] of names) {
    // Each letter that only one of the two has costs an edit of its own, or half of a replacement.
    if (Math.abs(name.length - key.length) > most || bitsIn(own & ~its) > most || bitsIn(its & ~own) > most) continue;
    const cost = distance(key, name);
    // Two slips in a short word leave another word, but for one that begins alike.
    if (cost <= most && (cost < 2 || name[0] === key[0])) scored.push({ name, cost });
  }
  return scored.sort((a, b) => a.cost - b.cost || a.name.localeCompare(b.name)).map(({ name }) => name);
}
