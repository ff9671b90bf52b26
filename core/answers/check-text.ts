/** Reading and checking the many scores of a search, which share most of their rows. */
import { assess, check, type Assessed } from "../drill/check.ts";
import type { Checked } from "../drill/types.ts";
import type { School } from "../policy/school.ts";
import { RowMemory } from "../score/row-memory.ts";
import type { Score } from "../score/types.ts";
import { textOf, type Rows } from "../score/edit.ts";

const memory = new RowMemory();

export const readText = (text: string): Score => memory.read(text);
export const readRows = (rows: Rows): Score => memory.readRows(rows);
export const checkText = (text: string, school: School): Checked => check(readText(text), school);
export const checkRows = (rows: Rows, school: School): Checked => check(readRows(rows), school);

/** A score of a search with its verdict and load; the whole check is made when it is asked for. */
export interface Assessment extends Assessed {
  readonly text: string;
  readonly checked: () => Checked;
}

/** `text`: that of the rows, where it is written already. */
export function assessRows(rows: Rows, school: School, text: string = textOf(rows)): Assessment {
  let whole: Checked | null = null;
  // The score itself is not held on to: a search looks at thousands, and reading it again costs little.
  return { text, ...assess(readRows(rows), school), checked: () => (whole ??= checkText(text, school)) };
}
