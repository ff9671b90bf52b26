/** Games with a score: they pair early comers, and come every ten minutes in a class of children. */
import data from "./games.json" with { type: "json" };

interface Game {
  readonly id: string;
  readonly name: string;
  readonly how: string;
  readonly won: string;
  /** Of one go, s. */
  readonly seconds: number;
  /** Hardly anybody is pushed or held in it. */
  readonly children: boolean;
}
/** The games that can end an evening. */
export const GAMES: readonly Game[] = data.games;

/** A game as the title of a block. */
export const gameTitle = ({ name, how, won, seconds }: Game): string =>
  `Game: ${name}, ${seconds} s a go. ${how.charAt(0).toUpperCase()}${how.slice(1)}. Won by ${won}.`;

/** Games for children, one after the other. */
export const CHILDREN_GAMES: readonly string[] = GAMES.filter(({ children }) => children).map(gameTitle);
