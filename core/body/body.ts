/** One person's body in metres, computed once from stature and own measures. */
import { keysOf } from "../base/keys.ts";
import type { Gear, Held, Person, Side } from "../score/person.ts";
import { LEG_SIDE, LEG_ZONES, metresOf, TRUNK_ZONES, type ZoneData } from "./parts.ts";
import { HALF_STANCE, RADII, REFERENCE_HEIGHT, SEGMENTS } from "./anthropometry.ts";

/** An upright ellipse with depth, from the centre of a body, m. */
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

/** The measures of a body, m. */
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
/** A zone of the body that the check tests. */
export type HitZone = (typeof HIT_ZONES)[number];

/** The zones of a person who stands in stance, nothing displaced. */
export function zonesOf(person: Person): ReadonlyMap<HitZone, Ellipse> {
  const height = person.height;
  const sizes = (zone: ZoneData) => ({
    w: zone.w * height,
    hu: metresOf(zone.halfWidth, height),
    hw: metresOf(zone.halfHeight, height),
    hd: metresOf(zone.halfDepth, height),
  });
  const zones = new Map<HitZone, Ellipse>();
  for (const name of TRUNKS) zones.set(name, { u: 0, d: TRUNK_ZONES[name].d, ...sizes(TRUNK_ZONES[name]) });
  for (const side of ["left", "right"] as const) {
    const d = (side === person.lead ? 1 : -1) * HALF_STANCE * height;
    const u = (side === "left" ? -1 : 1) * LEG_SIDE * height;
    for (const name of LEGS) zones.set(`${name} ${side}`, { u, d, ...sizes(LEG_ZONES[name]) });
  }
  return zones;
}

const TRUNKS = keysOf(TRUNK_ZONES);
const LEGS = keysOf(LEG_ZONES);

/** The weapon in a hand, or null. */
export function weaponIn(person: Person, weaponSide: Side, hand: Side): Held | null {
  if (!person.holds) return null;
  if (hand === weaponSide) return person.holds;
  const { count, off } = person.holds;
  return count === 2 ? { ...person.holds, ...off } : null;
}
