/** Looks for the shortest run of moves that brings a cycle back to its start. */
import type { Checked } from "../drill/types.ts";
import type { School } from "../policy/school.ts";
import type { ScoreBlock, ScoreItem } from "../score/types.ts";
import { checkText } from "./check-text.ts";
import { TRADE, withOwn } from "../trade/trade.ts";

/** A way to close a cycle. */
export interface Closing {
  /** Rows to add at the end of the cycle. */
  readonly rows: readonly string[];
  readonly text: string;
  readonly verdict: Checked["verdict"];
}

interface CloseOptions {
  /** Most positions looked at. */
  readonly nodes: number;
  /** How many ways are given. */
  readonly count: number;
  /** Most rows added. */
  readonly depth: number;
}
const CLOSE_DEFAULTS: CloseOptions = { nodes: 1500, count: 3, depth: 2 };

/** Ways to close the loop of a score (`text` is what was checked), shortest first; empty where it closes already or nothing was found. */
export function closeCycle(
  text: string,
  checked: Checked,
  school: School,
  options: CloseOptions = CLOSE_DEFAULTS,
): Closing[] {
  const { closure, score } = checked;
  if (!closure || closure.closes) return [];
  const block = blockAt(score.items, closure.row.index);
  if (!block) return [];
  const candidates = rowsFor(checked, block, school);
  const found: Closing[] = [];
  let nodes = 0;
  let front: string[][] = [[]];
  for (let depth = 1; depth <= options.depth && found.length === 0; depth++) {
    const next: string[][] = [];
    for (const before of front)
      for (const row of candidates) {
        if (nodes >= options.nodes) return found;
        if (before.includes(row) && !row.includes("<>")) continue;
        nodes++;
        const rows = [...before, row];
        const longer = withRows(text, block, rows);
        const again = checkText(longer, school);
        if (worse(again, checked)) continue;
        if (again.closure?.closes) found.push({ rows, text: longer, verdict: again.verdict });
        else next.push(rows);
        if (found.length >= options.count) return found;
      }
    front = next;
  }
  return found;
}

/** Something else breaks that was whole before. */
const worse = (now: Checked, was: Checked): boolean => {
  const errors = (c: Checked) => c.findings.filter((f) => f.severity === "error" && f.rule !== "loop-open").length;
  return errors(now) > errors(was);
};

function blockAt(items: readonly ScoreItem[], row: number): ScoreBlock | null {
  for (const item of items) {
    if (item.kind !== "block") continue;
    if (item.row.index === row) return item;
    const inner = blockAt(item.items, row);
    if (inner) return inner;
  }
  return null;
}

function rowsFor(checked: Checked, block: ScoreBlock, { vocabulary }: School): string[] {
  const actors = ["both", ...checked.header.actors];
  const setUps = TRADE.waysBack.flatMap((way) => actors.map((actor) => `${actor} ${way}`));
  const meets = block.items.some((item) => item.kind === "line" && item.line.meets);
  const held = checked.header.people.A.holds !== null;
  const strokes = meets && held ? withOwn(TRADE.strokes, vocabulary).map((s) => `A ${s} <> B ${s}`) : [];
  return [...setUps, ...strokes];
}

/** The text with rows added behind the last row of the block, as deep as that row stands. */
function withRows(text: string, block: ScoreBlock, rows: readonly string[]): string {
  const lines = text.split("\n");
  const last = lastRow(block);
  const pad = /^\s*/.exec(lines[last] ?? "")![0];
  return [...lines.slice(0, last + 1), ...rows.map((row) => pad + row), ...lines.slice(last + 1)].join("\n");
}

function lastRow(item: ScoreItem): number {
  return item.kind === "block" && item.items.length > 0 ? Math.max(...item.items.map(lastRow)) : item.row.index;
}
