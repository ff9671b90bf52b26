/** A game as the checker takes it: what each may do, what scores, how it touches, when it ends. */
import type { Share } from "../base/units.ts";
import type { CheckedExchange } from "../exchange/types.ts";
import type { Range } from "../score/header.ts";
import type { GameEvent, GameTouch } from "../score/game-words.ts";
import type { Actor, Alternative, Line, Row, Span } from "../score/types.ts";

/** One thing that somebody may do, with its place in its row. */
export interface GameOption extends Span {
  readonly row: Row;
  readonly text: string;
  readonly alternative: Alternative;
}

/** What somebody may do. */
export interface GameMay {
  readonly actor: Actor;
  readonly row: Row;
  readonly options: readonly GameOption[];
}

/** Something that scores, and how much. */
export interface GameScore extends Span {
  readonly event: GameEvent;
  readonly points: number;
}

interface GameScores {
  readonly actor: Actor;
  readonly row: Row;
  readonly events: readonly GameScore[];
}

/** When a game is over. */
export interface GameEnd {
  readonly unit: "points" | "s" | "feeds";
  readonly count: number;
}

/** When roles change. */
export type GameSwap = "at the end" | "never" | { readonly unit: "s" | "feeds"; readonly count: number };

/** A game that was read; what could not be is left out and said. */
export interface Game {
  readonly name: string;
  readonly row: Row;
  readonly head: Span;
  /** Set-ups before each go, in order, each with its row. */
  readonly start: readonly { readonly row: Row; readonly line: Line }[];
  readonly range: Range;
  readonly may: readonly GameMay[];
  readonly scores: readonly GameScores[];
  readonly touch: GameTouch | null;
  readonly ends: readonly GameEnd[];
  readonly swap: GameSwap;
}

/** How an option of one fares against an option of the feeder. */
export interface GameCell {
  /** `nothing`: there is nothing to answer. */
  readonly verdict: "valid" | "risky" | "invalid" | "nothing";
  /** It is in time up to this share of full speed; null where time does not matter. */
  readonly ceiling: Share | null;
  /** Nothing came, and they moved all the same. */
  readonly forNothing: boolean;
  /** Returned, and the return lands. */
  readonly returns: boolean;
}

/** A feed of a game that nothing answers. */
export interface GameHole {
  readonly option: GameOption;
  readonly feeder: Actor;
  readonly responder: Actor;
}

/** A game with what the checker found. */
export interface CheckedGame {
  readonly game: Game;
  readonly verdict: "sound" | "risky" | "broken";
  readonly feeder: Actor | null;
  /** For each who answers: a row for each option of the feeder, a cell for each of theirs. */
  readonly answers: readonly {
    readonly actor: Actor;
    readonly cells: readonly (readonly GameCell[])[];
  }[];
  readonly holes: readonly GameHole[];
  /** Every option of the feeder against every option of the others. */
  readonly exchanges: readonly CheckedExchange[];
  /** How many of the feeder’s options can still be answered at the tempo of the drill, of how many. */
  readonly fairness: { readonly answered: number; readonly of: number };
  /** What makes the rest answerable; null where nothing has to, or nothing does. */
  readonly evener: GameEvener | null;
}

/** What evens a game: a slower tempo (share of full speed), or no more than two options. */
export type GameEvener = { readonly slower: Share } | "two options";
