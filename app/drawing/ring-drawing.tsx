/** Draws the cycles of a score as rings: thin SVG over the computed layout. */
import Box from "@mui/material/Box";
import type { ScoreView } from "#core/formats/desk-view.ts";
import { RingShape, useVerdictColour } from "../ui/marks.tsx";
import { usePalette } from "../ui/palette.ts";
import { CrossingButton, shorten, type PickExchange } from "./crossing-parts.tsx";
import { flowRings, type Ring } from "./ring-layout.ts";

interface RingsProps {
  readonly view: ScoreView;
  readonly picked: string | null;
  readonly onPick?: PickExchange;
}

export function RingsDrawing({ view, picked, onPick }: RingsProps) {
  const rings = flowRings(view);
  if (rings.length === 0)
    return (
      <Box sx={{ py: 4, color: "text.secondary", maxWidth: 420 }}>
        A ring shows a cycle. Put the rows that come round again into a loop:
        <Box component="pre" sx={{ fontFamily: "monospace", color: "text.primary" }}>
          {"loop x8:\n  A R forehand high <> B R forehand high\n  A R backhand low <> B R backhand low\nend"}
        </Box>
      </Box>
    );
  return (
    <>
      {rings.map((ring) => (
        <RingDrawing key={ring.key} ring={ring} picked={picked} onPick={onPick} />
      ))}
    </>
  );
}

function RingDrawing({ ring, picked, onPick }: { ring: Ring; picked: string | null; onPick: RingsProps["onPick"] }) {
  const palette = usePalette();
  const colour = useVerdictColour();
  const half = ring.size / 2;
  const reachable = ring.crossings.find((c) => c.exchange.key === picked) ?? ring.crossings[0];
  return (
    <Box component="figure" sx={{ m: 0, py: 1 }}>
      <svg
        viewBox={`${-half} ${-half * 0.8} ${ring.size} ${ring.size * 0.8}`}
        width="100%"
        style={{ display: "block", maxWidth: 760, margin: "0 auto" }}
        role="group"
        aria-label={`Cycle: ${ring.block.words}, ${ring.crossings.length} counts, ${ring.open.length === 0 ? "closes" : "does not close"}`}
      >
        {ring.strands.map((s) => (
          <path key={s.actor} d={s.path} fill="none" stroke={palette.partner[s.actor]} strokeWidth={3} />
        ))}
        <text textAnchor="middle" y={-6} fontSize={26} fontWeight={700} fill={palette.text.primary}>
          {ring.block.words}
        </text>
        <text textAnchor="middle" y={22} fontSize={22} fill={palette.text.secondary}>
          {ring.open.length === 0 ? `${ring.crossings.length} counts, closes` : "does not close"}
        </text>
        {ring.crossings.map((c, i) => {
          const e = c.exchange;
          return (
            <CrossingButton key={e.key} exchange={e} reachable={c === reachable} onPick={onPick}>
              <circle
                cx={c.to.x}
                cy={c.to.y}
                r={19}
                fill={palette.primary.main}
                opacity={picked === e.key ? 0.16 : 0}
              />
              <path
                d={`M${c.from.x} ${c.from.y}L${c.to.x} ${c.to.y}`}
                stroke={palette.partner[e.feeder]}
                strokeWidth={2}
              />
              <circle cx={c.to.x} cy={c.to.y} r={11} fill={palette.background.default} />
              <RingShape verdict={e.shown} x={c.to.x} y={c.to.y} r={8.5} colour={colour(e.shown)} />
              <text x={c.words.x} y={c.words.y} textAnchor={c.anchor} fontSize={22} fill={palette.partner[e.feeder]}>
                {e.number ?? i + 1}. {shorten(e.feed)}
              </text>
              <text
                x={c.words.x}
                y={c.words.y + 25}
                textAnchor={c.anchor}
                fontSize={22}
                fill={palette.partner[e.responder]}
              >
                {shorten(e.answer || "no answer")}
              </text>
            </CrossingButton>
          );
        })}
      </svg>
      {ring.open.length > 0 && (
        <Box component="figcaption" sx={{ color: "verdict.invalid", maxWidth: 620, mx: "auto" }}>
          Where it comes back differently: {ring.open.join("; ")}.
        </Box>
      )}
    </Box>
  );
}
