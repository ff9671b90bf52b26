/** What is heard while a class runs: each sound once, at its moment, however often the page draws. */
import { useEffect, useRef, useState } from "react";
import { soundsOf, type Sound } from "#core/floor/sounds.ts";
import type { Running } from "#core/floor/running.ts";
import type { Segment } from "#core/floor/timeline.ts";
import { playStop, schedule } from "./player.ts";
import { Speaker, type Voice } from "./spoken.ts";

/** Sounds of the next moments are put on the graph ahead, ms; what is later than this is not made up for. */
const AHEAD = 250;
const TOO_LATE = 400;
/** A bell or a switch is better late than never: on a device that was busy. */
const LATE_BELL = 1500;

const latest = ({ kind }: Sound): number => (kind === "call" || kind === "beat" ? TOO_LATE : LATE_BELL);

/** A word begins when the tone before it is over, s. */
const AFTER_TONE = 0.12;
const AFTER_SWITCH = 0.4;

interface Graph {
  readonly context: AudioContext;
  readonly out: GainNode;
  readonly speaker: Speaker;
}
type CallSound = Extract<Sound, { kind: "call" }>;
type Wanted = Parameters<typeof soundsOf>[2];

/** `onCall`: a call whose word is heard from a moment of this device's clock on, ms. */
export function useSound(
  segments: readonly Segment[],
  running: Running,
  wanted: Wanted,
  onCall: (label: string, at: number) => void,
) {
  const [on, setOn] = useState(false);
  const [volume, setVolume] = useState(0.8);
  const [voice, setVoice] = useState<Voice>("ours");
  const graph = useRef<Graph | null>(null);
  const played = useRef(new Set<string>());
  const last = useRef<CallSound | null>(null);
  const segment = segments[running.at];
  const { elapsed, length, goes, stopped } = running;
  useEffect(() => {
    if (graph.current) graph.current.out.gain.value = volume;
  }, [volume]);
  useEffect(() => {
    const { current } = graph;
    if (!on || !current || !segment || !goes) return;
    for (const [i, sound] of soundsOf(segment, length, wanted).entries()) {
      const until = sound.at - elapsed;
      const key = `${segment.id} ${i} ${sound.kind}`;
      // A stretch that begins once more is heard once more.
      if (until > AHEAD) played.current.delete(key);
      if (until > AHEAD || until < -latest(sound) || played.current.has(key)) continue;
      played.current.add(key);
      sounded(current, sound, until / 1000, { voice, volume });
      if (sound.kind !== "call") continue;
      last.current = sound;
      onCall(sound.word, Date.now() + until + 1000 * (AFTER_TONE + (current.context.outputLatency || 0)));
    }
  });
  const { calls } = wanted;
  useEffect(() => {
    if (on) void graph.current?.speaker.prepare(["switch", ...new Set(calls.map(({ label }) => label))]);
  }, [on, calls]);
  useEffect(() => {
    const { current } = graph;
    if (on && stopped && current) playStop(current.context, current.out);
  }, [on, stopped]);
  /** Browsers let nothing be heard before somebody has tapped. */
  const turn = (next: boolean) => {
    if (next && !graph.current) {
      const context = new AudioContext();
      const out = context.createGain();
      out.gain.value = volume;
      out.connect(context.destination);
      graph.current = { context, out, speaker: new Speaker(context, out) };
    }
    void graph.current?.context.resume();
    setOn(next);
  };
  /** The last call once more, for whoever did not hear it. */
  const again = () => {
    if (last.current && graph.current) sounded(graph.current, last.current, 0, { voice, volume });
  };
  return { on, turn, volume, setVolume, voice, setVoice, again, calls: wanted.calls.length > 0 };
}

function sounded(
  { context, out, speaker }: Graph,
  sound: Sound,
  inSeconds: number,
  { voice, volume }: { readonly voice: Voice; readonly volume: number },
): void {
  const at = context.currentTime + Math.max(0, inSeconds);
  schedule(context, out, sound, at);
  if (sound.kind === "call") speaker.say(sound.word, at + AFTER_TONE, voice, volume);
  if (sound.kind === "switch") speaker.say("switch", at + AFTER_SWITCH, voice, volume);
}
