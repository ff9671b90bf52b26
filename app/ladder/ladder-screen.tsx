import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import { useEffect, useState } from "react";
import { Link, useFetcher } from "react-router";
import { OPERATOR_NAMES } from "#core/vary/operator-names.ts";
import type { action } from "../routes/ladder.tsx";
import { ScoreDrawing } from "../drawing/score-drawing.tsx";
import { LoadBar } from "../drills/drills-screen.tsx";
import { TextDiff } from "../desk/conflict.tsx";
import { VerdictRing } from "../ui/marks.tsx";
import { Notice, ScreenHead } from "../ui/parts.tsx";
import { ask } from "../workers/client.ts";
import type { VariationView, Work } from "../workers/protocol.ts";

interface LadderProps {
  readonly id: string;
  readonly title: string;
  readonly text: string;
  readonly revisionId: string;
}

/** Variations of a drill, easiest first: what changes in each, and one click to add it. */
export function LadderScreen({ id, title, text, revisionId }: LadderProps) {
  const [result, setResult] = useState<Work["vary"]["answer"] | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [showBroken, setShowBroken] = useState(false);
  useEffect(() => {
    let alive = true;
    setResult(null);
    ask("vary", { text }).then(
      (answer) => alive && setResult(answer),
      (error: Error) => alive && setTrouble(error.message),
    );
    return () => {
      alive = false;
    };
  }, [text]);
  const most = Math.max(1, ...(result?.good.map((v) => v.view.load.total) ?? []));
  return (
    <>
      <ScreenHead
        title={`Ladder of ${title}`}
        lead="Each rung changes one thing and was checked. The easiest stands first."
      >
        <Button variant="outlined" component={Link} to={`/drills/${id}`}>
          Back to the desk
        </Button>
      </ScreenHead>
      {trouble && <Notice tone="trouble">{trouble}</Notice>}
      {result?.partial && <Notice>The drill has errors: the ladder starts from the rows that are sound.</Notice>}
      {!result && !trouble && (
        <Box sx={{ px: 3, py: 2 }}>
          <LinearProgress aria-label="Making variations" />
        </Box>
      )}
      {result && result.good.length === 0 && (
        <Box sx={{ px: 3, py: 4, color: "text.secondary" }}>
          No variation of this drill holds. Mend the drill at the desk first, or write a second line.
        </Box>
      )}
      <Box component="ol" aria-label="Rungs" sx={{ listStyle: "none", m: 0, px: { xs: 2, sm: 3 }, pb: 3 }}>
        {result?.good.map((v) => (
          <Rung key={v.text} variation={v} base={text} most={most} revisionId={revisionId} />
        ))}
      </Box>
      {result && result.broken.length > 0 && (
        <Box sx={{ px: { xs: 2, sm: 3 }, pb: 5 }}>
          <Button variant="text" color="inherit" aria-expanded={showBroken} onClick={() => setShowBroken(!showBroken)}>
            {showBroken ? "Hide" : "Show"} {result.broken.length} that do not work
          </Button>
          {showBroken && (
            <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0 }}>
              {result.broken.map((v) => (
                <Box component="li" key={v.text} sx={{ py: 1, borderTop: 1, borderColor: "hairline" }}>
                  <Box sx={{ textDecoration: "line-through" }}>{v.changed}</Box>
                  <Box sx={{ color: "text.secondary" }}>
                    {v.view.findings.find((f) => f.severity === "error")?.message}
                  </Box>
                </Box>
              ))}
            </Box>
          )}
        </Box>
      )}
    </>
  );
}

function Rung({
  variation: v,
  base,
  most,
  revisionId,
}: {
  variation: VariationView;
  base: string;
  most: number;
  revisionId: string;
}) {
  const [open, setOpen] = useState(false);
  const fetcher = useFetcher<typeof action>();
  const added = fetcher.data && "id" in fetcher.data ? fetcher.data.id : null;
  const add = () =>
    void fetcher.submit(
      {
        id: crypto.randomUUID(),
        revisionId: crypto.randomUUID(),
        parentRevisionId: revisionId,
        text: v.text,
        operator: v.operator,
        parameters: JSON.stringify(v.parameters),
        changed: v.changed,
      },
      { method: "post" },
    );
  return (
    <Box component="li" sx={{ borderTop: 1, borderColor: "hairline", py: 1.25 }}>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "28px minmax(0,1fr)", md: "28px 190px minmax(0,1fr) 150px auto" },
          gap: 1.5,
          alignItems: "center",
        }}
      >
        <VerdictRing verdict={v.view.verdict} />
        <Box sx={{ fontWeight: 700 }}>{OPERATOR_NAMES[v.operator]}</Box>
        <Box sx={{ gridColumn: { xs: "2", md: "auto" } }}>{v.changed}</Box>
        <Box sx={{ gridColumn: { xs: "2", md: "auto" } }}>
          <LoadBar value={v.view.load.total} most={most} />
        </Box>
        <Box sx={{ display: "flex", gap: 1, gridColumn: { xs: "2", md: "auto" } }}>
          <Button size="small" variant="outlined" aria-expanded={open} onClick={() => setOpen(!open)}>
            {open ? "Close" : "Look"}
          </Button>
          {added ? (
            <Button size="small" variant="text" component={Link} to={`/drills/${added}`}>
              Added: open it
            </Button>
          ) : (
            <Button size="small" variant="contained" onClick={add} disabled={fetcher.state !== "idle"}>
              Add
            </Button>
          )}
        </Box>
      </Box>
      {fetcher.data && "message" in fetcher.data && <Notice tone="trouble">{fetcher.data.message}</Notice>}
      {open && (
        <Box
          sx={{
            display: "grid",
            gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,1fr) minmax(0,1fr)" },
            gap: 3,
            mt: 1.5,
          }}
        >
          <TextDiff before={base} after={v.text} beforeName="before" afterName="here" />
          <ScoreDrawing view={v.view} cursor={null} />
        </Box>
      )}
    </Box>
  );
}
