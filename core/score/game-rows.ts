/** Rows to games: all that stands between `game NAME:` and its `end`. */
import { MAX_GAMES } from "./limits.ts";
import type { GameKeyRow, Row, RowFault, ScoreGame, Span, Word } from "./types.ts";

/** The rows of games: from `game NAME:` to `end`, whatever stands between. */
export class GameRows {
  private readonly faults: { row: Row; fault: RowFault }[] = [];
  private keys: GameKeyRow[] | null = null;
  private head: { readonly row: Row; readonly name: Word } | null = null;
  private count = 0;

  begin(row: Row, name: Word): ScoreGame {
    this.keys = [];
    this.head = { row, name };
    if (++this.count > MAX_GAMES) this.say(row, name, "many-games", String(MAX_GAMES));
    return { kind: "game", row, name, keys: this.keys };
  }

  /** Takes a row of the game that is open; false where none is. */
  takes(row: Row): boolean {
    const { keys } = this;
    if (!keys) return false;
    const { body } = row.content;
    if (body.kind === "end") this.keys = this.head = null;
    else if (body.kind === "game-key") {
      const { key, value, lines } = body;
      const same = (one: GameKeyRow) => gameKey(one) === gameKey({ key });
      if (keys.some(same)) this.say(row, key, "game-key-twice", key.text);
      else keys.push({ row, key, value, lines });
    } else if (body.kind !== "blank" && body.kind !== "comment" && row.content.faults.length === 0)
      this.say(row, { from: 0, to: 4 }, "game-row", "");
    return true;
  }

  /** Faults of the rows of games. */
  end(): readonly { row: Row; fault: RowFault }[] {
    const { head } = this;
    if (head) this.say(head.row, head.name, "game-open", head.name.text);
    return this.faults;
  }

  private say(row: Row, { from, to }: Span, code: string, found: string): void {
    this.faults.push({ row, fault: { from, to, code, found } });
  }
}

/** The key of a row of a game, in small letters with one blank between its words. */
export const gameKey = ({ key }: Pick<GameKeyRow, "key">): string => key.text.toLowerCase().replace(/\s+/g, " ");
