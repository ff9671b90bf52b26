/** Small edits of a score as text: rows kept, lines changed, header rows replaced. */
import { keptFor } from "../base/bounded.ts";
import { gameText, headText, lineText, spaced } from "./format.ts";
import type {
  Alternative,
  Beat,
  BlockHead,
  Line,
  Part,
  Score,
  ScoreItem,
  ScoreLine,
  Turn,
  TurnActor,
} from "./types.ts";

/** Text of words as a part of a line; places count nothing here, the text is parsed again. */
const partOf = (text: string): Part => ({
  from: 0,
  to: 0,
  words: text
    .split(/\s+/)
    .filter(Boolean)
    .map((word) => ({ from: 0, to: 0, text: word })),
});
/** Returns a beat by its text. */
export const beatOf = (text: string): Beat => ({ from: 0, to: 0, parts: text.split(/\s*\+\s*/).map(partOf) });
/** Beats of one person as a turn; null where nobody is named. */
export const turnOf = (actor: TurnActor | null, beats: readonly string[]): string =>
  actor ? `${actor} ${beats.join(", ")}` : beats.join(", ");
/** Turns one after the other as a line. */
export const lineOf = (turns: readonly string[]): string => turns.join(" -> ");

const mapTurns = (line: Line, change: (turn: Turn, index: number) => Turn): Line => ({
  ...line,
  turns: line.turns.map(change),
});
/** Returns an alternative with other beats. */
export const withBeats = (alternative: Alternative, beats: readonly Beat[]): Alternative => ({ ...alternative, beats });
/** Changes every part of a line. */
export const mapParts = (line: Line, change: (part: Part) => Part): Line =>
  mapTurns(line, (turn) => ({
    ...turn,
    alternatives: turn.alternatives.map((a) =>
      withBeats(
        a,
        a.beats.map((beat) => ({ ...beat, parts: beat.parts.map(change) })),
      ),
    ),
  }));

/** The only alternative of a turn, or null where there are several. */
export const single = (turn: Turn | undefined): Alternative | null =>
  turn?.alternatives.length === 1 ? turn.alternatives[0]! : null;

/** A score as its rows of text, in the layout that `format` writes. */
export type Rows = readonly string[];

/** Returns rows as a text. */
export const textOf = (rows: Rows): string => `${rows.join("\n")}\n`;

/** Returns a text as rows. */
export const rowsOf = (text: string): Rows => text.trimEnd().split("\n");

/** Header rows with the rows of play behind them. */
export const written = (head: Rows, play: Rows): Rows => (head.length > 0 ? [...head, "", ...play] : play);

/** A block of its own round rows of play. */
export const blockRows = (head: BlockHead, play: Rows): Rows => [
  `${headText(head)}:`,
  ...play.map((row) => `  ${row}`),
  "end",
];

interface HeaderEntry {
  /** Under which a change finds it. */
  readonly name: string;
  readonly row: string;
}
const headers = new WeakMap<Score, readonly HeaderEntry[]>();

/** A person's letter stays as it is; all other keys are the same in large and small letters. */
const nameOf = (key: string): string => (key.length === 1 ? key.toUpperCase() : key.toLowerCase());
const headerRow = (key: string, value: string): string => spaced(`${key}: ${value}`);

function entriesOf(score: Score): readonly HeaderEntry[] {
  let entries = headers.get(score);
  if (!entries) {
    entries = score.rows.flatMap(({ content: { body } }) =>
      body.kind === "header"
        ? [{ name: nameOf(body.key.text), row: headerRow(body.key.text, body.value?.text ?? "") }]
        : [],
    );
    headers.set(score, entries);
  }
  return entries;
}

const plainHeaders = new WeakMap<Score, Rows>();

/** Header rows as they stand: the same object each time, so that what is known under them is found again. */
export function contextOf(score: Score): Rows {
  let rows = plainHeaders.get(score);
  if (!rows) plainHeaders.set(score, (rows = headerRows(score)));
  return rows;
}

/** Changes of a header: keys with what they are to say; null takes a key out. */
export type HeaderChanges = Readonly<Record<string, string | null>>;

/** Header rows as text; `changes` replace or add keys. */
export function headerRows(score: Score, changes: HeaderChanges = {}): string[] {
  const left = new Map<string, string | null>();
  for (const key in changes) {
    const value = changes[key]!;
    left.set(nameOf(key), value === null ? null : headerRow(key, value));
  }
  const rows: string[] = [];
  const put = (row: string | null) => {
    if (row !== null) rows.push(row);
  };
  for (const { name, row } of entriesOf(score)) {
    const change = left.get(name);
    put(change === undefined ? row : change);
    left.delete(name);
  }
  for (const row of left.values()) put(row);
  return rows;
}

/** A row of play with what stands before a line in it; a row that is no line has no item. */
interface PlayRow {
  readonly item: ScoreLine | null;
  readonly before: string;
  readonly row: string;
}
const plays = new WeakMap<Score, readonly PlayRow[]>();

/** The rows of play of a score, one for each line; comments are not taken over. */
function playRows(score: Score): readonly PlayRow[] {
  const known = plays.get(score);
  if (known) return known;
  const rows = rowsFor(score.items);
  plays.set(score, rows);
  return rows;
}

/** Rows of play; `all`: with what may come at any time, what lands, and games. */
function rowsFor(all: readonly ScoreItem[], which: "lines" | "all" = "lines"): PlayRow[] {
  const rows: PlayRow[] = [];
  const put = (row: string) => rows.push({ item: null, before: "", row });
  const write = (items: readonly ScoreItem[], depth: number) => {
    const pad = "  ".repeat(depth);
    for (const item of items) {
      if (item.kind === "section") put(`${pad}section ${spaced(item.name)}`);
      else if (item.kind === "line") {
        const before = `${pad}${item.label ? `${item.label}: ` : ""}`;
        rows.push({ item, before, row: before + lineText(item.line) });
      } else if (which === "all" && (item.kind === "any time" || item.kind === "lands"))
        put(`${pad}${item.kind}: ${item.shows.label ? `${item.shows.label}: ` : ""}${lineText(item.shows.line)}`);
      else if (which === "all" && item.kind === "game") for (const row of gameText(item)) put(row);
      else if (item.kind === "block" && item.implied) write(item.items, depth);
      else if (item.kind === "block") {
        put(`${pad}${headText(item.head)}:`);
        write(item.items, depth + 1);
        put(`${pad}end`);
      }
    }
  };
  write(all, 0);
  return rows;
}

/** The first so many items of a score, sections and blocks as they stand, under the same header. */
export const firstItems = (score: Score, count: number, header: HeaderChanges): Rows =>
  written(
    headerRows(score, header),
    rowsFor(score.items.slice(0, count)).map(({ row }) => row),
  );

/** The names of the sections of a score, in their order. */
export const sectionsOf = ({ items }: Score): string[] =>
  items.flatMap((item) => (item.kind === "section" ? [item.name] : []));

/** One section of a score by its name, under the same header; null where it has none of that name. */
export function sectionAlone(score: Score, name: string, header: HeaderChanges): Rows | null {
  const from = score.items.findIndex((item) => item.kind === "section" && item.name === name);
  if (from < 0) return null;
  const rest = score.items.slice(from + 1);
  const end = rest.findIndex(({ kind }) => kind === "section");
  const items = end < 0 ? rest : rest.slice(0, end);
  return written(
    headerRows(score, header),
    rowsFor(items).map(({ row }) => row),
  );
}

/** A score of the same header and rows of play, with lines replaced, by others or by texts (null takes a line out). */
export function withLines(
  score: Score,
  replace: (item: ScoreLine) => Line | string | null,
  header: HeaderChanges,
): Rows {
  const play: string[] = [];
  for (const { item, before, row } of playRows(score)) {
    const line = item && replace(item);
    if (!item || line === item.line) play.push(row);
    else if (line) play.push(before + (typeof line === "string" ? line : lineText(line)));
  }
  return written(headerRows(score, header), play);
}

/** Rows of play with those beside them: a search asks for the same score under many tempos. */
const whole = new WeakMap<Score, Rows>();

/** The same rows of play under another header, with the rows and games beside them, which stay as true. */
export const withHeader = (score: Score, header: HeaderChanges): Rows =>
  written(
    headerRows(score, header),
    keptFor(whole, score, () => rowsFor(score.items, "all").map(({ row }) => row)),
  );

/** A score of the same header with one list of plain lines. */
export const plainScore = (score: Score, lines: readonly Line[], header: HeaderChanges): Rows =>
  written(headerRows(score, header), lines.map(lineText));
