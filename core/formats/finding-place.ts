/** Findings of a drill as they are listed: where each is in words, and which are problems. */
import { placeWords } from "../drill/exchange-count.ts";
import type { Finding } from "../findings/finding.ts";

/** A finding with the number of the exchange that it is about; null: the header, or a row that nobody answers. */
export interface NumberedFinding extends Finding {
  readonly exchange: number | null;
}

/** Where a finding belongs: its exchange, or the line of the text where it is about none. */
export function placeOf(finding: NumberedFinding): string {
  const words = placeWords(finding, finding.exchange);
  return `${words[0]!.toUpperCase()}${words.slice(1)}`;
}

/** Findings to mend or to look at: no notes, and no rows that show how it goes wrong. */
export const problemsOf = <F extends NumberedFinding>(findings: readonly F[]): F[] =>
  findings.filter((f) => f.severity !== "note" && !f.shownWrong);
