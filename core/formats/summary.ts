/** What a check found, as it is said in one line: verdict, size, load, and the tempo that it holds. */
import type { Share } from "../base/units.ts";
import { sizeWords } from "../lists/sizes.ts";
import { countExchanges } from "../drill/exchange-count.ts";
import type { Finding } from "../findings/finding.ts";
import { isBareToBlade } from "../exchange/verdict.ts";
import type { Checked, ScoreVerdict } from "../drill/types.ts";

/** A check in numbers. */
export interface Summary {
  readonly verdict: ScoreVerdict;
  readonly exchanges: number;
  readonly games: number;
  /** Numbers of the exchanges that do not work, and of those with a risk. */
  readonly broken: readonly number[];
  readonly risky: readonly number[];
  /** Total load. */
  readonly load: number;
  /** The tempo that the slowest answer still makes, share of full speed; null where time does not matter. */
  readonly ceiling: Share | null;
  /** Bare hands against a blade. */
  readonly bare: boolean;
}

/** Returns a check in numbers. */
export function summaryOf(checked: Checked): Summary {
  const { count, of } = countExchanges(checked);
  const numbersOf = (severity: Finding["severity"]) =>
    [
      ...new Set(
        checked.findings
          .flatMap((f) => (f.severity === severity && !f.shownWrong ? [of(f)] : []))
          .filter((n) => n !== null),
      ),
    ].sort((a, b) => a - b);
  const broken = numbersOf("error");
  const ceilings = checked.exchanges.flatMap(({ ceiling }) => (ceiling === null ? [] : [ceiling]));
  return {
    verdict: checked.verdict,
    exchanges: count,
    games: checked.games.length,
    broken,
    risky: numbersOf("risk").filter((n) => !broken.includes(n)),
    load: Math.round(checked.load.total * 10) / 10,
    bare: checked.exchanges.some(isBareToBlade),
    ceiling: ceilings.length === 0 ? null : ceilings.reduce((a, b) => (b < a ? b : a)),
  };
}

const listed = (numbers: readonly number[]): string =>
  numbers.length === 1
    ? `exchange ${numbers[0]}`
    : `exchanges ${numbers.slice(0, -1).join(", ")} and ${numbers.at(-1)}`;

/** Down to whole 5%, as tempos are written; at full speed and above nothing holds it back. */
const holds = (ceiling: Share): string =>
  ceiling >= 1 ? "works at full speed" : `works up to ${Math.floor(ceiling * 20 + 1e-9) * 5}%`;

/** `Sound. 4 exchanges, load 7.5, works up to 85%.` */
export function summaryWords(summary: Summary): string {
  const { verdict, exchanges, games, broken, risky, load, ceiling, bare } = summary;
  const size = [sizeWords(exchanges, games), `load ${load.toFixed(1)}`];
  switch (verdict) {
    case "sound":
      return `${bare ? "Holds as a drill" : "Sound"}. ${[...size, ...(ceiling === null ? [] : [holds(ceiling)])].join(", ")}.`;
    case "risky":
      return `Risky. ${size.join(", ")}. ${risky.length > 0 ? `Look at ${listed(risky)}.` : "It works; read what is said above first."}`;
    case "broken":
      return `Broken. ${size.join(", ")}. ${broken.length > 0 ? `Mend ${listed(broken)}.` : "Mend what is said above."}`;
  }
}
