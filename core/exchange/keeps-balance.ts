/** Does whoever answers stay on their feet? The extrapolated centre of mass has to stay over them. */
import { balanceMargin, centreOf, massOf, type Drift } from "../body/balance.ts";
import type { BodyState } from "../body/state.ts";
import type { MoveUse } from "../read/types.ts";
import { MODEL } from "./constants.ts";
import type { Answered } from "./layers.ts";
import { usesFeet } from "./move-body.ts";
import { movementOf } from "./time.ts";
import type { Feed } from "./types.ts";

interface Moving {
  readonly feed: Feed;
  readonly answered: Answered;
  /** Before they moved. */
  readonly from: BodyState;
}

/** How far the body is beyond the feet after an answer, cm; null where it is not. */
export function balanceOf({ feed, answered: { move, best }, from }: Moving): number | null {
  // Whoever stands still and is not pushed stands as they stood.
  if (move.moved.length === 0 && !feed.use.move.energy) return null;
  const lean = leaning(move.moved, from, move.state);
  const push =
    best?.fails === null && !move.moved.some(usesFeet) ? pushed(feed, String(best.detail.kind), from) : STILL;
  return beyond(move.state, { u: lean.u + push.u, d: lean.d + push.d });
}

/** The same for somebody who moves alone. */
export const balanceAlone = (uses: readonly MoveUse[], from: BodyState, to: BodyState): number | null =>
  beyond(to, leaning(uses, from, to));

const STILL: Drift = { u: 0, d: 0 };

function beyond({ posture, stance, body }: BodyState, drift: Drift): number | null {
  const margin = balanceMargin(posture, stance, body.height, drift);
  return margin < 0 ? Math.max(1, Math.round(-margin * 100)) : null;
}

/** Speed that is left at the end of a lean, m/s. Steps, and going down on bent knees, end over the feet. */
function leaning(uses: readonly MoveUse[], from: BodyState, to: BodyState): Drift {
  if (uses.length === 0 || uses.some(usesFeet) || to.posture.head.w < -MODEL.bent) return STILL;
  const before = centreOf(from.posture);
  const after = centreOf(to.posture);
  const share = MODEL.leanLeft / (movementOf(uses) / 1000);
  return { u: (after.u - before.u) * share, d: (after.d - before.d) * share };
}

const isTaken = (kind: string): kind is keyof typeof MODEL.takenOn => Object.hasOwn(MODEL.takenOn, kind);

/** Speed that a push or pull leaves in the body, m/s, by how it was answered. */
function pushed({ use }: Feed, kind: string, { body }: BodyState): Drift {
  const { energy } = use.move;
  if (!energy || energy.direction === "gone") return STILL;
  const force = use.commitment === "committed" ? "hard" : use.commitment === "probing" ? "light" : "firm";
  const taken = isTaken(kind) ? MODEL.takenOn[kind] : 0;
  const speed = (MODEL.impulse[force] * taken) / massOf(body);
  return { u: energy.direction[0] * speed, d: energy.direction[2] * speed };
}
