/** What somebody means who looks for a move in plain words: `parries`, `right low kick`, `jabb`, `one two`. */
import { findMoves, nearlySpelt, type NamedMove } from "../words/find.ts";
import { folded, nameKey } from "../words/name-key.ts";
import { notModelled, sayings } from "../words/shipped.ts";
import type { Move } from "../words/types.ts";
import type { Vocabulary } from "../words/vocabulary.ts";
import { lexiconOf, movesIn } from "./lexicon.ts";
import { piecesOf } from "./pieces.ts";

/** The moves, best first, and the words to write instead where a word is known and not judged. */
interface LookedUp {
  readonly moves: readonly NamedMove[];
  readonly instead: string | null;
}

/**
 * Looks words up: a name or its beginning, then words that the tool knows and does not judge, then what a row of these
 * words would name, then names that are spelt nearly so.
 */
export function lookUp(vocabulary: Vocabulary, typed: string, most: number): LookedUp {
  const key = folded(typed);
  const said = saidMoves(vocabulary, typed);
  // `one two` is a saying before it is the beginnings of two words.
  const named = distinct([...(isSaying(vocabulary, key) ? said.moves : []), ...findMoves(vocabulary, typed, most)]);
  if (named.length > 0) return { moves: named.slice(0, most), instead: null };
  const known = notModelled.find(({ names }) => names.includes(key));
  if (known) return { moves: [], instead: known.instead };
  const nearly = said.whole ? [] : nearlySpelt(vocabulary, key, most);
  return { moves: distinct([...nearly, ...said.moves]).slice(0, most), instead: null };
}

/** A name for several moves, or the usual word for one. */
const isSaying = (vocabulary: Vocabulary, key: string): boolean =>
  lexiconOf(vocabulary).names.has(key) && !vocabulary.byName.has(key);

const distinct = (moves: readonly NamedMove[]): NamedMove[] =>
  [...new Map([...moves].reverse().map((one): [Move, NamedMove] => [one.move, one])).values()].reverse();

/** The moves that a name means, beat by beat: `one two` is a jab and a cross. */
const beatsOf = (name: string): readonly string[] =>
  sayings.find(({ names }) => names.includes(name))?.means ?? name.split(", ");

/** The moves that a row of these words would name; `whole`: every word was understood. */
function saidMoves(vocabulary: Vocabulary, typed: string): { readonly moves: NamedMove[]; readonly whole: boolean } {
  const { pieces, kept } = piecesOf(typed, vocabulary);
  const beats = pieces.flatMap((piece) => {
    if (piece.type === "numbers") return piece.text.split(/[-,\s]+/);
    return piece.type === "name" ? beatsOf(piece.name.text) : [];
  });
  const moves = beats.flatMap((beat) => movesIn(nameKey(beat), vocabulary).map((move) => ({ move, name: move.name })));
  return { moves, whole: kept.length === 0 };
}
