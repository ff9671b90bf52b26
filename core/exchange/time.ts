/** The tempo up to which an answer can be in time. */
import { millis, share, type Millis, type Share } from "../base/units.ts";
import type { Feed, Blow, Layer } from "./types.ts";
import { MODEL } from "./constants.ts";
import type { MoveUse } from "../read/types.ts";
import type { Kind } from "../score/header.ts";

type Sense = keyof typeof MODEL.reaction;

/** What the answerer knows before the feed comes. */
interface Knowledge {
  readonly sense: Sense;
  /** How many different feeds may come; 1: they know which. */
  readonly choices: number;
  /** The rhythm is known: nothing to react to. */
  readonly rhythm: boolean;
}

/**
 * Reaction time in ms. Known feed: simple reaction of the sense. Choice of n: a + b log2(n + 1),
 * b = 125 ms a bit, a = simple - b (Hick 1952; Hyman 1953).
 */
export function reactionTime({ sense, choices, rhythm }: Knowledge): Millis {
  if (rhythm) return millis(0);
  const simple = MODEL.reaction[sense];
  if (choices <= 1) return millis(simple);
  return millis(simple - MODEL.perBit + MODEL.perBit * Math.log2(choices + 1));
}

/** First sign to contact, own step included, ms at full speed. */
export function contactTime(feed: Feed, blow: Blow | null, scale: number): Millis {
  const contact = (feed.use.move.attack?.contact ?? feed.use.move.energy?.contact ?? 300) * (blow?.slower ?? 1);
  const step = blow ? ((blow.step + blow.walked) / (MODEL.solvedStep * scale)) * MODEL.stepTime : 0;
  return millis(contact + step);
}

/** Until the target is clear or the cover stands, ms. */
export const movementTime = (layers: readonly Layer[]): Millis => movementOf(layers.map((layer) => layer.use));

/** How long movements that are done at once take, ms. */
export function movementOf(uses: readonly MoveUse[]): Millis {
  let longest = 0;
  for (const { move } of uses) longest = Math.max(longest, move.move ?? MODEL.moveTime);
  return millis(longest);
}

/**
 * Returns the tempo up to which an answer is in time, as a share of full speed, capped; never 0. Both work at tempo t
 * while the reaction stays: t = (contact - movement) / reaction. A known answer begins while the own blow is on
 * its way home. At `slow` and below nobody is held to the tempo of the drill: they move as fast as they can,
 * so that t = contact / (reaction + movement).
 */
export function ceilingOf(contact: Millis, movement: Millis, reaction: Millis): Share {
  const isKnown = reaction === 0;
  const left = contact - movement + (isKnown ? MODEL.beginsEarly : 0);
  if (isKnown && left >= 0) return share(MODEL.ceilingCap);
  const slowly = Math.min(MODEL.slow, contact / (reaction + movement));
  return share(Math.min(MODEL.ceilingCap, Math.max(slowly, isKnown ? 0 : left / reaction)));
}

/** By which sense a feed is noticed: in contact drills by touch, whatever the eyes do. */
export const senseOf = (kind: Kind, otherwise: Sense): Sense => (kind === "sensitivity" ? "touch" : otherwise);

/** Returns how much a person knows of what comes: by kind of drill, choices and sense. */
export const knowledge = (kind: Kind, choices: number, sense: Sense): Knowledge => ({
  sense,
  choices,
  rhythm: kind === "flow" && choices <= 1,
});

/** A share in whole percent. */
export const percent = (part: number): number => Math.round(part * 100);
