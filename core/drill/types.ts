/** What the checker makes of a whole score. */
import type { Metres } from "../base/units.ts";
import type { CheckedGame } from "./game-types.ts";
import type { Load } from "./load.ts";
import type { CheckedExchange } from "../exchange/types.ts";
import type { Finding, FindingDraft } from "../findings/finding.ts";
import type { Header } from "../score/header.ts";
import type { Row, Score } from "../score/types.ts";

/** The verdict of a drill. */
export type ScoreVerdict = "sound" | "risky" | "broken";

/** Whether a cycle closes, with the differences where it does not. */
export interface Closure {
  readonly closes: boolean;
  readonly differences: readonly string[];
  readonly row: Row;
}

/** A score with everything that the check found. */
export interface Checked {
  readonly score: Score;
  readonly header: Header;
  readonly verdict: ScoreVerdict;
  readonly exchanges: readonly CheckedExchange[];
  /** Those of rows that show how it goes wrong; what is found in them is a note among the findings. */
  readonly wrong: readonly CheckedExchange[];
  readonly games: readonly CheckedGame[];
  /** What belongs to no exchange, or to several, before it gets words and place. */
  readonly loose: readonly FindingDraft[];
  /** All findings in the order of the text, each once. */
  readonly findings: readonly Finding[];
  readonly closure: Closure | null;
  readonly load: Load;
  /** Distance of A and B at the start, m. */
  readonly distance: Metres;
}
