/** What the body movements of one beat add up to. */
import type { Blow } from "./types.ts";
import { backToClear } from "./clear.ts";
import { MODEL } from "./constants.ts";
import {
  distanceOf,
  frameOf,
  legWord,
  moveFeet,
  openState,
  STANCE,
  type BodyPart,
  type BodyState,
  type Posture,
} from "../body/state.ts";
import type { Side } from "../score/person.ts";
import type { MoveUse, Way } from "../read/types.ts";
import { BODY_PARTS, type Mechanism, type Moved } from "../words/types.ts";

type Displace = Extract<Mechanism, { by: "displace" }>;

/** Returns the mechanisms of a move that move the body. */
export const displacements = (use: MoveUse): Displace[] =>
  (use.move.answer ?? []).filter((m): m is Displace => m.by === "displace");

/** True where the move takes the feet somewhere; down onto somebody they go as well. */
export const usesFeet = (use: MoveUse): boolean =>
  use.move.goesDown === true ||
  displacements(use).some((m) => m.feet !== undefined || m.leg !== undefined || m.side?.legs !== undefined);

/** A body after the movements of a beat, and the way of its feet, m. */
export interface BodyMove {
  /** The state after the movement; feet, posture and weight are changed. */
  readonly state: BodyState;
  /** How far the feet went, in the frame at the start of the beat. */
  readonly right: number;
  readonly forward: number;
  readonly moved: readonly MoveUse[];
}

/** What a movement is made for. */
interface Purpose {
  /** The blow that it gets out of the way of; null where none comes. */
  readonly blow: Blow | null;
  /** Stretches all displacements: robustness. */
  readonly scale: number;
  /** The way forward that would bring a blow or a jam of the same beat into reach, m (0: nothing to reach). */
  readonly gap: number | null;
}

/** Adds up the body movements of a beat. */
export function moveBody(
  uses: readonly MoveUse[],
  state: BodyState,
  other: BodyState,
  { blow, scale, gap }: Purpose,
): BodyMove {
  const moving = uses.filter((use) => displacements(use).length > 0);
  if (moving.length === 0) return { state, right: 0, forward: 0, moved: [] };
  const next = openState(state);
  const size = state.body.scale * scale;
  let right = 0;
  let forward = 0;
  // A displacement of the trunk is taken from the stance, not from where the last one ended.
  const shifted = moving.some((use) => displacements(use).some((m) => m.side ?? m.drop ?? m.back));
  const posture = openPosture(shifted ? STANCE : state.posture);
  for (const use of moving) {
    for (const m of displacements(use)) {
      const sign = sideSign(use, m, state, blow);
      add(posture, m.side, "u", sign * size);
      add(posture, m.drop, "w", -size);
      add(posture, m.back, "d", -size);
      if (m.leg !== undefined) posture.legBack[attackedLeg(blow, state)] = m.leg * size;
      if (m.feet) {
        const back = blow && m.feet.asFar ? backOf(m.feet.asFar, blow, { ...next, posture }, right) : null;
        const step =
          back === null ? feetOf(use, m.feet, sign, gap) : { right: 0, forward: -back * scale, solved: true };
        right += step.right * size;
        forward += step.solved ? step.forward : step.forward * size;
      }
      if (m.side) next.weight = legWord(state, sign > 0 ? "right" : "left");
      if (m.back?.head !== undefined && m.back.head > 0) next.weight = "rear";
    }
  }
  next.posture = posture;
  if (forward > 0) forward = Math.min(forward, Math.max(0, distanceOf(state, other) - MODEL.nearest));
  // Feet know where they came from: a step out that gets out of nothing takes back what came in.
  if (forward < 0 && blow === null) forward = -(cameIn(state, other) ?? -forward);
  moveFeet(next, other, right, forward);
  const { x, y } = state.wandered;
  next.wandered = { x: x + next.x - state.x, y: y + next.y - state.y };
  next.goesBack = forward < 0;
  next.spent = null;
  next.carries = moving.some((use) => displacements(use).some((m) => m.side ?? m.drop)) && forward >= 0;
  return { state: next, right, forward, moved: moving };
}

/** How much nearer their written steps of the line have brought them, m; null where they have not. */
function cameIn(state: BodyState, other: BodyState): number | null {
  const { dx, dy } = frameOf(state, other);
  const nearer = state.wandered.x * dx + state.wandered.y * dy;
  return nearer > SAME_SPOT ? nearer : null;
}

/** Less than this is no way, m. */
const SAME_SPOT = 0.02;

/** A retreat goes until it is outside, m; where only it deals with what else comes, as far as it can. */
function backOf([least, most]: readonly [number, number], blow: Blow, state: BodyState, right: number): number {
  const { scale } = state.body;
  if (blow.feed.unmet > 0) return most * scale;
  const { tool } = blow;
  const outside = tool === "stick" || tool === "blade" ? MODEL.outside[tool] : MODEL.outside.limb;
  return Math.min(most * scale, Math.max(least * scale, backToClear(blow, state, right, outside)));
}

type OpenShift = { u: number; w: number; d: number };
type OpenPosture = Record<BodyPart, OpenShift> & { legBack: Record<Side, number> };

/** A copy of a posture that may be written into before it is given to a state. */
function openPosture(p: Posture): OpenPosture {
  return {
    head: { ...p.head },
    chest: { ...p.chest },
    belly: { ...p.belly },
    hips: { ...p.hips },
    legs: { ...p.legs },
    legBack: { ...p.legBack },
  };
}

function add(posture: OpenPosture, shares: Moved | undefined, axis: "u" | "w" | "d", factor: number): void {
  if (!shares) return;
  for (const part of BODY_PARTS) {
    const amount = shares[part];
    if (amount !== undefined) posture[part][axis] += amount * factor;
  }
}

function attackedLeg(blow: Blow | null, state: BodyState): Side {
  if (blow?.zone.endsWith("left")) return "left";
  if (blow?.zone.endsWith("right")) return "right";
  return state.lead;
}

/** The way a move goes to the side: +1 to the own right, -1 to the left. See the defaults of the notation. */
function sideSign(use: MoveUse, m: Displace, state: BodyState, blow: Blow | null): 1 | -1 {
  const outside = blow ? (blow.side === "left" ? 1 : -1) : state.lead === "left" ? 1 : -1;
  const wordSign = signOf(use.way, outside);
  if (wordSign !== null) return wordSign;
  // Where an arc comes from, as a sign; rising and falling ones are met like straight ones.
  const arc = blow?.from && Math.abs(blow.from.u) > 0.2 ? Math.sign(blow.from.u) : 0;
  if (m.way === "weave") return (arc || outside) as 1 | -1;
  if (m.way === "word" && m.side) return state.lead === "left" ? 1 : -1;
  return (-arc || outside) as 1 | -1;
}

function signOf(way: Way | null, outside: 1 | -1): 1 | -1 | null {
  switch (way) {
    case "left":
      return -1;
    case "right":
      return 1;
    case "out":
      return outside;
    case "in":
      return -outside as 1 | -1;
    default:
      return null;
  }
}

/** Metres to the right and forward for a body of 1.75 m; `solved`: already the true length. */
function feetOf(use: MoveUse, feet: NonNullable<Displace["feet"]>, sign: number, gap: number | null) {
  const { way } = use;
  const { side = 0, back = 0, forward = 0 } = feet;
  const plain = use.move.answer!.some((m) => m.by === "displace" && m.way === "word");
  if (!plain) return { right: sign * side, forward: forward - back, solved: false };
  const goesBack = way === "back" || way === "out" || (forward === 0 && way === null);
  if (goesBack) return { right: 0, forward: -(back || MODEL.plainStep), solved: false };
  if (way === "left" || way === "right") return { right: sign * (side || 0.35), forward: 0, solved: false };
  const most = forward || MODEL.stepIn;
  if (gap === null) return { right: 0, forward: Math.min(most, MODEL.plainStep), solved: false };
  return { right: 0, forward: Math.min(most, Math.max(0, gap)), solved: true };
}

/** The side that a push on the body makes give way, or that the word names. */
export function turnSide(use: MoveUse, u: number): Side {
  if (use.way === "left" || use.way === "right") return use.way;
  if (use.way === "in" || use.way === "out") return use.way === "out" ? "right" : "left";
  return u < 0 ? "left" : "right";
}
