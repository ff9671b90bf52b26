/** A move as it is done with nothing said about it. */
import type { MoveUse } from "./types.ts";
import type { Span } from "../score/types.ts";
import type { Vocabulary } from "../words/vocabulary.ts";
import type { Move } from "../words/types.ts";

/** Returns a move without any modifier. */
export const plainUse = (move: Move): MoveUse => ({
  move,
  text: move.name,
  from: 0,
  to: 0,
  side: null,
  hand: null,
  height: null,
  way: null,
  degrees: null,
  target: null,
  on: null,
  at: null,
  feint: false,
  pad: null,
  facing: null,
  version: null,
  count: null,
  commitment: null,
  intercept: false,
  length: 1,
});

/** A pad held where nobody wrote one, at a place of the text. */
export function heldPad({ moves }: Vocabulary, { from, to }: Span): MoveUse {
  for (const move of moves.values()) if (move.cue === "pad" && move.heights) return { ...plainUse(move), from, to };
  throw new Error("the words that ship have a move that holds a pad");
}
