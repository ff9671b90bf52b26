/** Where a finding of a drill is, in words. */
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
