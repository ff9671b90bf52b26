/** Reads a table of people: shows what each row would become before anything is saved. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import FormControlLabel from "@mui/material/FormControlLabel";
import Papa from "papaparse";
import { useEffect, useState } from "react";
import { useFetcher } from "react-router";
import { COLUMNS, isColumn, MOST_ROWS, readPeople, type Cells, type ReadRow } from "#core/people/table.ts";
import type { action } from "../routes/people.tsx";
import { readTextFile } from "../paper/read-text-file.ts";
import { Notice } from "../ui/parts.tsx";
import { Row, Rows } from "../ui/rows.tsx";

/** Rows shown of each kind. */
const SHOWN = 60;

export function ImportPeople({ known, onClose }: { known: readonly string[]; onClose: () => void }) {
  const fetcher = useFetcher<typeof action>();
  const [rows, setRows] = useState<readonly ReadRow[] | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [notes, setNotes] = useState<readonly string[]>([]);
  const [twice, setTwice] = useState(false);
  const added = fetcher.data && "count" in fetcher.data;
  useEffect(() => {
    if (added) onClose();
  }, [added, onClose]);
  const read = async (file: File | undefined) => {
    if (!file) return;
    const { text, encoding } = await readTextFile(file);
    const parsed = Papa.parse<Cells>(text, { header: true, skipEmptyLines: "greedy" });
    const unused = (parsed.meta.fields ?? []).filter((field) => !isColumn(field));
    setNotes([
      ...(encoding === "UTF-8" ? [] : [`Read as ${encoding}: look whether letters such as ü and é are right.`]),
      ...(unused.length > 0 ? [`Not used: ${unused.join(", ")}. Rename a column to bring it in.`] : []),
    ]);
    if (parsed.data.length === 0)
      return setTrouble("No rows were found: the first row names the columns, the others are people.");
    if (!parsed.meta.fields?.some((f) => /^\s*(full )?name\s*$/i.test(f)))
      return setTrouble(`There is no column “name”; found: ${parsed.meta.fields?.join(", ") ?? "none"}.`);
    setTrouble(
      parsed.data.length > MOST_ROWS
        ? `Only the first ${MOST_ROWS} rows are read; split the file for the others.`
        : null,
    );
    setRows(readPeople(parsed.data, known));
  };
  const faulty = rows?.filter((r) => r.faults.length > 0) ?? [];
  const doubles = rows?.filter((r) => r.person && r.duplicate) ?? [];
  const good = rows?.filter((r) => r.person && (twice || !r.duplicate)) ?? [];
  const save = () =>
    void fetcher.submit(
      { intent: "import", people: JSON.stringify(good.map((r) => ({ ...r.person, id: crypto.randomUUID() }))) },
      { method: "post" },
    );
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="import-title">
      <DialogTitle id="import-title">Import people</DialogTitle>
      <DialogContent>
        <Box sx={{ color: "text.secondary", mb: 1 }}>
          A file with commas, semicolons or tabs. Columns: {COLUMNS.join(", ")}. Only name is needed. Heights may be in
          cm, m, inches or feet, masses in kg or lb, if the unit is written.
        </Box>
        <Button variant="outlined" component="label">
          Choose a file
          <input
            type="file"
            accept=".csv,.tsv,.txt,text/csv"
            hidden
            onChange={(event) => void read(event.target.files?.[0])}
          />
        </Button>
        {trouble && <Notice tone="trouble">{trouble}</Notice>}
        {fetcher.data && "message" in fetcher.data && <Notice tone="trouble">{fetcher.data.message}</Notice>}
        {notes.map((note) => (
          <Notice key={note}>{note}</Notice>
        ))}
        {rows && (
          <>
            <Box role="status" sx={{ py: 1, fontWeight: 700 }}>
              {good.length} to add, {doubles.length} known by name, {faulty.length} with faults
            </Box>
            {doubles.length > 0 && (
              <FormControlLabel
                label="Add those who are known by name as well"
                control={<Checkbox checked={twice} onChange={(event) => setTwice(event.target.checked)} />}
              />
            )}
            <Rows aria-label="Rows">
              {[...faulty.slice(0, SHOWN), ...good.slice(0, SHOWN)].map((r) => (
                <Row key={r.row} sx={{ py: 0.5 }}>
                  <Box component="span" sx={{ color: "text.secondary" }}>
                    Row {r.row}:{" "}
                  </Box>
                  {r.person
                    ? `${r.person.name}${r.person.height_cm === null ? "" : `, ${r.person.height_cm} cm`}${
                        r.person.mass_kg === null ? "" : `, ${r.person.mass_kg} kg`
                      }${r.person.minor ? ", minor" : ""}`
                    : r.faults.join("; ")}
                </Row>
              ))}
            </Rows>
          </>
        )}
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={onClose}>
          Close
        </Button>
        <Button variant="contained" disabled={good.length === 0 || fetcher.state !== "idle"} onClick={save}>
          {fetcher.state === "idle" ? `Add ${good.length}` : "Adding…"}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
