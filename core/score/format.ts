/** Score to text: one layout, nothing lost but layout. */
import { closedByEnd } from "./structure.ts";
import type {
  Beat,
  BlockHead,
  GameKeyRow,
  Line,
  Row,
  ScoreGame,
  RowBody,
  Score,
  ScoreItem,
  Turn,
  Word,
} from "./types.ts";

/** Writes a score in the one layout; `format(parse(format(s)))` equals `format(s)`. */
export function format(score: Score): string {
  const depth = depths(score);
  const rows: string[] = [];
  for (const row of score.rows) {
    const { body, comment, typed } = row.content;
    const text = rowText(body);
    const whole = typed ?? [text, comment].filter(Boolean).join(text ? "  " : "");
    rows.push(whole === "" ? "" : "  ".repeat(depth.get(row.index) ?? 0) + whole);
  }
  const joined = rows
    .join("\n")
    .replace(/\n{3,}/g, "\n\n")
    .trim();
  return joined === "" ? "" : `${joined}\n`;
}

/** How deep in blocks each row lies. */
function depths(score: Score): Map<number, number> {
  const depth = new Map<number, number>();
  const walk = (items: readonly ScoreItem[], level: number) => {
    for (const item of items) {
      depth.set(item.row.index, level);
      if (item.kind === "block") walk(item.items, item.implied ? level : level + 1);
      if (item.kind === "game") for (const { row } of item.keys) depth.set(row.index, level + 1);
    }
  };
  walk(score.items, 0);
  let last = 0;
  const open: Row[] = [];
  const closing = closedByEnd(score.rows);
  const closeLoose = () => {
    while (open.length > 0 && !closing.has(open[open.length - 1]!.index)) open.pop();
  };
  const next = nextDepths(score.rows, depth);
  for (const row of score.rows) {
    const { index, content } = row;
    const { kind } = content.body;
    if (kind === "block" || kind === "game") open.push(row);
    if (kind === "blank" || kind === "end") closeLoose();
    // An `end` stands level with the head of the block it closes.
    if (kind === "end") depth.set(index, depth.get(open.pop()?.index ?? -1) ?? 0);
    if (kind === "comment") depth.set(index, next.get(index) ?? last);
    last = depth.get(index) ?? 0;
  }
  return depth;
}

/** For each comment the depth of the next row of the same paragraph that is not one; none before an `end`. */
function nextDepths(rows: readonly Row[], depth: ReadonlyMap<number, number>): ReadonlyMap<number, number> {
  const next = new Map<number, number>();
  let coming: number | undefined;
  for (let i = rows.length - 1; i >= 0; i--) {
    const { kind } = rows[i]!.content.body;
    if (kind === "comment") {
      if (coming !== undefined) next.set(i, coming);
    } else coming = kind === "blank" || kind === "end" ? undefined : depth.get(i);
  }
  return next;
}

/** What was written for a row; rows of equal text share one body. */
const written = new WeakMap<RowBody, string>();
function rowText(body: RowBody): string {
  let text = written.get(body);
  if (text === undefined) written.set(body, (text = writeRow(body)));
  return text;
}

function writeRow(body: RowBody): string {
  switch (body.kind) {
    case "blank":
    case "comment":
      return "";
    case "header": {
      const key = spaced(body.key.text);
      return body.value ? `${key}: ${spaced(body.value.text)}` : `${key}:`;
    }
    case "section":
      return body.name ? `section ${spaced(body.name.text)}` : "section";
    case "block":
      return `${headText(body.head)}:`;
    case "end":
      return "end";
    case "form":
      return body.name ? `form: ${spaced(body.name.text)}` : "form:";
    case "play":
      return `${body.mark ? `${body.mark}: ` : ""}${body.label ? `${body.label.text}: ` : ""}${body.lines.map(lineText).join("; ")}`;
    case "game":
      return `game ${spaced(body.name.text)}:`;
    case "game-key":
      return keyRow(body);
    case "unread":
      return body.text;
  }
}

/** The key of a game as it is written: people are large letters. */
const keyText = (key: string): string =>
  spaced(key.toLowerCase()).replace(/^[abc](?= )/, (actor) => actor.toUpperCase());

/** A row of a game as it is written. */
const keyRow = ({ key, value, lines }: Pick<GameKeyRow, "key" | "value" | "lines">): string =>
  `${keyText(key.text)}: ${value ? spaced(value.text) : lines.map(lineText).join("; ")}`.trim();

/** Returns a game as rows of text. */
export const gameText = ({ name, keys }: ScoreGame): string[] => [
  `game ${spaced(name.text)}:`,
  ...keys.map((key) => `  ${keyRow(key)}`),
  "end",
];

/** How the sides of a loop are written. */
const SIDES = { written: "", each: " each side", alternate: " alternate" } as const;

/** Returns the head of a block as it is written. */
export function headText(head: BlockHead): string {
  switch (head.type) {
    case "loop":
      return `loop ${head.swap ? "swap " : ""}x${head.times}${SIDES[head.sides]}${head.onCount ? " on count" : ""}`;
    case "choose":
      return `choose ${head.by}`;
    case "carry":
      return "carry";
  }
}

/** What was written for a line, which never changes. */
const lines = new WeakMap<Line, string>();

/** One line of play as text. */
export function lineText(line: Line): string {
  let text = lines.get(line);
  if (text === undefined) lines.set(line, (text = line.turns.map(turnText).join(line.meets ? " <> " : " -> ")));
  return text;
}

/** Returns a turn as it is written. */
export function turnText(turn: Turn): string {
  const moves = turn.alternatives.map((alternative) => alternative.beats.map(notedBeat).join(", ")).join(" | ");
  return [turn.actor, ...quoted(turn.notes), moves].filter(Boolean).join(" ");
}

/** A beat as it is written, without its points to watch. */
export const beatText = (beat: Beat): string =>
  beat.parts.map((part) => part.words.map((word) => word.text).join(" ")).join(" + ");

/** The same with them. */
export const notedBeat = (beat: Beat): string => [beatText(beat), ...quoted(beat.notes)].join(" ");

/** Quotes inside a note would end it. */
const quoted = (notes: readonly Word[] = []): string[] => notes.map(({ text }) => `"${text.replaceAll('"', "'")}"`);

/** One blank between words, none round them. */
export const spaced = (text: string): string =>
  (/ {2}|[\t\u00a0]/.test(text) ? text.replace(/[ \t\u00a0]+/g, " ") : text).trim();
