/** Launches a feed: reach, own step, and the corridor it takes through the receiver's frame. */
import type { Feed, Blow } from "./types.ts";
import { MODEL } from "./constants.ts";
import { RADII, SEGMENTS } from "../body/anthropometry.ts";
import { weaponIn, type HitZone } from "../body/body.ts";
import { distanceOf, sideOf, zoneNow, type BodyState } from "../body/state.ts";
import { otherSide, type Side } from "../score/person.ts";
import { isArmPart, isLegZone, PARTS, zoneHeight } from "../body/parts.ts";
import { partNamed, type PartName } from "../words/part-names.ts";
import type { MoveUse, PartRef } from "../read/types.ts";
import type { ByHeight, Height, MoveData } from "../words/types.ts";

/** The value for a height word; with none, for the move's own first height. */
export function byHeight<T>(value: ByHeight<T>, height: Height | null): T {
  if (typeof value !== "object" || value === null || Array.isArray(value)) return value as T;
  const record = value as Partial<Record<Height, T>>;
  const named = height && record[height];
  if (named !== null && named !== undefined) return named;
  for (const first in record) return record[first as Height]!;
  return value as T;
}

/** A straight arm reaches nearly its length: a locked elbow is no way to hit. */
const STRAIGHT_ARM = 0.97;

/** The share of the arm's length that a hand blow uses at a height. */
export const extensionOf = (
  { extension }: Pick<NonNullable<MoveData["attack"]>, "extension">,
  height: Height | null,
): number => (extension === undefined ? STRAIGHT_ARM : byHeight(extension, height));

/** The side of the limb that does a move. `incoming` is the side that a feed comes from. */
export function limbSide(use: MoveUse, state: BodyState, incoming: Side | null): Side {
  const { limb, sides } = use.move;
  if (use.hand) return use.hand;
  const named =
    use.side && sides === "limb"
      ? use.side === "lead" || use.side === "rear"
        ? sideOf(state, use.side)
        : use.side
      : null;
  if (named) return named;
  // What is done with an empty hand is done with the one that holds nothing.
  if (use.move.needs === "empty" && state.body.person.holds) return otherSide(state.weaponSide);
  switch (limb) {
    case "lead hand":
    case "lead leg":
      return state.lead;
    case "rear hand":
    case "rear leg":
      return otherSide(state.lead);
    case "weapon hand":
      return state.weaponSide;
    case "off hand":
      return otherSide(state.weaponSide);
    case "incoming hand":
    case "incoming leg":
      return incoming ?? state.lead;
    default:
      return state.lead;
  }
}

/** Returns the kind of limb that a move works with. */
export const limbKind = (use: MoveUse): "hand" | "leg" | "body" =>
  use.move.limb.endsWith("leg") ? "leg" : use.move.limb === "body" ? "body" : "hand";

/** An attack as a feed or as a return. */
type Thrown = Pick<Feed, "use" | "isReturn">;

/** Reach of an attack from the own centre to the surface it lands on at a height above the floor, m. */
export function reachOf(feed: Thrown, state: BodyState, side: Side, aimHeight: number): number {
  const { use } = feed;
  const attack = use.move.attack!;
  const { body } = state;
  if (attack.reach !== undefined) return attack.reach * body.height;
  const straight = extensionOf(attack, heightAt(aimHeight / body.height)) * body.arm + weaponReach(use, state);
  const above = aimHeight - body.shoulderHeight - state.posture.chest.w;
  const dipped = Math.min(0, above + MODEL.dip * body.height);
  const far = MODEL.easyAbove * body.height;
  // Far above the shoulder they come up on their toes.
  const rise = above < 0 ? dipped : above > far ? Math.max(far, above - MODEL.toes * body.height) : above;
  const level = straight > Math.abs(rise) ? Math.sqrt(straight * straight - rise * rise) : 0;
  return level + turnForward(feed, state, side);
}

/** How far the turn of the trunk brings the shoulder forward. */
function turnForward({ use, isReturn }: Thrown, state: BodyState, side: Side): number {
  const attack = use.move.attack!;
  const turn = (isReturn ? attack.turnReturn : undefined) ?? attack.turn ?? 20;
  const degrees = typeof turn === "number" ? turn : side === state.lead ? turn.lead : turn.rear;
  return state.body.halfShoulders * Math.sin((degrees * Math.PI) / 180);
}

/** Length that a weapon adds beyond the fist; a butt strike adds none. */
function weaponReach(use: MoveUse, state: BodyState): number {
  const { tool } = use.move.attack!;
  const held = weaponIn(state.body.person, state.weaponSide, limbSide(use, state, null));
  if (!held || (tool !== "stick" && tool !== "blade")) return 0;
  // A hand's breadth of the stick stays behind the fist; a fan or push uses what is in front.
  return use.move.limb === "both hands" ? 0 : Math.max(0, held.length - 0.1);
}

/** The zone of the checker that a part of the receiver belongs to. */
function zoneOf(part: PartName, side: Side): HitZone {
  const { zone } = PARTS[part];
  if (isLegZone(zone)) return `${zone} ${side}`;
  return zone === "arm" ? "chest" : zone;
}

/** The receiver's side that a reference names, or `fallback`. */
export function refSide(ref: PartRef | null, receiver: BodyState, fallback: Side): Side {
  if (!ref?.side) return fallback;
  return ref.side === "lead" || ref.side === "rear" ? sideOf(receiver, ref.side) : ref.side;
}

function targetOf(use: MoveUse): PartRef {
  const attack = use.move.attack!;
  const name = partNamed(byHeight(attack.target, use.height)) ?? "chest";
  if (!use.target) return { part: name, side: null };
  return use.target.part === "head" && attack.path === "thrust" ? { ...use.target, part: "face" } : use.target;
}

const heightWord = (part: PartName): Height => heightAt(PARTS[part].w);

/** A straight kick or knee to the head comes up from the hip: down is into it, wherever the head ends. */
export const risesToHead = ({ limb, path, zone }: Blow): boolean =>
  limb === "leg" && path === "thrust" && zone === "head";

/** The word for a height, given as a share of stature. */
export const heightAt = (w: number): Height => (w > 0.8 ? "high" : w > 0.5 ? "mid" : "low");

function toolRadius(tool: string): number {
  switch (tool) {
    case "stick":
    case "butt":
      return RADII.stick;
    case "blade":
      return RADII.blade;
    case "foot":
    case "shin":
    case "knee":
      return RADII.foot;
    default:
      return RADII.fist;
  }
}

/** How much more (or less) is put into a blow than usual, by `!` and `?`; 0 to 1 is all there is. */
export function extraCommitment({ move, commitment }: MoveUse): number {
  if (commitment === null || !move.attack) return 0;
  const usual = move.attack.commitment;
  const wanted = usual + (commitment === "committed" ? MODEL.commitmentStep : -MODEL.commitmentStep);
  return Math.min(1, Math.max(0, wanted)) - usual;
}

/** How much later than usual a blow is back, ms: its way back is longer the more was put into it. */
export const lateBack = (use: MoveUse): number => extraCommitment(use) * (use.move.attack?.recover ?? 0);

/** Where an attack comes from: an hour on the clock face as the receiver sees it, and that as a direction; null for straight ones. */
function directionOf(use: MoveUse, side: Side): Pick<Blow, "clock" | "from"> {
  const { attack } = use.move;
  if (attack!.clock === undefined) return { clock: null, from: null };
  const written = byHeight(attack!.clock, use.height ?? (use.target ? heightWord(targetOf(use).part) : null));
  const clock = side === "right" ? written : 12 - written;
  const angle = (clock * Math.PI) / 6;
  return { clock, from: { u: roundish(Math.sin(angle)), w: roundish(Math.cos(angle)) } };
}

/** What an attack from a side aims at on the receiver as they stand now, and how far forward its surface is, m. */
function aimOf(use: MoveUse, receiver: BodyState, incoming: Side): Pick<Blow, "zone" | "aim"> & { surface: number } {
  const target = targetOf(use);
  const part = PARTS[target.part];
  const isLeg = isLegZone(part.zone);
  const onSide = refSide(target, receiver, isLeg ? receiver.lead : incoming);
  const zone = zoneOf(target.part, onSide);
  const now = zoneNow(receiver, zone);
  const rest = receiver.body.height;
  const centred = part.sided && !isLeg && !target.side && use.move.attack!.path !== "arc";
  const u = isLeg ? now.u : now.u + (part.sided && !centred ? part.u * rest * (onSide === "left" ? -1 : 1) : 0);
  const aim = { u, w: now.w + (part.w - zoneHeight(part.zone)) * rest, d: now.d };
  return { zone, aim, surface: aim.d + now.hd };
}

/** A blow to the head. */
export const goesHigh = (use: MoveUse): boolean => PARTS[targetOf(use).part].zone === "head";

/** The height of what a blow goes to. */
export const heightOfTarget = (use: MoveUse): Height => heightWord(targetOf(use).part);

/** A blow to a leg. */
export const goesLow = (use: MoveUse): boolean => isLegZone(PARTS[targetOf(use).part].zone);

/** The step that a blow takes by itself, m for 1.75 m: the first return none, later blows of a combination a short one. */
function ownStep({ use, isReturn, order, onPad, fromCorner, first }: Feed, { holds }: BodyState): number {
  const own = use.move.attack!.step ?? MODEL.solvedStep;
  // The holder sets the distance of the first blow; a later one goes in to the body as far as it must.
  if (onPad) return !first && !goesHigh(use) ? own : Math.min(MODEL.shortStep, own);
  if (fromCorner) return own + MODEL.fromCorner;
  if (!isReturn) return own;
  // Who has hold of somebody comes to them, or pulls them in.
  const gripped = holds.left?.kind === "grip" || holds.right?.kind === "grip";
  return order === 0 && !gripped ? 0 : Math.min(MODEL.shortStep, own);
}

/**
 * Where a head that is far above the own shoulder is aimed at: as low in it as the blow needs, at the chin at
 * last. `aim` and the result are heights above the floor, m.
 */
function lowered(aim: number, zone: HitZone, receiver: BodyState, attacker: BodyState): number {
  const easy = attacker.body.shoulderHeight + MODEL.easyAbove * attacker.body.height;
  if (zone !== "head" || aim <= easy) return aim;
  const { w, hw } = zoneNow(receiver, zone);
  return Math.max(easy, Math.min(aim, w - LOWEST_AIM * hw));
}

/** How far from the middle of a zone a blow may still aim, share of its half height. */
const LOWEST_AIM = 0.9;

/** How much nearer than the body the arm is at which a return goes, m. */
function armAhead({ use, isReturn }: Feed, receiver: BodyState): number {
  return isReturn && isArmPart(targetOf(use).part) ? MODEL.guardAhead * receiver.body.height : 0;
}

function roomFor(zone: HitZone): keyof typeof MODEL.kickRoom {
  if (zone === "head" || zone === "neck") return "head";
  return zone === "chest" || zone === "belly" || zone === "hips" ? "trunk" : "leg";
}

/** How high a foot gets, m above the floor: from the hip, with the other heel off the floor. */
const highestKick = ({ body }: BodyState): number => (SEGMENTS.hipHeight + MODEL.legRise) * body.height;

/** The room that a leg needs beside its own for a target, m; 0 for all but feet and shins. */
function kickRoom(tool: string, zone: HitZone, { body }: BodyState): number {
  if (tool !== "foot" && tool !== "shin") return 0;
  return MODEL.kickRoom[roomFor(zone)] * body.scale;
}

/** Puts the feed into the receiver's frame as they stand now. `gained`: reach from a written step or push-off. */
export function launch(feed: Feed, attacker: BodyState, receiver: BodyState, gained: number): Blow {
  const { use } = feed;
  const attack = use.move.attack!;
  const limb = limbKind(use);
  const side = limbSide(use, attacker, null);
  const { clock, from } = directionOf(use, side);
  const incoming: Side = from && Math.abs(from.u) > 0.2 ? (from.u < 0 ? "left" : "right") : otherSide(side);
  const { zone, aim: middle, surface } = aimOf(use, receiver, incoming);
  const aim = { ...middle, w: lowered(middle.w, zone, receiver, attacker) };

  const distance = distanceOf(attacker, receiver);
  const reach = reachOf(feed, attacker, side, aim.w) + gained;
  const needed = distance - surface - feed.ahead;
  const longest = ownStep(feed, attacker) * attacker.body.scale;
  const past = Math.max(0, MODEL.spare + MODEL.depthOfCommitment * extraCommitment(use));
  const step = Math.min(longest, Math.max(0, needed + past - reach));
  const missing = needed - reach - step - armAhead(feed, receiver);
  const spare = Math.max(0, -missing);
  const lateral = limb === "hand" ? 0.8 * attacker.body.halfShoulders : 0.06 * attacker.body.height;
  return {
    feed,
    kind: "blow",
    limb,
    side,
    path: attack.path,
    oneLeg: attack.oneLeg === true,
    hooks: attack.hooks === true,
    tool: attack.tool,
    weapon:
      attack.tool === "stick" || attack.tool === "blade"
        ? weaponIn(attacker.body.person, attacker.weaponSide, side)
        : null,
    zone,
    aim,
    radius: toolRadius(attack.tool),
    from,
    clock,
    runUp: from && from.w < -0.5 ? MODEL.runUpRising : MODEL.runUp,
    follow: MODEL.followThrough,
    origin: {
      u: (side === "left" ? 1 : -1) * lateral,
      w: limb === "hand" ? attacker.body.shoulderHeight : SEGMENTS.hipHeight * attacker.body.height,
      d: distance - step,
    },
    incoming,
    step,
    walked: 0,
    slower: limb === "hand" ? attacker.guard.strikes : 1,
    spare,
    drive: attack.drive ?? 0,
    tip: surface - spare - (attack.drive ?? 0),
    missing,
    tooClose: distance - step < (attack.minGap ?? 0) + kickRoom(attack.tool, zone, attacker) - 1e-9,
    tooHigh: limb === "leg" && aim.w > highestKick(attacker),
    landsWithoutStep: needed <= reach,
  };
}

/** Keeps mirrored clock lines exactly mirrored and straight ones exactly straight. */
const roundish = (x: number): number => Math.round(x * 1e9) / 1e9;
