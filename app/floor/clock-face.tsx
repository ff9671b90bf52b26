/** The clock of a running class or drill: what is left, what is done, who feeds, what comes. */
import Box from "@mui/material/Box";
import { clockText } from "#core/class/timetable.ts";
import type { Running } from "#core/floor/running.ts";
import type { Segment } from "#core/floor/timeline.ts";

/** A button that a sweaty hand finds. */
export const BIG = { minHeight: 64, fontSize: "1.15rem", flex: "1 1 120px" } as const;

export const KINDS: Readonly<Record<Segment["kind"], string>> = {
  block: "",
  talk: "Demo",
  round: "Round",
  rest: "Change partners",
};

/** Seconds that are left, rounded up: at nought it is over. */
export const leftText = (ms: number): string => clockText(Math.ceil(ms / 1000));

export function ClockFace({
  segment,
  running,
  rounds,
  next,
  words,
}: {
  readonly segment: Segment;
  readonly running: Running;
  /** Of the evening. */
  readonly rounds: number;
  readonly next: Segment | undefined;
  /** What is said at the end and in a rest. */
  readonly words: { readonly over: string; readonly rest: string };
}) {
  const { started, ended, goes, left, elapsed } = running;
  const kinds = { ...KINDS, rest: words.rest };
  const what = ended ? words.over : !started ? "Not begun yet" : kinds[segment.kind];
  const round = segment.round === null ? "" : `Round ${segment.round + 1} of ${rounds}`;
  // The number of a round says already that it is one.
  const heard = what === KINDS.round ? [round || what] : [what, round];
  return (
    <Box
      sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "auto 1fr" }, columnGap: 4, alignItems: "center" }}
    >
      <Box
        role="timer"
        aria-label="Left of this stretch"
        sx={{
          fontSize: "clamp(4.5rem, 19vw, 12rem)",
          lineHeight: 1,
          fontWeight: 700,
          fontVariantNumeric: "tabular-nums",
          color: goes ? "text.primary" : "text.secondary",
        }}
      >
        {leftText(started ? left : segment.seconds * 1000)}
      </Box>
      <Box sx={{ fontSize: "clamp(1.1rem, 2.6vw, 1.7rem)", lineHeight: 1.3, minWidth: 0 }}>
        <Box sx={{ fontWeight: 700 }}>{heard.filter(Boolean).join(" · ")}</Box>
        <Box>{segment.title}</Box>
        {segment.kind === "round" && started && !ended && (
          <Box sx={{ color: "text.secondary" }}>{rolesNow(segment, elapsed, left)}</Box>
        )}
        {started && !ended && !goes && <Box sx={{ fontWeight: 700 }}>Paused</Box>}
        {next && !ended && <Box sx={{ color: "text.secondary" }}>Next: {nextText(next, kinds)}</Box>}
      </Box>
    </Box>
  );
}

const nextText = ({ kind, title, seconds }: Segment, kinds: typeof KINDS): string =>
  kind === "block" ? title : `${kinds[kind].toLowerCase()}, ${clockText(seconds)}`;

/** Who feeds now, and in how long they change. */
export function rolesNow({ change }: Segment, elapsed: number, left: number): string {
  if (!change) return "A holds or feeds for the whole round.";
  const stretch = Math.floor(elapsed / (change * 1000));
  const until = Math.min((stretch + 1) * change * 1000 - elapsed, left);
  return `${stretch % 2 === 0 ? "A" : "B"} feeds; change in ${leftText(until)}`;
}
