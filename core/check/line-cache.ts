/**
 * Results of lines that start from the drill's frame, kept with the line as it was read. While typing
 * all rows but one are the same objects as before, and so is what the checker made of them. A search
 * keeps only what its many lines add to verdict and load.
 */
import type { LineResult } from "./walk.ts";
import type { Setting } from "./exchange.ts";
import { shareOf, type LineShare } from "./shares.ts";
import type { FindingDraft } from "../findings/finding.ts";
import type { Line, Row } from "../score/types.ts";
import type { Vocabulary } from "../words/vocabulary.ts";

interface Kept {
  readonly vocabulary: Vocabulary;
  /** By frame: a search goes back and forth between a few. */
  readonly results: Map<number, LineResult>;
  readonly shares: Map<number, LineShare>;
}
const kept = new WeakMap<Line, Kept>();
/** Most frames for which the whole result of a line is kept, and for which its share is. */
const MOST_FRAMES = 8;
const MOST_SHARES = 64;

/** One number for a frame and how many feeds may come; no block has as many lines. */
const MORE_THAN_CHOICES = 1_000_000;
const keyOf = (frame: number, { choices }: Setting): number => frame * MORE_THAN_CHOICES + choices;

function keptOf(line: Line, { school }: Setting): Kept {
  let known = kept.get(line);
  if (known?.vocabulary !== school.vocabulary)
    kept.set(line, (known = { vocabulary: school.vocabulary, results: new Map(), shares: new Map() }));
  return known;
}

/** Gives the kept result of a line for this frame, moved to where the row stands now; else computes it. */
export function cachedLine(
  line: Line,
  row: Row,
  frame: number,
  setting: Setting,
  compute: () => LineResult,
): LineResult {
  const { results } = keptOf(line, setting);
  const key = keyOf(frame, setting);
  const old = results.get(key);
  if (old) return moved(old, row, setting);
  if (results.size >= MOST_FRAMES) results.clear();
  const result = compute();
  results.set(key, result);
  return result;
}

/** What a line adds in this frame; the result from which it was taken is not kept. */
export function cachedShare(line: Line, frame: number, setting: Setting, compute: () => LineResult): LineShare {
  const { results, shares } = keptOf(line, setting);
  const key = keyOf(frame, setting);
  let share = shares.get(key);
  if (!share) {
    if (shares.size >= MOST_SHARES) shares.clear();
    shares.set(key, (share = shareOf(results.get(key) ?? compute(), line, setting.school)));
  }
  return share;
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
