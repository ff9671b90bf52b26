/** Moves in the words of a tradition: what is shown can be typed, and means the same. */
import { nameKey } from "./name-key.ts";
import { displayName, type Vocabulary } from "./vocabulary.ts";
import type { Move, Tradition } from "./types.ts";

/** The name shown for a move; English where the tradition has none or its name means several moves. */
export function shownName(move: Move, tradition: Tradition, vocabulary: Vocabulary): string {
  const name = displayName(move, tradition);
  return (vocabulary.byName.get(nameKey(name))?.length ?? 0) === 1 ? name : move.name;
}

/** A text such as `rear hook to body` with the move's English name put into the tradition's words. */
export function inTradition(text: string, move: Move, tradition: Tradition, vocabulary: Vocabulary): string {
  return tradition === "english" ? text : text.replace(move.name, shownName(move, tradition, vocabulary));
}
