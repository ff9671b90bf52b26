/** The places of a clock face at which a numbering set can put its numbers. */
import type { Angle, NumberingSet } from "./numbering.ts";

/** A place on the clock face for a number. */
export interface ClockSlot {
  readonly key: string;
  readonly line: Angle["line"];
  readonly side: Angle["side"];
  readonly height: Angle["height"];
  /** On a face of radius 1 as the one who is attacked sees it: x right, y down. */
  readonly x: number;
  readonly y: number;
  readonly words: string;
  /** What a number here is aimed at when nothing else is said. */
  readonly part: string;
}

const CLOCK = { high: 10.5, mid: 9, low: 7.5 } as const;
const ARC_PARTS = { high: "temple", mid: "ribs", low: "knee" } as const;
const THRUST_PARTS = { high: "eye", mid: "belly", low: "thigh" } as const;
const THRUST_Y = { high: -0.42, mid: 0, low: 0.42 } as const;
const HEIGHTS = ["high", "mid", "low"] as const;

const keyOf = (a: Pick<Angle, "line" | "side" | "height">): string => `${a.line} ${a.side ?? "middle"} ${a.height}`;

function arc(side: "left" | "right", height: (typeof HEIGHTS)[number]): ClockSlot {
  const angle = (CLOCK[height] * Math.PI) / 6;
  const x = Math.sin(angle) * (side === "left" ? 1 : -1);
  return {
    key: keyOf({ line: "arc", side, height }),
    line: "arc",
    side,
    height,
    x,
    y: -Math.cos(angle),
    words: `round, ${height}, to the ${side}`,
    part: ARC_PARTS[height],
  };
}

function thrust(side: Angle["side"], height: (typeof HEIGHTS)[number]): ClockSlot {
  return {
    key: keyOf({ line: "thrust", side, height }),
    line: "thrust",
    side,
    height,
    x: side === null ? 0 : side === "left" ? -0.36 : 0.36,
    y: THRUST_Y[height],
    words: `thrust, ${height}${side ? `, to the ${side}` : ", to the middle"}`,
    part:
      side !== null && height === "mid" ? "ribs" : side === null && height === "high" ? "chest" : THRUST_PARTS[height],
  };
}

/** All places on the clock face. */
export const CLOCK_SLOTS: readonly ClockSlot[] = [
  {
    key: "overhead middle high",
    line: "overhead",
    side: null,
    height: "high",
    x: 0,
    y: -1,
    words: "overhead",
    part: "crown",
  },
  ...HEIGHTS.flatMap((h) => [arc("left", h), arc("right", h)]),
  { key: "upward middle mid", line: "upward", side: null, height: "mid", x: 0, y: 1, words: "upward", part: "jaw" },
  ...HEIGHTS.flatMap((h) => ([null, "left", "right"] as const).map((side) => thrust(side, h))),
];

/** The slot of an angle. */
export const slotOf = (angle: Angle): ClockSlot | undefined => CLOCK_SLOTS.find((s) => s.key === keyOf(angle));

/** Puts number `index` (0 first) at a slot; a number past the end is added. */
export function placeNumber(set: NumberingSet, index: number, slot: ClockSlot): NumberingSet {
  const { line, side, height, part } = slot;
  const angles = [...(set.angles ?? [])];
  angles[Math.min(index, angles.length)] = { line, side, height, part };
  return { ...set, angles };
}

/** Moves a number up or down in the order. */
export function moveNumber(set: NumberingSet, index: number, by: 1 | -1): NumberingSet {
  const angles = [...(set.angles ?? [])];
  const other = index + by;
  const [one, two] = [angles[index], angles[other]];
  if (!one || !two) return set;
  angles[index] = two;
  angles[other] = one;
  return { ...set, angles };
}

/** Returns a numbering set without one of its numbers. */
export const removeNumber = (set: NumberingSet, index: number): NumberingSet => ({
  ...set,
  angles: (set.angles ?? []).filter((_, i) => i !== index),
});
