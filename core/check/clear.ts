/** Displacement: is every zone of the moved body out of the way of the attack? */
import type { Blow } from "./types.ts";
import { ZONE_ORDER } from "./blow.ts";
import { pointEllipseDistance, segmentEllipseDistance } from "../body/geometry.ts";
import { zoneNow, type BodyState } from "../body/state.ts";
import type { HitZone } from "../body/body.ts";

export interface Clearance {
  /** Least clearance over all zones, m; negative where the attack meets one. */
  readonly margin: number;
  readonly zone: HitZone;
  /** How the nearest zone is clear: beside the attack, or out of its reach. */
  readonly by: "beside" | "short";
}

/**
 * Tests all zones of the moved receiver against the attack. `right` and `forward` are what his feet
 * did: the corridor stays where it was launched.
 */
export function clearance(blow: Blow, moved: BodyState, right: number, forward: number): Clearance {
  let margin = Infinity;
  let zone: HitZone = blow.zone;
  let by: "beside" | "short" = "beside";
  for (const name of ZONE_ORDER) {
    // A shot seizes what it aims at; whatever else is near does not count as hit.
    if (blow.path === "shoot" && name !== blow.zone) continue;
    const z = zoneNow(moved, moved.posture, name);
    const short = blow.tip - (z.d + forward + z.hd);
    const beside = besideBy(blow, z.u + right, z.w, z.hu, z.hw);
    const best = Math.max(short, beside);
    if (best < margin) {
      margin = best;
      zone = name;
      by = short > beside ? "short" : "beside";
    }
  }
  return { margin, zone, by };
}

/** Distance in the frontal plane between the corridor's edge and an ellipse. */
function besideBy(blow: Blow, u: number, w: number, hu: number, hw: number): number {
  const { aim, from, runUp, follow, radius } = blow;
  if (!from) {
    const wide = blow.path === "shoot" ? 0.12 : radius;
    return pointEllipseDistance(aim.u - u, aim.w - w, hu, hw) - wide;
  }
  return (
    segmentEllipseDistance(
      aim.u + from.u * runUp,
      aim.w + from.w * runUp,
      aim.u - from.u * follow,
      aim.w - from.w * follow,
      u,
      w,
      hu,
      hw,
    ) - radius
  );
}
