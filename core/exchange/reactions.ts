/**
 * How a blow that lands moves the one who is hit: the next blow of a chain meets a body that has moved.
 * Shares of displacement in m for 1.75 m; common practice, no source.
 */
import { moveFeet, openState, withState, type BodyState, type Posture } from "../body/state.ts";
import type { MoveUse } from "../read/types.ts";
import type { Effect } from "../words/types.ts";
import { MODEL } from "./constants.ts";
import type { Blow } from "./types.ts";

type Shifts = Readonly<Partial<Record<"head" | "chest" | "belly" | "hips", Partial<Record<"u" | "w" | "d", number>>>>>;

const SHIFTS: Readonly<Record<Effect, Shifts>> = {
  "head back": { head: { d: -0.1 }, chest: { d: -0.04 }, hips: { d: 0.05 } },
  "head forward": { head: { d: 0.14, w: -0.12 }, chest: { d: 0.08, w: -0.06 }, hips: { d: -0.06 } },
  "quarter turn": { head: { d: -0.03 }, chest: { d: -0.02 } },
  // It is the feet that go.
  "sent away": {},
  "knee gives": { head: { d: 0.04, w: -0.08 }, chest: { w: -0.08 }, belly: { w: -0.08 }, hips: { w: -0.08 } },
};

/** How the one who is hit shows it, in the words of a card. */
export const REACTION_WORDS: Readonly<Record<Effect, string>> = {
  "head back": "the head goes back",
  "head forward": "the body folds",
  "quarter turn": "a quarter turn",
  "knee gives": "the knee gives",
  "sent away": "sent back a step",
};

/** What a blow does to who is hit where it lands; null for one that moves nobody. */
export function reactionTo(use: MoveUse, zone: Blow["zone"] | null): Effect | null {
  const { attack, energy } = use.move;
  // A push that lands drives like a straight kick.
  if (energy) return energy.direction !== "gone" && energy.direction[2] < 0 ? "sent away" : null;
  if (!attack || use.feint || attack.path === "shoot" || zone === null) return null;
  if (attack.effect === "sent away" && !/^(?:thigh|knee|shin)/.test(zone)) return attack.effect;
  // Low in the trunk folds it, whatever hits there; a leg gives only under what goes for it.
  if (zone === "belly" || zone === "hips") return "head forward";
  if (/^(?:thigh|knee|shin)/.test(zone)) return attack.effect === "knee gives" ? attack.effect : null;
  return attack.effect ?? (zone === "head" ? "head back" : null);
}

/** Returns a body after a reaction to somebody's blow. */
export function afterReaction(state: BodyState, effect: Effect, striker: BodyState): BodyState {
  if (effect !== "sent away") return withState(state, { posture: shifted(state, effect) });
  const next = openState(state);
  moveFeet(next, striker, 0, -MODEL.sentAway * state.body.scale);
  return next;
}

function shifted({ posture, body }: BodyState, effect: Effect): Posture {
  const next: Record<string, unknown> = { ...posture };
  for (const [part, shift] of Object.entries(SHIFTS[effect]) as [keyof Shifts, Record<string, number>][]) {
    const { u, w, d } = posture[part];
    const by = (axis: string) => (shift[axis] ?? 0) * body.scale;
    next[part] = { u: u + by("u"), w: w + by("w"), d: d + by("d") };
  }
  return next as Posture;
}
