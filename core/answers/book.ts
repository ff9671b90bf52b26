/** The answer map as it is kept and shown: which feeds, which answers, and a letter for each pair. */
import type { Side } from "../score/person.ts";

/** What a feed is thrown with, for filters and for what the two people hold. */
export const BOOK_TOOLS = ["hand", "leg", "stick", "blade", "takedown"] as const;
/** A kind of feed in the answer map. */
export type BookTool = (typeof BOOK_TOOLS)[number];
/** The sides from which a feed comes in the answer map. */
export const BOOK_SIDES = ["left", "right"] as const;

/** A feed of the answer map; `distance` in m. */
export interface BookFeed {
  readonly text: string;
  readonly tool: BookTool;
  /** Distance it is thrown from, m, and the usual word for it. */
  readonly distance: number;
  readonly range: "close" | "punch" | "kick" | "weapon";
}

/** One letter a cell: v valid, d holds as a drill, r risky, x invalid, blank where the answer cannot be done. */
const CODES = ["v", "d", "r", "x", " "] as const;
/** The letter of a cell. */
export type CellCode = (typeof CODES)[number];
/** The answer map: a code for each feed, side and answer. */
export interface Book {
  readonly feeds: readonly BookFeed[];
  readonly answers: readonly { readonly text: string; readonly group: string }[];
  /** A row of letters for each feed and side it comes from: `codes[feed][side]`, one letter an answer. */
  readonly codes: readonly (readonly [string, string])[];
  /** Keys of trained pairs are made of these: `feedKeys[feed]`, `answerKeys[answer]`. */
  readonly feedKeys: readonly string[];
  readonly answerKeys: readonly string[];
}

/** Returns the letter of a cell: feed, side (0 the usual one) and answer by their places; blank outside of the map. */
export const cellAt = ({ codes }: Pick<Book, "codes">, feed: number, side: 0 | 1, answer: number): CellCode =>
  CODES.find((code) => code === codes[feed]?.[side][answer]) ?? " ";

/** Last day by `side:feed key>answer key`. */
export type Trained = Readonly<Record<string, string>>;

/** The key of a pair on one side in `Trained`. */
export const trainedKey = (side: Side, feedKey: string, answerKey: string): string => `${side}:${feedKey}>${answerKey}`;
