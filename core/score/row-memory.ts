/** Reads many scores that share most of their rows: each different row is parsed once. */
import { rowIndex } from "../base/units.ts";
import { Bounded } from "../base/bounded.ts";
import { parse, plain } from "./parse.ts";
import { RowReader } from "./rows.ts";
import { parser } from "./score-parser.ts";
import { beginsPlay, structure } from "./structure.ts";
import { BLANK, type Row, type RowContent, type Score } from "./types.ts";

/** Rows remembered for sure. */
const MOST_ROWS = 20_000;

/** A row that is no part of any score: the row after it is read as play. */
const PLAY_BEFORE = "A jab";

/** A game that is no part of any score: the row after it is read as one of its rows. */
const GAME_BEFORE = "game one:";

/** Before the first row of play, behind it, or in a game. */
type Place = "header" | "play" | "game";

/**
 * A row means the same wherever it stands, but for one thing: before the first row of play a word
 * and a colon are a header key, afterwards a label. Rows of equal text share one content, so that
 * what the checker keeps for a line is found again. Texts with a row that cannot be read go through
 * the whole parser.
 */
export class RowMemory {
  private readonly rows = new RowReader();
  private readonly known: Record<Place, Bounded<string, RowContent>> = {
    header: new Bounded(MOST_ROWS),
    play: new Bounded(MOST_ROWS),
    game: new Bounded(MOST_ROWS),
  };

  /** Reads as `parse` does. */
  read(text: string): Score {
    return this.readRows(plain(text).split("\n"));
  }

  /** Reads the rows of a text. */
  readRows(lines: readonly string[]): Score {
    const rows: Row[] = [];
    let from = 0;
    let place: Place = "header";
    for (const line of lines) {
      const content: RowContent = line === "" ? BLANK : this.content(line, place);
      if (content.body.kind === "unread" || content.faults.length > 0) return parse(lines.join("\n"));
      if (content.body.kind === "game") place = "game";
      else if (place === "game") place = content.body.kind === "end" ? "play" : "game";
      else if (beginsPlay(content.body)) place = "play";
      rows.push({ index: rowIndex(rows.length), from, content });
      from += line.length + 1;
    }
    const { items, faults } = structure(rows);
    return { rows, items, faults };
  }

  private content(line: string, place: Place): RowContent {
    const known = this.known[place];
    const old = known.get(line);
    if (old) return old;
    if (line.trim() === "") return BLANK;
    const text = place === "header" ? line : `${place === "play" ? PLAY_BEFORE : GAME_BEFORE}\n${line}`;
    const read = this.rows.read(text, parser.parse(text))[place === "header" ? 0 : 1]!.content;
    // Only a header means something else in play; every other row has one content in both places.
    const other = place === "game" ? undefined : this.known[place === "play" ? "header" : "play"].get(line);
    const content = other && other.body.kind !== "header" && read.body.kind !== "header" ? other : read;
    known.set(line, content);
    return content;
  }
}
