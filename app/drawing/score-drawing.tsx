/** Draws the staves of a score: thin SVG over the computed layout. */
import Box from "@mui/material/Box";
import { memo, useMemo } from "react";
import type { ExchangeView, ScoreView } from "#core/formats/desk-view.ts";
import { PartnerShape, RingShape, useVerdictColour } from "../ui/marks.tsx";
import { usePalette } from "../ui/palette.ts";
import { MAX_LABEL, scoreStaves, type Crossing, type ReturnLine, type Stave } from "./score-layout.ts";

interface DrawingProps {
  readonly view: ScoreView;
  /** Place of the cursor in the text: the crossing there is marked. */
  readonly cursor: number | null;
  readonly onPick?: (exchange: ExchangeView) => void;
}

/** All staves of a score. A stave that shows the same as before is not drawn again. */
export const ScoreDrawing = memo(function ScoreDrawing({ view, cursor, onPick }: DrawingProps) {
  const staves = useMemo(() => scoreStaves(view), [view]);
  const picked =
    cursor === null ? null : (view.exchanges.find((e) => e.from <= cursor && cursor <= e.to + 1)?.key ?? null);
  return (
    <Box component="ol" aria-label="The drill drawn, one row for each line" sx={{ listStyle: "none", m: 0, p: 0 }}>
      {staves.map((stave) => (
        <StaveRow
          key={stave.key}
          stave={stave}
          picked={stave.crossings.some((c) => c.exchange.key === picked) ? picked : null}
          signature={signature(stave)}
          {...(onPick ? { onPick } : {})}
        />
      ))}
    </Box>
  );
});

interface StaveProps {
  readonly stave: Stave;
  readonly picked: string | null;
  readonly signature: string;
  readonly onPick?: (exchange: ExchangeView) => void;
}

const StaveRow = memo(
  function StaveRow(props: StaveProps) {
    const { section } = props.stave;
    return (
      <Box
        component="li"
        sx={{
          borderTop: section ? 0 : 1,
          borderColor: "hairline",
          overflowX: "auto",
          contentVisibility: "auto",
          containIntrinsicSize: "auto 150px",
        }}
      >
        {section && (
          <Box
            component="h3"
            sx={{ typography: "h3", m: 0, mt: 2, mb: 0.5, pb: 0.5, borderBottom: 1, borderColor: "hairline" }}
          >
            {section}
          </Box>
        )}
        <StaveDrawing {...props} />
      </Box>
    );
  },
  (a, b) => a.signature === b.signature && a.picked === b.picked && a.onPick === b.onPick,
);

/** What a stave shows, as text: a stave that shows the same is not drawn again. */
const signature = (stave: Stave): string =>
  JSON.stringify([
    stave.section,
    stave.top,
    stave.bottom,
    stave.label,
    stave.crossings.map(({ exchange: e }) => [e.feed, e.answer, e.verdict, e.marginCm, e.from]),
    stave.returns.map((r) => [r.text, r.lands]),
  ]);

function StaveDrawing({ stave, picked, onPick }: StaveProps) {
  const palette = usePalette();
  return (
    <svg
      width={stave.width}
      height={stave.height}
      role="group"
      aria-label={`Line ${stave.row + 1}`}
      style={{ display: "block" }}
    >
      {stave.label && (
        <text x={4} y={20} fontSize={15} fontWeight={700} fill={palette.text.primary}>
          {stave.label}
        </text>
      )}
      <path d={stave.top} fill="none" stroke={palette.partner[stave.actors[0]]} strokeWidth={3} />
      <path d={stave.bottom} fill="none" stroke={palette.partner[stave.actors[1]]} strokeWidth={3} />
      <PartnerShape
        actor={stave.actors[0]}
        x={22}
        y={stave.startTop}
        r={12}
        colour={palette.partner[stave.actors[0]]}
        ink={palette.background.default}
      />
      <PartnerShape
        actor={stave.actors[1]}
        x={22}
        y={stave.startBottom}
        r={12}
        colour={palette.partner[stave.actors[1]]}
        ink={palette.background.default}
      />
      <text
        x={22}
        y={(stave.startTop + stave.startBottom) / 2 + 5}
        textAnchor="middle"
        fontSize={14}
        fill={palette.text.secondary}
      >
        {stave.metres.toFixed(2)} m
      </text>
      {stave.returns.map((back) => (
        <ReturnDrawing key={back.key} back={back} />
      ))}
      {stave.crossings.map((crossing) => (
        <CrossingDrawing
          key={crossing.exchange.key}
          crossing={crossing}
          picked={picked === crossing.exchange.key}
          {...(onPick ? { onPick } : {})}
        />
      ))}
    </svg>
  );
}

/** Longest text beside a crossing; the rest is in the description. */
const shorten = (text: string): string => (text.length > MAX_LABEL ? `${text.slice(0, MAX_LABEL - 1)}…` : text);

/** A crossing in words, for readers and on hover. */
export function describe(e: ExchangeView): string {
  if (e.answer === "") return `${e.feeder} ${e.feed}: nobody answers`;
  const margin =
    e.marginCm === null ? "" : `, ${e.marginCm >= 0 ? "clear by" : "misses by"} ${Math.abs(e.marginCm)} cm`;
  const how = e.meets ? "meets" : "answered by";
  return `${e.feeder} ${e.feed}, ${how} ${e.responder} ${e.answer}: ${e.verdict}${margin}`;
}

function CrossingDrawing({
  crossing,
  picked,
  onPick,
}: {
  crossing: Crossing;
  picked: boolean;
  onPick?: (exchange: ExchangeView) => void;
}) {
  const palette = usePalette();
  const verdictColour = useVerdictColour();
  const { exchange: e, fromX, fromY, toX, toY, rises } = crossing;
  const bend = (fromX + toX) / 2;
  const answerY = e.meets ? toY + 26 : rises ? toY - 17 : toY + 27;
  const low = Math.min(fromY, toY) - 30;
  const high = Math.max(fromY, toY) + 32;
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={describe(e)}
      style={{ cursor: "pointer" }}
      onClick={() => onPick?.(e)}
      onKeyDown={(event) => {
        if (event.key === "Enter" || event.key === " ") {
          event.preventDefault();
          onPick?.(e);
        }
      }}
    >
      <title>{describe(e)}</title>
      <rect
        x={fromX - 8}
        y={low}
        width={toX - fromX + 44}
        height={high - low}
        fill={picked ? palette.primary.main : "transparent"}
        opacity={picked ? 0.12 : 1}
        rx={6}
      />
      <path
        d={`M${fromX} ${fromY}C${bend} ${fromY} ${bend} ${toY} ${toX - 11} ${toY}`}
        fill="none"
        stroke={palette.partner[e.feeder]}
        strokeWidth={2}
        strokeDasharray={e.answer === "" ? "5 5" : undefined}
      />
      <circle cx={toX} cy={toY} r={12} fill={palette.background.default} />
      <RingShape verdict={e.verdict} x={toX} y={toY} r={9} colour={verdictColour(e.verdict)} />
      <text x={fromX} y={rises ? fromY + 22 : fromY - 11} fontSize={14.5} fill={palette.partner[e.feeder]}>
        {shorten(e.feed)}
      </text>
      <text x={toX} y={answerY} fontSize={14.5} textAnchor="middle" fill={palette.partner[e.responder]}>
        {shorten(e.answer || "no answer")}
      </text>
    </g>
  );
}

/** A return that nobody has to answer: back across to the other strand, with a cross-bar where it falls short. */
function ReturnDrawing({ back }: { back: ReturnLine }) {
  const palette = usePalette();
  const colour = palette.partner[back.actor];
  const { fromX, fromY, toX, toY, rises, lands } = back;
  const endY = lands ? toY + (rises ? 4 : -4) : (fromY + 2 * toY) / 3;
  const bend = (fromX + toX) / 2;
  return (
    <g>
      <title>{`${back.actor} returns ${back.text}${lands ? "" : ": it does not reach"}`}</title>
      <path
        d={`M${fromX} ${fromY}C${bend} ${fromY} ${bend} ${endY} ${toX} ${endY}`}
        fill="none"
        stroke={colour}
        strokeWidth={2}
        strokeDasharray={lands ? undefined : "5 5"}
      />
      {lands ? (
        <circle cx={toX} cy={endY} r={4} fill={colour} />
      ) : (
        <path d={`M${toX} ${endY - 8}V${endY + 8}`} stroke={palette.verdict.invalid} strokeWidth={3} />
      )}
      <text x={toX} y={rises ? toY - 10 : toY + 22} fontSize={14.5} textAnchor="middle" fill={colour}>
        {shorten(back.text)}
      </text>
    </g>
  );
}
