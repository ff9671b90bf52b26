/** Who is here: everybody of the school with a tick; in a large school found by name. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import TextField from "@mui/material/TextField";
import { useEffect, useState } from "react";
import { useFetcher } from "react-router";
import type { PersonView } from "#server/views.ts";
import type { action } from "../routes/class.tsx";

/** From this many on there is a search, and no more than this many are listed beside those who are here. */
const MANY = 30;
const LISTED = 60;

/** Those whose name holds what is searched; without a search those who are here and the first of the others. */
export function listed(students: readonly PersonView[], here: ReadonlySet<string>, search: string): PersonView[] {
  const wanted = search.trim().toLowerCase();
  const found = students.filter((s) => s.name.toLowerCase().includes(wanted));
  let others = 0;
  return found.filter((s) => here.has(s.id) || ++others <= LISTED);
}

export function Attendance({ students, here }: { students: readonly PersonView[]; here: ReadonlySet<string> }) {
  const [search, setSearch] = useState("");
  if (students.length === 0) return <Box sx={{ color: "text.secondary" }}>The school has no people yet.</Box>;
  const shown = listed(students, here, search);
  const matching = students.filter((s) => s.name.toLowerCase().includes(search.trim().toLowerCase())).length;
  return (
    <>
      <Everybody />
      {students.length > MANY && (
        <TextField
          size="small"
          fullWidth
          type="search"
          label="Search by name"
          value={search}
          onChange={(event) => setSearch(event.target.value)}
          sx={{ mt: 1 }}
        />
      )}
      {shown.map((s) => (
        <Tick key={s.id} student={s} here={here.has(s.id)} />
      ))}
      {matching === 0 && <Box sx={{ py: 1, color: "text.secondary" }}>Nobody of this name.</Box>}
      {matching > shown.length && (
        <Box sx={{ py: 1, color: "text.secondary" }}>{matching - shown.length} more: search by name.</Box>
      )}
    </>
  );
}

/** All ticks at once: an evening begins with most of the club, or with an empty hall. */
function Everybody() {
  const fetcher = useFetcher<typeof action>();
  return (
    <fetcher.Form method="post">
      <input type="hidden" name="intent" value="everybody" />
      {[
        ["yes", "Everybody"],
        ["no", "Nobody"],
      ].map(([on, label]) => (
        <Button key={on} type="submit" name="on" value={on} size="small" disabled={fetcher.state !== "idle"}>
          {label}
        </Button>
      ))}
    </fetcher.Form>
  );
}

function Tick({ student, here }: { student: PersonView; here: boolean }) {
  const fetcher = useFetcher<typeof action>();
  const [shown, setShown] = useState(here);
  useEffect(() => setShown(here), [here]);
  const set = (on: boolean) => {
    setShown(on);
    void fetcher.submit({ intent: "present", student: student.id, on: on ? "yes" : "no" }, { method: "post" });
  };
  const notes = [
    student.minor ? "minor" : null,
    student.height_cm === null ? "height not known" : `${student.height_cm} cm`,
    ...student.limits,
  ]
    .filter(Boolean)
    .join(", ");
  return (
    <Box>
      <FormControlLabel
        sx={{ minHeight: 44, alignItems: "center" }}
        control={<Checkbox checked={shown} onChange={(e) => set(e.target.checked)} />}
        label={
          <Box>
            {student.name}
            <Box
              component="span"
              sx={{ display: "block", color: "text.secondary", fontSize: "0.9rem", lineHeight: 1.2 }}
            >
              {notes}
            </Box>
          </Box>
        }
      />
    </Box>
  );
}
