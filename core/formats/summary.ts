/** What a check found, as it is said in one line: verdict, size, load, and the tempo that it holds. */
import type { Share } from "../base/units.ts";
import type { CheckedExchange } from "../exchange/types.ts";
import type { Finding } from "../findings/finding.ts";
import type { Checked, ScoreVerdict } from "../drill/types.ts";

/** The exchanges of a drill as a coach counts them, the first 1: each place in the text once, whatever the passes. */
export interface ExchangeCount {
  readonly count: number;
  /** Number of the exchange that a finding is about; null for the header and for rows without one. */
  readonly of: (place: Pick<Finding, "line" | "column">) => number | null;
}

const placeKey = ({ row, from }: Pick<CheckedExchange, "row" | "from">): string => `${row.index}:${from}`;

/** Numbers by row and column of the feed, in the order of the text. */
export function exchangeNumbers({ exchanges }: Pick<Checked, "exchanges">): ReadonlyMap<string, number> {
  const places = [...new Map(exchanges.map((e) => [placeKey(e), e])).values()].sort(
    (a, b) => a.row.index - b.row.index || a.from - b.from,
  );
  return new Map(places.map((e, i) => [placeKey(e), i + 1]));
}

/** Counts the exchanges of a drill and finds the one that a place of the text belongs to. */
export function countExchanges(checked: Pick<Checked, "exchanges">): ExchangeCount {
  const numbers = exchangeNumbers(checked);
  const starts = [...numbers].map(([key, number]) => {
    const [row, from] = key.split(":").map(Number) as [number, number];
    return { line: row + 1, column: from + 1, number };
  });
  return {
    count: numbers.size,
    of: ({ line, column }) => {
      const here = starts.filter((start) => start.line === line);
      // A finding before the first feed of its row is about that row all the same.
      return (here.filter((start) => start.column <= column).at(-1) ?? here[0])?.number ?? null;
    },
  };
}

export interface Summary {
  readonly verdict: ScoreVerdict;
  readonly exchanges: number;
  /** Numbers of the exchanges that do not work, and of those with a risk. */
  readonly broken: readonly number[];
  readonly risky: readonly number[];
  /** Total load. */
  readonly load: number;
  /** The tempo that the slowest answer still makes, share of full speed; null where time does not matter. */
  readonly ceiling: Share | null;
}

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
    broken,
    risky: numbersOf("risk").filter((n) => !broken.includes(n)),
    load: Math.round(checked.load.total * 10) / 10,
    ceiling: ceilings.length === 0 ? null : ceilings.reduce((a, b) => (b < a ? b : a)),
  };
}

const counted = (count: number): string => (count === 1 ? "1 exchange" : `${count} exchanges`);
const listed = (numbers: readonly number[]): string =>
  numbers.length === 1
    ? `exchange ${numbers[0]}`
    : `exchanges ${numbers.slice(0, -1).join(", ")} and ${numbers.at(-1)}`;

/** Down to whole 5%, as tempos are written; at full speed and above nothing holds it back. */
const holds = (ceiling: Share): string =>
  ceiling >= 1 ? "works at full speed" : `works up to ${Math.floor(ceiling * 20 + 1e-9) * 5}%`;

/** `Sound. 4 exchanges, load 7.5, works up to 85%.` */
export function summaryWords(summary: Summary): string {
  const { verdict, exchanges, broken, risky, load, ceiling } = summary;
  const size = [counted(exchanges), `load ${load.toFixed(1)}`];
  switch (verdict) {
    case "sound":
      return `Sound. ${[...size, ...(ceiling === null ? [] : [holds(ceiling)])].join(", ")}.`;
    case "risky":
      return `Risky. ${size.join(", ")}. ${risky.length > 0 ? `Look at ${listed(risky)}.` : "It works; read what is said above first."}`;
    case "broken":
      return `Broken. ${size.join(", ")}. ${broken.length > 0 ? `Mend ${listed(broken)}.` : "Mend what is said above."}`;
  }
}
