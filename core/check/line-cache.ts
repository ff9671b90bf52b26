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
  readonly key: string;
  readonly vocabulary: Vocabulary;
  readonly result: LineResult;
}
const kept = new WeakMap<Line, Kept>();

/** Gives the kept result of a line for this frame, moved to where the row stands now; else computes it. */
export function cachedLine(line: Line, row: Row, key: string, setting: Setting, compute: () => LineResult): LineResult {
  const known = kept.get(line);
  if (known && known.key === key && known.vocabulary === setting.school.vocabulary)
    return moved(known.result, row, setting);
  const result = compute();
  kept.set(line, { key, vocabulary: setting.school.vocabulary, result });
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
