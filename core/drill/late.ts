/** The one verdict that rests on the drill's tempo: whether an answer comes in time. */
import type { CheckedExchange } from "../exchange/types.ts";
import { draft } from "../findings/finding.ts";
import type { Header } from "../score/header.ts";
import { percent } from "../exchange/time.ts";

/**
 * The exchange as it is at the tempo of the drill: too late where its ceiling lies below. Kept apart
 * from the geometry, so that a change of tempo does not ask for it again.
 */
export function atTempo(exchange: CheckedExchange, { tempo }: Header): CheckedExchange {
  const { ceiling, times, row, feed } = exchange;
  if (ceiling === null || times === null || feed === null || ceiling >= tempo) return exchange;
  const late = draft(row, exchange.answerSpan ?? feed, "late", {
    tempo: percent(tempo),
    // Rounded down: what is too slow never works at the very tempo at which it is too slow.
    ceiling: Math.floor(ceiling * 100),
  });
  return { ...exchange, findings: [...exchange.findings, late] };
}
