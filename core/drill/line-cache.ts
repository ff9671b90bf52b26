/**
 * Results of lines that start from the drill's frame, kept with the line as it was read. While typing
 * all rows but one are the same objects as before, and so is what the checker made of them. A search
 * keeps only what its many lines add to verdict and load.
 */
import { walkLine, type LineResult } from "./walk.ts";
import type { Setting } from "../exchange/exchange.ts";
import { shareOf, type LineShare } from "./shares.ts";
import type { FindingDraft } from "../findings/finding.ts";
import type { World } from "../body/state.ts";
import type { Line, Row, ScoreLine } from "../score/types.ts";
import type { Vocabulary } from "../words/vocabulary.ts";

interface Kept {
  readonly vocabulary: Vocabulary;
  /** By frame: a search goes back and forth between a few. */
  readonly results: Map<number, LineResult>;
}
const kept = new WeakMap<Line, Kept>();
/** Most frames for which the whole result of a line is kept, and for which its share is. */
const MOST_FRAMES = 8;
const MOST_SHARES = 64;

/** One number for a frame and how many feeds may come; no block has as many lines. */
const MORE_THAN_CHOICES = 1_000_000;
const keyOf = (frame: number, { choices }: Setting): number => frame * MORE_THAN_CHOICES + choices;

/** Gives the kept result of a line for this frame, moved to where the row stands now; else computes it. */
export function cachedLine({ line, row }: ScoreLine, frame: number, start: World, setting: Setting): LineResult {
  const { vocabulary } = setting.school;
  let known = kept.get(line);
  if (known?.vocabulary !== vocabulary) kept.set(line, (known = { vocabulary, results: new Map() }));
  const { results } = known;
  const key = keyOf(frame, setting);
  const old = results.get(key);
  if (old) return moved(old, row, setting);
  if (results.size >= MOST_FRAMES) results.clear();
  const result = walkLine(row, line, start, setting, false);
  results.set(key, result);
  return result;
}

/** Shares of a line: that in the first frame it was met in, where most lines stay, and those in others. */
interface KeptShares {
  readonly vocabulary: Vocabulary;
  readonly key: number;
  readonly share: LineShare;
  others: Map<number, LineShare> | null;
}
const keptShares = new WeakMap<Line, KeptShares>();

/** What a line adds in this frame; the result from which it was taken is not kept. */
export function cachedShare(item: ScoreLine, frame: number, start: World, setting: Setting): LineShare {
  const { line } = item;
  const { vocabulary } = setting.school;
  const key = keyOf(frame, setting);
  const known = keptShares.get(line);
  if (known?.vocabulary !== vocabulary) {
    const share = newShare(item, key, start, setting);
    keptShares.set(line, { vocabulary, key, share, others: null });
    return share;
  }
  if (known.key === key) return known.share;
  const others = (known.others ??= new Map());
  let share = others.get(key);
  if (!share) {
    if (others.size >= MOST_SHARES) others.clear();
    others.set(key, (share = newShare(item, key, start, setting)));
  }
  return share;
}

function newShare({ line, row }: ScoreLine, key: number, start: World, setting: Setting): LineShare {
  const result = kept.get(line)?.results.get(key) ?? walkLine(row, line, start, setting, false);
  return shareOf(result, line, setting.school);
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
