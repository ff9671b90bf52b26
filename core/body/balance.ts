/**
 * Balance by the extrapolated centre of mass: x + v / sqrt(g / l) has to stay over the feet. Hof, Gazendam and
 * Sinke, "The condition for dynamic stability", Journal of Biomechanics 38 (2005); l is 1.24 (fore and aft) or
 * 1.34 (sideways) times the height of the hip joint, from memory of that paper. Shares of mass: Dempster (1955) as
 * tabled in Winter, Biomechanics and Motor Control of Human Movement. Lengths in m, masses in kg, impulses in N s.
 */
import { REFERENCE_HEIGHT, SEGMENTS } from "./anthropometry.ts";
import type { BodyState, Posture } from "./state.ts";
import type { StanceData } from "../score/postures.ts";

/** Acceleration of gravity, m/s2. */
const GRAVITY = 9.81;
/** Length of the pendulum against the height of the hips. */
const PENDULUM = { fore: 1.24, side: 1.34 } as const;

/** Shares of the mass of a body: head and neck; thorax with both arms; abdomen; pelvis; thighs, shanks, feet of both legs. */
export const MASS = {
  head: 0.081,
  chest: 0.316,
  belly: 0.139,
  hips: 0.142,
  thighs: 0.2,
  shanks: 0.093,
  feet: 0.029,
} as const;

/** How far along the leg from the hip the centre of mass of thigh and shank lies, share of the leg (Winter: .433 of each). */
const ALONG = { thighs: (0.433 * 0.245) / 0.491, shanks: (0.245 + 0.433 * 0.246) / 0.491 } as const;

/** Mass of the legs that goes with the hips while the feet stay. */
const LEGS = MASS.thighs * (1 - ALONG.thighs) + MASS.shanks * (1 - ALONG.shanks);

/** Length of a foot and its breadth, shares of stature (Drillis and Contini, as tabled in Winter); share of it behind the ankle, from memory. */
const FOOT = { length: 0.152, breadth: 0.055, heel: 0.25 } as const;

/** Nobody stands on the very edge of the feet: this much of the ground under them is not used, m. Judgement from memory. */
const EDGE = 0.03;

/** Where nothing is known of a body's mass: 22.5 kg for each square metre of stature squared. */
const USUAL_INDEX = 22.5;

/** Returns the mass of a body in kg: its own, or that of the usual build for its height. */
export const massOf = ({ person, height }: BodyState["body"]): number => person.mass ?? USUAL_INDEX * height * height;

/** How far the centre of mass is from over the middle of the feet: to the own right and forward, m. */
export function centreOf({ head, chest, belly, hips, legs }: Posture): { readonly u: number; readonly d: number } {
  const { head: h, chest: c, belly: b } = MASS;
  return {
    u: h * head.u + c * chest.u + b * belly.u + TAIL * hips.u - ALL * legs.u,
    d: h * head.d + c * chest.d + b * belly.d + TAIL * hips.d - ALL * legs.d,
  };
}

/** Hips with the part of the legs that goes along with them, and all that feet carry which go along. */
const TAIL = MASS.hips + LEGS;
const ALL = MASS.head + MASS.chest + MASS.belly + TAIL;

/** sqrt(g / l) for a stature, 1/s. */
export const frequency = (height: number, way: keyof typeof PENDULUM): number =>
  Math.sqrt(GRAVITY / (PENDULUM[way] * SEGMENTS.hipHeight * height));

/** How far the ground under the feet reaches from their middle: to a side, forward, back, m. */
export function baseOf({ length, width }: StanceData, height: number) {
  const size = height / REFERENCE_HEIGHT;
  const foot = FOOT.length * height;
  return {
    side: (width / 2) * size + (FOOT.breadth * height) / 2 - EDGE,
    front: (length / 2) * size + foot * (1 - FOOT.heel) - EDGE,
    back: (length / 2) * size + foot * FOOT.heel - EDGE,
  };
}

/** Velocity of the centre of mass, m/s, to the own right and forward. */
export interface Drift {
  readonly u: number;
  readonly d: number;
}

/** By how much the extrapolated centre of mass is inside the feet, m; negative: a step or a fall follows. */
export function balanceMargin(posture: Posture, stance: StanceData, height: number, drift: Drift): number {
  const { u, d } = centreOf(posture);
  const base = baseOf(stance, height);
  const sideways = u + drift.u / frequency(height, "side");
  const along = d + drift.d / frequency(height, "fore");
  return Math.min(base.side - Math.abs(sideways), base.front - along, base.back + along);
}
