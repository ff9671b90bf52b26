/** A page of notes that was read, as the text of a drill. */
import { type PlainLine, isHeaderRow } from "./read-plain.ts";

/** Returns true for a line that gives a row of play. */
export const isRow = ({ proposals, source }: PlainLine): boolean => proposals.length > 0 && !isHeaderRow(source);

/**
 * Returns the text of a drill. `chosen`: which of two rows is meant, by the number of the line; the likelier where
 * nothing is said. Lines that were not understood, and words that are no part of a row, stay as comments.
 */
export function drillOfNotes(title: string, lines: readonly PlainLine[], chosen: ReadonlyMap<number, 0 | 1>): string {
  const head = lines.filter(({ source }) => isHeaderRow(source)).map(({ source }) => source.trim());
  const said = new Set(head.map(keyOf));
  const usual = [`title: ${title}`, "kind: feeder", "tempo: 50%"].filter((row) => !said.has(keyOf(row)));
  const rows = lines
    .filter(({ source }) => !isHeaderRow(source))
    .map((line) => {
      const row = line.proposals[chosen.get(line.line) ?? 0] ?? line.proposals[0];
      if (!row) return `# ${plainText(line.source)}`;
      return line.kept.length === 0 ? row.text : `${row.text} # ${plainText(line.kept.join("; "))}`;
    });
  return `${[...usual, ...head, "", ...rows].join("\n")}\n`;
}

const keyOf = (row: string): string => row.slice(0, row.indexOf(":")).trim().toLowerCase();

/** A comment goes to the end of its row. */
const plainText = (text: string): string =>
  text
    .replace(/\s+/g, " ")
    .replace(/^#+\s*/, "")
    .trim();
