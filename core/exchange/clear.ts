/** Displacement: is every zone of the moved body out of the way of the attack? */
import type { Blow } from "./types.ts";
import { norm, pointEllipseDistance, pointSegmentDistance, segmentEllipseDistance } from "../body/geometry.ts";
import { newZone, zoneInto, type BodyState } from "../body/state.ts";
import { HIT_ZONES, type Ellipse, type HitZone } from "../body/body.ts";

/** How far a moved body is clear of a blow, m, and where least. */
export interface Clearance {
  /** Least clearance over all zones, m; negative where the attack meets one. */
  readonly margin: number;
  readonly zone: HitZone;
  /** How the nearest zone is clear: beside the attack, or out of its reach. */
  readonly by: "beside" | "short";
}

/**
 * Tests all zones of the moved receiver against the attack. `right` and `forward` are what their feet
 * did: the corridor stays where it was launched.
 */
export function clearance(blow: Blow, moved: BodyState, right: number, forward: number): Clearance {
  let margin = Infinity;
  let zone: HitZone = blow.zone;
  let by: "beside" | "short" = "beside";
  for (let index = 0; index < HIT_ZONES.length; index++) {
    // A shot seizes what it aims at; whatever else is near does not count as hit.
    if (blow.path === "shoot" && HIT_ZONES[index] !== blow.zone) continue;
    const z = zoneInto(scratch, moved, index);
    const pulled = takesBoth(blow) && index > 4 ? moved.posture.legBack[index % 2 === 1 ? "left" : "right"] : 0;
    const short = blow.tip - (z.d + pulled + forward + z.hd);
    if (short >= margin) continue;
    const beside = besideBy(blow, z, right, margin);
    const best = Math.max(short, beside);
    if (best < margin) {
      margin = best;
      zone = HIT_ZONES[index]!;
      by = short > beside ? "short" : "beside";
    }
  }
  return { margin, zone, by };
}

/** How far back a body must go until a blow stays so far short of it, m; what is beside the blow already need not. */
export function backToClear(blow: Blow, moved: BodyState, right: number, wanted: number): number {
  let back = 0;
  for (let index = 0; index < HIT_ZONES.length; index++) {
    if (blow.path === "shoot" && HIT_ZONES[index] !== blow.zone) continue;
    const z = zoneInto(scratch, moved, index);
    const needed = wanted - (blow.tip - (z.d + z.hd));
    if (needed > back && besideBy(blow, z, right, wanted) < wanted) back = needed;
  }
  return back;
}

/** Who shoots in at the thighs has the other leg where one is only pulled back; an ankle can be pulled away. */
const takesBoth = ({ path, zone, hooks }: Blow): boolean => path === "shoot" && !hooks && !zone.startsWith("shin");

/** Clearance of one zone of a moved body from the attack, m; negative where it is met. */
export function zoneClearance(blow: Blow, z: Ellipse, right: number, forward: number): number {
  const short = blow.tip - (z.d + forward + z.hd);
  return Math.max(short, besideBy(blow, z, right, Infinity));
}

/** One zone at a time is looked at: no need for a new object each. */
const scratch = newZone();

/**
 * Distance in the frontal plane between the corridor's edge and an ellipse. Where a circle round the
 * ellipse is already further off than `enough`, that lower bound is all that is needed. The ellipse
 * stands `right` of where it is written, m.
 */
function besideBy(blow: Blow, z: Ellipse, right: number, enough: number): number {
  const { w, hu, hw } = z;
  const u = z.u + right;
  const { aim, from, runUp, follow, radius } = blow;
  const around = hu > hw ? hu : hw;
  if (!from) {
    const wide = blow.path === "shoot" ? SHOT_WIDTH : radius;
    const bound = norm(aim.u - u, aim.w - w) - around - wide;
    return bound >= enough ? bound : pointEllipseDistance(aim.u - u, aim.w - w, hu, hw) - wide;
  }
  const ax = aim.u + from.u * runUp;
  const ay = aim.w + from.w * runUp;
  const bx = aim.u - from.u * follow;
  const by = aim.w - from.w * follow;
  const bound = pointSegmentDistance(u, w, ax, ay, bx, by) - around - radius;
  return bound >= enough ? bound : segmentEllipseDistance(ax, ay, bx, by, u, w, hu, hw) - radius;
}

/** Half the width of somebody who shoots in, m. Common practice, no source. */
const SHOT_WIDTH = 0.12;
