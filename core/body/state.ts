/** What two or three bodies carry from beat to beat. Lengths in metres. */
import { otherSide, type Side } from "../score/person.ts";
import type { Actor } from "../score/types.ts";
import type { BODY_PARTS } from "../words/types.ts";
import { zonesOf, type Body, type Ellipse, type HitZone } from "./body.ts";

export type BodyPart = (typeof BODY_PARTS)[number];
/** Displacement from stance: to the own right, up, forward. */
export interface Shift {
  u: number;
  w: number;
  d: number;
}
export type Posture = Record<BodyPart, Shift> & { legBack: Record<Side, number> };

export interface Hold {
  readonly of: Actor;
  readonly limb: "hand" | "leg" | "body";
  readonly side: Side;
  readonly kind: "pin" | "grip" | "touch";
}

export interface BodyState {
  readonly actor: Actor;
  readonly body: Body;
  x: number;
  y: number;
  lead: Side;
  weaponSide: Side;
  posture: Posture;
  /** Leg that carries the weight. */
  weight: "lead" | "rear" | "even";
  /** What each own hand holds of somebody. */
  holds: Record<Side, Hold | null>;
  /** Why he may not strike standing before a `recover`. */
  unrecovered: "down" | "over-turned" | null;
  /** Sum of the steps he took by himself to make feeds land; taken back when the line ends. */
  ownStep: { x: number; y: number };
  /** Trunk yielding used up since the last return to guard, m. */
  yielded: number;
  /** Forward carry of the last answer: slip, weave or parry. */
  carries: boolean;
  /** Where the weapon is after its last stroke. */
  chamber: "ready" | Side | "middle";
  open: boolean;
}

export type World = Partial<Record<Actor, BodyState>>;

const still = (): Shift => ({ u: 0, w: 0, d: 0 });

export function stance(): Posture {
  return {
    head: still(),
    chest: still(),
    belly: still(),
    hips: still(),
    legs: still(),
    legBack: { left: 0, right: 0 },
  };
}

export function startState(actor: Actor, body: Body, x: number, y: number): BodyState {
  return {
    actor,
    body,
    x,
    y,
    lead: body.person.lead,
    weaponSide: body.person.hand,
    posture: stance(),
    weight: "even",
    holds: { left: null, right: null },
    unrecovered: null,
    ownStep: { x: 0, y: 0 },
    yielded: 0,
    carries: false,
    chamber: "ready",
    open: false,
  };
}

export function cloneState(state: BodyState): BodyState {
  const p = state.posture;
  return {
    ...state,
    posture: {
      head: { ...p.head },
      chest: { ...p.chest },
      belly: { ...p.belly },
      hips: { ...p.hips },
      legs: { ...p.legs },
      legBack: { ...p.legBack },
    },
    holds: { ...state.holds },
    ownStep: { ...state.ownStep },
  };
}

export function cloneWorld(world: World): World {
  const copy: World = {};
  for (const actor of ["A", "B", "C"] as const) {
    const state = world[actor];
    if (state) copy[actor] = cloneState(state);
  }
  return copy;
}

/** Back to guard: posture, balance and hands; where the feet are stays. */
export function restore(state: BodyState): void {
  state.posture = stance();
  state.unrecovered = null;
  state.weight = "even";
  state.yielded = 0;
  state.carries = false;
  state.open = false;
  state.chamber = "ready";
}

export const distanceOf = (a: BodyState, b: BodyState): number => Math.hypot(a.x - b.x, a.y - b.y);

/** Unit vectors of `receiver`'s frame on the floor: d towards `other`, u to his right. */
export function frameOf(receiver: BodyState, other: BodyState) {
  const length = distanceOf(receiver, other) || 1;
  const dx = (other.x - receiver.x) / length;
  const dy = (other.y - receiver.y) / length;
  return { dx, dy, ux: dy, uy: -dx, length };
}

/** Moves a body on the floor along its own frame: to the right and towards `other`. */
export function moveFeet(state: BodyState, other: BodyState, right: number, forward: number): void {
  const { dx, dy, ux, uy } = frameOf(state, other);
  state.x += ux * right + dx * forward;
  state.y += uy * right + dy * forward;
}

const PART_OF: Record<string, BodyPart> = { head: "head", chest: "chest", belly: "belly", hips: "hips" };

/** A zone where it is now, from the own centre. */
export function zoneNow(state: BodyState, posture: Posture, zone: HitZone): Ellipse {
  const base = zonesOf(state.body.person).get(zone)!;
  if (zone === "neck") {
    const { head, chest } = posture;
    return {
      ...base,
      u: base.u + (head.u + chest.u) / 2,
      w: base.w + (head.w + chest.w) / 2,
      d: base.d + (head.d + chest.d) / 2,
    };
  }
  const part = PART_OF[zone];
  if (part) {
    const s = posture[part];
    return { ...base, u: base.u + s.u, w: base.w + s.w, d: base.d + s.d };
  }
  const side: Side = zone.endsWith("left") ? "left" : "right";
  // The zones were laid out for the person's own lead; a switched stance swaps front and back leg.
  const depth = state.lead === state.body.person.lead ? base.d : -base.d;
  return { ...base, u: base.u + posture.legs.u, w: base.w, d: depth + posture.legs.d - posture.legBack[side] };
}

/** The hand or leg of `of` that somebody holds fast, with who holds it. */
export function heldBy(world: World, of: Actor, limb: "hand" | "leg", side: Side): BodyState | null {
  for (const state of Object.values(world)) {
    for (const own of ["left", "right"] as const) {
      const hold = state.holds[own];
      if (hold && hold.of === of && hold.limb === limb && hold.side === side && hold.kind !== "touch") return state;
    }
  }
  return null;
}

export const sideOf = (state: BodyState, word: "lead" | "rear"): Side =>
  word === "lead" ? state.lead : otherSide(state.lead);
