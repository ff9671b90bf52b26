/**
 * Results of lines that start from the drill's frame, kept with the line as it was read. While typing
 * all rows but one are the same objects as before, and so is what the checker made of them. A search
 * keeps only what its many lines add to verdict and load.
 */
import { walkLine, type LineResult } from "./walk.ts";
import type { Setting } from "./exchange.ts";
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

/** Shares of a line, the newest first: most lines are met in one frame or two. */
interface KeptShare {
  readonly vocabulary: Vocabulary;
  readonly key: number;
  readonly share: LineShare;
  readonly others: number;
  readonly next: KeptShare | null;
}
const keptShares = new WeakMap<Line, KeptShare>();

/** What a line adds in this frame; the result from which it was taken is not kept. */
export function cachedShare({ line, row }: ScoreLine, frame: number, start: World, setting: Setting): LineShare {
  const { school } = setting;
  const { vocabulary } = school;
  const key = keyOf(frame, setting);
  const first = keptShares.get(line) ?? null;
  for (let known = first; known; known = known.next)
    if (known.key === key && known.vocabulary === vocabulary) return known.share;
  const result = kept.get(line)?.results.get(key) ?? walkLine(row, line, start, setting, false);
  const share = shareOf(result, line, school);
  const next = first && first.others < MOST_SHARES ? first : null;
  keptShares.set(line, { vocabulary, key, share, others: next ? next.others + 1 : 0, next });
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
