/** What each person gets out of the evening, and who comes late or leaves early. */
import Box from "@mui/material/Box";
import Link from "@mui/material/Link";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { styled } from "@mui/material/styles";
import { useState } from "react";
import { useFetcher } from "react-router";
import { SAID_ON_PAPER } from "../ui/theme.ts";
import type { PlainShare, PlanPerson } from "#core/class/plan-types.ts";

const Table = styled("table")(({ theme }) => ({
  width: "100%",
  borderCollapse: "collapse",
  fontVariantNumeric: "tabular-nums",
  "& th": { textAlign: "right", fontWeight: 600, color: theme.vars?.palette.text.secondary, padding: "4px 8px" },
  "& td": { textAlign: "right", padding: "4px 8px", borderTop: `1px solid ${theme.vars?.palette.hairline}` },
  "& th:first-of-type, & td:first-of-type": { textAlign: "left", paddingLeft: 0 },
}));

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
      <Box component="h2" sx={{ typography: "h2", m: 0 }}>
        Time per person
      </Box>
      <Box sx={{ color: "text.secondary", mb: 1 }}>
        About {mean} repetitions each; in queues for one target the same minutes would give {queue}.
      </Box>
      <Box
        sx={{ overflowX: "auto", position: "relative" }}
        tabIndex={0}
        role="region"
        aria-label="Table of what each gets"
      >
        <Table>
          <thead>
            <tr>
              <th scope="col">Who</th>
              <th scope="col">works</th>
              <th scope="col">feeds</th>
              <th scope="col">answers</th>
              <th scope="col">left / right</th>
              <th scope="col">partners</th>
              <th scope="col">repetitions</th>
              <th scope="col">arrives in round</th>
              <th scope="col">leaves after</th>
            </tr>
          </thead>
          <tbody>
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
          </tbody>
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
    <tr>
      <td>
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
      </td>
      <td>{s.all === 0 ? "–" : `${Math.round((100 * s.working) / s.all)}%`}</td>
      <td>{minutes(s.feeding)} min</td>
      <td>{minutes(s.answering)} min</td>
      <td>
        {minutes(s.left)} / {minutes(s.right)}
      </td>
      <td>{s.partners}</td>
      <td>{s.repetitions}</td>
      <Presence person={person} rounds={rounds} />
    </tr>
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
      <td>
        <RoundChoice
          label={`${person.name} arrives in round`}
          value={person.from}
          options={Array.from({ length: rounds }, (_, r) => [r, r === 0 ? "start" : `round ${r + 1}`] as const)}
          onChange={(from) => set(from, person.until !== null && person.until <= from ? null : person.until)}
        />
      </td>
      <td>
        <RoundChoice
          label={`${person.name} leaves after`}
          value={person.until ?? rounds}
          options={Array.from({ length: rounds - person.from }, (_, i) => {
            const r = person.from + i + 1;
            return [r, r === rounds ? "the end" : `after round ${r}`] as const;
          })}
          onChange={(until) => set(person.from, until === rounds ? null : until)}
        />
      </td>
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
      size="small"
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
