/** Floor and target of the row at the cursor: stepped and played at tempo, for the bodies of an actual pair. */
import type { RowIndex } from "#core/base/units.ts";
import PauseOutlined from "@mui/icons-material/PauseOutlined";
import PlayArrowOutlined from "@mui/icons-material/PlayArrowOutlined";
import SkipNextOutlined from "@mui/icons-material/SkipNextOutlined";
import SkipPreviousOutlined from "@mui/icons-material/SkipPreviousOutlined";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import IconButton from "@mui/material/IconButton";
import MenuItem from "@mui/material/MenuItem";
import Slider from "@mui/material/Slider";
import Stack from "@mui/material/Stack";
import TextField from "@mui/material/TextField";
import { useEffect, useMemo, useRef, useState } from "react";
import type { Bodies } from "#core/drill/check.ts";
import type { SceneView } from "#core/formats/scene-view.ts";
import { measuresOf, type Measured } from "#core/people/measures.ts";
import { FloorDrawing, words } from "../drawing/floor-drawing.tsx";
import { frameAt, timeline, type Beat } from "../drawing/floor-layout.ts";
import { TargetDrawing } from "../drawing/target-drawing.tsx";
import { marginWords } from "../drawing/crossing-parts.tsx";
import { VerdictRing } from "../ui/marks.tsx";
import { useAnswer } from "../workers/use-answer.ts";

interface StageProps {
  readonly kind: "floor" | "target";
  readonly text: string;
  readonly row: RowIndex;
  /** Place of the exchange the cursor is at, to start from. */
  readonly at: number;
  readonly tempo: number;
  readonly people: readonly Measured[];
  readonly onPick: (from: number, to: number) => void;
}

const NO_SCENES: readonly SceneView[] = [];

export function BodyStage({ kind, text, row, at, tempo, people, onPick }: StageProps) {
  const [who, setWho] = useState<{ A: string; B: string }>({ A: "", B: "" });
  const [half, setHalf] = useState(false);
  const bodies = useMemo((): Bodies => {
    const one = people.find((p) => p.id === who.A);
    const two = people.find((p) => p.id === who.B);
    return { ...(one ? { A: measuresOf(one) } : {}), ...(two ? { B: measuresOf(two) } : {}) };
  }, [people, who]);
  const question = useMemo(() => ({ text, row, bodies }), [text, row, bodies]);
  const scenes = useAnswer("scenes", question).answer ?? NO_SCENES;
  const beats = useMemo(() => timeline(scenes, half ? tempo / 2 : tempo), [scenes, tempo, half]);
  const player = usePlayer(beats, at);
  const frame = frameAt(beats, player.ms);
  if (!frame)
    return (
      <Box sx={{ py: 4, color: "text.secondary" }}>
        Put the cursor on a row with a feed and an answer, and its bodies stand here.
      </Box>
    );
  const { scene } = frame.beat;
  const pair = (actor: "A" | "B") => (
    <TextField
      select
      label={`${actor} is`}
      value={who[actor]}
      onChange={(event) => setWho({ ...who, [actor]: event.target.value })}
      sx={{ width: 128 }}
      slotProps={{ select: { displayEmpty: true } }}
    >
      <MenuItem value="">as written</MenuItem>
      {people.map((p) => (
        <MenuItem key={p.id} value={p.id}>
          {p.name}
          {p.height_cm === null ? "" : `, ${p.height_cm} cm`}
        </MenuItem>
      ))}
    </TextField>
  );
  return (
    <Box sx={{ pt: 1.5 }}>
      <Stack direction="row" spacing={1.5} sx={{ flexWrap: "wrap", alignItems: "end", mb: 1 }}>
        <Box sx={{ flex: "1 1 150px", minWidth: 0 }} aria-live="polite">
          <VerdictRing verdict={scene.verdict} word />
          {scene.marginCm !== null && (
            <Box component="span" sx={{ ml: 1 }}>
              {marginWords(scene.marginCm)}
            </Box>
          )}
          <Box component="span" sx={{ display: "block", color: "text.secondary" }}>
            {scene.feeder} {scene.feed}, {scene.responder} {scene.answer || "no answer"}
          </Box>
        </Box>
        {pair("A")}
        {pair("B")}
      </Stack>
      {kind === "floor" ? (
        <FloorDrawing scenes={scenes} frame={frame} />
      ) : scene.target ? (
        <TargetDrawing scene={scene} />
      ) : (
        <Box sx={{ py: 4, color: "text.secondary" }}>
          This feed is felt, not seen: there is no line of attack to draw. The floor shows it.
        </Box>
      )}
      <Player beats={beats} player={player} half={half} onHalf={setHalf} tempo={tempo} onPick={onPick} />
      <Box sx={{ color: "text.secondary", minHeight: 24 }}>{words(frame)}</Box>
    </Box>
  );
}

interface PlayerState {
  readonly ms: number;
  readonly playing: boolean;
  readonly seek: (ms: number) => void;
  readonly toggle: () => void;
}

/** A clock that runs through the beats; at rest it stands where the cursor is. */
function usePlayer(beats: readonly Beat[], at: number): PlayerState {
  const [ms, setMs] = useState(0);
  const [playing, setPlaying] = useState(false);
  const end = beats[beats.length - 1]?.end ?? 0;
  const clock = useRef(0);
  useEffect(() => {
    const here = beats.find((b) => b.scene.from <= at && at <= b.scene.to + 1) ?? beats[0];
    if (here) setMs(here.contact);
  }, [beats, at]);
  useEffect(() => {
    if (!playing) return;
    let last = performance.now();
    const tick = (now: number) => {
      const step = now - last;
      last = now;
      setMs((before) => {
        const next = before + step;
        return next >= end ? 0 : next;
      });
      clock.current = requestAnimationFrame(tick);
    };
    clock.current = requestAnimationFrame(tick);
    return () => cancelAnimationFrame(clock.current);
  }, [playing, end]);
  return {
    ms,
    playing,
    seek: (next) => {
      setPlaying(false);
      setMs(Math.max(0, Math.min(end, next)));
    },
    toggle: () => setPlaying((on) => !on),
  };
}

/** The moments one can step to: the start, every contact, and the end. */
export const stops = (beats: readonly Beat[]): number[] => [
  ...beats.flatMap((b) => [b.start, b.contact]),
  ...(beats.length > 0 ? [beats[beats.length - 1]!.end] : []),
];

function Player({
  beats,
  player,
  half,
  onHalf,
  tempo,
  onPick,
}: {
  beats: readonly Beat[];
  player: PlayerState;
  half: boolean;
  onHalf: (on: boolean) => void;
  tempo: number;
  onPick: StageProps["onPick"];
}) {
  const { ms, playing, seek, toggle } = player;
  const end = beats[beats.length - 1]?.end ?? 1;
  const step = (way: 1 | -1) => {
    const all = stops(beats);
    const next = way > 0 ? all.find((s) => s > ms + 1) : all.filter((s) => s < ms - 1).at(-1);
    seek(next ?? (way > 0 ? end : 0));
    const scene = frameAt(beats, next ?? 0)?.beat.scene;
    if (scene) onPick(scene.from, scene.to);
  };
  return (
    <Stack role="group" aria-label="Play the row" direction="row" spacing={1} sx={{ alignItems: "center", mt: 1 }}>
      <IconButton aria-label="One step back" onClick={() => step(-1)} sx={BIG}>
        <SkipPreviousOutlined />
      </IconButton>
      <IconButton aria-label={playing ? "Hold" : "Play"} onClick={toggle} sx={BIG}>
        {playing ? <PauseOutlined /> : <PlayArrowOutlined />}
      </IconButton>
      <IconButton aria-label="One step on" onClick={() => step(1)} sx={BIG}>
        <SkipNextOutlined />
      </IconButton>
      <Slider
        aria-label="Moment of the row"
        size="small"
        color="secondary"
        min={0}
        max={Math.round(end)}
        step={10}
        value={Math.round(ms)}
        onChange={(_, value) => seek(value)}
        valueLabelFormat={(value) => `${(value / 1000).toFixed(2)} s`}
        getAriaValueText={(value) => `${(value / 1000).toFixed(2)} seconds`}
        marks={beats.map((b) => ({ value: Math.round(b.contact) }))}
        sx={{ mx: 1.5 }}
      />
      <Button
        variant={half ? "contained" : "outlined"}
        aria-pressed={half}
        onClick={() => onHalf(!half)}
        sx={{ flex: "none" }}
      >
        Half of {Math.round(tempo * 100)}%
      </Button>
    </Stack>
  );
}

const BIG = { width: 48, height: 48, color: "text.primary" } as const;
