/** One rung or variation: what changes, how hard it is, the text difference and both drawings, and a way into the library. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Stack from "@mui/material/Stack";
import { useState, type ReactNode } from "react";
import { Link, useFetcher } from "react-router";
import type { ScoreView } from "#core/formats/desk-view.ts";
import type { action } from "../routes/ladder.tsx";
import { ScoreDrawing } from "../drawing/score-drawing.tsx";
import { LoadBar } from "../drills/drill-row.tsx";
import { TextDiff } from "../desk/conflict.tsx";
import { VerdictRing } from "../ui/marks.tsx";
import { NOT_ON_PAPER } from "../ui/theme.ts";
import { Notice } from "../ui/parts.tsx";
import { ForTeachers } from "../ui/role.tsx";
import { Row } from "../ui/rows.tsx";

interface RungText {
  readonly text: string;
  readonly operator: string;
  readonly parameters: Readonly<Record<string, string | number>>;
  readonly changed: string;
  readonly view: ScoreView;
}
interface RungProps {
  readonly rung: RungText;
  /** What an instructor calls the change, where its own words are not enough. */
  readonly name?: string;
  /** Which rung of a ladder it is, from 1. */
  readonly place?: number;
  /** What it is compared with. */
  readonly before: { readonly text: string; readonly view: ScoreView | null };
  /** The largest load of the list: bars are drawn against it. */
  readonly most: number;
  readonly revisionId: string;
  /** More buttons, and what stands below when the rung is open. */
  readonly actions?: ReactNode;
  readonly more?: ReactNode;
  /** What a link can lead to. */
  readonly anchor?: string;
}

export function RungItem({ rung, name, place, before, most, revisionId, actions, more, anchor }: RungProps) {
  const [open, setOpen] = useState(false);
  const fetcher = useFetcher<typeof action>();
  const added = fetcher.data && "id" in fetcher.data ? fetcher.data.id : null;
  const add = () =>
    void fetcher.submit(
      {
        id: crypto.randomUUID(),
        revisionId: crypto.randomUUID(),
        parentRevisionId: revisionId,
        text: rung.text,
        operator: rung.operator,
        parameters: JSON.stringify(rung.parameters),
        changed: rung.changed,
      },
      { method: "post" },
    );
  return (
    <Row id={anchor} sx={{ py: 1.25, scrollMarginTop: 80, breakInside: "avoid" }}>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: {
            xs: "28px minmax(0,1fr)",
            md: `28px ${place === undefined ? "180px " : ""}minmax(0,1fr) 140px auto`,
          },
          gap: 1.5,
          alignItems: "center",
        }}
      >
        <VerdictRing verdict={rung.view.shown} />
        {place === undefined && <Box sx={{ fontWeight: 700 }}>{name}</Box>}
        <Box sx={{ gridColumn: { xs: "2", md: "auto" }, fontWeight: place === undefined ? 400 : 700 }}>
          {place === undefined ? rung.changed : `${place}. ${rung.changed}`}
        </Box>
        <Box sx={{ gridColumn: { xs: "2", md: "auto" } }}>
          <LoadBar value={rung.view.load.total} most={most} />
        </Box>
        <Stack
          direction="row"
          spacing={1}
          sx={{ flexWrap: "wrap", gridColumn: { xs: "2", md: "auto" }, ...NOT_ON_PAPER }}
        >
          {actions}
          <Button size="small" variant="outlined" aria-expanded={open} onClick={() => setOpen(!open)}>
            {open ? "Hide" : "Compare"}
          </Button>
          {added ? (
            <Button size="small" variant="text" component={Link} to={`/drills/${added}`}>
              Saved: open it
            </Button>
          ) : (
            <ForTeachers>
              <Button size="small" variant="outlined" onClick={add} disabled={fetcher.state !== "idle"}>
                Save as a drill
              </Button>
            </ForTeachers>
          )}
        </Stack>
      </Box>
      {fetcher.data && "message" in fetcher.data && <Notice tone="trouble">{fetcher.data.message}</Notice>}
      {open && (
        <Box
          sx={{
            display: "grid",
            gridTemplateColumns: { xs: "minmax(0,1fr)", lg: "repeat(3, minmax(0,1fr))" },
            gap: 3,
            mt: 1.5,
          }}
        >
          <TextDiff before={before.text} after={rung.text} beforeName="before" afterName="here" />
          {before.view && <Drawn title="Before" view={before.view} />}
          <Drawn title="Here" view={rung.view} />
        </Box>
      )}
      {more}
    </Row>
  );
}

const Drawn = ({ title, view }: { title: string; view: ScoreView }) => (
  <Box component="figure" sx={{ m: 0, minWidth: 0 }}>
    <Box component="figcaption" sx={{ color: "text.secondary" }}>
      {title}
    </Box>
    <ScoreDrawing view={view} cursor={null} zoom={0.8} />
  </Box>
);
