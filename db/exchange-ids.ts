/** Exchange ids over edits: a row keeps its id while it is recognisably the same row. */
import { diffArrays } from "diff";

export interface ExchangeRow {
  readonly id: string;
  readonly index: number;
  readonly text: string;
}

/**
 * Gives each row of the new text an id: unchanged rows keep theirs by a diff of the rows; a run of
 * changed rows that stands where as many rows stood keeps theirs in order; new rows get new ids.
 */
export function carryExchangeIds(
  known: readonly ExchangeRow[],
  rows: readonly { readonly index: number; readonly text: string }[],
  newId: () => string,
): ExchangeRow[] {
  const result: ExchangeRow[] = [];
  let old = 0;
  let fresh = 0;
  let removed: ExchangeRow[] = [];
  for (const part of diffArrays(
    known.map((r) => r.text),
    rows.map((r) => r.text),
  )) {
    const count = part.value.length;
    if (part.removed) {
      removed = known.slice(old, old + count);
      old += count;
    } else if (part.added) {
      for (let i = 0; i < count; i++) {
        const row = rows[fresh++]!;
        result.push({ ...row, id: removed[i]?.id ?? newId() });
      }
      removed = [];
    } else {
      for (let i = 0; i < count; i++) result.push({ ...rows[fresh++]!, id: known[old++]!.id });
      removed = [];
    }
  }
  return result;
}
