/** What is heard in a stretch and when: bells, warnings, switches, calls, a beat. */
import type { CallItem } from "../calls/calls.ts";
import type { Segment } from "./timeline.ts";

/** A sound with its time. */
export type Sound =
  /** Beginning and end of a round. */
  | { readonly at: number; readonly kind: "bell"; readonly strokes: 1 | 3 }
  /** The end is near. */
  | { readonly at: number; readonly kind: "warning" }
  | { readonly at: number; readonly kind: "switch" }
  | { readonly at: number; readonly kind: "call"; readonly word: string; readonly feint: boolean }
  | { readonly at: number; readonly kind: "beat"; readonly strong: boolean };

interface SoundsWanted {
  /** Calls of the round in seconds from its start; none where nothing is called. */
  readonly calls: readonly CallItem[];
  /** Beats a minute at the start and at the end, and how many make a bar; null: no metronome. */
  readonly metronome: { readonly from: number; readonly to: number; readonly bar: number } | null;
}
/** No sounds at all. */
export const NO_SOUNDS: SoundsWanted = { calls: [], metronome: null };

/** Before the end of a round and of a rest, ms. */
const WARNING = 10_000;
/** Nothing is called so shortly before a switch or an end, and so shortly after one, ms. */
const QUIET = 2000;

/** All sounds of a stretch of `length` ms in their order, in ms from its start. */
export function soundsOf(segment: Segment, length: number, { calls, metronome }: SoundsWanted): Sound[] {
  if (segment.kind !== "round")
    return segment.kind === "rest" && length > WARNING ? [{ at: length - WARNING, kind: "warning" }] : [];
  const switches = switchesIn(segment, length);
  const edges = [0, ...switches, length];
  const isQuiet = (at: number) => edges.some((edge) => (at < edge ? edge - at < QUIET : at - edge < QUIET && edge > 0));
  const sounds: Sound[] = [
    { at: 0, kind: "bell", strokes: 1 },
    ...switches.map((at): Sound => ({ at, kind: "switch" })),
    ...(length > 2 * WARNING ? [{ at: length - WARNING, kind: "warning" } as const] : []),
    { at: length, kind: "bell", strokes: 3 },
    ...calls.flatMap(({ at, kind, label }): Sound[] =>
      kind === "switch" || at * 1000 >= length || isQuiet(at * 1000)
        ? []
        : [{ at: at * 1000, kind: "call", word: label, feint: kind === "feint" }],
    ),
    ...(metronome ? beats(length, metronome) : []),
  ];
  return sounds.sort((a, b) => a.at - b.at);
}

function switchesIn({ change }: Segment, length: number): number[] {
  if (!change) return [];
  const every = change * 1000;
  return Array.from({ length: Math.max(0, Math.ceil(length / every) - 1) }, (_, i) => (i + 1) * every);
}

/** Beats whose pace goes evenly from one to the other over the stretch. */
function beats(length: number, { from, to, bar }: NonNullable<SoundsWanted["metronome"]>): Sound[] {
  const found: Sound[] = [];
  for (let at = 0, i = 0; at < length; i++) {
    found.push({ at, kind: "beat", strong: i % bar === 0 });
    at += 60_000 / (from + ((to - from) * at) / length);
  }
  return found;
}
