/** Reading and checking the many scores of a search, which share most of their rows. */
import { rowOfLine } from "../base/units.ts";
import { assess, type Assessed } from "../policy/assess.ts";
import { checkFor } from "../policy/judge.ts";
import type { Checked } from "../drill/types.ts";
import type { School } from "../policy/school.ts";
import { RowMemory } from "../score/row-memory.ts";
import type { Score } from "../score/types.ts";
import { linesOf } from "../score/structure.ts";
import { plainScore, textOf, withLines, type Rows } from "../score/edit.ts";

const memory = new RowMemory();

/** Returns a text as a score; equal rows are parsed once. */
export const readText = (text: string): Score => memory.read(text);
/** Returns rows as a score; equal rows are parsed once. */
export const readRows = (rows: Rows): Score => memory.readRows(rows);
/** Returns the check of a text for a school. */
export const checkText = (text: string, school: School): Checked => checkFor(readText(text), school);
/** Returns the check of rows for a school. */
export const checkRows = (rows: Rows, school: School): Checked => checkFor(readRows(rows), school);

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

/** The drill without the lines that hold errors; null where nothing sound is left. */
export function validSubset(checked: Checked, school: School): Checked | null {
  if (checked.verdict !== "broken") return checked;
  const bad = new Set(checked.findings.filter((f) => f.severity === "error").map((f) => rowOfLine(f.line)));
  const lines = [...linesOf(checked.score.items)];
  if (!lines.some((item) => !bad.has(item.row.index))) return null;
  const part = checkRows(
    withLines(checked.score, (item) => (bad.has(item.row.index) ? null : item.line), {}),
    school,
  );
  if (part.verdict !== "broken") return part;
  // What is wrong with a block leaves its rows as they are: one after the other they hold.
  const good = lines.filter((item) => !bad.has(item.row.index)).map((item) => item.line);
  const plain = checkRows(plainScore(checked.score, good, {}), school);
  return plain.verdict === "broken" ? null : plain;
}
