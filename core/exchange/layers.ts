/** Every mechanism of every part of an answering beat, tried separately against one feed. */
import { metres } from "../base/units.ts";
import type { Blow, Feed, Layer } from "./types.ts";
import { clearance, type Clearance } from "./clear.ts";
import { cut, deflect, interpose, jam, pass, seize, type CoverContext } from "./cover.ts";
import { deny } from "./deny.ts";
import { answerEnergy } from "./energy.ts";
import { displacements, moveBody, usesFeet, type BodyMove } from "./move-body.ts";
import { isArmPart } from "../body/parts.ts";
import { extensionOf, limbSide, refSide, risesToHead } from "./blow.ts";
import { contactTime } from "./time.ts";
import { MODEL } from "./constants.ts";
import { distanceOf, type BodyState } from "../body/state.ts";
import { weaponIn } from "../body/body.ts";
import type { MoveUse } from "../read/types.ts";
import type { Mechanism } from "../words/types.ts";

/** An answer with all its layers, and the best of them. */
export interface Answered {
  readonly move: BodyMove;
  readonly layers: readonly Layer[];
  readonly clear: Clearance | null;
  readonly best: Layer | null;
}

/** How a beat's displacements and covers are stretched when robustness is tested. */
export interface Stretch {
  readonly displacement: number;
  readonly segment: number;
}
/** No stretch: movements and segments as they are. */
export const PLAIN: Stretch = { displacement: 1, segment: 0 };
/** The fixed grid of the robustness: displacements x .9, 1, 1.1; segment ends -2, 0, +2 cm. */
export const GRID: readonly Stretch[] = [0.9, 1, 1.1].flatMap((displacement) =>
  [-0.02, 0, 0.02].map((segment) => ({ displacement, segment })),
);

/** Tries all parts of a beat against a blow. */
export function answerBlow(
  uses: readonly MoveUse[],
  blow: Blow,
  attacker: BodyState,
  receiver: BodyState,
  stretch: Stretch,
): Answered {
  const move = moveBody(uses, receiver, attacker, {
    blow,
    scale: stretch.displacement,
    gap: wayIn(uses, blow, attacker, receiver),
  });
  const layers: Layer[] = [];
  let clear: Clearance | null = null;
  if (move.moved.length > 0) {
    clear = onTheWay(clearance(blow, move.state, move.right, move.forward), blow, move);
    const margin = metres(Math.min(clear.margin, MODEL.marginCap * 4));
    const detail = { zone: clear.zone, how: clear.by };
    for (const use of move.moved)
      layers.push({ use, by: "displace", margin, fails: margin < 0 ? "open" : null, detail, bareLimb: false });
  }
  for (const use of uses) {
    for (const m of use.move.answer ?? []) {
      const context: CoverContext = { blow, use, uses, move, attacker, stretch: stretch.segment };
      const layer = isOtherArm(use, blow, attacker) ? noArm(m, use) : tryMechanism(m, context, receiver);
      if (layer) layers.push(layer);
    }
  }
  for (const use of uses) if (use.intercept && use.move.attack) layers.push(intercept(use, blow, attacker, receiver));
  return { move, layers, clear, best: bestOf(layers) };
}

/** A blow at the trunk; head movement takes the head away and leaves that where it is. */
const trunkOf = ({ zone }: Blow): "chest" | "belly" | "hips" | null =>
  zone === "chest" || zone === "belly" || zone === "hips" ? zone : null;

/**
 * How much of its way a movement has done when a blow passes that comes along it: one that rises or falls meets
 * whoever goes down under it, wherever they end. null where nothing crosses the way.
 */
function midway(blow: Blow, { u, w }: { readonly u: number; readonly w: number }): { u: number; w: number } | null {
  const { from } = blow;
  if (from === null || w >= 0) return null;
  if (Math.abs(from.w) > STEEP) return { u: u * ON_THE_WAY, w };
  return from.w > SLANTING && Math.abs(u) < MODEL.onLine ? { u, w: w / 2 } : null;
}
/** Upward part of the direction of a blow that comes straight up or down, and of one that falls aslant. */
const STEEP = 0.8;
const SLANTING = 0.55;
/** How far back a part of the trunk goes when it is drawn in, m. */
const HOLLOW = 0.1;

/** What a movement is worth on its way: a trunk that only bends stays where it was, and a head goes down before it goes aside. */
function onTheWay(end: Clearance, blow: Blow, { state, moved, right, forward }: BodyMove): Clearance {
  if (end.by === "short") return end;
  const steps = moved.some(usesFeet);
  // Hollowing out takes the very place away.
  const trunk = trunkOf(blow);
  if (trunk && !steps && !blow.weapon && state.posture[trunk].d > -HOLLOW)
    return { ...end, zone: trunk, margin: Math.min(end.margin, -MODEL.tight) };
  const { head } = state.posture;
  if (!steps && head.w < 0 && risesToHead(blow))
    return { ...end, zone: "head", margin: Math.min(end.margin, head.w), by: "beside" };
  const passing = steps ? null : midway(blow, head);
  if (passing) {
    const posture = { ...state.posture, head: { ...head, ...passing } };
    const before = clearance(blow, { ...state, posture }, right, forward);
    return before.margin < end.margin ? before : end;
  }
  return end;
}

/** Share of the way aside that a head has gone when it is down already. */
const ON_THE_WAY = 0.3;

/** It works on an arm that is named, and another one comes. */
const isOtherArm = ({ on }: MoveUse, blow: Blow, attacker: BodyState): boolean =>
  on !== null &&
  !on.own &&
  on.side !== null &&
  isArmPart(on.part) &&
  blow.limb === "hand" &&
  refSide(on, attacker, blow.side) !== blow.side;

/** A hand that goes for an arm that is not there; feet and trunk move all the same. */
const noArm = (m: Mechanism, use: MoveUse): Layer | null =>
  m.by === "displace" || m.by === "energy" || m.by === "deny"
    ? null
    : { use, by: m.by, margin: metres(-0.1), fails: "open", detail: { why: "arm" }, bareLimb: true };

/** One mechanism of a part against a blow; null for what the moved body or a push has to do with. */
function tryMechanism(m: Mechanism, c: CoverContext, receiver: BodyState): Layer | null {
  switch (m.by) {
    case "interpose":
      return interpose(m, c);
    case "deflect":
      return armed(deflect(m, c), c.use, receiver, c.blow);
    case "pass":
      return armed(pass(m, c), c.use, receiver, c.blow);
    case "jam":
      return jam(c);
    case "seize":
      return seize(c);
    case "cut":
      return cut(c);
    case "deny":
      return deny(m, c.blow, c.use, c.uses, c.attacker);
    case "none":
      return stays(c);
    case "displace":
    case "energy":
      return null;
    default:
      return m satisfies never;
  }
}

/** Nothing is done: enough where the blow falls short of them as they stand, with all of its step. */
function stays({ blow, use }: CoverContext): Layer {
  const short = blow.missing > 0;
  const margin = metres(short ? Math.min(blow.missing, MODEL.marginCap) : -blow.spare);
  return { use, by: "none", margin, fails: short ? null : "open", detail: { why: "stay" }, bareLimb: false };
}

/**
 * A stop-hit: a straight blow that lands before the feed does. Both work at one tempo, so the times
 * to contact are compared as they are; the feeder's step brings them into it.
 */
function intercept(use: MoveUse, blow: Blow, attacker: BodyState, receiver: BodyState): Layer {
  const own = use.move.attack!;
  const ahead = contactTime(blow.feed, blow, attacker.body.scale) - own.contact;
  const reaches = gapFor(use, receiver, attacker) - MODEL.spare <= MODEL.pushOffRear;
  const straight = own.path === "thrust";
  const margin = metres(ahead / 2000);
  const late = ahead < 0 ? "late" : null;
  const fails = straight && reaches ? late : "open";
  return {
    use,
    by: "intercept",
    margin: fails ? metres(-Math.max(0.01, Math.abs(margin))) : margin,
    fails,
    detail: { why: straight ? (reaches ? "slow" : "far-hit") : "round-hit" },
    bareLimb: false,
  };
}

/** A hand that holds a weapon is no bare hand. */
function armed(layer: Layer, use: MoveUse, receiver: BodyState, blow: Blow): Layer {
  const hand = limbSide(use, receiver, blow.incoming);
  return weaponIn(receiver.body.person, receiver.weaponSide, hand) ? { ...layer, bareLimb: false } : layer;
}

/** Tries all parts of a beat against a push, press, pull or release. */
export function answerPressure(
  uses: readonly MoveUse[],
  feed: Feed,
  attacker: BodyState,
  receiver: BodyState,
  displacement: number,
): Answered {
  const move = moveBody(uses, receiver, attacker, { blow: null, scale: displacement, gap: MODEL.plainStep });
  const layers = uses
    .map((use) => answerEnergy(use, feed, receiver, move))
    .filter((layer): layer is Layer => layer !== null);
  // Resisting with one part spoils what another part gives way: the whole body is in it.
  const resisting = layers.find((layer) => layer.fails === "resisting");
  return { move, layers, clear: null, best: resisting ?? bestOf(layers) };
}

function bestOf(layers: readonly Layer[]): Layer | null {
  let best: Layer | null = null;
  for (const layer of layers) {
    if (!best || rank(layer) > rank(best)) best = layer;
  }
  return best;
}
const rank = (layer: Layer): number => (layer.fails === null ? 10 : 0) + layer.margin;

/** The way forward that a jam or a blow in the same beat asks of a written step in. */
function wayIn(uses: readonly MoveUse[], blow: Blow | null, attacker: BodyState, receiver: BodyState): number | null {
  if (!uses.some((use) => displacements(use).length > 0)) return null;
  const jams = uses.some((use) =>
    use.move.answer?.some((m) => m.by === "jam" || m.by === "pass" || m.by === "interpose"),
  );
  if (blow && jams) return MODEL.stepIn * receiver.body.scale;
  const attack = uses.find((use) => use.move.attack);
  if (!attack) return null;
  return Math.max(0, gapFor(attack, receiver, attacker));
}

/** How much nearer a person must come for a blow to land with the usual spare, m. */
export function gapFor(use: MoveUse, from: BodyState, to: BodyState): number {
  const attack = use.move.attack!;
  const reach =
    attack.reach !== undefined
      ? attack.reach * from.body.height
      : extensionOf(attack, use.height) * from.body.arm * 0.98 + 0.1;
  return distanceOf(from, to) - 0.12 - reach + MODEL.spare;
}
