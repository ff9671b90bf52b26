/** Moves by what somebody types of a name: any spelling, the beginnings of its words, or nearly so. */
import { beginsIn, folded } from "./name-key.ts";
import type { Move } from "./types.ts";
import { nearestNames, type Vocabulary } from "./vocabulary.ts";

/** A move with the name by which it was found. */
export interface NamedMove {
  readonly move: Move;
  readonly name: string;
}

/** How near a name is to what is typed: itself, going on from it, with words that begin so; null where it is none of it. */
function rankOf(name: string, key: string): number | null {
  if (name === key) return 0;
  if (name.startsWith(key)) return 1;
  return beginsIn(key, name) ? 2 : null;
}

/** The moves that what is typed names, best first: the name itself, names that go on from it, names whose words begin so. */
export function findMoves(vocabulary: Vocabulary, typed: string, most: number): NamedMove[] {
  const key = folded(typed);
  if (key === "") return [];
  const found = new Map<Move, { readonly name: string; readonly rank: number }>();
  for (const [name, moves] of vocabulary.byName) {
    const rank = rankOf(name, key);
    if (rank === null) continue;
    for (const move of moves) if (rank < (found.get(move)?.rank ?? Infinity)) found.set(move, { name, rank });
  }
  return [...found]
    .sort(([, a], [, b]) => a.rank - b.rank || a.name.length - b.name.length || a.name.localeCompare(b.name))
    .map(([move, { name }]) => ({ move, name }))
    .slice(0, most);
}

/** The moves with a name that is spelt nearly so, nearest first. */
export const nearlySpelt = (vocabulary: Vocabulary, typed: string, most: number): NamedMove[] =>
  nearestNames(vocabulary, typed, most)
    .flatMap((name) => vocabulary.byName.get(name)!.map((move) => ({ move, name })))
    .slice(0, most);

/** All names of a move, as they are looked up in a text. */
export const namesOf = (move: Move, { byName }: Vocabulary): string[] =>
  [...byName].flatMap(([name, moves]) => (moves.includes(move) ? [name] : []));
