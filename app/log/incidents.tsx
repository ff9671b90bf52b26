/** Who was hurt: a short note each, and for a blow to the head who clears it. Seen by instructors alone. */
import type { Incident } from "#server/views.ts";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import Stack from "@mui/material/Stack";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useFetcher } from "react-router";
import type { action } from "../routes/log.tsx";
import { longDate } from "../ui/dates.ts";
import { Notice } from "../ui/parts.tsx";

export const PLACE_WORDS: Readonly<Record<Incident["place"], string>> = {
  head: "head",
  blood: "blood",
  other: "something else",
};

interface IncidentsProps {
  readonly incidents: readonly Incident[];
  readonly names: Readonly<Record<string, string>>;
  readonly dayOf: (at: number) => string;
}

export function Incidents({ incidents, names, dayOf }: IncidentsProps) {
  if (incidents.length === 0) return null;
  return (
    <Box component="section" aria-label="Who was hurt" sx={{ pt: 4, maxWidth: 900 }}>
      <Typography variant="h2">Who was hurt</Typography>
      {incidents.map((one) => (
        <IncidentNote
          key={`${one.id} ${one.version}`}
          incident={one}
          name={names[one.student_id] ?? "Former member"}
          day={dayOf(one.at)}
        />
      ))}
    </Box>
  );
}

function IncidentNote({
  incident,
  name,
  day,
}: {
  readonly incident: Incident;
  readonly name: string;
  readonly day: string;
}) {
  const fetcher = useFetcher<typeof action>();
  const { id, version, place, round, what, done, told, parents, stays_with, home_with } = incident;
  return (
    <Box sx={{ py: 1.5, borderTop: 1, borderColor: "hairline" }}>
      <strong>
        {name}, {PLACE_WORDS[place]}, {day}
        {round === null ? "" : `, round ${round + 1}`}
      </strong>
      {fetcher.data && "message" in fetcher.data && <Notice tone="trouble">{fetcher.data.message}</Notice>}
      <Box
        component={fetcher.Form}
        method="post"
        sx={{ display: "grid", gap: 1, gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" }, pt: 1 }}
      >
        <input type="hidden" name="intent" value="note" />
        <input type="hidden" name="id" value={id} />
        <input type="hidden" name="version" value={version} />
        <Line name="what" label="What happened" value={what} most={1000} />
        <Line name="done" label="What was done" value={done} most={1000} />
        <Line name="told" label="Who was told" value={told} most={200} />
        {place === "head" && (
          <>
            <Line name="stays_with" label="Who stays with them (not left alone)" value={stays_with} most={120} />
            <Line name="home_with" label="Who they go home with (not alone)" value={home_with} most={120} />
          </>
        )}
        <Stack direction="row" spacing={1} sx={{ alignItems: "center" }}>
          <FormControlLabel
            label="Their guardian knows (a minor: before they leave)"
            control={<Checkbox name="parents" value="yes" defaultChecked={parents} />}
          />
          <Button type="submit" variant="outlined" disabled={fetcher.state !== "idle"}>
            Keep the note
          </Button>
        </Stack>
      </Box>
      {place === "head" && <Cleared incident={incident} />}
    </Box>
  );
}

interface LineProps {
  readonly name: string;
  readonly label: string;
  readonly value?: string;
  /** Letters, at most. */
  readonly most: number;
}

/** A line to write on; long ones grow. */
function Line({ name, label, value = "", most }: LineProps) {
  return (
    <TextField
      multiline={most > 500}
      name={name}
      label={label}
      defaultValue={value}
      slotProps={{ htmlInput: { maxLength: most } }}
    />
  );
}

/** No contact until a doctor has said so, for a minor a guardian as well: who, and on which day. Never on the day itself. */
function Cleared({ incident }: { readonly incident: Incident }) {
  const { id, version, cleared_at, cleared_by, doctor, guardian, said_on } = incident;
  const fetcher = useFetcher<typeof action>();
  if (cleared_at !== null)
    return (
      <Box sx={{ pt: 1, color: "text.secondary" }}>
        Cleared for contact: {doctor || "not said who"}
        {guardian ? ` and ${guardian}` : ""}
        {said_on ? ` on ${longDate(said_on)}` : ""}, written down by {cleared_by}.
      </Box>
    );
  return (
    <Stack
      component={fetcher.Form}
      method="post"
      direction="row"
      spacing={1}
      sx={{ flexWrap: "wrap", alignItems: "end", pt: 1 }}
    >
      <input type="hidden" name="intent" value="clear" />
      <input type="hidden" name="id" value={id} />
      <input type="hidden" name="version" value={version} />
      <Box sx={{ flexBasis: "100%" }}>
        No contact, falls, rolling, jumping or kicks until a doctor has said so, and never on the day of the blow. Local
        rules go first.
      </Box>
      {fetcher.data && "message" in fetcher.data && (
        <Box sx={{ flexBasis: "100%" }}>
          <Notice tone="trouble">{fetcher.data.message}</Notice>
        </Box>
      )}
      <Line name="doctor" label="Doctor who said so" most={120} />
      <Line name="guardian" label="Guardian who said so (a minor)" most={120} />
      <TextField type="date" name="said_on" label="On" />
      <Line name="by" label="Your name" most={120} />
      <Button type="submit" variant="outlined" disabled={fetcher.state !== "idle"}>
        Cleared for contact
      </Button>
    </Stack>
  );
}
