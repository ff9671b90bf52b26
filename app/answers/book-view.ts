/** The answer book as it is shown: rows and columns that pass the filters, one cell for one or both sides. */
import {
  cellAt,
  BOOK_SIDES,
  type Book,
  type BookFeed,
  type BookTool,
  type CellCode,
  trainedKey,
  type Trained,
} from "#core/answers/book.ts";

/** `usual`: a right-handed feeder (left lead with empty hands); `other`: a left-handed one; `both`: the worse of the two. */
export type ShownSide = "usual" | "other" | "both";
type Recency = "never" | "long ago" | "lately";
export interface CellView {
  readonly code: CellCode;
  readonly trained: Recency;
}
export interface RowView {
  /** Place in the book. */
  readonly index: number;
  readonly feed: BookFeed;
  readonly cells: readonly CellView[];
  /** True where another kind of tool begins. */
  readonly starts: boolean;
}
export interface MapView {
  readonly rows: readonly RowView[];
  readonly columns: readonly { readonly index: number; readonly text: string; readonly group: string }[];
}
export interface Filters {
  readonly side: ShownSide;
  readonly tool: BookTool | "all";
  readonly range: BookFeed["range"] | "all";
}

/** Days after which training counts as long ago. */
const LATELY_DAYS = 28;
const DAY = 86_400_000;
const WORSE = "vdrx ";
const worse = (a: CellCode, b: CellCode): CellCode => (WORSE.indexOf(a) > WORSE.indexOf(b) ? a : b);

const recency = (date: string | undefined, today: string): Recency =>
  date === undefined ? "never" : (Date.parse(today) - Date.parse(date)) / DAY > LATELY_DAYS ? "long ago" : "lately";
const LESS: readonly Recency[] = ["never", "long ago", "lately"];

/** The sides of the book that are shown, as places in `codes`. */
export const sidesOf = (side: ShownSide): readonly (0 | 1)[] =>
  side === "usual" ? [0] : side === "other" ? [1] : [0, 1];

/** Last day a pair was trained on a side, or undefined. */
export const trainedOn = (book: Book, trained: Trained, feed: number, answer: number, side: 0 | 1) =>
  trained[trainedKey(BOOK_SIDES[side], book.feedKeys[feed]!, book.answerKeys[answer]!)];

/** `today`: a day such as `2026-11-25`. */
export function mapView(book: Book, trained: Trained, { side, tool, range }: Filters, today: string): MapView {
  const sides = sidesOf(side);
  const feeds = book.feeds
    .map((feed, index) => ({ feed, index }))
    .filter(({ feed }) => (tool === "all" || feed.tool === tool) && (range === "all" || feed.range === range));
  const codeOf = (feed: number, answer: number): CellCode =>
    sides.map((s) => cellAt(book, feed, s, answer)).reduce(worse);
  const columns = book.answers
    .map(({ text, group }, index) => ({ index, text, group }))
    .filter(({ index }) => feeds.some((f) => codeOf(f.index, index) !== " "));
  const rows = feeds.map(({ feed, index }, i): RowView => {
    const cells = columns.map((column): CellView => {
      const days = sides.map((s) => recency(trainedOn(book, trained, index, column.index, s), today));
      return {
        code: codeOf(index, column.index),
        trained: days.reduce((a, b) => (LESS.indexOf(a) < LESS.indexOf(b) ? a : b)),
      };
    });
    return { index, feed, cells, starts: i > 0 && feeds[i - 1]!.feed.tool !== feed.tool };
  });
  return { rows, columns };
}

/** A pair that was trained and does not hold. */
export interface BrokenPair {
  readonly feed: string;
  readonly answer: string;
  readonly side: 0 | 1;
  /** Last day it was trained, `2026-11-25`. */
  readonly day: string;
}

/** What was trained and is broken by the map, the latest first. */
export function trainedBroken(book: Book, trained: Trained): BrokenPair[] {
  const found: BrokenPair[] = [];
  for (const [feed, { text }] of book.feeds.entries())
    for (const side of [0, 1] as const)
      for (const [answer, code] of [...book.codes[feed]![side]].entries()) {
        const day = code === "x" ? trainedOn(book, trained, feed, answer, side) : undefined;
        if (day !== undefined) found.push({ feed: text, answer: book.answers[answer]!.text, side, day });
      }
  return found.sort((a, b) => b.day.localeCompare(a.day));
}

export interface Hole {
  readonly feed: number;
  readonly text: string;
  readonly side: 0 | 1;
  /** `none`: nothing works; `risky`: only risky answers; `untrained`: answered, but never trained. */
  readonly kind: "none" | "risky" | "untrained";
}

const ORDER = { none: 0, risky: 1, untrained: 2 } as const;

/** What the school has no answer for, gravest first; a feed that is a hole on both sides comes twice. */
export function holesOf(book: Book, trained: Trained): Hole[] {
  const holes: Hole[] = [];
  book.feeds.forEach(({ text }, feed) => {
    for (const side of [0, 1] as const) {
      const row = book.codes[feed]![side];
      const works = [...row].flatMap((code, i) => (code === "v" || code === "d" ? [i] : []));
      if (works.length === 0) holes.push({ feed, text, side, kind: row.includes("r") ? "risky" : "none" });
      else if (!works.some((answer) => trainedOn(book, trained, feed, answer, side)))
        holes.push({ feed, text, side, kind: "untrained" });
    }
  });
  return holes.sort((a, b) => ORDER[a.kind] - ORDER[b.kind]);
}
