/** Small edits of a score as text: rows kept, lines changed, header rows replaced. */
import { headText, lineText } from "../score/format.ts";
import type { Alternative, Beat, Line, Part, Score, ScoreItem, ScoreLine, Turn } from "../score/types.ts";

/** Text of words as a part of a line; places count nothing here, the text is parsed anew. */
export const partOf = (text: string): Part => ({
  from: 0,
  to: 0,
  words: text
    .split(/\s+/)
    .filter(Boolean)
    .map((word) => ({ from: 0, to: 0, text: word })),
});
export const beatOf = (text: string): Beat => ({ from: 0, to: 0, parts: text.split(/\s*\+\s*/).map(partOf) });
export const beatText = (beat: Beat): string =>
  beat.parts.map((part) => part.words.map((word) => word.text).join(" ")).join(" + ");

export const mapTurns = (line: Line, change: (turn: Turn, index: number) => Turn): Line => ({
  ...line,
  turns: line.turns.map(change),
});
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

/** Header rows as text; `changes` replace or add keys, null takes a key out. */
export function headerRows(score: Score, changes: Readonly<Record<string, string | null>> = {}): string[] {
  // A person's letter stays as it is; all other keys are the same in large and small letters.
  const plain = (key: string) => (key.length === 1 ? key.toUpperCase() : key.toLowerCase());
  const left = new Map(Object.entries(changes).map(([key, value]) => [plain(key), { key, value }]));
  const rows: string[] = [];
  for (const { content } of score.rows) {
    if (content.body.kind !== "header") continue;
    const key = content.body.key.text;
    const name = plain(key);
    const change = left.get(name);
    const value = change ? change.value : (content.body.value?.text ?? "");
    left.delete(name);
    if (value !== null) rows.push(`${key}: ${value}`);
  }
  for (const { key, value } of left.values()) if (value !== null) rows.push(`${key}: ${value}`);
  return rows;
}

/** A score of the same header and rows of play, with lines replaced (null takes a line out). */
export function withLines(
  score: Score,
  replace: (item: ScoreLine) => Line | null,
  header: Readonly<Record<string, string | null>>,
): string {
  const rows = headerRows(score, header);
  rows.push("");
  const write = (items: readonly ScoreItem[], depth: number) => {
    for (const item of items) {
      const pad = "  ".repeat(depth);
      if (item.kind === "section") rows.push(`${pad}section ${item.name}`);
      else if (item.kind === "line") {
        const line = replace(item);
        if (line) rows.push(`${pad}${item.label ? `${item.label}: ` : ""}${lineText(line)}`);
      } else {
        rows.push(`${pad}${headText(item.head)}:`);
        write(item.items, depth + 1);
        rows.push(`${pad}end`);
      }
    }
  };
  write(score.items, 0);
  return `${rows.join("\n")}\n`;
}

/** A score of the same header with one list of plain lines. */
export const plainScore = (
  score: Score,
  lines: readonly Line[],
  header: Readonly<Record<string, string | null>>,
): string => `${[...headerRows(score, header), "", ...lines.map(lineText)].join("\n")}\n`;
