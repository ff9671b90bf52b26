/** Exchanges as a coach counts them: from 1 at the top, each place in the text once. */
import type { CheckedExchange } from "../exchange/types.ts";
import type { Checked } from "./types.ts";

/** The exchanges of a drill as a coach counts them, the first 1: each place in the text once, whatever the passes. */
interface ExchangeCount {
  readonly count: number;
  /**
   * Number of the exchange at a place of the text, line and column from 1: the last that begins there or before it in
   * its row, else the first of the row. Null for the header and for rows without one.
   */
  readonly of: (place: { readonly line: number; readonly column?: number }) => number | null;
}

const placeKey = ({ row, from }: Pick<CheckedExchange, "row" | "from">): string => `${row.index}:${from}`;

/** Numbers by row and column of the feed, in the order of the text. */
function exchangeNumbers({ exchanges }: Pick<Checked, "exchanges">): ReadonlyMap<string, number> {
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
    of: ({ line, column = 1 }) => {
      const here = starts.filter((start) => start.line === line);
      // A finding before the first feed of its row is about that row all the same.
      return (here.filter((start) => start.column <= column).at(-1) ?? here[0])?.number ?? null;
    },
  };
}

/** `exchange 3`; of the header and of rows without an exchange the line of the text, `line 4`. */
export const placeWords = ({ line }: { readonly line: number }, exchange: number | null): string =>
  exchange === null ? `line ${line}` : `exchange ${exchange}`;
