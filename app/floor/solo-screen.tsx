/** The clock for one drill without a class: home training, or a private lesson. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Stack from "@mui/material/Stack";
import { useEffect, useMemo, useState, type ReactNode } from "react";
import { Link } from "react-router";
import { clockText } from "#core/class/timetable.ts";
import { type Running, runningAt, type Tap, type Tapped } from "#core/floor/running.ts";
import { type Segment, soloTimeline } from "#core/floor/timeline.ts";
import { Choice } from "../ui/choice.tsx";
import { ScreenHead } from "../ui/parts.tsx";
import { useAwake } from "../ui/use-awake.ts";
import { BeatChoice, metronomeOf, NO_BEAT } from "./beat-choice.tsx";
import { BIG, ClockFace } from "./clock-face.tsx";
import { useCalls } from "./use-calls.ts";
import { PadsPanel } from "./pads-panel.tsx";
import { SoundButton, SoundChoices } from "./sound-button.tsx";
import { usePads } from "./use-pads.ts";
import { useSound } from "./use-sound.ts";

interface SoloProps {
  readonly id: string;
  readonly title: string;
  readonly text: string;
}

/** How often the picture of the clock is drawn, ms. */
const DRAW = 100;
const NONE = 0;
const ROUNDS = [1, 2, 3, 4, 5, 6, 8, 10, 12];
const LENGTHS = [30, 45, 60, 90, 120, 180, 240, 300];
const RESTS = [0, 10, 15, 30, 45, 60];
const CHANGES = [NONE, 15, 20, 30, 45, 60];

const START = {
  rounds: 3,
  round: 120,
  rest: 30,
  change: NONE,
  from: NO_BEAT,
  to: NO_BEAT,
  calls: "no" as "yes" | "no",
};
const lengthText = (seconds: number): string => (seconds === NONE ? "none" : clockText(seconds));

export function SoloScreen({ id, title, text }: SoloProps) {
  const [wish, setWish] = useState(START);
  const [taps, setTaps] = useState<readonly Tapped[]>([]);
  const [, draw] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => draw((n) => n + 1), DRAW);
    return () => clearInterval(timer);
  }, []);
  const change = wish.change === NONE ? null : wish.change;
  const segments = useMemo(() => soloTimeline(title, { ...wish, change }), [title, wish, change]);
  const running = runningAt(segments, taps, Date.now());
  const segment = segments[Math.min(running.at, segments.length - 1)]!;
  const metronome = useMemo(() => metronomeOf({ from: wish.from, to: wish.to }), [wish.from, wish.to]);
  const wanted = useCalls({
    ...{ text: wish.calls === "yes" ? text : null, seconds: wish.round, change, metronome },
    seed: (segment.round ?? 0) + 1,
  });
  const pads = usePads(wanted.calls);
  const sound = useSound(segments, running, wanted, pads.call);
  useAwake();
  const tap = (one: Tap) => setTaps([...taps, { id: crypto.randomUUID(), at: Date.now(), tap: one }]);
  const set = (part: Partial<typeof START>) => {
    setWish({ ...wish, ...part });
    setTaps([]);
  };
  const begin = () => {
    sound.turn(true);
    tap({ kind: "start" });
  };
  return (
    <>
      <ScreenHead title={`Clock: ${title}`} lead="Rounds, calls and a beat for one drill, without a class.">
        <SoundButton sound={sound} />
        <Button variant="outlined" component={Link} to={`/drills/${id}`}>
          Back to the desk
        </Button>
      </ScreenHead>
      <Box sx={{ px: { xs: 2, sm: 3 }, pb: 4, display: "grid", gap: 2 }}>
        <ClockFace
          segment={segment}
          running={running}
          rounds={wish.rounds}
          next={segments[running.at + 1]}
          words={{ over: "All rounds are done", rest: "Rest" }}
        />
        <SoloControls running={running} segment={segment} onTap={tap} onBegin={begin} onAgain={() => setTaps([])} />
        <Wishes wish={wish} onSet={set}>
          <SoundChoices sound={sound} />
        </Wishes>
        {wish.calls === "yes" && <PadsPanel pads={pads} text={text} />}
      </Box>
    </>
  );
}

interface ControlsProps {
  readonly running: Running;
  readonly segment: Segment;
  readonly onTap: (tap: Tap) => void;
  readonly onBegin: () => void;
  readonly onAgain: () => void;
}

const SoloControls = ({ running: { started, goes, ended }, segment, onTap, onBegin, onAgain }: ControlsProps) => (
  <Stack direction="row" spacing={1} sx={{ flexWrap: "wrap", maxWidth: 720 }}>
    {started && !ended ? (
      <Button variant="contained" sx={BIG} onClick={() => onTap({ kind: goes ? "pause" : "go" })}>
        {goes ? "Pause" : "Go on"}
      </Button>
    ) : (
      <Button variant="contained" sx={BIG} onClick={ended ? onAgain : onBegin}>
        {ended ? "Once more" : "Start"}
      </Button>
    )}
    {(["next", "back"] as const).map((kind) => (
      <Button
        key={kind}
        variant="outlined"
        sx={BIG}
        disabled={!started || ended}
        onClick={() => onTap({ kind, from: segment.id })}
      >
        {kind === "next" ? "Next" : "Back"}
      </Button>
    ))}
  </Stack>
);

/** What is set before one starts; setting it later begins again. */
function Wishes({
  wish,
  onSet,
  children,
}: {
  readonly wish: typeof START;
  readonly onSet: (part: Partial<typeof START>) => void;
  readonly children: ReactNode;
}) {
  const lengths = (all: readonly number[]) => all.map((s) => [s, lengthText(s)] as const);
  return (
    <Stack
      component="section"
      aria-label="What it runs"
      direction="row"
      spacing={1.5}
      sx={{ flexWrap: "wrap", "& > .MuiFormControl-root": { minWidth: 150 } }}
    >
      <Choice
        label="Rounds"
        value={wish.rounds}
        options={ROUNDS.map((n) => [n, String(n)])}
        onChange={(rounds) => onSet({ rounds })}
      />
      <Choice label="Each" value={wish.round} options={lengths(LENGTHS)} onChange={(round) => onSet({ round })} />
      <Choice label="Rest" value={wish.rest} options={lengths(RESTS)} onChange={(rest) => onSet({ rest })} />
      <Choice
        label="Swap roles every"
        value={wish.change}
        options={lengths(CHANGES)}
        onChange={(change) => onSet({ change })}
      />
      <Choice
        label="Calls"
        value={wish.calls}
        options={[
          ["no", "none"],
          ["yes", "by voice"],
        ]}
        onChange={(calls) => onSet({ calls })}
      />
      <BeatChoice beat={wish} onChange={onSet} />
      {children}
    </Stack>
  );
}
