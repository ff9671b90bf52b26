/**
 * Results of lines that start from the drill's frame, kept with the line as it was read. While typing
 * all rows but one are the same objects as before, and so is what the checker made of them.
 */
import { walkLine, type LineResult } from "./walk.ts";
import type { Frame } from "./prepare.ts";
import { Bounded, keptFor } from "../base/bounded.ts";
import type { Setting } from "../exchange/exchange.ts";
import type { FindingDraft } from "../findings/finding.ts";
import type { Line, Row, ScoreLine } from "../score/types.ts";
import type { Vocabulary } from "../words/vocabulary.ts";

/** By vocabulary, then by line: results by frame, since a search goes back and forth between a few. */
const kept = new WeakMap<Vocabulary, WeakMap<Line, Bounded<number, LineResult>>>();
const MOST_FRAMES = 8;

/** One number for a frame and how many feeds may come; no block has as many lines. */
const MORE_THAN_CHOICES = 1_000_000;
/** Returns the key of a line in a frame: equal for equal frames and choices. */
export const lineKey = ({ key }: Frame, { choices }: Setting): number => key * MORE_THAN_CHOICES + choices;

const resultsOf = (line: Line, vocabulary: Vocabulary) =>
  keptFor(
    keptFor(kept, vocabulary, () => new WeakMap<Line, Bounded<number, LineResult>>()),
    line,
    () => new Bounded(MOST_FRAMES),
  );

/** Gives the kept result of a line for this frame, moved to where the row stands now; else computes it. */
export function cachedLine(item: ScoreLine, setting: Setting, frame: Frame): LineResult {
  const { line, row } = item;
  const results = resultsOf(line, setting.usage.vocabulary);
  const key = lineKey(frame, setting);
  const old = results.get(key);
  if (old) return moved(old, row, setting);
  const result = walkLine(item, frame.reader.read(line), frame.world, setting);
  results.set(key, result);
  return result;
}

/** The same where only what the line adds is asked: a result that is not kept yet is not kept now either. */
export const passingLine = (item: ScoreLine, setting: Setting, frame: Frame): LineResult =>
  kept.get(setting.usage.vocabulary)?.get(item.line)?.get(lineKey(frame, setting)) ??
  walkLine(item, frame.reader.read(item.line), frame.world, setting);

function moved(result: LineResult, row: Row, { label, section, pass }: Setting): LineResult {
  const here = (findings: readonly FindingDraft[]): FindingDraft[] =>
    findings.length === 0 ? (findings as FindingDraft[]) : findings.map((f) => ({ ...f, row }));
  return {
    ...result,
    exchanges: result.exchanges.map((e) => ({ ...e, row, label, section, pass, findings: here(e.findings) })),
    findings: here(result.findings),
  };
}
