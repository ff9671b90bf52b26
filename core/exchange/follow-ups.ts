/** What the feeder's other limbs can still do: why the outside of an arm is safe and the inside is not. */
import type { Blow, FollowUp, FollowUpState } from "./types.ts";
import { MODEL } from "./constants.ts";
import { RADII } from "../body/anthropometry.ts";
import { norm, pointSegmentDistance, segmentDistance, segmentsCross } from "../body/geometry.ts";
import { byHeight, extensionOf } from "./blow.ts";
import { keptFor } from "../base/bounded.ts";
import { isLegPart, PARTS } from "../body/parts.ts";
import type { HitZone } from "../body/body.ts";
import { heldBy, sideOf, zoneNow, type BodyState, type World } from "../body/state.ts";
import type { Side } from "../score/person.ts";
import { partNamed, type PartName } from "../words/part-names.ts";
import type { Move } from "../words/types.ts";
import type { Vocabulary } from "../words/vocabulary.ts";

interface Threat {
  readonly move: string;
  readonly limb: FollowUp["limb"];
  readonly side: "lead" | "rear";
  readonly kind: "hand" | "leg";
  readonly path: "thrust" | "arc";
  /** Reach from the own centre as a share of the arm (hands) or of H (legs). */
  readonly extension: number;
  /** Cosine and sine of the turn of the trunk with it. */
  readonly across: number;
  readonly ahead: number;
  readonly target: "head" | "body" | "leg";
  /** ms from the end of the feed. */
  readonly time: number;
}

/** The blows that each other limb is taken to follow up with, as their data say; a school's own moves among them. */
const threats = new WeakMap<Vocabulary, readonly Threat[]>();
const threatsOf = (vocabulary: Vocabulary): readonly Threat[] =>
  keptFor(threats, vocabulary, ({ moves }) => [...moves.values()].flatMap(threatsIn));

function threatsIn({ attack, followsUp, limb }: Move): Threat[] {
  if (!attack || attack.path === "shoot" || !followsUp) return [];
  const { path } = attack;
  const kind = limb.endsWith("leg") ? "leg" : "hand";
  return followsUp.map(({ as, side, height = null }) => {
    const turns = attack.turnReturn ?? attack.turn ?? 0;
    const turn = kind === "leg" ? 0 : typeof turns === "number" ? turns : turns[side];
    const angle = (turn * Math.PI) / 180;
    return {
      move: as,
      limb: `${side} ${kind}`,
      side,
      kind,
      path,
      extension: attack.reach ?? extensionOf(attack, height),
      across: Math.cos(angle),
      ahead: Math.sin(angle),
      target: targetOf(partNamed(byHeight(attack.target, height))),
      time: attack.contact,
    };
  });
}

function targetOf(part: PartName | null): Threat["target"] {
  if (part === null) return "body";
  if (isLegPart(part)) return "leg";
  return PARTS[part].zone === "head" || PARTS[part].zone === "neck" ? "head" : "body";
}

/** The longest step a follow-up takes by itself, m for 1.75 m. */
const FOLLOW_STEP = 0.25;

interface FollowUpContext {
  readonly vocabulary: Vocabulary;
  readonly blow: Blow;
  /** How much later than usual the feeder is back from the blow, ms: more was put into it, or less. */
  readonly late: number;
  readonly attacker: BodyState;
  /** The receiver after their answer. */
  readonly receiver: BodyState;
  readonly world: World;
  /** What their feet did, in the frame of the blow. */
  readonly right: number;
  readonly forward: number;
  /** Sideways push on the attacking arm, m at the target; positive to the receiver's right. */
  readonly pushed: number;
  /** Hands of the receiver that are at work and guard nothing. */
  readonly busy: readonly Side[];
}

/** Lists what the feeder could do next with every limb but the one that attacked. */
export function followUps(c: FollowUpContext): FollowUp[] {
  const list: FollowUp[] = [];
  const targets = targetsOf(c);
  for (const threat of threatsOf(c.vocabulary)) {
    const side = sideOf(c.attacker, threat.side);
    const { kind } = threat;
    if (c.blow.limb === kind && c.blow.side === side) continue;
    if (heldBy(c.world, c.attacker.actor, kind, side)) continue;
    const { state, slack } = classify(threat, side, targets[threat.target], c);
    const weight = WEIGHTS[state];
    const value = VALUES[threat.target];
    const soon = 300 / (threat.time + c.late);
    const threatFigure = weight * value * soon * Math.min(1, 0.5 + 2 * Math.max(0, slack));
    list.push({
      move: threat.move,
      limb: threat.limb,
      state,
      threat: Math.round(Math.min(1, threatFigure) * 100) / 100,
    });
  }
  return list.sort((a, b) => b.threat - a.threat);
}

/** How much a state lets through of a threat. Common practice, no source. */
const WEIGHTS: Record<FollowUpState, number> = {
  open: 1,
  covered: 0.35,
  obstructed: 0.25,
  "out of reach": 0,
  "out of sector": 0,
};
/** What a target is worth. Common practice, no source. */
const VALUES: Record<Threat["target"], number> = { head: 1, body: 0.7, leg: 0.6 };

/** Where a follow-up would go, in the frame of the blow. */
interface Target {
  readonly u: number;
  readonly w: number;
  readonly d: number;
  /** Half its depth. */
  readonly hd: number;
}

function targetsOf({ receiver, right, forward }: FollowUpContext): Readonly<Record<Threat["target"], Target>> {
  const at = (zone: HitZone): Target => {
    const { u, w, d, hd } = zoneNow(receiver, zone);
    return { u: u + right, w, d: d + forward, hd };
  };
  return { head: at("head"), body: at("belly"), leg: at(receiver.lead === "left" ? "thigh left" : "thigh right") };
}

function classify(
  threat: Threat,
  side: Side,
  target: Target,
  c: FollowUpContext,
): { state: FollowUpState; slack: number } {
  const { blow, attacker } = c;
  const hand = threat.kind === "hand";
  const shoulders = attacker.body.halfShoulders;
  // The attacker's left is on the receiver's right.
  const own = side === "left" ? 1 : -1;
  const origin = hand
    ? {
        u: own * shoulders * threat.across,
        d: blow.origin.d - shoulders * threat.ahead,
        w: attacker.body.shoulderHeight,
      }
    : { u: own * 0.06 * attacker.body.height, d: blow.origin.d, w: 0.53 * attacker.body.height };
  const reach = hand ? threat.extension * attacker.body.arm : threat.extension * attacker.body.height;
  const level = hand ? Math.sqrt(Math.max(0, reach * reach - (target.w - origin.w) ** 2)) : reach;
  const gap = norm(target.u - origin.u, origin.d - target.d) - target.hd - FOLLOW_STEP * attacker.body.scale;
  const slack = level - gap;
  if (slack < 0) return { state: "out of reach", slack };
  // Sector about the attacker's heading (towards where the receiver stood), + to the limb's own side.
  const bearing = (Math.atan2(own * target.u, blow.origin.d - target.d) * 180) / Math.PI;
  if (bearing < MODEL.sector[0] - 15 || bearing > MODEL.sector[1]) return { state: "out of sector", slack };
  if (hand && armBetween(c, origin, target)) return { state: "obstructed", slack };
  if (threat.target !== "leg" && guarded(threat, c, origin, target, own)) return { state: "covered", slack };
  return { state: "open", slack };
}

/** The arm that attacked lies between the other hand and the target, seen from above. */
function armBetween(c: FollowUpContext, origin: { u: number; d: number }, target: { u: number; d: number }): boolean {
  const { blow, pushed } = c;
  if (blow.limb !== "hand" || blow.path === "shoot") return false;
  const tipU = blow.aim.u + pushed;
  const dodge = blow.from ? blow.from.u * 0.25 : 0;
  return segmentsCross(
    origin.u,
    origin.d,
    target.u,
    target.d,
    blow.origin.u + dodge,
    blow.origin.d,
    tipU,
    blow.aim.d + 0.05,
  );
}

/** The receiver's idle hand on the side the follow-up comes from stands in its way. */
function guarded(
  threat: Threat,
  c: FollowUpContext,
  origin: { u: number; w: number; d: number },
  target: { u: number; w: number; d: number },
  own: number,
): boolean {
  const { receiver } = c;
  const { arms } = receiver.guard;
  if (receiver.open || !arms) return false;
  const side: Side = own > 0 ? "right" : "left";
  if (c.busy.includes(side) || heldBy(c.world, receiver.actor, "hand", side)) return false;
  const H = receiver.body.height;
  const word = side === receiver.lead ? "lead" : "rear";
  const { elbow, knuckles } = arms[word];
  // Arms go down with the head that they guard.
  const drop = receiver.posture.head.w;
  const at = (u: number) => target.u + own * u * H;
  const segment = [at(elbow.u), elbow.w * H + drop, at(knuckles.u), knuckles.w * H + drop] as const;
  const radius = receiver.body.handRadius;
  if (threat.path === "thrust") {
    const t = 0.25 / Math.max(0.3, origin.d - target.d);
    const u = target.u + t * (origin.u - target.u);
    const w = target.w + t * (origin.w - target.w);
    return pointSegmentDistance(u, w, ...segment) <= radius + 0.2 * RADII.fist;
  }
  return (
    segmentDistance(target.u + own * MODEL.runUp, target.w, target.u, target.w, ...segment) <= radius + 0.2 * RADII.fist
  );
}
