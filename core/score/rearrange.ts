/** Moves and adds rows of play as edits of the text, so that undo and everything else work as for typing. */
import type { RowIndex } from "../base/units.ts";
import type { Score, ScoreItem } from "./types.ts";

/** An edit counted from the start of the text. */
export interface TextEdit {
  readonly from: number;
  readonly to: number;
  readonly insert: string;
}

/** Rows of the lines that stand together with a row in one block, in order; empty where the row is no line. */
export function siblingRows(score: Score, row: RowIndex): RowIndex[] {
  const find = (items: readonly ScoreItem[]): RowIndex[] | null => {
    const isRow = (item: ScoreItem) =>
      item.kind === "line" || item.kind === "lands" || (item.kind === "block" && item.implied);
    const lines = items.flatMap((item) => (isRow(item) ? [item.row.index] : []));
    if (lines.includes(row)) return [...new Set(lines)];
    for (const item of items) {
      const inner = item.kind === "block" ? find(item.items) : null;
      if (inner) return inner;
    }
    return null;
  };
  return find(score.items) ?? [];
}

/**
 * The edit that puts a row in the place of another one of its block; rows between move up or down.
 * Comments stay with their row. null where the two do not stand together.
 */
export function moveRow(text: string, score: Score, row: RowIndex, to: RowIndex): TextEdit | null {
  const rows = siblingRows(score, row);
  if (row === to || !rows.includes(to)) return null;
  const lines = text.split("\n");
  const [first, last] = row < to ? [row, to] : [to, row];
  const block = lines.slice(first, last + 1);
  const moved = row < to ? [...block.slice(1), block[0]!] : [block[block.length - 1]!, ...block.slice(0, -1)];
  const from = lines.slice(0, first).reduce((sum, line) => sum + line.length + 1, 0);
  return { from, to: from + block.join("\n").length, insert: moved.join("\n") };
}

/** The edit that moves a row one place up or down among its siblings; null at the end. */
export function nudgeRow(text: string, score: Score, row: RowIndex, way: "up" | "down"): TextEdit | null {
  const rows = siblingRows(score, row);
  const next = rows[rows.indexOf(row) + (way === "up" ? -1 : 1)];
  return next === undefined ? null : moveRow(text, score, row, next);
}

/** A last row of play that waits for its answer: `A jab -> B`. */
interface OpenRow {
  /** Where it stands in the text, without what is before its feed. */
  readonly from: number;
  readonly to: number;
  readonly feed: string;
}

/** The row that a text ends with, where A feeds in it and nobody answers yet; null where it ends otherwise. */
export function openRow(text: string): OpenRow | null {
  const end = text.trimEnd();
  const start = end.lastIndexOf("\n") + 1;
  const found = /^(\s*(?:[\w-]+:\s*)?)A\s+([^,|<>;#"]*[^,|<>;#"\s-])\s*(?:->\s*(?:B\s*)?)?$/i.exec(end.slice(start));
  return found && { from: start + found[1]!.length, to: text.length, feed: found[2]!.trim() };
}

/**
 * The edit that adds a line behind a row (as deep as it stands), or at the end; a row that waits for its answer is
 * finished by a line of the same feed.
 */
export function addRow(text: string, line: string, after: RowIndex | null): TextEdit {
  const open = after === null ? openRow(text) : null;
  if (open && line.startsWith(`A ${open.feed} -> `)) return { from: open.from, to: open.to, insert: `${line}\n` };
  if (after === null) {
    const gap = text === "" || text.endsWith("\n") ? "" : "\n";
    // Play needs a blank row between itself and the header rows.
    const last = text.trimEnd().split("\n").at(-1) ?? "";
    const header = /^[a-z][a-z ]*:/i.test(last) && !last.includes("->") && !last.includes("<>");
    return { from: text.length, to: text.length, insert: `${gap}${header ? "\n" : ""}${line}\n` };
  }
  const lines = text.split("\n");
  const end = lines.slice(0, after + 1).join("\n").length;
  const pad = /^\s*/.exec(lines[after] ?? "")![0];
  return { from: end, to: end, insert: `\n${pad}${line}` };
}
