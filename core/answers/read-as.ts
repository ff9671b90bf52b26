/** Offers the rows that a row in plain words may mean. */
import { isUnread, readLine } from "../plain/read-plain.ts";
import { headerRows } from "../score/edit.ts";
import { rowOfLine } from "../base/units.ts";
import type { Checked } from "../drill/types.ts";
import { edit } from "./repair-rows.ts";
import type { Broken, Candidate } from "./repairs.ts";

/** Returns true where something in the row of a line is not understood. */
export const hasUnread = ({ findings }: Pick<Checked, "findings">, line: Broken["finding"]["line"]): boolean =>
  findings.some((one) => one.line === line && isUnread(one));

/** Returns the rows that a row may mean in place of it, the likelier first. */
export function readAs({ text, checked, finding, school }: Broken): readonly Candidate[] {
  const row = checked.score.rows[rowOfLine(finding.line)];
  if (row?.content.body.kind !== "play") return [];
  const end = text.indexOf("\n", row.from);
  const whole = text.slice(row.from, end < 0 ? text.length : end);
  // The label of a line, and the blanks before it, stay.
  const before = /^\s*(?:[\w-]+:\s*)?/.exec(whole)![0];
  const source = whole.slice(before.length);
  const { proposals, kept } = readLine(source, headerRows(checked.score), school);
  // Nothing that was typed is lost by a press.
  if (kept.length > 0) return [];
  return proposals
    .filter((one) => one.text !== source)
    .map((one) => ({
      label: `Read as ${one.text}`,
      edits: [edit(row.from + before.length, row.from + whole.length, one.text)],
    }));
}
