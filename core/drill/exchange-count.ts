/** Exchanges as a coach counts them: from 1 at the top, each place in the text once, whatever the passes of a loop. */
import { lineNumber } from "../base/units.ts";
import type { Checked } from "./types.ts";

interface ExchangeCount {
  readonly count: number;
  /**
   * Number of the exchange at a place of the text, line and column from 1: the last that begins there or before it in
   * its row, else the first of the row. Null for the header and for rows without one.
   */
  readonly of: (place: { readonly line: number; readonly column?: number }) => number | null;
}

/** Counts the exchanges of a drill and finds the one that a place of the text belongs to. */
export function countExchanges({ exchanges }: Pick<Checked, "exchanges">): ExchangeCount {
  const columns = new Map<number, Set<number>>();
  for (const { row, from } of exchanges) {
    const line = lineNumber(row.index);
    columns.set(line, (columns.get(line) ?? new Set()).add(from + 1));
  }
  let count = 0;
  const starts = new Map<number, { readonly column: number; readonly number: number }[]>();
  for (const [line, places] of [...columns].sort(([a], [b]) => a - b))
    starts.set(
      line,
      [...places].sort((a, b) => a - b).map((column) => ({ column, number: ++count })),
    );
  return {
    count,
    of: ({ line, column = 1 }) => {
      const here = starts.get(line) ?? [];
      // A finding before the first feed of its row is about that row all the same.
      return (here.findLast((start) => start.column <= column) ?? here[0])?.number ?? null;
    },
  };
}

/** `exchange 3`; of the header and of rows without an exchange the line of the text, `line 4`. */
export const placeWords = ({ line }: { readonly line: number }, exchange: number | null): string =>
  exchange === null ? `line ${line}` : `exchange ${exchange}`;
