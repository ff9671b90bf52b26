/** The whole ladder into the library, and from there to a class. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import Stack from "@mui/material/Stack";
import TextField from "@mui/material/TextField";
import { useEffect, useState } from "react";
import { Link, useFetcher, useNavigate } from "react-router";
import type { action } from "../routes/ladder.tsx";
import { shortDate } from "../ui/dates.ts";
import { NOT_ON_PAPER } from "../ui/theme.ts";
import { Notice } from "../ui/parts.tsx";
import type { ChangeView } from "../workers/questions/ladder.ts";

export interface ClassChoice {
  readonly id: string;
  readonly title: string;
  readonly date: string;
}
interface TakeProps {
  readonly title: string;
  readonly revisionId: string;
  readonly seed: number;
  readonly rungs: readonly ChangeView[];
  readonly classes: readonly ClassChoice[];
  /** `2026-11-25` */
  readonly today: string;
}

/** The plan of a class that works on a ladder. */
const planWith = (lesson: string, ladder: string): string => `/class/${lesson}/plan?ladder=${ladder}`;

export function TakeLadder({ title, revisionId, seed, rungs, classes, today }: TakeProps) {
  const fetcher = useFetcher<typeof action>();
  const taken = fetcher.data && "ladder" in fetcher.data ? fetcher.data : null;
  const coming = classes.filter((c) => c.date >= today).sort((a, b) => a.date.localeCompare(b.date));
  const next = coming[0];
  const busy = fetcher.state !== "idle" || rungs.length < 2;
  /** The class that goes on with it as soon as it is saved. */
  const [goesTo, setGoesTo] = useState<string | null>(null);
  const navigate = useNavigate();
  useEffect(() => {
    if (taken && goesTo) void navigate(planWith(goesTo, taken.ladder));
  }, [taken, goesTo, navigate]);
  const take = () =>
    void fetcher.submit(
      {
        ladder: JSON.stringify({
          id: crypto.randomUUID(),
          parentRevisionId: revisionId,
          title: `${title}, ${rungs.length} rungs`,
          seed,
          rungs: rungs.map((rung) => ({
            id: crypto.randomUUID(),
            revisionId: crypto.randomUUID(),
            text: rung.text,
            operator: rung.operator ?? "start",
            changed: rung.changed,
          })),
        }),
      },
      { method: "post" },
    );
  return (
    <Stack
      direction="row"
      spacing={1.5}
      sx={{ flexWrap: "wrap", alignItems: "end", px: { xs: 2, sm: 3 }, pb: 1, ...NOT_ON_PAPER }}
    >
      {!taken && next && (
        <Button
          variant="contained"
          disabled={busy}
          onClick={() => {
            setGoesTo(next.id);
            take();
          }}
        >
          {next.date === today ? "Use it tonight" : `Use it on ${shortDate(next.date)}`}
        </Button>
      )}
      {!taken && (
        <Button variant={next ? "outlined" : "contained"} disabled={busy} onClick={take}>
          {fetcher.state === "idle" ? "Save all rungs as drills" : "Saving…"}
        </Button>
      )}
      {taken && (
        <>
          <Box role="status">{taken.rungs} drills saved.</Box>
          {coming.length > 0 && <SendTo classes={coming} ladder={taken.ladder} />}
        </>
      )}
      <Button variant="outlined" onClick={() => window.print()}>
        Print the list
      </Button>
      {fetcher.data && "message" in fetcher.data && <Notice tone="trouble">{fetcher.data.message}</Notice>}
    </Stack>
  );
}

/** The class that a saved ladder is for. */
function SendTo({ classes, ladder }: { readonly classes: readonly ClassChoice[]; readonly ladder: string }) {
  const [to, setTo] = useState(classes[0]!.id);
  return (
    <>
      <TextField
        select
        label="Send it to"
        value={to}
        onChange={(event) => setTo(event.target.value)}
        sx={{ minWidth: 220 }}
      >
        {classes.map((c) => (
          <MenuItem key={c.id} value={c.id}>
            {shortDate(c.date)} · {c.title}
          </MenuItem>
        ))}
      </TextField>
      <Button variant="contained" component={Link} to={planWith(to, ladder)}>
        Plan the class with it
      </Button>
    </>
  );
}
