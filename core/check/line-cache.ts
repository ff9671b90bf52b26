/**
 * Results of lines that start from the drill's frame, kept with the line as it was read. While typing
 * all rows but one are the same objects as before, and so is what the checker made of them.
 */
import type { LineResult } from "./walk.ts";
import type { Setting } from "./exchange.ts";
import type { FindingDraft } from "../findings/finding.ts";
import type { Line, Row } from "../score/types.ts";
import type { Vocabulary } from "../words/vocabulary.ts";

interface Kept {
  readonly vocabulary: Vocabulary;
  /** By frame: a search goes back and forth between a few. */
  readonly results: Map<string, LineResult>;
}
const kept = new WeakMap<Line, Kept>();
/** Most frames for which a line is kept. */
const MOST_FRAMES = 8;

/** Gives the kept result of a line for this frame, moved to where the row stands now; else computes it. */
export function cachedLine(line: Line, row: Row, key: string, setting: Setting, compute: () => LineResult): LineResult {
  const { vocabulary } = setting.school;
  let known = kept.get(line);
  if (!known || known.vocabulary !== vocabulary) kept.set(line, (known = { vocabulary, results: new Map() }));
  const old = known.results.get(key);
  if (old) return moved(old, row, setting);
  if (known.results.size >= MOST_FRAMES) known.results.clear();
  const result = compute();
  known.results.set(key, result);
  return result;
}

function moved(result: LineResult, row: Row, { label, section, pass }: Setting): LineResult {
  const here = (findings: readonly FindingDraft[]): FindingDraft[] =>
    findings.length === 0 ? (findings as FindingDraft[]) : findings.map((f) => ({ ...f, row }));
  return {
    exchanges: result.exchanges.map((e) => ({ ...e, row, label, section, pass, findings: here(e.findings) })),
    findings: here(result.findings),
    end: result.end,
  };
}
