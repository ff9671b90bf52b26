/**
 * Where a running class is at a moment: worked out from what was tapped and when, never from ticks that were counted,
 * so that it is right after sleep, reload and crash, and the same on every device.
 */
import type { Segment } from "./timeline.ts";

/** What is tapped. `from`: the stretch at which it was tapped, so that two who tap "next" at once go on by one. */
export type Tap =
  | { readonly kind: "start" }
  | { readonly kind: "pause" }
  | { readonly kind: "go" }
  /** All stop: a pause with a sound that everybody knows. */
  | { readonly kind: "stop" }
  | { readonly kind: "next"; readonly from: string }
  | { readonly kind: "back"; readonly from: string }
  | { readonly kind: "longer"; readonly from: string; readonly seconds: number };

/** A tap with its moment, ms of the server's clock. */
export interface Tapped {
  readonly id: string;
  readonly at: number;
  readonly tap: Tap;
}

/** A class while it runs: block, round, side, seconds left. */
export interface Running {
  readonly started: boolean;
  /** All stretches are over. */
  readonly ended: boolean;
  readonly goes: boolean;
  /** Everybody was told to stop. */
  readonly stopped: boolean;
  /** Place among the stretches. */
  readonly at: number;
  /** In this stretch, and until its end, ms. */
  readonly elapsed: number;
  readonly left: number;
  /** Length of this stretch with what was added to it, ms. */
  readonly length: number;
  /** How many rounds are behind them. */
  readonly done: number;
}

/** A round as the clock has run it: the last time that it was begun. */
export interface Played {
  /** Place among the rounds of the evening, from 0. */
  readonly round: number;
  /** The moments at which it began and ended, ms; null: it is under way. */
  readonly started: number;
  readonly ended: number | null;
  /** At work, without pauses, ms; of one under way null. */
  readonly worked: number | null;
  /** How often it was begun: more than once where somebody went back to it. */
  readonly times: number;
}

interface Entry {
  started: number;
  ended: number | null;
  worked: number | null;
}

interface State {
  started: boolean;
  goes: boolean;
  stopped: boolean;
  at: number;
  /** The moment at which this stretch began, were it never paused, ms. */
  zero: number;
  /** Since when it is paused, ms. */
  paused: number;
  readonly added: Map<string, number>;
  /** When the stretches up to this one were begun and left, by their place; and how often they were begun. */
  readonly entries: Map<number, Entry>;
  readonly times: Map<number, number>;
}

/** More than this nobody adds to one stretch, s. */
const MOST_ADDED = 3600;

const inOrder = (one: Tapped, two: Tapped): number => one.at - two.at || (one.id < two.id ? -1 : 1);

/** Where the class is at `now` (ms of the server's clock). The same taps in any order give the same place. */
export function runningAt(segments: readonly Segment[], taps: readonly Tapped[], now: number): Running {
  const state = stateAt(segments, taps, now);
  return placeOf(state, segments, { now, length: lengthOf(state, segments) });
}

/** The rounds that have started by `now`, in their order; those that somebody went back behind are not among them. */
export function playedAt(segments: readonly Segment[], taps: readonly Tapped[], now: number): Played[] {
  const { entries, times } = stateAt(segments, taps, now);
  return [...entries]
    .sort(([one], [two]) => one - two)
    .flatMap(([at, entry]): Played[] => {
      const { kind, round } = segments[at]!;
      return kind === "round" && round !== null ? [{ round, ...entry, times: times.get(at) ?? 1 }] : [];
    });
}

/** Length of the stretch that a class is in, with what was added to it, ms. */
function lengthOf({ at, added }: State, segments: readonly Segment[]): number {
  const segment = segments[at];
  return segment ? (segment.seconds + (added.get(segment.id) ?? 0)) * 1000 : 0;
}

function stateAt(segments: readonly Segment[], taps: readonly Tapped[], now: number): State {
  const state: State = {
    ...{ started: false, goes: false, stopped: false, at: 0, zero: 0, paused: 0 },
    ...{ added: new Map(), entries: new Map(), times: new Map() },
  };
  const advance = (to: number): void => {
    while (state.goes && state.at < segments.length && to - state.zero >= lengthOf(state, segments)) {
      const worked = lengthOf(state, segments);
      goTo(state, segments, { to: state.at + 1, moment: state.zero + worked, worked });
    }
    if (state.at >= segments.length) state.goes = false;
  };
  for (const one of [...taps].sort(inOrder)) {
    if (one.at > now) break;
    advance(one.at);
    apply(state, segments, one);
  }
  advance(now);
  return state;
}

/** From one stretch to another at a moment: the one is left, the other begun. Those behind the place are not begun any more. */
function goTo(
  state: State,
  segments: readonly Segment[],
  { to, moment, worked }: { readonly to: number; readonly moment: number; readonly worked: number },
): void {
  const left = state.entries.get(state.at);
  if (left && to > state.at) Object.assign(left, { ended: moment, worked });
  for (const at of state.entries.keys()) if (at >= to) state.entries.delete(at);
  Object.assign(state, { at: to, zero: moment });
  begin(state, segments, moment);
}

function begin({ at, entries, times }: State, segments: readonly Segment[], started: number): void {
  if (at >= segments.length) return;
  entries.set(at, { started, ended: null, worked: null });
  times.set(at, (times.get(at) ?? 0) + 1);
}

function apply(state: State, segments: readonly Segment[], { tap, at }: Tapped): void {
  if (tap.kind === "start") {
    if (state.started) return;
    Object.assign(state, { started: true, goes: !state.stopped, zero: at, paused: at });
    begin(state, segments, at);
    return;
  }
  // Somebody can be hurt before it begins.
  if (!state.started && (tap.kind === "stop" || tap.kind === "go")) state.stopped = tap.kind === "stop";
  if (!state.started) return;
  switch (tap.kind) {
    case "pause":
    case "stop":
      if (state.goes) Object.assign(state, { goes: false, paused: at });
      if (tap.kind === "stop") state.stopped = true;
      return;
    case "go":
      state.stopped = false;
      if (!state.goes && state.at < segments.length)
        Object.assign(state, { goes: true, zero: state.zero + at - state.paused });
      return;
    case "longer": {
      const before = state.added.get(tap.from) ?? 0;
      state.added.set(tap.from, Math.max(0, Math.min(MOST_ADDED, before + tap.seconds)));
      return;
    }
    case "next":
    case "back":
      // Somebody else has gone on meanwhile, or the clock has.
      if (segments[state.at]?.id !== tap.from) return;
      step(state, segments, { by: tap.kind, at });
      state.paused = at;
      if (state.at >= segments.length) state.goes = false;
      return;
  }
}
function step(
  state: State,
  segments: readonly Segment[],
  { by, at }: { readonly by: "next" | "back"; readonly at: number },
): void {
  const worked = (state.goes ? at : state.paused) - state.zero;
  if (by === "next") goTo(state, segments, { to: state.at + 1, moment: at, worked });
  else if (worked < SOON && state.at > 0) goTo(state, segments, { to: state.at - 1, moment: at, worked });
  // From the middle of a stretch back is to its beginning, and it is still the same one.
  else state.zero = at;
}
/** Who taps "back" so soon after a beginning means the stretch before, ms. */
const SOON = 3000;

function placeOf(
  { started, goes, stopped, at, zero, paused }: State,
  segments: readonly Segment[],
  { now, length }: { readonly now: number; readonly length: number },
): Running {
  const ended = started && at >= segments.length;
  const elapsed = started && !ended ? Math.max(0, (goes ? now : paused) - zero) : 0;
  const done = segments.slice(0, at).filter(({ kind }) => kind === "round").length;
  return { started, ended, goes, stopped, at, elapsed, left: Math.max(0, length - elapsed), length, done };
}
