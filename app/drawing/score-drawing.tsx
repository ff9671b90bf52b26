/** Draws the staves of a score: thin SVG over the computed layout. */
import type { RowIndex } from "#core/base/units.ts";
import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import {
  memo,
  useMemo,
  useRef,
  type ComponentType,
  type CSSProperties,
  type KeyboardEvent,
  type ReactNode,
} from "react";
import type { ExchangeView, ScoreView } from "#core/formats/desk-view.ts";
import { PartnerShape, RingShape, useVerdictColour } from "../ui/marks.tsx";
import { usePalette } from "../ui/palette.ts";
import { CrossingButton, MarkShape, shorten, type PickExchange } from "./crossing-parts.tsx";
import {
  nextCrossing,
  RAIL,
  scoreStaves,
  type Crossing,
  type DrawnView,
  type Rail,
  type ReturnLine,
  type Stave,
} from "./score-layout.ts";
import { usePanning } from "./use-panning.ts";
import { Rows } from "../ui/rows.tsx";

export interface RowFrameProps {
  readonly row: RowIndex;
  /** Of its first exchange; null where it has none. */
  readonly number: number | null;
  readonly style: CSSProperties;
  readonly children: ReactNode;
}

interface DrawingProps {
  readonly view: DrawnView;
  /** Place of the cursor in the text: the crossing there is marked. */
  readonly cursor: number | null;
  /** 1: as computed. */
  readonly zoom?: number;
  readonly onPick?: PickExchange | undefined;
  /** What stands round each row: a list item, or one that can be moved. */
  readonly RowFrame?: ComponentType<RowFrameProps>;
}

/** The exchange at a place of the text. */
export const exchangeAt = (
  view: Pick<ScoreView, "exchanges" | "wrong">,
  cursor: number | null,
): ExchangeView | undefined =>
  cursor === null ? undefined : [...view.exchanges, ...view.wrong].find((e) => e.from <= cursor && cursor <= e.to + 1);

const PlainRow = ({ style, children }: RowFrameProps) => <li style={style}>{children}</li>;

/** All staves of a score. A stave that shows the same as before is not drawn again. */
export const ScoreDrawing = memo(function ScoreDrawing({
  view,
  cursor,
  zoom = 1,
  onPick,
  RowFrame = PlainRow,
}: DrawingProps) {
  const staves = useMemo(() => scoreStaves(view), [view]);
  const picked = exchangeAt(view, cursor)?.key ?? null;
  const box = useRef<HTMLOListElement>(null);
  const panning = usePanning(box);
  const reachable = picked ?? staves[0]?.crossings[0]?.exchange.key ?? null;
  const walk = (event: KeyboardEvent) => {
    const from = (event.target as Element).getAttribute("data-crossing");
    if (from === null || event.altKey || event.ctrlKey || event.metaKey) return;
    const next = nextCrossing(staves, from, event.key);
    if (!next) return;
    event.preventDefault();
    onPick?.(next.exchange, false);
    box.current?.querySelector<SVGGElement>(`[data-crossing="${CSS.escape(next.exchange.key)}"]`)?.focus();
  };
  return (
    <Rows
      ordered
      ref={box}
      aria-label="The drill drawn, one row for each line. Arrow keys go from crossing to crossing."
      onKeyDown={walk}
      {...panning}
      sx={{ overflowX: "auto", cursor: "grab", "&[data-panning]": { cursor: "grabbing" } }}
    >
      {staves.map((stave) => (
        <StaveRow
          key={stave.key}
          stave={stave}
          zoom={zoom}
          picked={stave.crossings.some((c) => c.exchange.key === picked) ? picked : null}
          reachable={stave.crossings.some((c) => c.exchange.key === reachable) ? reachable : null}
          signature={signature(stave)}
          RowFrame={RowFrame}
          onPick={onPick}
        />
      ))}
    </Rows>
  );
});

interface StaveProps {
  readonly stave: Stave;
  readonly zoom: number;
  readonly picked: string | null;
  readonly reachable: string | null;
  readonly signature: string;
  readonly RowFrame: ComponentType<RowFrameProps>;
  readonly onPick: DrawingProps["onPick"];
}

const StaveRow = memo(
  function StaveRow({ RowFrame, ...props }: StaveProps) {
    const { section, height, row, rails } = props.stave;
    const line = section || rails.some((r) => !r.first) ? 0 : 1;
    return (
      <RowFrame
        row={row}
        number={props.stave.crossings[0]?.exchange.number ?? null}
        style={{
          borderTop: `${line}px solid var(--mui-palette-hairline)`,
          width: "max-content",
          minWidth: "100%",
          contentVisibility: "auto",
          containIntrinsicSize: `auto ${height * props.zoom}px`,
        }}
      >
        {section && (
          <Typography variant="h3" sx={{ pt: 2, pb: 0.5, borderBottom: 1, borderColor: "hairline" }}>
            <Box component="span" sx={{ position: "sticky", left: 0 }}>
              {section}
            </Box>
          </Typography>
        )}
        <StaveSvg {...props} />
      </RowFrame>
    );
  },
  (a, b) =>
    a.signature === b.signature &&
    a.picked === b.picked &&
    a.reachable === b.reachable &&
    a.zoom === b.zoom &&
    a.RowFrame === b.RowFrame &&
    a.onPick === b.onPick,
);

/** What a stave shows, as text: a stave that shows the same is not drawn again. */
const signature = (stave: Stave): string =>
  JSON.stringify([
    stave.section,
    stave.strands.map((s) => s.path),
    stave.label,
    stave.wrong,
    stave.lands,
    stave.notes,
    stave.rails,
    stave.marks.map((m) => m.words),
    stave.crossings.map(({ exchange: e }) => [e.number, e.feed, e.answer, e.verdict, e.marginCm, e.from]),
    stave.returns.map((r) => [r.text, r.lands]),
  ]);

/** One line of a score; also what is printed and exported. */
export function StaveSvg({ stave, zoom, picked, reachable, onPick }: Omit<StaveProps, "signature" | "RowFrame">) {
  const palette = usePalette();
  return (
    <svg
      width={stave.width * zoom}
      height={stave.height * zoom}
      viewBox={`0 0 ${stave.width} ${stave.height}`}
      role="group"
      aria-label={`Line ${stave.row + 1}`}
      style={{ display: "block", flex: "none" }}
    >
      {stave.rails.map((rail) => (
        <RailDrawing key={rail.x} rail={rail} stave={stave} />
      ))}
      {(stave.label !== null || stave.wrong || stave.lands) && (
        <text
          x={4 + stave.rails.length * RAIL}
          y={20}
          fontSize={15}
          fontWeight={700}
          fill={stave.wrong ? palette.verdict.invalid : palette.text.primary}
        >
          {[stave.label, stave.wrong ? "how it goes wrong" : null, stave.lands ? "the feed lands" : null]
            .filter((words) => words !== null)
            .join(": ")}
        </text>
      )}
      {stave.notes.map(({ text, y }) => (
        <text key={y} x={stave.startX} y={y} fontSize={14.5} fontStyle="italic" fill={palette.text.secondary}>
          {text}
        </text>
      ))}
      {stave.strands.map((s) => (
        <path
          key={s.key}
          d={s.path}
          fill="none"
          stroke={palette.partner[s.actor]}
          strokeWidth={3}
          strokeDasharray={stave.wrong ? "8 6" : undefined}
        />
      ))}
      <StartMarks stave={stave} />
      {stave.returns.map((back) => (
        <ReturnDrawing key={back.key} back={back} />
      ))}
      {stave.crossings.map((crossing) => (
        <CrossingDrawing
          key={crossing.exchange.key}
          crossing={crossing}
          picked={picked === crossing.exchange.key}
          reachable={reachable === crossing.exchange.key}
          onPick={onPick}
        />
      ))}
      {stave.marks.map((mark) => (
        <MarkShape key={mark.key} mark={mark} />
      ))}
    </svg>
  );
}

/** The people of a line where they begin, with how far apart they stand. */
function StartMarks({ stave }: { readonly stave: Stave }) {
  const palette = usePalette();
  return stave.starts.map(({ actor, y, metres }, i) => (
    <g key={actor}>
      <PartnerShape
        actor={actor}
        x={stave.startX - 40}
        y={y}
        r={12}
        colour={palette.partner[actor]}
        ink={palette.background.default}
      />
      {i + 1 < stave.starts.length && (
        <text
          x={stave.startX - 40}
          y={(y + stave.starts[i + 1]!.y) / 2 + 5}
          textAnchor="middle"
          fontSize={14}
          fill={palette.text.secondary}
        >
          {metres.toFixed(2)} m
        </text>
      )}
    </g>
  ));
}

/** A block beside its lines: a loop runs back up, a choice forks to each line, a carry runs through. */
function RailDrawing({ rail, stave }: { rail: Rail; stave: Stave }) {
  const palette = usePalette();
  const { x, first, last, type } = rail;
  const top = first ? 30 : 0;
  const bottom = last ? stave.height - 26 : stave.height;
  const middle = (stave.starts[0]!.y + stave.starts[stave.starts.length - 1]!.y) / 2;
  const line = { fill: "none", stroke: palette.text.secondary, strokeWidth: 2 };
  return (
    <g role="img" aria-label={rail.words}>
      <title>{rail.words}</title>
      <path d={`M${x} ${top}V${bottom}`} {...line} strokeDasharray={type === "carry" ? "2 5" : undefined} />
      {type === "loop" && first && (
        <path d={`M${x + 14} ${top}H${x}M${x - 5} ${top + 9}L${x} ${top}L${x + 5} ${top + 9}`} {...line} />
      )}
      {type === "loop" && last && <path d={`M${x} ${bottom}H${x + 14}`} {...line} />}
      {type === "choose" && <path d={`M${x} ${middle}L${x + 14} ${middle}`} {...line} />}
      {type === "choose" && <circle cx={x} cy={middle} r={4} fill={palette.text.secondary} />}
      {first && (
        <text x={x + 6} y={18} fontSize={14} fill={palette.text.secondary}>
          {stave.label && type === "choose" ? "" : rail.words}
        </text>
      )}
    </g>
  );
}

function CrossingDrawing({
  crossing,
  picked,
  reachable,
  onPick,
}: {
  crossing: Crossing;
  picked: boolean;
  reachable: boolean;
  onPick: DrawingProps["onPick"];
}) {
  const palette = usePalette();
  const verdictColour = useVerdictColour();
  const { exchange: e, fromX, fromY, toX, toY, rises } = crossing;
  const bend = (fromX + toX) / 2;
  const answerY = e.meets ? toY + 26 : rises ? toY - 17 : toY + 27;
  const low = Math.min(fromY, toY) - 30;
  const high = Math.max(fromY, toY) + 32;
  return (
    <CrossingButton exchange={e} reachable={reachable} onPick={onPick}>
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
        strokeDasharray={e.answer === "" && !crossing.alone ? "5 5" : undefined}
      />
      <circle cx={toX} cy={toY} r={12} fill={palette.background.default} />
      <RingShape verdict={e.shown} x={toX} y={toY} r={9} colour={verdictColour(e.shown)} />
      {e.number !== null && (
        <text
          x={fromX - 8}
          y={rises ? fromY + 22 : fromY - 11}
          fontSize={14}
          fontWeight={700}
          textAnchor="end"
          fill={palette.text.secondary}
        >
          {e.number}
        </text>
      )}
      <text x={fromX} y={rises ? fromY + 22 : fromY - 11} fontSize={14.5} fill={palette.partner[e.feeder]}>
        {shorten(e.feed)}
      </text>
      <text x={toX} y={answerY} fontSize={14.5} textAnchor="middle" fill={palette.partner[e.responder]}>
        {crossing.alone ? "" : shorten(e.answer || "no answer")}
      </text>
    </CrossingButton>
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
