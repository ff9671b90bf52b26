/** Reads a table of people: shows what each row would become before anything is saved. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useEffect, useMemo, useRef, useState } from "react";
import { useFetcher } from "react-router";
import {
  COLUMNS,
  guessColumns,
  MOST_ROWS,
  READ_AS,
  readAs,
  readPeople,
  type Cells,
  type ColumnMap,
  type ReadRow,
} from "#core/people/table.ts";
import type { action } from "../routes/people.tsx";
import { readTextFile } from "../paper/read-text-file.ts";
import { Notice } from "../ui/parts.tsx";
import { Row, Rows } from "../ui/rows.tsx";
import { cellsIn } from "./cells-in.ts";
import { useNames } from "./use-names.ts";

/** Rows shown of each kind. */
const SHOWN = 60;

/** A table that is read from a file, and what its columns and rows are taken for. */
function useTable() {
  const [table, setTable] = useState<readonly Cells[] | null>(null);
  const [columns, setColumns] = useState<ColumnMap>({});
  const names = useNames();
  // Who is here already is known first: nobody is taken in twice because an answer was late.
  const rows = useMemo(
    () =>
      table &&
      names &&
      readPeople(
        table.map((cells) => readAs(cells, columns)),
        names.map(({ name }) => name),
      ),
    [table, columns, names],
  );
  const [trouble, setTrouble] = useState<string | null>(null);
  const [notes, setNotes] = useState<readonly string[]>([]);
  const take = (text: string, notes: readonly string[]) => {
    const { data, fields } = cellsIn(text);
    setNotes(notes);
    setTable(null);
    if (text.trim() === "") return setTrouble(null);
    if (data.length === 0)
      return setTrouble("No rows were found: the first row names the columns, the others are people.");
    setTrouble(
      data.length > MOST_ROWS ? `Only the first ${MOST_ROWS} rows are read; split the table for the others.` : null,
    );
    setColumns(guessColumns(fields));
    setTable(data);
  };
  const read = async (file: File | undefined) => {
    if (!file) return;
    const { text, encoding } = await readTextFile(file);
    take(text, encoding === "UTF-8" ? [] : [`Read as ${encoding}: look whether letters such as ü and é are right.`]);
  };
  return { table, columns, setColumns, names, rows, trouble, notes, read, take };
}

export function ImportPeople({ onClose }: { onClose: () => void }) {
  const fetcher = useFetcher<typeof action>();
  const { table, columns, setColumns, names, rows, trouble, notes, read, take } = useTable();
  const picker = useRef<HTMLInputElement>(null);
  const [twice, setTwice] = useState(false);
  const added = fetcher.data && "count" in fetcher.data;
  useEffect(() => {
    if (added) onClose();
  }, [added, onClose]);
  const named = Object.values(columns).includes("name");
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
        <Button variant="outlined" onClick={() => picker.current?.click()}>
          Choose a file
        </Button>
        <input
          ref={picker}
          type="file"
          accept=".csv,.tsv,.txt,text/csv"
          hidden
          onChange={(event) => void read(event.target.files?.[0])}
        />
        <TextField
          multiline
          maxRows={6}
          fullWidth
          label="Or paste a table, or a list of names"
          placeholder={"name\theight\tlevel\nIda Holm\t168\tbeginner"}
          onChange={(event) => take(event.target.value, [])}
          sx={{ mt: 2 }}
        />
        {trouble && <Notice tone="trouble">{trouble}</Notice>}
        {fetcher.data && "message" in fetcher.data && <Notice tone="trouble">{fetcher.data.message}</Notice>}
        {notes.map((note) => (
          <Notice key={note}>{note}</Notice>
        ))}
        {table && <Columns columns={columns} table={table} onChange={setColumns} />}
        {table && !named && <Notice>Choose which column is the name.</Notice>}
        {table && !names && <Notice>Looking up who is here already …</Notice>}
        {rows && named && (
          <>
            <Box role="status" sx={{ py: 1, fontWeight: 700 }}>
              {good.length} new, {doubles.length} already in the list, {faulty.length} with errors
            </Box>
            {doubles.length > 0 && (
              <FormControlLabel
                label="Add those who are known by name as well"
                control={<Checkbox checked={twice} onChange={(event) => setTwice(event.target.checked)} />}
              />
            )}
            <ReadRows rows={[...faulty.slice(0, SHOWN), ...good.slice(0, SHOWN)]} />
          </>
        )}
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={onClose}>
          Close
        </Button>
        <Button variant="contained" disabled={!named || good.length === 0 || fetcher.state !== "idle"} onClick={save}>
          {fetcher.state === "idle" ? `Add ${good.length}` : "Adding…"}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

const ReadRows = ({ rows }: { readonly rows: readonly ReadRow[] }) => (
  <Rows aria-label="Rows">
    {rows.map((r) => (
      <Row key={r.row} sx={{ py: 0.5 }}>
        <Box component="span" sx={{ color: "text.secondary" }}>
          Row {r.row}:{" "}
        </Box>
        {r.person ? personLine(r.person) : r.faults.join("; ")}
      </Row>
    ))}
  </Rows>
);

function ageWords({ ages, minor, born }: NonNullable<ReadRow["person"]>): string | null {
  if (ages) return `${ages} years`;
  if (minor === null) return born ? null : "of age? not said";
  return minor ? "minor" : "of age";
}

/** All that a row of the file says of somebody, as it will be kept. */
export const personLine = (person: NonNullable<ReadRow["person"]>): string =>
  [
    person.name,
    person.height_cm !== null && `${person.height_cm} cm`,
    person.reach_cm !== null && `reach ${person.reach_cm} cm`,
    person.mass_kg !== null && `${person.mass_kg} kg`,
    `${person.lead} lead`,
    `${person.hand} handed`,
    person.born && `born ${person.born}`,
    ageWords(person),
    person.falls && "has learnt to fall",
    ...Object.entries(person.levels).map(([family, level]) => `${family} ${level}`),
    person.limits.length > 0 && `not: ${person.limits.join(", ")}`,
    person.limits_until && `until ${person.limits_until}`,
    person.agreed && `agreed: ${person.agreed}`,
  ]
    .filter(Boolean)
    .join(", ");

/** The first cell of a column that is filled. */
const exampleIn = (table: readonly Cells[], field: string): string =>
  table.find((cells) => cells[field]?.trim())?.[field]?.trim() ?? "empty";

/** What each column of the file is read as; two columns of one name are put together, as first and last name are. */
function Columns({
  columns,
  table,
  onChange,
}: {
  readonly columns: ColumnMap;
  readonly table: readonly Cells[];
  readonly onChange: (columns: ColumnMap) => void;
}) {
  return (
    <Box
      component="fieldset"
      sx={{
        border: 0,
        p: 0,
        m: 0,
        mt: 2,
        display: "grid",
        gap: 1.5,
        gridTemplateColumns: "repeat(auto-fill, minmax(190px, 1fr))",
      }}
    >
      <Box component="legend" sx={{ p: 0, mb: 1.5, fontWeight: 700 }}>
        What each column is
      </Box>
      {Object.entries(columns).map(([field, name]) => (
        <TextField
          key={field}
          select
          label={field}
          value={name ?? ""}
          helperText={exampleIn(table, field)}
          onChange={(event) => onChange({ ...columns, [field]: event.target.value || null })}
        >
          <MenuItem value="">not used</MenuItem>
          {READ_AS.map((one) => (
            <MenuItem key={one} value={one}>
              {one}
            </MenuItem>
          ))}
        </TextField>
      ))}
    </Box>
  );
}
