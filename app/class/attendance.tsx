/** Who is here: everybody of the school with a tick; in a large school found by name. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import Stack from "@mui/material/Stack";
import TextField from "@mui/material/TextField";
import { useEffect, useState } from "react";
import { useFetcher } from "react-router";
import { TONIGHT_IDS } from "#core/people/tonight.ts";
import type { PersonView } from "#server/views.ts";
import type { action } from "../routes/class.tsx";
import type { action as tick } from "../routes/here.ts";
import { Notice } from "../ui/parts.tsx";
import { ForTeachers, useTeaches } from "../ui/role.tsx";

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

interface AttendanceProps {
  /** The class. */
  readonly id: string;
  readonly students: readonly PersonView[];
  readonly here: ReadonlySet<string>;
  /** What somebody leaves out tonight, by their id. */
  readonly not?: Readonly<Record<string, readonly string[]>>;
}

const heightText = ({ height_cm: height }: PersonView): string =>
  height === null ? "height not known" : `${height} cm`;

export function Attendance({ id, students, here, not = {} }: AttendanceProps) {
  const [search, setSearch] = useState("");
  if (students.length === 0) return <Box sx={{ color: "text.secondary" }}>The school has no people yet.</Box>;
  const shown = listed(students, here, search);
  const matching = students.filter((s) => s.name.toLowerCase().includes(search.trim().toLowerCase())).length;
  return (
    <>
      <ForTeachers>
        <Everybody />
      </ForTeachers>
      {students.length > MANY && (
        <TextField
          fullWidth
          type="search"
          label="Search by name"
          value={search}
          onChange={(event) => setSearch(event.target.value)}
          sx={{ mt: 1 }}
        />
      )}
      <Box sx={{ columns: "2 320px", columnGap: 4, "& > *": { breakInside: "avoid" } }}>
        {shown.map((s) => (
          <Tick key={s.id} to={`/class/${id}/here`} student={s} here={here.has(s.id)} not={not[s.id] ?? []} />
        ))}
      </Box>
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
  const back = useFetcher<typeof action>();
  const were = fetcher.data && "were" in fetcher.data ? (fetcher.data.were ?? []) : [];
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
      {fetcher.data && "asked" in fetcher.data && (fetcher.data.asked ?? 0) > 0 && (
        <Box sx={{ color: "verdict.risky" }}>
          {fetcher.data.asked === 1 ? "One person is" : `${fetcher.data.asked} people are`} not cleared after a blow to
          the head: tick them one by one.
        </Box>
      )}
      {were.length > 0 && back.data === undefined && (
        <Button
          size="small"
          variant="outlined"
          disabled={back.state !== "idle"}
          onClick={() => void back.submit({ intent: "back", were: JSON.stringify(were) }, { method: "post" })}
        >
          Undo: {were.length} were here
        </Button>
      )}
    </fetcher.Form>
  );
}

interface TickProps {
  /** Where the tick goes. */
  readonly to: string;
  readonly student: PersonView;
  readonly here: boolean;
  readonly not: readonly string[];
}

function Tick({ to, student, here, not }: TickProps) {
  const fetcher = useFetcher<typeof tick>();
  const teaches = useTeaches();
  const [shown, setShown] = useState(here);
  useEffect(() => setShown(here), [here]);
  const send = (on: "yes" | "no", sure: "yes" | "no") =>
    void fetcher.submit({ intent: "present", student: student.id, on, sure }, { method: "post", action: to });
  const set = (on: boolean) => {
    setShown(on);
    send(on ? "yes" : "no", "no");
  };
  // What the server refuses or asks about first is not ticked.
  const said = fetcher.data && "message" in fetcher.data ? fetcher.data : null;
  useEffect(() => {
    if (said && said.kind !== "failed") setShown(here);
  }, [said, here]);
  const notes = [
    student.age === "minor" ? "minor" : student.age === "unknown" ? "of age? not said" : null,
    teaches && heightText(student),
    ...student.limits,
    not.length > 0 ? `leaves out: ${not.join(", ")}` : null,
  ]
    .filter(Boolean)
    .join(", ");
  return (
    <Stack direction="row" sx={{ alignItems: "center", flexWrap: "wrap" }}>
      {said && fetcher.state === "idle" && (
        <Box sx={{ flexBasis: "100%" }}>
          <Notice
            tone="trouble"
            action={
              said.kind === "asks" && (
                <Button
                  variant="outlined"
                  onClick={() => {
                    setShown(true);
                    send("yes", "yes");
                  }}
                >
                  Yes, without contact
                </Button>
              )
            }
          >
            {said.message}
          </Notice>
        </Box>
      )}
      <FormControlLabel
        sx={{ minHeight: 44, alignItems: "center", flex: 1 }}
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
      {shown && teaches && <TonightNot student={student} not={not} />}
    </Stack>
  );
}

/** What somebody leaves out tonight: a tap each, and no reason asked. */
function TonightNot({ student, not }: { student: PersonView; not: readonly string[] }) {
  const fetcher = useFetcher<typeof action>();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [tapped, setTapped] = useState(not);
  useEffect(() => setTapped(not), [not]);
  const tap = (id: string) => {
    const next = tapped.includes(id) ? tapped.filter((one) => one !== id) : [...tapped, id];
    setTapped(next);
    void fetcher.submit({ intent: "tonight", student: student.id, not: next.join(",") }, { method: "post" });
  };
  return (
    <>
      <Button
        size="small"
        color="inherit"
        aria-haspopup="menu"
        aria-label={`What ${student.name} leaves out tonight`}
        onClick={(event) => setAnchor(event.currentTarget)}
        sx={{ color: "text.secondary" }}
      >
        Leaves out…
      </Button>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {TONIGHT_IDS.map((id) => (
          <MenuItem key={id} dense role="menuitemcheckbox" aria-checked={tapped.includes(id)} onClick={() => tap(id)}>
            <Box component="span" aria-hidden sx={{ width: "1.4em" }}>
              {tapped.includes(id) ? "✓" : ""}
            </Box>
            {id}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
