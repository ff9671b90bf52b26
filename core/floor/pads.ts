/** Pads with sensors: what they say, which hit answers which call, and how that stands beside what the check reckons. */
import { array, number, object, string } from "yup";
import type { CheckedExchange } from "../exchange/types.ts";

/** The protocol is written down in `docs/pads.md`. */
export const PAD_PROTOCOL = "vicissor-pads/1";

/** A message of a pad with a sensor. */
export type PadMessage =
  | { readonly kind: "hello"; readonly name: string; readonly pads: readonly string[] }
  /** Force from 0 to 1; `age`: so long ago it was when it was sent, ms. */
  | { readonly kind: "hit"; readonly pad: string; readonly force: number; readonly age: number };

const name = string().trim().min(1).max(60).required();
const MOST_PADS = 32;
const MOST_AGE = 10_000;
const hello = object({
  kind: string()
    .oneOf(["hello"] as const)
    .required(),
  protocol: string().oneOf([PAD_PROTOCOL]).required(),
  name,
  pads: array(name).min(1).max(MOST_PADS).required(),
});
const hit = object({
  kind: string()
    .oneOf(["hit"] as const)
    .required(),
  pad: name,
  force: number().min(0).max(1).default(1),
  age: number().min(0).max(MOST_AGE).default(0),
});

/** A message of a device; null where it is none of the protocol. */
export function readPadMessage(text: string): PadMessage | null {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return null;
  }
  if (hello.isValidSync(value)) {
    const read = hello.cast(value);
    return { kind: "hello", name: read.name, pads: read.pads };
  }
  return hit.isValidSync(value) ? hit.cast(value) : null;
}

/** Status of a note that begins (MIDI 1.0: 9x, with a velocity above 0), and the highest velocity. */
const NOTE_ON = 0x90;
const STATUS = 0xf0;
const HARDEST = 127;

/** A note that begins as a hit of a pad that is named after it; null for anything else. */
export function readMidi([status = 0, note = 0, velocity = 0]: ArrayLike<number> &
  Iterable<number>): PadMessage | null {
  if ((status & STATUS) !== NOTE_ON || velocity === 0) return null;
  return { kind: "hit", pad: `note ${note}`, force: velocity / HARDEST, age: 0 };
}

/** The call that a pad stands for: that of its name, or the one of its place among the pads. */
export function callOfPad(pad: string, pads: readonly string[], labels: readonly string[]): string | null {
  if (labels.includes(pad)) return pad;
  return labels[pads.indexOf(pad)] ?? null;
}

/** Something that was called; moments in ms of one clock. */
export interface PadCall {
  readonly label: string;
  readonly at: number;
}
/** A pad that was hit, by the call that it stands for; null where it stands for none. */
export interface PadHit {
  readonly label: string | null;
  readonly at: number;
  readonly force: number;
}
/** A blow that a pad felt, with its time, ms after the call. */
export interface PadAnswer {
  readonly label: string;
  readonly kind: "right" | "wrong" | "missed";
  /** From the call to the hit, ms; null where nothing was hit. */
  readonly after: number | null;
}

/** Nobody answers a call later than this, ms. Common practice, no source. */
const LATEST = 2000;
/** A hit so soon after a call was begun before it, ms: no reaction to a sound is quicker. From memory: about 0.1 s. */
const SOONEST = 100;

/** The first hit after each call, until the next call or until it is too late; what was begun before a call answers none. */
export function answersTo(calls: readonly PadCall[], hits: readonly PadHit[]): PadAnswer[] {
  const inTime = [...hits].sort((a, b) => a.at - b.at);
  const order = [...calls].sort((a, b) => a.at - b.at);
  return order.map(({ label, at }, i): PadAnswer => {
    const until = Math.min(at + LATEST, order[i + 1]?.at ?? Infinity);
    const first = inTime.find((one) => one.at >= at + SOONEST && one.at < until);
    if (!first) return { label, kind: "missed", after: null };
    return { label, kind: first.label === label ? "right" : "wrong", after: first.at - at };
  });
}

interface PadSums {
  readonly right: number;
  readonly wrong: number;
  readonly missed: number;
  /** Of the right ones, ms: the one in the middle, and how far half of them lie around it; null without any. */
  readonly median: number | null;
  readonly spread: number | null;
}

const middle = (sorted: readonly number[], share: number): number | null =>
  sorted.length === 0 ? null : sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))]!;

/** Returns the sums of the blows that a pad felt. */
export function padSums(answers: readonly PadAnswer[]): PadSums {
  const count = (kind: PadAnswer["kind"]) => answers.filter((one) => one.kind === kind).length;
  const times = answers
    .flatMap(({ kind, after }) => (kind === "right" && after !== null ? [after] : []))
    .sort((a, b) => a - b);
  const [quarter, most] = [middle(times, 0.25), middle(times, 0.75)];
  return {
    ...{ right: count("right"), wrong: count("wrong"), missed: count("missed"), median: middle(times, 0.5) },
    spread: quarter === null || most === null ? null : most - quarter,
  };
}

/** What the check reckons with for the answer that has least time. */
export interface ReactTime {
  /** From the first sign to the latest begin of the answer at the tempo of the drill, ms. */
  readonly allowed: number;
  /** Of somebody who trains this, ms. */
  readonly reckoned: number;
}

/** Null where nothing of the drill is a matter of time. */
export function reactTime(
  exchanges: readonly Pick<CheckedExchange, "times" | "feed">[],
  tempo: number,
): ReactTime | null {
  const found = exchanges.flatMap(({ times, feed }): ReactTime[] =>
    times && feed ? [{ allowed: (times.contact - times.movement) / tempo, reckoned: times.reaction }] : [],
  );
  const [least] = found.sort((a, b) => a.allowed - b.allowed);
  return least ?? null;
}
