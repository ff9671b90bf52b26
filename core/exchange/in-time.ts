/** How long an answer has, how long it takes, and up to which tempo that goes together. */
import { millis } from "../base/units.ts";
import type { BodyState, World } from "../body/state.ts";
import type { Actor } from "../score/types.ts";
import { PARTS } from "../body/parts.ts";
import type { Range } from "../score/header.ts";
import type { GuardData } from "../score/postures.ts";
import { limbKind } from "./blow.ts";
import { MODEL } from "./constants.ts";
import type { Setting } from "./exchange.ts";
import type { Answered } from "./layers.ts";
import { usesFeet } from "./move-body.ts";
import { ceilingOf, contactTime, knowledge, movementTime, reactionTime, senseOf } from "./time.ts";
import type { Blow, Feed, Layer } from "./types.ts";

interface Timed {
  readonly feed: Feed;
  readonly blow: Blow | null;
  readonly world: World;
  readonly setting: Setting;
}

/** Returns the tempo up to which an answer is in time, with the times that it rests on. */
export function ceilingFor({ feed, blow, world, setting: { header, choices } }: Timed, answered: Answered) {
  const receiver = answered.move.state;
  const touching = feed.use.move.energy !== undefined || inContact(world[feed.receiver]!);
  // Where the hands are on each other, or as near as that, every way is short.
  const near = touching || isNear(header.range);
  // A touch that rests before the push has told already where it comes.
  const told = feed.use.move.energy !== undefined && touchesFirst(world[feed.actor]!);
  const sense = senseOf(header.kind, touching ? "touch" : "sight");
  const seen = knowledge(header.kind, (told ? 1 : choices) + feed.feints, sense);
  // Once a combination has begun its rest comes in a known rhythm, and so does what is sent back in a set order.
  const known = feed.first || (feed.isReturn && seen.choices > 1) ? seen : { ...seen, rhythm: true };
  const contact = contactTime(feed, blow, receiver.body.scale);
  const height = heightOf(blow, receiver);
  const working = answered.layers.filter((layer) => layer.fails === null);
  const slowest = Math.min(...working.map((layer) => movementTime([layer]) * fromStance(layer, receiver, height)));
  // Who goes with a push is carried by it.
  const share = feed.use.move.energy ? MODEL.feltTime : near ? MODEL.nearTime : 1;
  const movement = millis(slowest * share + receiver.owes);
  const reaction = reactionTime(known);
  return {
    value: ceilingOf(contact, movement, reaction),
    times: { contact, movement, reaction, choices: known.choices },
  };
}

/** True where a body is touched or touches: what they feel needs no eyes. */
export const isTouched = (world: World, who: Actor): boolean =>
  Object.values(world).some((state) =>
    [state.holds.left, state.holds.right].some(
      (hold) => hold !== null && hold.kind !== "own" && (state.actor === who || hold.of === who),
    ),
  ) || world[who]!.cycle !== null;

const inContact = ({ holds }: BodyState): boolean =>
  (holds.left !== null && holds.left.kind !== "own") || (holds.right !== null && holds.right.kind !== "own");
/** Where hands are on each other, or as good as. */
export const isNear = (range: Range): boolean =>
  range !== null && "name" in range && (range.name === "trap" || range.name === "clinch");
const touchesFirst = ({ holds }: BodyState): boolean => holds.left?.kind === "touch" || holds.right?.kind === "touch";

/** How high a hand has to go against a blow. */
function heightOf(blow: Blow | null, { body }: BodyState): keyof GuardData["hands"] {
  if (!blow) return "mid";
  const share = blow.aim.w / body.height;
  return share >= PARTS.shoulder.w ? "high" : share >= PARTS.hip.w ? "mid" : "low";
}

/** How long a movement takes from where hands and feet are, against the usual guard and stance. */
function fromStance({ use }: Layer, { guard, stance }: BodyState, height: keyof GuardData["hands"]): number {
  if (limbKind(use) === "hand") return guard.hands[height];
  return usesFeet(use) ? stance.feet : 1;
}
