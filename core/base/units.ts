/**
 * Numbers that must not be mistaken for each other. A branded number reads as a number everywhere; to
 * write one, say what it is.
 */
declare const unit: unique symbol;
type In<Unit extends string> = number & { readonly [unit]: Unit };

/** Lengths, m. */
export type Metres = In<"m">;
/** Returns a number as a length in m. */
export const metres = (value: number): Metres => value as Metres;

/** Times, ms. */
export type Millis = In<"ms">;
/** Returns a number as a time in ms. */
export const millis = (value: number): Millis => value as Millis;

/** Shares of a whole: of full speed, of full force; 1 is all of it. */
export type Share = In<"share">;
/** Returns a number as a share, 1 for the whole. */
export const share = (value: number): Share => value as Share;

/** Place of a row in a text or a list, the first 0. */
export type RowIndex = In<"row from 0">;
/** Returns a number as the place of a row, from 0. */
export const rowIndex = (value: number): RowIndex => value as RowIndex;

/** Number of a row as people count them, the first 1. */
export type LineNumber = In<"line from 1">;
/** Returns the number of a row as people count, from 1. */
export const lineNumber = (row: RowIndex): LineNumber => (row + 1) as LineNumber;
/** Returns the place of a row, from 0, by its number. */
export const rowOfLine = (line: LineNumber): RowIndex => (line - 1) as RowIndex;
