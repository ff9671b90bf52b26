/** What two or three bodies carry from beat to beat. Lengths in metres. */
import { millis, type Millis } from "../base/units.ts";
import { norm } from "./geometry.ts";
import {
  guardNamed,
  stanceNamed,
  USUAL_GUARD,
  USUAL_STANCE,
  type GuardData,
  type StanceData,
} from "../score/postures.ts";
import { otherSide, type Side } from "../score/person.ts";
import type { Actor } from "../score/types.ts";
import type { BODY_PARTS } from "../words/types.ts";
import { HIT_ZONES, type Body, type Ellipse, type HitZone } from "./body.ts";

/** A part of the body that a posture moves by itself. */
export type BodyPart = (typeof BODY_PARTS)[number];
/** Displacement from stance: to the own right, up, forward. */
interface Shift {
  readonly u: number;
  readonly w: number;
  readonly d: number;
}
/** Where the parts of a body are against its stance. Never changed in place: states share it. */
export type Posture = Readonly<Record<BodyPart, Shift>> & { readonly legBack: Readonly<Record<Side, number>> };
/** What each hand holds. Never changed in place: states share it. */
type Holds = Readonly<Record<Side, Hold | null>>;

/** A grip, pin or touch of one hand. */
export interface Hold {
  readonly of: Actor;
  readonly limb: "hand" | "leg" | "body";
  readonly side: Side;
  /** `own`: the other end of what they hold themselves. */
  readonly kind: "pin" | "grip" | "touch" | "own";
  /** Taken from behind: whoever holds stands at the back. */
  readonly behind?: true;
  /** Its side was named. */
  readonly sided?: true;
}

/** One body as it is at a moment. Never changed in place: a change gives another one, see `withState`. */
export interface BodyState {
  readonly actor: Actor;
  readonly body: Body;
  readonly x: number;
  readonly y: number;
  readonly lead: Side;
  readonly weaponSide: Side;
  readonly posture: Posture;
  /** Leg that carries the weight. */
  readonly weight: "lead" | "rear" | "even";
  /** The limb whose weight the last blow has used up, and how high it went; null once they moved or came back. */
  readonly spent: Readonly<{ limb: "hand" | "leg"; side: Side; high: boolean }> | null;
  /** What each own hand holds of somebody. */
  readonly holds: Holds;
  /** Why they may not strike standing before a `recover`. */
  readonly unrecovered: "down" | "over-turned" | null;
  /** Sum of the steps they took by themselves to make feeds land; taken back when the line ends. */
  readonly ownStep: Readonly<{ x: number; y: number }>;
  /** Where the written steps of the line have taken them from where they began, m; `recover` leads back. */
  readonly wandered: Readonly<{ x: number; y: number }>;
  /** Trunk yielding used up since the last return to guard, m. */
  readonly yielded: number;
  /** Forward carry of the last answer: slip, weave or parry. */
  readonly carries: boolean;
  /** How far they have come nearer by steps of this turn that stand before a blow, m. */
  readonly approach: number;
  /** The feet went back and the body still does: nothing pushes a hand forward. */
  readonly goesBack: boolean;
  /** Where the weapon is after its last stroke. */
  readonly chamber: "ready" | Side | "middle";
  readonly open: boolean;
  /** What they fell for has to be taken back before the next answer, ms. */
  readonly owes: Millis;
  /** Where they are in a contact cycle; null where hands have left it. */
  readonly cycle: Readonly<{ id: string; version: string; count: number }> | null;
  readonly stance: StanceData;
  readonly guard: GuardData;
}

/** The bodies at a moment. Never changed in place: see `withBody`. */
export type World = Readonly<Partial<Record<Actor, BodyState>>>;

declare const OPEN: unique symbol;
/** A copy that its maker alone has, and writes into before anybody else sees it; only `openState` makes one. */
export type OpenState = { -readonly [K in keyof BodyState]: BodyState[K] } & { readonly [OPEN]: true };

const STILL: Shift = { u: 0, w: 0, d: 0 };
/** The stance: nothing displaced. */
export const STANCE: Posture = {
  head: STILL,
  chest: STILL,
  belly: STILL,
  hips: STILL,
  legs: STILL,
  legBack: { left: 0, right: 0 },
};
/** Two hands that hold nothing. */
export const EMPTY_HANDS: Holds = { left: null, right: null };
/** No way at all, m. */
export const NO_STEP = { x: 0, y: 0 } as const;

/** Returns a body in its stance at a place on the floor, m. */
export function startState(actor: Actor, body: Body, x: number, y: number): BodyState {
  return {
    actor,
    body,
    x,
    y,
    lead: body.person.lead,
    weaponSide: body.person.hand,
    posture: STANCE,
    weight: "even",
    spent: null,
    holds: EMPTY_HANDS,
    unrecovered: null,
    ownStep: NO_STEP,
    wandered: NO_STEP,
    yielded: 0,
    carries: false,
    approach: 0,
    goesBack: false,
    chamber: "ready",
    open: false,
    owes: millis(0),
    cycle: null,
    stance: stanceNamed(body.person.stance) ?? USUAL_STANCE,
    guard: guardNamed(body.person.guard) ?? USUAL_GUARD,
  };
}

/**
 * The posture in which the next feed finds a body: who ducked has come up again and the hips and legs
 * are back under them, while a head that slipped or leaned is still where it went.
 */
export function risen(posture: Posture): Posture {
  // From under a blow they come up over their feet; only who slipped or leaned stays where they are.
  if (posture === STANCE || posture.head.w < -DUCKED) return STANCE;
  const { head, chest, belly, hips } = posture;
  return {
    ...STANCE,
    head: { ...head, w: 0 },
    chest: { ...chest, w: 0 },
    belly: { u: belly.u, w: 0, d: 0 },
    hips: { u: hips.u, w: 0, d: 0 },
  };
}

/** A head that went down further than this has to come up again, m. */
const DUCKED = 0.1;

/** Returns a copy to write several changes into. Field by field, since it is made most often of all. */
export const openState = (state: BodyState): OpenState =>
  ({
    actor: state.actor,
    body: state.body,
    x: state.x,
    y: state.y,
    lead: state.lead,
    weaponSide: state.weaponSide,
    posture: state.posture,
    weight: state.weight,
    spent: state.spent,
    holds: state.holds,
    unrecovered: state.unrecovered,
    ownStep: state.ownStep,
    wandered: state.wandered,
    yielded: state.yielded,
    carries: state.carries,
    approach: state.approach,
    goesBack: state.goesBack,
    chamber: state.chamber,
    open: state.open,
    owes: state.owes,
    cycle: state.cycle,
    stance: state.stance,
    guard: state.guard,
  }) as OpenState;

/** Returns a state with some of its facts changed. */
export const withState = (state: BodyState, changes: Partial<BodyState>): BodyState =>
  Object.assign(openState(state), changes);

/** Returns the world with one body as it is now. */
export function withBody(world: World, state: BodyState): World {
  if (world[state.actor] === state) return world;
  return { ...world, [state.actor]: state };
}

/** Returns the world with every body changed in one way. */
export function withEach(world: World, change: (state: BodyState) => BodyState): World {
  let next = world;
  for (const state of [world.A, world.B, world.C]) if (state) next = withBody(next, change(state));
  return next;
}

/** Sets what a hand holds. */
export function setHold(state: OpenState, side: Side, hold: Hold | null): void {
  if (state.holds[side] !== hold) state.holds = { ...state.holds, [side]: hold };
}

/** Upright and in guard: what a movement or a blow has left of itself is gone. */
function upright(state: OpenState): void {
  state.posture = STANCE;
  state.weight = "even";
  state.spent = null;
  state.yielded = 0;
  state.carries = false;
  state.goesBack = false;
  state.approach = 0;
  state.open = false;
  state.owes = millis(0);
}

/** Hands that have worked are in their own guard again, or in the usual one where they began somewhere else. */
export function handsHome(state: OpenState): void {
  const own = guardNamed(state.body.person.guard);
  state.guard = own?.home ? own : USUAL_GUARD;
}

/** Back to guard: posture, balance and hands; where the feet are stays. */
export function restore(state: OpenState): void {
  upright(state);
  handsHome(state);
  state.unrecovered = null;
  state.chamber = "ready";
}

/** Returns the world after a pass: all are upright and in guard again; feet, grips and tools stay as they are. */
export const backInGuard = (world: World): World =>
  withEach(world, (state) => {
    const next = openState(state);
    upright(next);
    // Hands that only touch come away; a grip stays until it is undone.
    for (const side of ["left", "right"] as const) if (next.holds[side]?.kind === "touch") setHold(next, side, null);
    if (next.unrecovered === "down") next.unrecovered = null;
    return next;
  });

/** Returns the distance of two centres, m. */
export const distanceOf = (a: BodyState, b: BodyState): number => norm(a.x - b.x, a.y - b.y);

/** Unit vectors of `receiver`'s frame on the floor: d towards `other`, u to their right. */
export function frameOf(receiver: BodyState, other: BodyState) {
  const length = distanceOf(receiver, other) || 1;
  const dx = (other.x - receiver.x) / length;
  const dy = (other.y - receiver.y) / length;
  return { dx, dy, ux: dy, uy: -dx, length };
}

/** Moves a body on the floor along its own frame: to the right and towards `other`. */
export function moveFeet(state: OpenState, other: BodyState, right: number, forward: number): void {
  const { dx, dy, ux, uy, length } = frameOf(state, other);
  if (forward === 0 && right !== 0) {
    // Aside alone goes round the partner, at the same distance: left and right again end where they began.
    const angle = right / length;
    const turned = { x: 1 - Math.cos(angle), y: Math.sin(angle) };
    state.x += length * (dx * turned.x + ux * turned.y);
    state.y += length * (dy * turned.x + uy * turned.y);
    return;
  }
  state.x += ux * right + dx * forward;
  state.y += uy * right + dy * forward;
}

/** Place and size of a zone, written into by `zoneInto`. */
export type Zone = { -readonly [K in keyof Ellipse]: Ellipse[K] };
/** Returns a zone to be written into. */
export const newZone = (): Zone => ({ u: 0, w: 0, d: 0, hu: 0, hw: 0, hd: 0 });

/** Which part of a posture moves a zone of the trunk, by its number in `HIT_ZONES`; the neck is between two. */
const TRUNK_SHIFT: readonly ((posture: Posture) => Shift)[] = [
  ({ head }) => head,
  ({ head }) => head,
  ({ chest }) => chest,
  ({ belly }) => belly,
  ({ hips }) => hips,
];

/** Writes where zone number `index` of `HIT_ZONES` is now, from the own centre, into `out`. */
export function zoneInto(out: Zone, state: BodyState, index: number): Zone {
  const base = state.body.zones[index]!;
  const { posture } = state;
  out.hu = base.hu;
  out.hw = base.hw;
  out.hd = base.hd;
  if (index > 4) {
    // Legs alternate: odd places are the left one's. A switched stance swaps front and back leg.
    const depth = state.lead === state.body.person.lead ? base.d : -base.d;
    out.u = base.u + posture.legs.u;
    out.w = base.w;
    out.d = depth + posture.legs.d - posture.legBack[index % 2 === 1 ? "left" : "right"];
    return out;
  }
  const { head, chest } = posture;
  if (index === 1) {
    out.u = base.u + (head.u + chest.u) / 2;
    out.w = base.w + (head.w + chest.w) / 2;
    out.d = base.d + (head.d + chest.d) / 2;
    return out;
  }
  const s = TRUNK_SHIFT[index]!(posture);
  out.u = base.u + s.u;
  out.w = base.w + s.w;
  out.d = base.d + s.d;
  return out;
}

/** A zone where it is now, from the own centre. */
export const zoneNow = (state: BodyState, zone: HitZone): Ellipse =>
  zoneInto(newZone(), state, HIT_ZONES.indexOf(zone));

/** The hand or leg of `of` that somebody holds fast, with who holds it. */
export function heldBy(world: World, of: Actor, limb: "hand" | "leg", side: Side): BodyState | null {
  return holdsLimb(world.A, of, limb, side) ?? holdsLimb(world.B, of, limb, side) ?? holdsLimb(world.C, of, limb, side);
}

/** Whoever holds somebody from behind. */
export function behind(world: World, of: Actor): BodyState | null {
  const holds = (state: BodyState) =>
    [state.holds.left, state.holds.right].some((hold) => hold?.of === of && hold.behind === true);
  return Object.values(world).find((state) => state.holds !== EMPTY_HANDS && holds(state)) ?? null;
}

function holdsLimb(state: BodyState | undefined, of: Actor, limb: "hand" | "leg", side: Side): BodyState | null {
  if (!state || state.holds === EMPTY_HANDS) return null;
  for (const hold of [state.holds.left, state.holds.right])
    if (
      hold &&
      hold.of === of &&
      hold.limb === limb &&
      hold.side === side &&
      hold.kind !== "touch" &&
      hold.kind !== "own"
    )
      return state;
  return null;
}

/** Returns the side of the lead or rear limb of a body. */
export const sideOf = (state: BodyState, word: "lead" | "rear"): Side =>
  word === "lead" ? state.lead : otherSide(state.lead);

/** The leg of a side by its place in the stance. */
export const legWord = (state: BodyState, side: Side): "lead" | "rear" => (side === state.lead ? "lead" : "rear");
