/** Takedown entries: level change with a post, a frame they run into, a sprawl. */
import { metres } from "../base/units.ts";
import type { Blow, Layer } from "./types.ts";
import type { MoveUse } from "../read/types.ts";
import type { Mechanism } from "../words/types.ts";
import type { BodyState } from "../body/state.ts";

type Denial = Extract<Mechanism, { by: "deny" }>;

/** Tests a denial. Each of the three lines has its moment; once the grip is locked all are late. */
export function deny(
  { line, oneLeg }: Denial,
  blow: Blow,
  use: MoveUse,
  uses: readonly MoveUse[],
  attacker: BodyState,
): Layer {
  const made = (margin: number, fails: Layer["fails"], detail: Layer["detail"] = {}): Layer => ({
    use,
    by: "deny",
    margin: metres(margin),
    fails,
    detail,
    bareLimb: use.move.limb !== "body",
  });
  if (blow.path !== "shoot") return made(-0.1, "open", { why: "not-a-shot" });
  if (oneLeg && !blow.oneLeg) return made(-0.05, "open", { why: "both-legs" });
  const locked = [attacker.holds.left, attacker.holds.right].some(
    (hold) => hold?.kind === "grip" && hold.limb !== "hand",
  );
  if (locked && line === 3) return made(-0.05, "locked");
  const lowered = uses.some((other) => other.move.lowers && other !== use);
  if (use.move.requires === "lowered" && !lowered) return made(-0.05, "companion", { needs: "a level change" });
  return made(line === 3 ? 0.12 : line === 2 ? 0.08 : 0.1, null, { line: String(line) });
}
