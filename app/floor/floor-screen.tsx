/** The running class on a bench: the clock, one big tap for everything, and what was seen. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useMemo, useState } from "react";
import { Link } from "react-router";
import { CALL_DEFAULTS, callRound, callsWithin, type CallItem } from "#core/calls/calls.ts";
import { clockText } from "#core/class/timetable.ts";
import type { Running } from "#core/floor/running.ts";
import { NO_SOUNDS } from "#core/floor/sounds.ts";
import { timeline, type Segment } from "#core/floor/timeline.ts";
import type { FloorNews } from "#db/floor.ts";
import type { PlanPage } from "#server/views.ts";
import { seedOf } from "../class/evening-cards.ts";
import { Notice } from "../ui/parts.tsx";
import { useOffline } from "../offline/use-offline.ts";
import { useAwake } from "../ui/use-awake.ts";
import { HurtDialog, LateDialog } from "./floor-dialogs.tsx";
import { PairMarks } from "./pair-marks.tsx";
import { useFloor, type Floor } from "./use-floor.ts";
import { useSound } from "./use-sound.ts";

interface FloorProps {
  readonly page: PlanPage;
  readonly news: FloorNews & { readonly now: number };
  /** Who is not here, or not any more. */
  readonly away: readonly { readonly id: string; readonly name: string }[];
}

export function FloorScreen(props: FloorProps) {
  const { page } = props;
  if (!page.kept || page.kept.plan.rounds.length === 0)
    return (
      <Box component="main" id="main" sx={{ p: 3 }}>
        <Box component="h1" sx={{ typography: "h1", m: 0 }}>
          {page.lesson.title}
        </Box>
        <Notice action={<Link to={`/class/${page.lesson.id}/plan`}>Plan the evening</Link>}>
          This class has no plan yet: make it first, then run it from here.
        </Notice>
      </Box>
    );
  return <RunningClass {...props} kept={page.kept} />;
}

type Kept = NonNullable<PlanPage["kept"]>;

function RunningClass({ page, news, away, kept }: FloorProps & { readonly kept: Kept }) {
  const segments = useMemo(() => timeline(kept.plan, kept.clock), [kept]);
  const floor = useFloor(page.lesson.id, segments, news);
  const { running } = floor;
  const segment = segments[Math.min(running.at, segments.length - 1)]!;
  const calls = useCalls(page, segment);
  const sound = useSound(segments, running, calls);
  useAwake();
  useOffline();
  const [dialog, setDialog] = useState<"hurt" | "late" | null>(null);
  return (
    <Box
      component="main"
      id="main"
      sx={{ minHeight: "100dvh", px: { xs: 2, md: 3 }, py: 1.5, display: "flex", flexDirection: "column", gap: 1.5 }}
    >
      <Head page={page} floor={floor} sound={sound} />
      {floor.refused && <Notice tone="trouble">{floor.refused}</Notice>}
      <ClockFace segment={segment} running={running} rounds={kept.plan.rounds.length} next={segments[running.at + 1]} />
      <Controls floor={floor} segment={segment} onHurt={() => setDialog("hurt")} onLate={() => setDialog("late")} />
      {segment.round !== null && <PairMarks page={page} kept={kept} segment={segment} floor={floor} />}
      {running.stopped && <AllStop onGo={() => floor.tap({ kind: "go" })} />}
      {dialog === "hurt" && (
        <HurtDialog
          people={page.people.filter(({ id }) => !floor.hurt.has(id))}
          round={segment.round}
          onHurt={floor.hurtNow}
          onClose={() => setDialog(null)}
        />
      )}
      {dialog === "late" && <LateDialog away={away} onClose={() => setDialog(null)} />}
    </Box>
  );
}

/** The calls of the round that runs: the same as on the printed card. */
function useCalls({ lesson, kept, rungs }: PlanPage, { round }: Segment) {
  return useMemo(() => {
    const block = kept?.plan.blocks.find(({ id }) => id === kept.plan.rounds[round ?? -1]?.block);
    const called = block?.stations ? [] : (rungs[block?.rung ?? -1]?.called ?? []);
    if (round === null || called.length === 0) return NO_SOUNDS;
    return { ...NO_SOUNDS, calls: callsOf(called, kept!.clock, seedOf(lesson.id, round)) };
  }, [lesson.id, kept, rungs, round]);
}

function callsOf(names: readonly string[], clock: Kept["clock"], seed: number): readonly CallItem[] {
  const labels = names.map((name) => ({ name, weight: 1 }));
  const options = { ...CALL_DEFAULTS, labels, seed, switchEvery: clock.change };
  const made = callRound({ ...options, count: callsWithin(clock.round, options) });
  return made.ok ? made.round.items : [];
}

function Head({
  page,
  floor,
  sound,
}: {
  readonly page: PlanPage;
  readonly floor: Floor;
  readonly sound: ReturnType<typeof useSound>;
}) {
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, alignItems: "center" }}>
      <Box component="h1" sx={{ typography: "h2", m: 0, flex: 1 }}>
        {page.lesson.title}
      </Box>
      <Box role="status" sx={{ color: floor.isLive ? "text.secondary" : "verdict.risky" }}>
        {!floor.isLive
          ? "No connection: the clock goes on, what you tap is kept"
          : floor.waiting > 0
            ? "Sending…"
            : "All devices show the same"}
      </Box>
      <Button
        variant={sound.on ? "contained" : "outlined"}
        aria-pressed={sound.on}
        onClick={() => sound.turn(!sound.on)}
      >
        {sound.on ? "Sound is on" : "Sound is off"}
      </Button>
      <Button variant="outlined" component={Link} to={`/class/${page.lesson.id}/wall`}>
        Wall
      </Button>
      <Button variant="outlined" component={Link} to={`/class/${page.lesson.id}/plan`}>
        Change pairs
      </Button>
    </Box>
  );
}

const KINDS: Readonly<Record<Segment["kind"], string>> = {
  block: "",
  talk: "Show it",
  round: "Work",
  rest: "Change partners",
};

/** Seconds that are left, rounded up: at nought it is over. */
const leftText = (ms: number): string => clockText(Math.ceil(ms / 1000));

function ClockFace({
  segment,
  running,
  rounds,
  next,
}: {
  readonly segment: Segment;
  readonly running: Running;
  readonly rounds: number;
  readonly next: Segment | undefined;
}) {
  const { started, ended, goes, left, elapsed } = running;
  const what = ended ? "The class is over" : !started ? "Not begun yet" : KINDS[segment.kind];
  const round = segment.round === null ? "" : `Round ${segment.round + 1} of ${rounds}`;
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
        <Box sx={{ fontWeight: 700 }}>{[what, round].filter(Boolean).join(" · ")}</Box>
        <Box>{segment.title}</Box>
        {segment.kind === "round" && started && !ended && (
          <Box sx={{ color: "text.secondary" }}>{rolesNow(segment, elapsed, left)}</Box>
        )}
        {started && !ended && !goes && <Box sx={{ fontWeight: 700 }}>The clock stands</Box>}
        {next && !ended && <Box sx={{ color: "text.secondary" }}>Then: {nextText(next)}</Box>}
      </Box>
    </Box>
  );
}

const nextText = ({ kind, title, seconds }: Segment): string =>
  kind === "block" ? title : `${KINDS[kind].toLowerCase()}, ${clockText(seconds)}`;

/** Who feeds now, and in how long they change. */
export function rolesNow({ change }: Segment, elapsed: number, left: number): string {
  if (!change) return "A holds or feeds for the whole round.";
  const stretch = Math.floor(elapsed / (change * 1000));
  const until = Math.min((stretch + 1) * change * 1000 - elapsed, left);
  return `${stretch % 2 === 0 ? "A" : "B"} feeds; change in ${leftText(until)}`;
}

const BIG = { minHeight: 64, fontSize: "1.15rem", flex: "1 1 120px" } as const;
const MINUTE = 60;

function Controls({
  floor,
  segment,
  onHurt,
  onLate,
}: {
  readonly floor: Floor;
  readonly segment: Segment;
  readonly onHurt: () => void;
  readonly onLate: () => void;
}) {
  const { running, tap } = floor;
  const { started, goes, ended } = running;
  const from = segment.id;
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
      {!started ? (
        <Button variant="contained" sx={BIG} onClick={() => tap({ kind: "start" })}>
          Start
        </Button>
      ) : (
        <Button variant="contained" sx={BIG} disabled={ended} onClick={() => tap({ kind: goes ? "pause" : "go" })}>
          {goes ? "Pause" : "Go on"}
        </Button>
      )}
      <Button variant="outlined" sx={BIG} disabled={!started || ended} onClick={() => tap({ kind: "next", from })}>
        Next
      </Button>
      <Button variant="outlined" sx={BIG} disabled={!started || ended} onClick={() => tap({ kind: "back", from })}>
        Back
      </Button>
      <Button
        variant="outlined"
        sx={BIG}
        disabled={!started || ended}
        onClick={() => tap({ kind: "longer", from, seconds: MINUTE })}
      >
        A minute more
      </Button>
      <Button variant="outlined" sx={BIG} onClick={onLate}>
        Late comer
      </Button>
      <Button variant="outlined" sx={BIG} onClick={onHurt}>
        Somebody hurt
      </Button>
      <Button
        variant="contained"
        color="error"
        sx={{ ...BIG, fontWeight: 800 }}
        disabled={!started || ended}
        onClick={() => tap({ kind: "stop" })}
      >
        ALL STOP
      </Button>
    </Box>
  );
}

/** Over everything, until somebody says go on. */
const AllStop = ({ onGo }: { readonly onGo: () => void }) => (
  <Box
    role="alertdialog"
    aria-label="All stop"
    sx={{
      position: "fixed",
      inset: 0,
      zIndex: "modal",
      bgcolor: "error.main",
      color: "error.contrastText",
      display: "flex",
      flexDirection: "column",
      alignItems: "center",
      justifyContent: "center",
      gap: 6,
    }}
  >
    <Box sx={{ fontSize: "clamp(6rem, 28vw, 20rem)", fontWeight: 900, lineHeight: 1 }}>STOP</Box>
    <Button
      variant="outlined"
      autoFocus
      onClick={onGo}
      sx={{ ...BIG, flex: "none", px: 6, color: "inherit", borderColor: "currentcolor", fontSize: "1.6rem" }}
    >
      Go on
    </Button>
  </Box>
);
