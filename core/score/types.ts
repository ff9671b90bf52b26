/** The score as typed: it may be wrong, but everything in it knows its place in the text. */
import type { RowIndex } from "../base/units.ts";

/** A stretch of text; inside a row positions count from the start of that row. */
export interface Span {
  readonly from: number;
  readonly to: number;
}

/** The letters of people. */
export const ACTORS = ["A", "B", "C"] as const;
/** The letter of a person. */
export type Actor = (typeof ACTORS)[number];
/** `any`: whoever was attacked. */
export type TurnActor = Actor | "both" | "any";

/** Words with their place in a row. */
export interface Word extends Span {
  readonly text: string;
}

/** One move with its modifiers, as typed. */
export interface Part extends Span {
  readonly words: readonly Word[];
}

/** What one person does at one time: parts joined by `+`. */
export interface Beat extends Span {
  readonly parts: readonly Part[];
  /** Points to watch, as quoted behind it. */
  readonly notes?: readonly Word[];
}

/** Beats joined by `,`. */
export interface Alternative extends Span {
  readonly beats: readonly Beat[];
}

/** What one person does before the initiative passes, in one or several alternatives (`|`). */
export interface Turn extends Span {
  /** null where no actor was typed. */
  readonly actor: TurnActor | null;
  readonly alternatives: readonly Alternative[];
  /** Points to watch in all of it, as quoted before its first beat. */
  readonly notes?: readonly Word[];
}

/** Turns joined by `->`, or two blows that meet (`<>`). */
export interface Line extends Span {
  readonly meets: boolean;
  /** A word of it means several: a range, or `any`. */
  readonly several: boolean;
  /** Its range comes in any order: the feeder chooses among the numbers. */
  readonly anyOrder?: true;
  readonly turns: readonly Turn[];
}

/** A syntax fault found while reading a row; `code` picks the words in the catalogue. */
export interface RowFault extends Span {
  readonly code: string;
  readonly found: string;
}

/** Which side a loop is done on: as written; all passes, then all again mirrored; or every second pass mirrored. */
export type LoopSides = "written" | "each" | "alternate";

/** The head of a block. */
export type BlockHead =
  | {
      readonly type: "loop";
      readonly times: number;
      readonly swap: boolean;
      readonly sides: LoopSides;
      /** Somebody counts, and each count is one pass. */
      readonly onCount: boolean;
    }
  | { readonly type: "choose"; readonly by: Actor | "call" }
  | { readonly type: "carry" };

/** What a row of play is marked as: how it goes wrong, what may come at any time, what happens where the feed lands. */
export type RowMark = "wrong" | "any time" | "lands";

/** The content of a row by its kind. */
export type RowBody =
  | { readonly kind: "blank" }
  | { readonly kind: "comment" }
  | { readonly kind: "header"; readonly key: Word; readonly value: Word | null }
  | { readonly kind: "section"; readonly name: Word | null }
  | { readonly kind: "block"; readonly head: BlockHead; readonly span: Span }
  | { readonly kind: "end" }
  /** Names the form that the next line is taken from. */
  | { readonly kind: "form"; readonly name: Word | null }
  | {
      readonly kind: "play";
      readonly mark: RowMark | null;
      readonly label: Word | null;
      readonly lines: readonly Line[];
      /** A third person, C, does something in it. */
      readonly third: boolean;
    }
  | { readonly kind: "game"; readonly name: Word }
  | {
      readonly kind: "game-key";
      readonly key: Word;
      /** The text behind the key; null for a key that takes moves. */
      readonly value: Word | null;
      readonly lines: readonly Line[];
      /** It says something of a third person, C. */
      readonly third: boolean;
    }
  | { readonly kind: "unread"; readonly text: string };

/** One row of text. Rows of equal text share one `content` object, which downstream caches rely on. */
export interface Row {
  /** Row number, from 0. */
  readonly index: RowIndex;
  /** Place of the row's first character in the whole text. */
  readonly from: number;
  readonly content: RowContent;
}

/** A row as it was parsed. */
export interface RowContent {
  readonly body: RowBody;
  /** The comment at the end of the row, `#` included. */
  readonly comment: string | null;
  readonly faults: readonly RowFault[];
  /** The row as typed where something in it could not be read: nothing of it is lost when it is written. */
  readonly typed: string | null;
}

/** A row of play in a score. */
export interface ScoreLine {
  readonly kind: "line";
  readonly row: Row;
  readonly label: string | null;
  readonly line: Line;
  /** The form that it is taken from, with the numbers of its moves, as written. */
  readonly form: string | null;
  /** The first feed lands, and the row goes on from there. */
  readonly lands?: true;
}

/** A row beside the lines of a drill: it shows how it goes wrong, may come at any time, or goes on from a hit. */
export type ScoreBeside = Beside<"wrong"> | Beside<"any time"> | Beside<"lands">;

interface Beside<Kind> {
  readonly kind: Kind;
  readonly row: Row;
  readonly shows: ScoreLine;
}

/** A row of a game: a key with what is said or played behind it. */
export interface GameKeyRow {
  readonly row: Row;
  readonly key: Word;
  readonly value: Word | null;
  readonly lines: readonly Line[];
}

/** A game with its keys as they are written. */
export interface ScoreGame {
  readonly kind: "game";
  readonly row: Row;
  readonly name: Word;
  readonly keys: readonly GameKeyRow[];
}

interface ScoreSection {
  readonly kind: "section";
  readonly row: Row;
  readonly name: string;
}

/** A block with its items. */
export interface ScoreBlock {
  readonly kind: "block";
  readonly row: Row;
  readonly head: BlockHead;
  readonly items: readonly ScoreItem[];
  /** No row opens it: it is the choice among the numbers of its only line. */
  readonly implied?: true;
}

/** A part of a score. */
export type ScoreItem = ScoreLine | ScoreBeside | ScoreSection | ScoreBlock | ScoreGame;

/** A score as typed. `rows` hold all of the text but its layout; `items` are the same rows as a tree. */
export interface Score {
  readonly rows: readonly Row[];
  readonly items: readonly ScoreItem[];
  readonly faults: readonly { readonly row: Row; readonly fault: RowFault }[];
}

/** The content of an empty row. */
export const BLANK: RowContent = { body: { kind: "blank" }, comment: null, faults: [], typed: null };
