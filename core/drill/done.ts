/** All that is done in a drill: in its rows, and in the games that may be played in it. */
import type { Checked } from "./types.ts";
import type { CheckedExchange } from "../exchange/types.ts";

/** Returns the exchanges of the rows and those of every option of every game. */
export const allDone = ({ exchanges, games }: Pick<Checked, "exchanges" | "games">): readonly CheckedExchange[] =>
  games.length === 0 ? exchanges : [...exchanges, ...games.flatMap((game) => game.exchanges)];
