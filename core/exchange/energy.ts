/** Contact energies: does the answer yield, redirect, follow or go through, or does it resist? */
import { metres } from "../base/units.ts";
import type { Feed, Layer } from "./types.ts";
import { MODEL } from "./constants.ts";
import { displacements, turnSide, type BodyMove } from "./move-body.ts";
import { refSide } from "./blow.ts";
import type { BodyState } from "../body/state.ts";
import { PARTS } from "../body/parts.ts";
import { partNamed } from "../words/part-names.ts";
import type { MoveUse, PartRef } from "../read/types.ts";
import type { Mechanism } from "../words/types.ts";

type Vector = readonly [number, number, number];

/** Where the energy works: how far to the receiver's right of their spine, and which way. */
interface Pressure {
  readonly u: number;
  readonly direction: Vector | "gone";
  readonly part: string;
  readonly onArm: boolean;
}

/** Returns where a push or pull works on a body, and which way. */
export function pressureOf(feed: Feed, receiver: BodyState): Pressure {
  const { use } = feed;
  const energy = use.move.energy!;
  const ref: PartRef = use.on ?? use.target ?? { part: partNamed(energy.on) ?? "centre", side: null };
  const part = PARTS[ref.part];
  const side = refSide(ref, receiver, receiver.lead);
  const u =
    part.sided && (ref.side || part.zone === "arm") ? part.u * receiver.body.height * (side === "left" ? -1 : 1) : 0;
  return { u, direction: energy.direction, part: ref.part, onArm: part.zone === "arm" };
}

/** Angle between two vectors, degrees. */
export function angleBetween(a: Vector, b: Vector): number {
  const dot = a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
  const size = Math.hypot(...a) * Math.hypot(...b);
  return size === 0 ? 90 : (Math.acos(Math.max(-1, Math.min(1, dot / size))) * 180) / Math.PI;
}

/** How a use makes the contact point go; null where it does nothing to it. */
function motion(use: MoveUse, pressure: Pressure, move: BodyMove): Vector | "through" | null {
  const energies = (use.move.answer ?? []).filter((m): m is Extract<Mechanism, { by: "energy" }> => m.by === "energy");
  const energy = energies[0];
  const along = pressure.direction === "gone" ? null : pressure.direction;
  if (energy && !(displacements(use).some((d) => d.feet) && Array.isArray(energy.goes) && move.forward === 0)) {
    const { goes } = energy;
    if (goes === "through") return "through";
    if (displacements(use).some((d) => d.feet)) return [0, 0, Math.sign(move.forward)];
    if (goes === "with") return along ?? "through";
    if (goes === "against") return along ? [-along[0], -along[1], -along[2]] : [0, 0, 1];
    if (goes === "turn") {
      const way = turnSide(use, pressure.u) === "right" ? 1 : -1;
      // The side they turn to goes back. On the spine itself a turn only carries the push aside.
      if (Math.abs(pressure.u) < 0.03) return [way, 0, 0];
      return [0, 0, -way * Math.sign(pressure.u)];
    }
    return [goes[0] * (pressure.u < 0 ? -1 : 1), goes[1], goes[2]];
  }
  const deflects = (use.move.answer ?? []).some((m) => m.by === "deflect");
  // A hand turns the arm that presses aside; a push on the trunk is not in its way.
  if (deflects) return pressure.onArm ? [1, 0, 0] : null;
  // Moving the head does nothing about a push: the feet or the trunk must give.
  if (displacements(use).some((d) => d.feet)) {
    const chest = move.state.posture.chest;
    const vector: Vector = [chest.u + move.right, chest.w, chest.d + move.forward];
    return Math.hypot(...vector) < 0.08 ? null : vector;
  }
  return null;
}

/** It lets what comes run through the body; a straight spine does so with what comes from above. */
const receives = ({ move }: MoveUse, [, up]: Vector): boolean =>
  move.answer?.some((m) => m.by === "energy" && (m.receives === true || (m.receives === "down" && up < FROM_ABOVE))) ===
  true;
/** Upward part of the direction of a pull that goes down more than anywhere else. */
const FROM_ABOVE = -0.5;

/** Tests one part of an answer against a push, press, pull or release. */
export function answerEnergy(use: MoveUse, feed: Feed, receiver: BodyState, move: BodyMove): Layer | null {
  const pressure = pressureOf(feed, receiver);
  // Nothing is there any more: a blow goes where it was.
  const throughGap = pressure.direction === "gone" && use.move.attack && !use.feint;
  const goes = throughGap ? "through" : motion(use, pressure, move);
  const bare = use.move.limb.includes("hand");
  const made = (margin: number, fails: Layer["fails"], detail: Layer["detail"]): Layer => ({
    use,
    by: "energy",
    margin: metres(margin),
    fails,
    detail,
    bareLimb: bare,
  });
  if (goes === null) return null;
  if (pressure.direction === "gone") {
    // Nothing holds the hand any more: through the gap, or with what leaves; backing off loses the moment.
    const back = goes !== "through" && goes[2] < -0.5;
    return back
      ? made(-0.05, "open", { why: "gone" })
      : made(0.1, null, { kind: goes === "through" ? "through" : "follows" });
  }
  if (goes === "through") return made(0.05, null, { kind: "through" });
  const angle = Math.round(angleBetween(goes, pressure.direction));
  if (receives(use, pressure.direction)) return made(0.08, null, { kind: "receives", angle: String(angle) });
  if (angle > MODEL.resistAngle) return made(-0.1, "resisting", { angle: String(angle), part: pressure.part });
  if (angle < MODEL.yieldAngle) {
    const left = MODEL.yieldCapacity * receiver.body.scale - receiver.yielded;
    const steps = displacements(use).some((d) => d.feet);
    const room = steps || pressure.onArm ? MODEL.marginCap : left - MODEL.yieldUse;
    return made(Math.min(MODEL.marginCap, room), room < 0 ? "open" : null, {
      kind: "yields",
      angle: String(angle),
      why: room < 0 ? "used-up" : "",
    });
  }
  return made(0.08, null, { kind: "redirects", angle: String(angle) });
}
