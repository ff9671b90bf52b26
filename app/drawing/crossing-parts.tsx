/** What both drawings of a score share: a crossing as a button, its words, and the signs on a strand. */
import type { KeyboardEvent, MouseEvent, ReactNode } from "react";
import type { ExchangeView } from "#core/formats/desk-view.ts";
import { VERDICT_WORDS } from "#core/base/verdict-words.ts";
import { usePalette } from "../ui/palette.ts";
import { MAX_LABEL } from "./score-layout.ts";
import type { StrandMark } from "./strand-marks.ts";

/** Longest text beside a crossing; the rest is in the description. */
export const shorten = (text: string): string => (text.length > MAX_LABEL ? `${text.slice(0, MAX_LABEL - 1)}…` : text);

/** By how much an answer works, or fails. */
export const marginWords = (cm: number): string => (cm >= 0 ? `${cm} cm to spare` : `${-cm} cm short`);

/** A crossing in words, for readers and on hover. */
export function describe(e: ExchangeView): string {
  const number = e.number === null ? "" : `${e.number}. `;
  if (e.answer === "") return `${number}${e.feeder} ${e.feed}: no answer`;
  const margin = e.marginCm === null ? "" : `, ${marginWords(e.marginCm)}`;
  const how = e.meets ? "meets" : "answered by";
  return `${number}${e.feeder} ${e.feed}, ${how} ${e.responder} ${e.answer}: ${VERDICT_WORDS[e.shown]}${margin}`;
}

/**
 * Called when an exchange is picked. `go`: the one who picked wants to write there; a tap does not,
 * since it would bring up the keyboard over the drawing, nor does a step with the arrow keys.
 */
export type PickExchange = (exchange: ExchangeView, go: boolean) => void;

/** A crossing that can be picked by mouse, touch and keyboard. */
export function CrossingButton({
  exchange,
  reachable,
  onPick,
  children,
}: {
  exchange: ExchangeView;
  /** One crossing of a drawing is reached with Tab; the arrow keys lead to the others. */
  reachable: boolean;
  onPick: PickExchange | undefined;
  children: ReactNode;
}) {
  return (
    <g
      role="button"
      tabIndex={reachable ? 0 : -1}
      data-crossing={exchange.key}
      aria-label={describe(exchange)}
      style={{ cursor: "pointer" }}
      onClick={(event: MouseEvent) => onPick?.(exchange, (event.nativeEvent as PointerEvent).pointerType !== "touch")}
      onKeyDown={(event: KeyboardEvent) => {
        if (event.key === "Enter" || event.key === " ") {
          event.preventDefault();
          onPick?.(exchange, true);
        }
      }}
    >
      <title>{describe(exchange)}</title>
      {children}
    </g>
  );
}

/** A change on a strand: weight as a foot's slant, a held hand as a clamp, the foot in front as a letter. */
export function MarkShape({ mark }: { mark: StrandMark }) {
  const palette = usePalette();
  const ink = palette.partner[mark.actor];
  const { x, y } = mark;
  return (
    <g role="img" aria-label={mark.words}>
      <title>{mark.words}</title>
      <rect x={x - 9} y={y - 12} width={18} height={24} fill="transparent" />
      {mark.kind === "weight" && (
        <path
          d={
            mark.value === "even"
              ? `M${x - 4} ${y - 7}V${y + 7}M${x + 4} ${y - 7}V${y + 7}`
              : mark.value === "lead"
                ? `M${x - 5} ${y + 8}L${x + 5} ${y - 8}`
                : `M${x - 5} ${y - 8}L${x + 5} ${y + 8}`
          }
          stroke={ink}
          strokeWidth={2.5}
          strokeLinecap="round"
        />
      )}
      {mark.kind === "pin" && (
        <path
          d={`M${x - 6} ${y - 9}H${x + 6}V${y + 9}H${x - 6}`}
          fill="none"
          stroke={palette.text.primary}
          strokeWidth={2.5}
        />
      )}
      {mark.kind === "lead" && (
        <>
          <circle cx={x} cy={y} r={8} fill={palette.background.default} stroke={ink} strokeWidth={1.5} />
          <text x={x} y={y + 4.5} textAnchor="middle" fontSize={14} fontWeight={700} fill={ink}>
            {mark.value === "left" ? "L" : "R"}
          </text>
        </>
      )}
      {mark.kind === "facing" && (
        <path
          d={
            mark.value === "up"
              ? `M${x - 5} ${y - 3}L${x} ${y - 11}L${x + 5} ${y - 3}`
              : `M${x - 5} ${y + 3}L${x} ${y + 11}L${x + 5} ${y + 3}`
          }
          fill="none"
          stroke={ink}
          strokeWidth={2}
        />
      )}
    </g>
  );
}
