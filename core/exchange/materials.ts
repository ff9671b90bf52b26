/** What may meet what: a bare limb never an edge, never the fast half of a stick. */
import type { Blow } from "./types.ts";
import type { Mechanism } from "../words/types.ts";

type Interpose = Extract<Mechanism, { by: "interpose" }>;

interface MaterialFault {
  readonly severity: "error" | "risk";
  readonly detail: Readonly<Record<string, string>>;
}

const TRUNK: ReadonlySet<string> = new Set(["chest", "belly", "hips"]);

/**
 * The fault of a contact between a covering limb and what attacks, or null. `depth`: how far in
 * front of where they stood the receiver's limb is; a step in brings it onto the attacker's forearm.
 */
export function materialFault(
  { limb, double }: Pick<Interpose, "limb" | "double">,
  blow: Blow,
  depth: number,
): MaterialFault | null {
  const fault = (what: string, severity: "error" | "risk" = "error"): MaterialFault => ({
    severity,
    detail: { limb, what },
  });
  const bare = limb !== "stick" && limb !== "two-hand stick" && limb !== "blade";
  if (!blow.weapon) {
    if (limb === "blade") return null;
    // A palm or a single forearm stops no heel that comes straight; a knee runs into the elbow.
    if (blow.limb === "leg" && blow.tool === "foot" && !blow.from && (limb === "forearm" || limb === "hand") && !double)
      return fault("heel");
    const kick = blow.limb === "leg" && blow.tool !== "knee";
    // Both arms hold a kick to the trunk, and take all of it.
    if (kick && limb === "forearm" && double && TRUNK.has(blow.zone)) return fault("arms", "risk");
    if (kick && (limb === "forearm" || limb === "hand") && !double && blow.from) return fault("shin", "risk");
    return null;
  }
  if (!bare) return limb === "blade" ? fault(blow.weapon.kind === "stick" ? "stick" : "blade") : null;
  const fromTip = depth - blow.tip;
  // Behind the weapon is the hand and the forearm that swing it.
  if (fromTip > blow.weapon.length) return null;
  if (blow.tool === "blade") return fault("edge");
  if (blow.from && fromTip < blow.weapon.length / 2) return fault("fast end");
  if (!blow.from && limb === "hand") return fault("point");
  return null;
}
