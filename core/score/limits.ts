/**
 * How much a score may hold: one table for all who read, check and save it. Each limit lies far beyond
 * what a class can use; together they keep the cost of any text in step with its length. What goes beyond
 * one is said in words, with a place in the text.
 */

/** Longest text read, in characters. The server saves no longer one. */
export const MAX_TEXT = 200_000;
/** Longest file read into a drill, in characters: reading stops with a message before anything is parsed. */
export const MAX_FILE = 2_000_000;
/** Most rows of a text. */
export const MAX_ROWS = 5_000;
/** Most syntax faults reported for one score; the rest are counted in one sentence. */
export const MAX_FAULTS = 100;
/** Longest point to watch, in characters. */
export const MAX_NOTE = 200;
/** Most times a loop may be written to run; beyond it the number is a typing slip. */
export const MAX_LOOP = 999;
/** Most lines one range may stand for. */
export const MAX_RANGE = 50;
/** Most games of one score. */
export const MAX_GAMES = 12;
/** Most things that one person may do in a game. */
export const MAX_OPTIONS = 12;
/** Most rows of what may come at any time. */
export const MAX_ANY_TIME = 4;
/** Most blocks inside each other. */
export const MAX_DEPTH = 8;

/** Limits of one row of play, by the code of the fault that says them. */
export const ROW_LIMITS = {
  "many-lines": 40,
  "many-turns": 40,
  "many-alternatives": 64,
  "many-beats": 60,
  "many-parts": 8,
  "many-words": 24,
} as const;
/** A limit of a row. */
export type RowLimit = keyof typeof ROW_LIMITS;

/** Most branches that alternatives may open on one line. */
export const MAX_BRANCHES = 64;
/** Most exchanges of one line, its branches counted; no further branch is opened beyond it. */
export const MAX_LINE_EXCHANGES = 2_000;
/** Most exchanges worked out in the loops and carries of one score, all their passes counted. */
export const MAX_CARRIED_EXCHANGES = 20_000;
