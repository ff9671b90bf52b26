/** Reading and checking the many texts of a search, which share most of their rows. */
import { assess, check, type Assessed } from "../check/check.ts";
import type { Checked } from "../check/types.ts";
import type { School } from "../school/school.ts";
import { RowMemory } from "../score/row-memory.ts";
import type { Score } from "../score/types.ts";

const memory = new RowMemory();

export const readText = (text: string): Score => memory.read(text);
export const checkText = (text: string, school: School): Checked => check(readText(text), school);

/** A text of a search with its verdict and load; the whole check is made when it is asked for. */
export interface Assessment extends Assessed {
  readonly checked: () => Checked;
}

/** `score`: the text as it was read, where that is known. */
export function assessText(text: string, school: School, score: Score = readText(text)): Assessment {
  let whole: Checked | null = null;
  // The score itself is not held on to: a search looks at thousands, and reading it again costs little.
  return { ...assess(score, school), checked: () => (whole ??= checkText(text, school)) };
}
