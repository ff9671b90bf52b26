/** Text to score. Never throws: what cannot be read becomes a fault and the rest is still read. */
import { TreeFragment, type Tree } from "@lezer/common";
import { parser } from "./score-parser.ts";
import { MAX_FAULTS, MAX_ROWS, MAX_TEXT } from "./limits.ts";
import { RowReader } from "./rows.ts";
import { structure } from "./structure.ts";
import type { Row, RowFault, Score } from "./types.ts";

/** Reads scores one after the other and parses again only what changed since the last one. */
export class ScoreReader {
  private readonly rows = new RowReader();
  private text = "";
  private tree: Tree | null = null;

  /** Reads `text` (plain UTF-8, any line ends). */
  read(text: string): Score {
    const { kept, cut } = withinBudget(plain(text));
    const tree = parser.parse(kept, this.fragments(kept));
    this.text = kept;
    this.tree = tree;
    const rows = this.rows.read(kept, tree);
    const faults = collectFaults(rows);
    const { items, faults: blockFaults } = structure(rows);
    faults.push(...blockFaults);
    if (cut) {
      const row = rows[rows.length - 1]!;
      const span = { from: 0, to: kept.length - row.from };
      faults.unshift({ row, fault: { ...span, code: "too-long", found: String(kept.length) } });
    }
    return { rows, items, faults };
  }

  /** The parts of the last tree that are still good, by common start and end of the two texts. */
  private fragments(next: string): readonly TreeFragment[] {
    if (!this.tree) return [];
    const old = this.text;
    const most = Math.min(old.length, next.length);
    let start = 0;
    while (start < most && old.charCodeAt(start) === next.charCodeAt(start)) start++;
    let end = 0;
    while (end < most - start && old.charCodeAt(old.length - 1 - end) === next.charCodeAt(next.length - 1 - end)) end++;
    return TreeFragment.applyChanges(TreeFragment.addTree(this.tree), [
      { fromA: start, toA: old.length - end, fromB: start, toB: next.length - end },
    ]);
  }
}

/** Reads one text on its own. */
export function parse(text: string): Score {
  return new ScoreReader().read(text);
}

/** Line ends of all kinds as one, other blanks than the plain one as plain ones: what comes after counts the same characters. */
export const plain = (text: string): string =>
  text
    .replace(/\r\n?/g, "\n")
    .replace(/[\u0085\u2028\u2029]/g, "\n")
    .replace(/[^\S\n\t ]/g, " ");

function withinBudget(text: string): { kept: string; cut: boolean } {
  let kept = text.length > MAX_TEXT ? text.slice(0, MAX_TEXT) : text;
  let at = -1;
  for (let rows = 0; rows < MAX_ROWS; rows++) {
    at = kept.indexOf("\n", at + 1);
    if (at < 0) break;
  }
  if (at >= 0) kept = kept.slice(0, at);
  return { kept, cut: kept.length < text.length };
}

function collectFaults(rows: readonly Row[]): { row: Row; fault: RowFault }[] {
  const all: { row: Row; fault: RowFault }[] = [];
  let left = 0;
  for (const row of rows) {
    // One fault a row is enough to find the place; the first is the cause of the rest.
    const fault = row.content.faults[0];
    if (!fault) continue;
    if (all.length < MAX_FAULTS) all.push({ row, fault });
    else left++;
  }
  const last = all[all.length - 1];
  if (left > 0 && last) all.push({ row: last.row, fault: { ...last.fault, code: "more", found: String(left) } });
  return all;
}
