/** Bells, switches, calls and beats as sound: one graph, whatever plays or records it. */
import type { Sound } from "#core/floor/sounds.ts";

/** A tone: pitch in Hz, when and how long in s, how loud from 0 to 1. */
interface Tone {
  readonly pitch: number;
  readonly at: number;
  readonly long: number;
  readonly loud: number;
  readonly shape: OscillatorType;
}

/** What each sound is made of; beginnings in s after it. Common practice, no source: high and hard carries over a hall. */
function tonesOf(sound: Sound): Tone[] {
  switch (sound.kind) {
    case "bell":
      return Array.from({ length: sound.strokes }, (_, i) => [
        { pitch: 880, at: i * 0.4, long: 0.9, loud: 0.8, shape: "triangle" as const },
        { pitch: 2217, at: i * 0.4, long: 0.5, loud: 0.3, shape: "sine" as const },
      ]).flat();
    case "warning":
      return [0, 0.18].map((at) => ({ pitch: 1200, at, long: 0.09, loud: 0.5, shape: "square" }));
    case "switch":
      return [
        { pitch: 660, at: 0, long: 0.16, loud: 0.7, shape: "square" },
        { pitch: 990, at: 0.17, long: 0.22, loud: 0.7, shape: "square" },
      ];
    case "call":
      return [{ pitch: sound.feint ? 400 : 520, at: 0, long: 0.12, loud: 0.6, shape: "sine" }];
    case "beat":
      return [{ pitch: sound.strong ? 1500 : 1000, at: 0, long: 0.04, loud: 0.4, shape: "square" }];
  }
}

/** All stop: nothing else sounds like it. */
const STOP: readonly Tone[] = Array.from({ length: 6 }, (_, i) => ({
  pitch: i % 2 ? 500 : 750,
  at: i * 0.22,
  long: 0.22,
  loud: 1,
  shape: "sawtooth",
}));

function play(context: BaseAudioContext, out: AudioNode, tones: readonly Tone[], from: number): void {
  for (const { pitch, at, long, loud, shape } of tones) {
    const start = Math.max(context.currentTime, from + at);
    const voice = context.createOscillator();
    const level = context.createGain();
    voice.type = shape;
    voice.frequency.value = pitch;
    level.gain.setValueAtTime(loud, start);
    level.gain.exponentialRampToValueAtTime(0.001, start + long);
    voice.connect(level).connect(out);
    voice.start(start);
    voice.stop(start + long);
  }
}

/** Sounds one after the other on a graph; `from`: the moment of the first stroke in the time of the context, s. */
export const schedule = (context: BaseAudioContext, out: AudioNode, sound: Sound, from: number): void =>
  play(context, out, tonesOf(sound), from);

export const playStop = (context: BaseAudioContext, out: AudioNode): void =>
  play(context, out, STOP, context.currentTime);

/** Says a word with the voice of the browser, where it has one. */
export function say(word: string, volume: number): void {
  if (!("speechSynthesis" in window)) return;
  const said = new SpeechSynthesisUtterance(word);
  said.volume = volume;
  said.rate = 1.15;
  window.speechSynthesis.speak(said);
}
