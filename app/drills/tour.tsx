/** Four steps for whoever is here for the first time; closed once, it stays closed on this device. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Stack from "@mui/material/Stack";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Link } from "react-router";
import { NOT_ON_PAPER } from "../ui/theme.ts";
import type { DrillListRow } from "#core/lists/drill-list.ts";

/** Read by the server, so that what was closed is not drawn first and taken away. */
export const TOUR_COOKIE = "vicissor-tour";
const YEAR = 365 * 24 * 3600;

interface Step {
  readonly does: string;
  readonly to: string;
  readonly why: string;
}

/** The steps for what the school has; each is something one sees happen. */
export function stepsFor(drills: readonly DrillListRow[]): readonly Step[] {
  const broken = drills.find(({ verdict }) => verdict === "broken");
  // The lightest that has something to grow from.
  const [sound] = drills
    .filter(
      ({ verdict, kind, parent_id, summary }) =>
        verdict === "sound" && kind === "feeder" && parent_id === null && (summary.exchanges ?? 0) > 2,
    )
    .sort((a, b) => a.load_total - b.load_total);
  return [
    broken
      ? {
          does: `Mend “${broken.title}”`,
          to: `/drills/${broken.id}`,
          why: "One row is wrong. Press the answer that is offered, and the drawing closes its ring.",
        }
      : {
          does: "Write a drill",
          to: "/?new",
          why: "Who throws what, and what answers it: A jab -> B slip out, cross.",
        },
    sound
      ? {
          does: `Make a ladder of “${sound.title}”`,
          to: `/drills/${sound.id}/ladder`,
          why: "From one exchange to the whole drill and past it, one thing new on each rung.",
        }
      : { does: "Learn the notation", to: "/help", why: "Ten steps, each a drill that you can open." },
    { does: "Plan tonight", to: "/class", why: "Tick who is here: pairs, rounds and minutes come by themselves." },
    {
      does: "Try the answers",
      to: "/answers",
      why: "Which answer works against which attack, with how much to spare.",
    },
  ];
}

export function Tour({ drills }: { drills: readonly DrillListRow[] }) {
  const [open, setOpen] = useState(true);
  if (!open) return null;
  const [first, ...others] = stepsFor(drills);
  const close = () => {
    document.cookie = `${TOUR_COOKIE}=closed; path=/; max-age=${YEAR}; samesite=lax`;
    setOpen(false);
  };
  return (
    <Box
      component="section"
      aria-labelledby="tour"
      sx={{
        mx: { xs: 2, sm: 3 },
        mb: 2,
        p: 2,
        bgcolor: "background.paper",
        borderLeft: 4,
        borderColor: "primary.main",
        ...NOT_ON_PAPER,
      }}
    >
      <Stack direction="row" spacing={2} sx={{ alignItems: "start" }}>
        <Typography variant="h2" id="tour" sx={{ flex: 1 }}>
          Getting started
        </Typography>
        <Button size="small" onClick={close}>
          Hide
        </Button>
      </Stack>
      <Typography sx={{ mt: 0.5, mb: 1.5 }}>{first!.why}</Typography>
      <Button variant="contained" component={Link} to={first!.to}>
        {first!.does}
      </Button>
      <Typography sx={{ mt: 2, color: "text.secondary" }}>Then:</Typography>
      <Box
        component="ol"
        start={2}
        sx={{ m: 0, pl: 2.5, display: "grid", gap: 1.5, gridTemplateColumns: { md: "repeat(3, 1fr)" }, columnGap: 4 }}
      >
        {others.map(({ does, to, why }) => (
          <li key={to}>
            <Box component={Link} to={to} sx={{ color: "text.primary", fontWeight: 650 }}>
              {does}
            </Box>
            <Box sx={{ color: "text.secondary", fontSize: "0.95rem" }}>{why}</Box>
          </li>
        ))}
      </Box>
    </Box>
  );
}
