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
}

/** More than this nobody adds to one stretch, s. */
const MOST_ADDED = 3600;

const inOrder = (one: Tapped, two: Tapped): number => one.at - two.at || (one.id < two.id ? -1 : 1);

/** Where the class is at `now` (ms of the server's clock). The same taps in any order give the same place. */
export function runningAt(segments: readonly Segment[], taps: readonly Tapped[], now: number): Running {
  const state: State = { started: false, goes: false, stopped: false, at: 0, zero: 0, paused: 0, added: new Map() };
  const length = (at: number): number => {
    const segment = segments[at];
    return segment ? (segment.seconds + (state.added.get(segment.id) ?? 0)) * 1000 : 0;
  };
  const advance = (to: number): void => {
    while (state.goes && state.at < segments.length && to - state.zero >= length(state.at)) {
      state.zero += length(state.at);
      state.at++;
    }
    if (state.at >= segments.length) state.goes = false;
  };
  for (const one of [...taps].sort(inOrder)) {
    if (one.at > now) break;
    advance(one.at);
    apply(state, segments, one);
  }
  advance(now);
  return placeOf(state, segments, { now, length: length(state.at) });
}

function apply(state: State, segments: readonly Segment[], { tap, at }: Tapped): void {
  if (tap.kind === "start") {
    if (!state.started) Object.assign(state, { started: true, goes: true, zero: at });
    return;
  }
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
      if (tap.kind === "next") state.at++;
      // From the middle of a stretch back is to its beginning.
      else if ((state.goes ? at : state.paused) - state.zero < SOON) state.at = Math.max(0, state.at - 1);
      Object.assign(state, { zero: at, paused: at });
      if (state.at >= segments.length) state.goes = false;
      return;
  }
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
