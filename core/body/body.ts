/** One person's body in metres, computed once from stature and own measures. */
import type { Gear, Held, Person, Side } from "../score/person.ts";
import { HALF_STANCE, RADII, REFERENCE_HEIGHT, SEGMENTS } from "./anthropometry.ts";

export interface Ellipse {
  /** Centre: to the own right, height, and depth towards the other person. */
  readonly u: number;
  readonly w: number;
  readonly d: number;
  /** Half width, half height, half depth. */
  readonly hu: number;
  readonly hw: number;
  readonly hd: number;
}

export interface Body {
  readonly person: Person;
  readonly height: number;
  /** Length of the straight arm to the finger tips. */
  readonly arm: number;
  readonly halfShoulders: number;
  readonly shoulderHeight: number;
  /** Scale of displacements and steps against the reference stature. */
  readonly scale: number;
  readonly handRadius: number;
  readonly wears: ReadonlySet<Gear>;
  /** The zones in the order of `HIT_ZONES`, nothing displaced. */
  readonly zones: readonly Ellipse[];
}

/** Persons that are the same object have the same body. */
const bodies = new WeakMap<Person, Body>();

/** The body of a person. Arm length follows the own reach (arm span) where it is known. */
export function bodyOf(person: Person): Body {
  let body = bodies.get(person);
  if (!body) bodies.set(person, (body = makeBody(person)));
  return body;
}

function makeBody(person: Person): Body {
  const H = person.height;
  const span = person.reach ?? H;
  const zones = zonesOf(person);
  return {
    person,
    height: H,
    arm: (SEGMENTS.upperArm + SEGMENTS.forearm + SEGMENTS.hand) * span,
    halfShoulders: (SEGMENTS.biacromial * H) / 2,
    shoulderHeight: SEGMENTS.shoulderHeight * H,
    scale: H / REFERENCE_HEIGHT,
    handRadius: person.wears.includes("gloves") || person.wears.includes("mitts") ? RADII.glove : RADII.hand,
    wears: new Set(person.wears),
    zones: HIT_ZONES.map((zone) => zones.get(zone)!),
  };
}

/** Body zones that a blow can hit; order as in `HIT_ZONES`. */
export const HIT_ZONES = [
  "head",
  "neck",
  "chest",
  "belly",
  "hips",
  "thigh left",
  "thigh right",
  "knee left",
  "knee right",
  "shin left",
  "shin right",
] as const;
export type HitZone = (typeof HIT_ZONES)[number];

/**
 * Zones as shares of H: [u, w, half width, half height, half depth, leg]. Head in metres (half
 * width .08, half height .12). Trunk half widths .092H and .090H, depth .065H; the rest placed to
 * fill the outline: common practice, no source.
 */
const LEGS = [
  ["thigh", 0.4, 0.045, 0.09],
  ["knee", 0.285, 0.036, 0.036],
  ["shin", 0.14, 0.032, 0.11],
] as const;

/** The zones of a person who stands in his stance, nothing displaced. */
export function zonesOf(person: Person): ReadonlyMap<HitZone, Ellipse> {
  const H = person.height;
  const depth = 0.065 * H;
  const zones = new Map<HitZone, Ellipse>([
    ["head", { u: 0, w: 0.935 * H, d: 0.02, hu: 0.08, hw: 0.12, hd: 0.1 }],
    ["neck", { u: 0, w: 0.842 * H, d: 0.01, hu: 0.06, hw: 0.025 * H, hd: 0.06 }],
    ["chest", { u: 0, w: 0.735 * H, d: 0, hu: 0.092 * H, hw: 0.075 * H, hd: depth }],
    ["belly", { u: 0, w: 0.595 * H, d: 0, hu: 0.09 * H, hw: 0.065 * H, hd: depth }],
    ["hips", { u: 0, w: 0.5 * H, d: 0, hu: 0.09 * H, hw: 0.04 * H, hd: depth }],
  ]);
  for (const side of ["left", "right"] as const) {
    const d = (side === person.lead ? 1 : -1) * HALF_STANCE * H;
    const u = (side === "left" ? -1 : 1) * 0.06 * H;
    for (const [name, w, hu, hw] of LEGS)
      zones.set(`${name} ${side}`, { u, w: w * H, d, hu: hu * H, hw: hw * H, hd: hu * H });
  }
  return zones;
}

/** The weapon in a hand, or null. */
export function weaponIn(person: Person, weaponSide: Side, hand: Side): Held | null {
  if (!person.holds) return null;
  return person.holds.count === 2 || hand === weaponSide ? person.holds : null;
}
