/** The cells of a table that was pasted or read from a file. */
import Papa from "papaparse";
import { guessColumns, type Cells } from "#core/people/table.ts";

/** Returns the rows of a table with the names of its columns; a list of names alone needs no heading. */
export function cellsIn(text: string): { readonly data: readonly Cells[]; readonly fields: readonly string[] } {
  const { data, meta } = Papa.parse<Cells>(text, { header: true, skipEmptyLines: "greedy" });
  const fields = meta.fields ?? [];
  const isList = fields.length === 1 && !Object.values(guessColumns(fields)).includes("name");
  return isList ? cellsIn(`name\n${text}`) : { data, fields };
}
