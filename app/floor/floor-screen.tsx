/** The running class on a bench: the clock, one big tap for everything, and what was seen. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Stack from "@mui/material/Stack";
import Typography from "@mui/material/Typography";
import { useMemo, useState, type ReactNode } from "react";
import { Link } from "react-router";
import { isWithin } from "#core/class/hours.ts";
import { roundSeen, timeline, type Segment } from "#core/floor/timeline.ts";
import type { ClassAdults, FloorNews, FloorQuestion, PlanPage } from "#server/views.ts";
import { isCalled, seedOf } from "../class/evening-cards.ts";
import { Notice } from "../ui/parts.tsx";
import { ForTeachers } from "../ui/role.tsx";
import { useOffline } from "../offline/use-offline.ts";
import { useAwake } from "../ui/use-awake.ts";
import { BeatChoice, metronomeOf, NO_BEAT, type Beat } from "./beat-choice.tsx";
import { BIG, ClockFace, KINDS } from "./clock-face.tsx";
import { HurtDialog, LateDialog, SwapDialog } from "./floor-dialogs.tsx";
import { AllStop } from "./all-stop.tsx";
import { FloorNotices } from "./floor-notices.tsx";
import { StartDialog } from "./start-dialog.tsx";
import { PairMarks } from "./pair-marks.tsx";
import { UpcomingPairs } from "./upcoming-pairs.tsx";
import { useCalls } from "./use-calls.ts";
import { useFloor, type Floor } from "./use-floor.ts";
import { PadsPanel } from "./pads-panel.tsx";
import { SoundButton, SoundChoices } from "./sound-button.tsx";
import { usePads } from "./use-pads.ts";
import { useSound } from "./use-sound.ts";

export interface FloorProps {
  readonly page: PlanPage;
  /** The hours of the class: ms, and minutes. */
  readonly held: { readonly begins: number; readonly minutes: number };
  /** What instructors are asked about; others are sent none. */
  readonly questions: readonly FloorQuestion[];
  /** People who were hit to the head more than once tonight; for instructors. */
  readonly lookAt: readonly string[];
  /** Of a class with minors the adults who are named; null: nobody is yet, undefined: nothing is asked. */
  readonly adults?: ClassAdults | null;
  readonly news: FloorNews & { readonly now: number };
  /** People who are not here, or not any more. */
  readonly away: readonly { readonly id: string; readonly name: string }[];
}

export function FloorScreen(props: FloorProps) {
  const { page } = props;
  if (!page.kept || page.kept.plan.rounds.length === 0)
    return (
      <Box component="main" id="main" sx={{ p: 3 }}>
        <Typography variant="h1">{page.lesson.title}</Typography>
        <ForTeachers others={<Notice>This class has no plan yet: whoever teaches it makes one first.</Notice>}>
          <Notice action={<Link to={`/class/${page.lesson.id}/plan`}>Plan the evening</Link>}>
            This class has no plan yet: make it first, then run it from here.
          </Notice>
        </ForTeachers>
      </Box>
    );
  return <RunningClass {...props} kept={page.kept} />;
}

type Kept = NonNullable<PlanPage["kept"]>;
/** What a dialog asks for; plans are made on the server, so that late comers and swaps wait for a network. */
type Asked = "hurt" | "late" | "swap" | "start";

function RunningClass({
  page,
  news,
  away,
  held,
  questions,
  lookAt,
  adults,
  kept,
}: FloorProps & { readonly kept: Kept }) {
  const segments = useMemo(() => timeline(kept.plan, kept.clock), [kept]);
  const floor = useFloor(page.lesson.id, segments, news);
  const { running } = floor;
  const segment = segments[Math.min(running.at, segments.length - 1)]!;
  const [beat, setBeat] = useState<Beat>({ from: NO_BEAT, to: NO_BEAT });
  const metronome = useMemo(() => metronomeOf(beat), [beat]);
  const seen = running.started ? roundSeen(segments, running.at) : null;
  const text = calledIn(page, segment);
  const calls = useCalls({
    ...{ text, seconds: kept.clock.round, change: kept.clock.change, metronome },
    seed: seedOf(page.lesson.id, segment.round ?? 0),
  });
  const pads = usePads(calls.calls);
  const sound = useSound(segments, running, calls, pads.call);
  useAwake();
  useOffline();
  const [dialog, setDialog] = useState<Asked | null>(null);
  // The first press stops everything on every device; who it is and what, comes after.
  const hurt = () => {
    floor.tap({ kind: "stop" });
    setDialog("hurt");
  };
  const start = () => {
    const asks = !isWithin(held, floor.now()) || adults === null;
    if (asks) return setDialog("start");
    floor.tap({ kind: "start" });
  };
  return (
    <Stack component="main" id="main" spacing={1.5} sx={{ minHeight: "100dvh", px: { xs: 2, md: 3 }, py: 1.5 }}>
      <Head page={page} floor={floor} sound={sound}>
        {sound.on && <BeatChoice beat={beat} onChange={(part) => setBeat({ ...beat, ...part })} />}
        {sound.on && <SoundChoices sound={sound} />}
      </Head>
      <FloorNotices floor={floor} page={page} questions={questions} lookAt={lookAt} />
      <ClockFace
        segment={segment}
        running={running}
        rounds={kept.plan.rounds.length}
        next={segments[running.at + 1]}
        words={{ over: "The class is over", rest: KINDS.rest }}
      />
      <Controls floor={floor} segment={segment} onAsk={setDialog} onStart={start} onHurt={hurt} />
      {seen === null ? (
        <UpcomingPairs page={page} kept={kept} />
      ) : (
        <PairMarks page={page} kept={kept} round={seen} floor={floor} />
      )}
      {text !== null && sound.on && <PadsPanel pads={pads} text={text} />}
      {running.stopped && (
        <AllStop
          onGo={() => floor.tap({ kind: "go" })}
          onHurt={() => setDialog("hurt")}
          onLonger={
            running.started && !running.ended
              ? () => floor.tap({ kind: "longer", from: segment.id, seconds: MINUTE })
              : null
          }
        />
      )}
      <Dialogs {...{ page, away, held, adults, kept, floor, segment, dialog }} onClose={() => setDialog(null)} />
    </Stack>
  );
}

interface DialogsProps extends Pick<FloorProps, "page" | "away" | "held" | "adults"> {
  readonly kept: Kept;
  readonly floor: ReturnType<typeof useFloor>;
  readonly segment: Segment;
  readonly dialog: Asked | null;
  readonly onClose: () => void;
}

/** The questions before something is done: starting on another day, who is hurt, who came late, who swaps. */
function Dialogs({ page, away, held, adults, kept, floor, segment, dialog, onClose }: DialogsProps) {
  switch (dialog) {
    case "start":
      return (
        <StartDialog
          held={held}
          now={floor.now()}
          lessonId={page.lesson.id}
          adults={adults}
          onStart={() => {
            onClose();
            floor.startNow();
          }}
          onClose={onClose}
        />
      );
    case "hurt":
      return (
        <HurtDialog
          people={page.people}
          isMinor={(id) => page.people.find((one) => one.id === id)?.age !== "adult"}
          round={segment.round}
          onHurt={floor.hurtNow}
          onClose={onClose}
        />
      );
    case "late":
      return <LateDialog away={away} onClose={onClose} />;
    case "swap":
      return segment.round === null ? null : (
        <SwapDialog
          round={segment.round}
          pairs={kept.plan.rounds[segment.round]?.pairs ?? []}
          nameOf={(id) => page.names[id] ?? "Former member"}
          onClose={onClose}
        />
      );
    case null:
      return null;
    default:
      return dialog satisfies never;
  }
}

/** The drill that is called in a round; null where everybody does as agreed. */
function calledIn({ kept, rungs }: PlanPage, { round }: Segment): string | null {
  const block = kept?.plan.blocks.find(({ id }) => id === kept.plan.rounds[round ?? -1]?.block);
  const text = block?.stations ? "" : (rungs[block?.rung ?? -1]?.text ?? "");
  return isCalled(text) ? text : null;
}

function Head({
  page,
  floor,
  sound,
  children,
}: {
  readonly page: PlanPage;
  readonly floor: Floor;
  readonly sound: ReturnType<typeof useSound>;
  readonly children: ReactNode;
}) {
  return (
    <Stack direction="row" spacing={1} sx={{ flexWrap: "wrap", alignItems: "center" }}>
      <Typography variant="h2" component="h1" sx={{ flex: 1 }}>
        {page.lesson.title}
      </Typography>
      <Box role="status" sx={{ color: floor.isLive ? "text.secondary" : "verdict.risky" }}>
        {!floor.isLive
          ? "No connection: the clock goes on, what you tap is kept"
          : floor.waiting > 0
            ? "Sending…"
            : "All devices show the same"}
      </Box>
      {children}
      <SoundButton sound={sound} />
      <Button variant="outlined" component={Link} to={`/class/${page.lesson.id}/wall`}>
        Wall
      </Button>
      <ForTeachers>
        <Button variant="outlined" component={Link} to={`/class/${page.lesson.id}/plan`}>
          Change pairs
        </Button>
      </ForTeachers>
    </Stack>
  );
}

const MINUTE = 60;
const NEEDS_NETWORK = "The rounds to come are planned again: that needs the network";

function Controls({
  floor,
  segment,
  onAsk,
  onStart,
  onHurt,
}: {
  readonly floor: Floor;
  readonly segment: Segment;
  readonly onAsk: (what: Asked) => void;
  readonly onStart: () => void;
  readonly onHurt: () => void;
}) {
  const { running, tap } = floor;
  const { started, goes, ended } = running;
  const from = segment.id;
  return (
    <Stack direction="row" spacing={1} sx={{ flexWrap: "wrap" }}>
      {!started ? (
        <Button variant="contained" sx={BIG} onClick={onStart}>
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
      <Button variant="outlined" sx={BIG} disabled={!floor.isLive} title={NEEDS_NETWORK} onClick={() => onAsk("late")}>
        Latecomer
      </Button>
      <Button
        variant="outlined"
        sx={BIG}
        disabled={!floor.isLive || segment.round === null || ended}
        title={NEEDS_NETWORK}
        onClick={() => onAsk("swap")}
      >
        Swap two
      </Button>
      <Button variant="outlined" sx={BIG} onClick={onHurt}>
        Injury
      </Button>
      <Button variant="contained" color="error" sx={{ ...BIG, fontWeight: 800 }} onClick={() => tap({ kind: "stop" })}>
        ALL STOP
      </Button>
    </Stack>
  );
}
