/** The words of games: their keys, what can score, how it touches, and what is printed with every game. */
import data from "./game-words.json" with { type: "json" };

/** The keys of a game, as they are written. */
export const GAME_KEYS = ["start", "A may", "B may", "A scores", "B scores", "touch", "ends", "swap"] as const;

/** What somebody must be allowed to do for an event to come about. */
export type GameNeed = keyof (typeof data)["needs"];

/** Something that can score. */
export interface GameEvent {
  readonly name: string;
  readonly needs: GameNeed;
  /** What the one who scores does, in words. */
  readonly says: string;
}
/** All that can score in a game: a closed list. */
export const GAME_EVENTS: readonly GameEvent[] = data.events as readonly GameEvent[];
/** What an event needs, in words. */
export const NEED_WORDS: Readonly<Record<GameNeed, string>> = data.needs;

/** How it touches. */
export interface GameTouch {
  readonly name: string;
  /** It may be the head that is touched. */
  readonly head: boolean;
  /** The touch is on the body, not on a glove, pad or stick. */
  readonly body: boolean;
  /** What must be held or worn for it. */
  readonly gear: string | null;
}
/** The ways to touch in a game. */
export const GAME_TOUCHES: readonly GameTouch[] = data.touches;
/** The rules that are printed with every game. */
export const GAME_RULES: readonly string[] = data.printed;
