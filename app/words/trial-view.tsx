/** What a move does, drawn and listed: its facts, its picture, what it answers and what answers it. */
import Box from "@mui/material/Box";
import Stack from "@mui/material/Stack";
import Typography from "@mui/material/Typography";
import { Fragment } from "react";
import type { Fact } from "#core/words/facts.ts";
import { BEST_FIRST, type Trial, type TrialPair } from "#core/formats/trial.ts";
import { FloorDrawing } from "../drawing/floor-drawing.tsx";
import { frameAt, timeline } from "../drawing/floor-layout.ts";
import { targetLayout } from "../drawing/target-layout.ts";
import { TargetDrawing } from "../drawing/target-drawing.tsx";
import { VerdictRing } from "../ui/marks.tsx";
import { Rows } from "../ui/rows.tsx";
import { Terms } from "../ui/terms.tsx";

export function FactList({ facts }: { facts: readonly Fact[] }) {
  return (
    <Terms aria-label="Physical facts, for a person of 1.75 m">
      {facts.map((f, i) => (
        <Fragment key={i}>
          <dt>{f.name}</dt>
          <dd>{f.value}</dd>
        </Fragment>
      ))}
    </Terms>
  );
}

/** The move at the moment of contact, as the feeder sees it and from above. */
export function TrialPicture({ trial }: { trial: Trial }) {
  const { scene } = trial;
  if (!scene) return null;
  const beats = timeline([scene], 1);
  const frame = frameAt(beats, beats[0]?.contact ?? 0);
  return (
    <Box component="figure" sx={{ m: 0 }}>
      <Box sx={{ display: "grid", gridTemplateColumns: scene.target ? "1fr 1fr" : "1fr", gap: 1, alignItems: "end" }}>
        {scene.target && <TargetDrawing scene={scene} plain />}
        {frame && <FloorDrawing scenes={[scene]} frame={frame} plain />}
      </Box>
      <Stack component="figcaption" direction="row" spacing={1} sx={{ color: "text.secondary", alignItems: "center" }}>
        <VerdictRing verdict={scene.verdict} size={18} /> {scene.feed}, met with {scene.answer}:{" "}
        {targetLayout(scene)?.nearest?.words ?? "at contact"}
      </Stack>
    </Box>
  );
}

/** Rings with the words beside them, best first. */
export function TrialList({ title, pairs, of }: { title: string; pairs: readonly TrialPair[]; of: "feed" | "answer" }) {
  if (pairs.length === 0) return null;
  const sorted = [...pairs].sort((a, b) => BEST_FIRST.indexOf(a.verdict) - BEST_FIRST.indexOf(b.verdict));
  return (
    <Box component="section" aria-label={title} sx={{ mt: 2.5 }}>
      <Typography variant="h3" sx={{ mb: 0.5 }}>
        {title}
      </Typography>
      <Rows sx={{ columns: "190px", columnGap: 3 }}>
        {sorted.map((p) => (
          <Stack
            component="li"
            key={`${p.feed}${p.answer}`}
            direction="row"
            spacing={1}
            sx={{
              alignItems: "center",
              breakInside: "avoid",
              color: p.verdict === "invalid" ? "text.secondary" : "text.primary",
            }}
          >
            <VerdictRing verdict={p.verdict} size={16} /> {of === "feed" ? nameAnswer(p, pairs) : p.answer}
          </Stack>
        ))}
      </Rows>
    </Box>
  );
}

/** The feed, and how it is answered where the move can be done in several ways. */
const nameAnswer = (p: TrialPair, pairs: readonly TrialPair[]): string =>
  new Set(pairs.map((other) => other.answer)).size > 1 ? `${p.feed} (${p.answer})` : p.feed;
