/** Who was hurt: a short note each, and for a blow to the head who clears it. Seen by instructors alone. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import TextField from "@mui/material/TextField";
import { useFetcher } from "react-router";
import type { Incident } from "#db/incidents.ts";
import type { action } from "../routes/log.tsx";
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
      <Box component="h2" sx={{ typography: "h2", m: 0 }}>
        Who was hurt
      </Box>
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
  const { id, version, place, round, what, done, told, parents, cleared_at, cleared_by } = incident;
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
        <TextField
          size="small"
          multiline
          name="what"
          label="What happened"
          defaultValue={what}
          slotProps={{ htmlInput: { maxLength: 1000 } }}
        />
        <TextField
          size="small"
          multiline
          name="done"
          label="What was done"
          defaultValue={done}
          slotProps={{ htmlInput: { maxLength: 1000 } }}
        />
        <TextField
          size="small"
          name="told"
          label="Who was told"
          defaultValue={told}
          slotProps={{ htmlInput: { maxLength: 200 } }}
        />
        <Box sx={{ display: "flex", gap: 1, alignItems: "center" }}>
          <FormControlLabel
            label="Parents know"
            control={<Checkbox name="parents" value="yes" defaultChecked={parents} />}
          />
          <Button type="submit" variant="outlined" disabled={fetcher.state !== "idle"}>
            Keep the note
          </Button>
        </Box>
      </Box>
      {place === "head" && <Cleared id={id} at={cleared_at} by={cleared_by} />}
    </Box>
  );
}

/** No contact until an adult in charge says so, by name. */
function Cleared({ id, at, by }: { readonly id: string; readonly at: number | null; readonly by: string }) {
  const fetcher = useFetcher<typeof action>();
  if (at !== null) return <Box sx={{ pt: 1, color: "text.secondary" }}>Cleared for contact by {by}.</Box>;
  return (
    <Box
      component={fetcher.Form}
      method="post"
      sx={{ display: "flex", flexWrap: "wrap", gap: 1, alignItems: "center", pt: 1 }}
    >
      <input type="hidden" name="intent" value="clear" />
      <input type="hidden" name="id" value={id} />
      <Box sx={{ flexBasis: "100%" }}>
        No contact until an adult in charge clears it. Follow local rules on blows to the head.
      </Box>
      {fetcher.data && "message" in fetcher.data && <Notice tone="trouble">{fetcher.data.message}</Notice>}
      <TextField size="small" name="by" label="Cleared by" />
      <Button type="submit" variant="outlined" disabled={fetcher.state !== "idle"}>
        Cleared for contact
      </Button>
    </Box>
  );
}
