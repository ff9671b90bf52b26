/** What each person gets out of the evening, and who comes late or leaves early. */
import Box from "@mui/material/Box";
import Link from "@mui/material/Link";
import MenuItem from "@mui/material/MenuItem";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { useFetcher } from "react-router";
import { SAID_ON_PAPER } from "../ui/theme.ts";
import type { PlainShare, PlanPerson } from "#core/class/plan-types.ts";

/** Numbers on the right, names on the left. */
const FIGURES = {
  "& th, & td": { textAlign: "right", px: 1 },
  "& th:first-of-type, & td:first-of-type": { textAlign: "left", pl: 0 },
} as const;

interface SharesProps {
  readonly shares: readonly PlainShare[];
  readonly people: readonly PlanPerson[];
  readonly rounds: number;
  readonly queue: number;
}

export function PlanShares({ shares, people, rounds, queue }: SharesProps) {
  const [looked, setLooked] = useState<string | null>(null);
  const byId = new Map(people.map((p) => [p.id, p]));
  const mean = shares.length === 0 ? 0 : Math.round(shares.reduce((sum, s) => sum + s.repetitions, 0) / shares.length);
  const open = shares.find((s) => s.person === looked);
  return (
    <Box component="section" aria-label="Time per person" sx={{ pt: 3 }}>
      <Typography variant="h2">Time per person</Typography>
      <Box sx={{ color: "text.secondary", mb: 1 }}>
        About {mean} repetitions each; in queues for one target the same minutes would give {queue}.
      </Box>
      <Box
        sx={{ overflowX: "auto", position: "relative" }}
        tabIndex={0}
        role="region"
        aria-label="Table of what each gets"
      >
        <Table sx={FIGURES}>
          <TableHead>
            <TableRow>
              <TableCell>Who</TableCell>
              <TableCell>works</TableCell>
              <TableCell>feeds</TableCell>
              <TableCell>answers</TableCell>
              <TableCell>left / right</TableCell>
              <TableCell>partners</TableCell>
              <TableCell>repetitions</TableCell>
              <TableCell>arrives in round</TableCell>
              <TableCell>leaves after</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {shares.map((s) => (
              <ShareRow
                key={s.person}
                share={s}
                person={byId.get(s.person)!}
                rounds={rounds}
                looked={looked === s.person}
                onLook={() => setLooked(looked === s.person ? null : s.person)}
              />
            ))}
          </TableBody>
        </Table>
      </Box>
      {open && (
        <Box role="status" sx={{ py: 1 }}>
          <strong>{byId.get(open.person)?.name}</strong> feeds{" "}
          {open.feeds.map(([feed, n]) => `${feed} ${n}×`).join(", ") || "nothing"}; answers with{" "}
          {open.answers.map(([answer, n]) => `${answer} ${n}×`).join(", ") || "nothing"}.
        </Box>
      )}
    </Box>
  );
}

interface ShareRowProps {
  readonly share: PlainShare;
  readonly person: PlanPerson;
  readonly rounds: number;
  /** What they feed and answer is shown below. */
  readonly looked: boolean;
  readonly onLook: () => void;
}

const minutes = (seconds: number): number => Math.round(seconds / 60);

function ShareRow({ share: s, person, rounds, looked, onLook }: ShareRowProps) {
  return (
    <TableRow>
      <TableCell>
        <Link
          component="button"
          className={SAID_ON_PAPER}
          type="button"
          color="inherit"
          aria-expanded={looked}
          onClick={onLook}
          sx={{ font: "inherit", fontWeight: 600, minHeight: 32, textAlign: "left", textUnderlineOffset: "3px" }}
        >
          {person.name}
        </Link>
      </TableCell>
      <TableCell>{s.all === 0 ? "–" : `${Math.round((100 * s.working) / s.all)}%`}</TableCell>
      <TableCell>{minutes(s.feeding)} min</TableCell>
      <TableCell>{minutes(s.answering)} min</TableCell>
      <TableCell>
        {minutes(s.left)} / {minutes(s.right)}
      </TableCell>
      <TableCell>{s.partners}</TableCell>
      <TableCell>{s.repetitions}</TableCell>
      <Presence person={person} rounds={rounds} />
    </TableRow>
  );
}

/** From which round to which somebody is here; the rest of the evening is planned again at once. */
function Presence({ person, rounds }: { person: PlanPerson; rounds: number }) {
  const fetcher = useFetcher();
  const set = (from: number, until: number | null) =>
    void fetcher.submit(
      { student: person.id, from: String(from), ...(until === null ? {} : { until: String(until) }) },
      { method: "post" },
    );
  return (
    <>
      <TableCell>
        <RoundChoice
          label={`${person.name} arrives in round`}
          value={person.from}
          options={Array.from({ length: rounds }, (_, r) => [r, r === 0 ? "start" : `round ${r + 1}`] as const)}
          onChange={(from) => set(from, person.until !== null && person.until <= from ? null : person.until)}
        />
      </TableCell>
      <TableCell>
        <RoundChoice
          label={`${person.name} leaves after`}
          value={person.until ?? rounds}
          options={Array.from({ length: rounds - person.from }, (_, i) => {
            const r = person.from + i + 1;
            return [r, r === rounds ? "the end" : `after round ${r}`] as const;
          })}
          onChange={(until) => set(person.from, until === rounds ? null : until)}
        />
      </TableCell>
    </>
  );
}

function RoundChoice({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: number;
  options: readonly (readonly [number, string])[];
  onChange: (value: number) => void;
}) {
  return (
    <TextField
      select
      variant="standard"
      value={options.some(([v]) => v === value) ? value : (options[options.length - 1]?.[0] ?? "")}
      onChange={(event) => onChange(Number(event.target.value))}
      slotProps={{ htmlInput: { "aria-label": label } }}
      sx={{ width: 118, textAlign: "left" }}
    >
      {options.map(([v, word]) => (
        <MenuItem key={v} value={v}>
          {word}
        </MenuItem>
      ))}
    </TextField>
  );
}
