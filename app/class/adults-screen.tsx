/** The card of who runs a class: where help is, who the adults are, who may collect the minors. One page, to print. */
import type { ClassAdults, Help } from "#server/views.ts";
import Autocomplete from "@mui/material/Autocomplete";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Link, useFetcher } from "react-router";
import type { action } from "../routes/adults.tsx";
import { longDate } from "../ui/dates.ts";
import { Notice, ScreenHead } from "../ui/parts.tsx";
import { NOT_ON_PAPER } from "../ui/theme.ts";

interface AdultsProps {
  readonly lesson: { readonly id: string; readonly title: string; readonly held_on: string };
  readonly adults: ClassAdults | null;
  readonly help: Help;
  /** Who may run a class of minors; others are not offered. */
  readonly cleared: readonly string[];
  readonly minors: boolean;
  readonly school: string;
}

export function AdultsScreen({ lesson, adults, help, cleared, minors, school }: AdultsProps) {
  return (
    <>
      <ScreenHead
        title="The card of who runs it"
        lead={`${lesson.title}, ${longDate(lesson.held_on)}, ${school}. Carry it, or print it beside the sheet.`}
      >
        <Button variant="outlined" component={Link} to={`/class/${lesson.id}/plan`}>
          Back to the plan
        </Button>
        <Button variant="contained" onClick={() => window.print()}>
          Print
        </Button>
      </ScreenHead>
      {minors && adults === null && (
        <Notice tone="trouble">
          Minors are in this class: name two adults before it begins. With one adult it starts only after that was said.
        </Notice>
      )}
      <Box sx={{ px: { xs: 2, sm: 3 }, pb: 4, maxWidth: 720 }}>
        <Adults adults={adults} cleared={cleared} minors={minors} />
        <WhereHelpIs help={help} />
        <Box component="section" aria-label="In an emergency" sx={{ pt: 3 }}>
          <Typography variant="h2">If somebody is hurt</Typography>
          <Box component="ul" sx={{ mt: 0.5, pl: 2.5 }}>
            <li>“Stop. Stand where you are. Sticks down, mitts down.” Everything stops first.</li>
            <li>
              A blow to the head: out for today, not left alone, not sent home alone; a doctor clears, never today.
            </li>
            <li>A minor’s guardian is told before they leave. Minors leave only with whoever may collect them.</li>
            <li>Write it down today. Local rules, and whoever gives first aid, go before this card.</li>
          </Box>
        </Box>
      </Box>
    </>
  );
}

const ON_PAPER_ALONE = { display: "none", "@media print": { display: "block" } } as const;
const GRID = { display: "grid", gap: 1.5, gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" }, pt: 1 } as const;

function Adults({
  adults,
  cleared,
  minors,
}: {
  readonly adults: ClassAdults | null;
  readonly cleared: readonly string[];
  readonly minors: boolean;
}) {
  const fetcher = useFetcher<typeof action>();
  const [draft, setDraft] = useState({
    first: adults?.first ?? "",
    second: adults?.second ?? "",
    first_aider: adults?.first_aider ?? "",
    collects: adults?.collects ?? "",
  });
  const name = (key: keyof typeof draft, label: string, options: readonly string[] = cleared) => (
    <Autocomplete
      freeSolo
      options={[...options]}
      inputValue={draft[key]}
      onInputChange={(_, value) => setDraft((old) => ({ ...old, [key]: value }))}
      renderInput={(params) => <TextField {...params} label={label} />}
    />
  );
  return (
    <Box component="section" aria-label="The adults">
      <Typography variant="h2">The adults</Typography>
      {fetcher.data && "message" in fetcher.data && <Notice tone="trouble">{fetcher.data.message}</Notice>}
      <Box sx={ON_PAPER_ALONE}>
        Runs it: {draft.first || "______"}. With them: {draft.second || "nobody else"}. First aid:{" "}
        {draft.first_aider || "______"}. May collect: {draft.collects || "______"}.
      </Box>
      <Box sx={{ ...GRID, ...NOT_ON_PAPER }}>
        {name("first", "Runs the class")}
        {name("second", "Second adult")}
        {name("first_aider", "Gives first aid")}
        {name("collects", "Who may collect the minors", [])}
      </Box>
      <Box sx={{ color: "text.secondary", pt: 0.5, ...NOT_ON_PAPER }}>
        Offered are those who are cleared for minors, by local rules, under Members.
        {minors && draft.second === "" ? " Leave the second adult empty only if somebody in charge knows it." : ""}
      </Box>
      <Button
        variant="outlined"
        sx={{ mt: 1, ...NOT_ON_PAPER }}
        disabled={fetcher.state !== "idle" || draft.first.trim() === ""}
        onClick={() =>
          void fetcher.submit({ intent: "adults", ...draft, version: String(adults?.version ?? 0) }, { method: "post" })
        }
      >
        {draft.second.trim() === "" ? "Keep: one adult alone" : "Keep the names"}
      </Button>
    </Box>
  );
}

function WhereHelpIs({ help }: { readonly help: Help }) {
  const fetcher = useFetcher<typeof action>();
  const [draft, setDraft] = useState(help);
  const field = (key: keyof Help, label: string) => (
    <TextField
      label={label}
      value={draft[key]}
      onChange={(event) => setDraft({ ...draft, [key]: event.target.value })}
      slotProps={{ htmlInput: { maxLength: key === "address" ? 300 : 200 } }}
    />
  );
  return (
    <Box component="section" aria-label="Where help is" sx={{ pt: 3 }}>
      <Typography variant="h2">Where help is</Typography>
      {fetcher.data && "message" in fetcher.data && <Notice tone="trouble">{fetcher.data.message}</Notice>}
      <Box sx={ON_PAPER_ALONE}>
        First-aid box: {draft.first_aid || "______"}. Address for an ambulance: {draft.address || "______"}.
      </Box>
      <Box sx={{ ...GRID, ...NOT_ON_PAPER }}>
        {field("first_aid", "Where the first-aid box is")}
        {field("address", "Address for an ambulance")}
      </Box>
      <Button
        variant="outlined"
        sx={{ mt: 1, ...NOT_ON_PAPER }}
        disabled={fetcher.state !== "idle"}
        onClick={() => void fetcher.submit({ intent: "help", ...draft }, { method: "post" })}
      >
        Keep it for the school
      </Button>
    </Box>
  );
}
