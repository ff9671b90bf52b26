/** Hands, arms, shins and sticks in the way of a feed: interpose, deflect, pass, jam, seize. */
import { metres, type Metres } from "../base/units.ts";
import type { Blow, Layer } from "./types.ts";
import type { BodyMove } from "./move-body.ts";
import { byHeight, heightAt, limbSide, risesToHead } from "./blow.ts";
import { MODEL } from "./constants.ts";
import { RADII, SEGMENTS } from "../body/anthropometry.ts";
import { weaponIn } from "../body/body.ts";
import { norm, pointSegmentDistance, segmentDistance, segmentsCross } from "../body/geometry.ts";
import type { BodyState } from "../body/state.ts";
import type { Side } from "../score/person.ts";
import type { MoveUse } from "../read/types.ts";
import type { BoxData, CoverLimb, Mechanism, SegmentData } from "../words/types.ts";
import { materialFault } from "./materials.ts";

type Interpose = Extract<Mechanism, { by: "interpose" }>;
type Deflect = Extract<Mechanism, { by: "deflect" }>;

/** A blow with the part of an answer that is tried against it. */
export interface CoverContext {
  readonly blow: Blow;
  readonly use: MoveUse;
  readonly uses: readonly MoveUse[];
  readonly move: BodyMove;
  readonly attacker: BodyState;
  /** Shortens (negative) or lengthens covering segments at both ends: robustness, m. */
  readonly stretch: number;
}

const limit = (margin: number): Metres => metres(Math.min(MODEL.marginCap, margin));

/** The side of the body on which a cover stands. */
function coverSide(m: Interpose, c: CoverContext): Side {
  const { use, move, blow } = c;
  // Which hand does it and where it stands are two things.
  if (use.side && (use.move.sides === "cover" || use.move.sides === "limb"))
    return limbSide({ ...use, hand: null, move: { ...use.move, sides: "limb" } }, move.state, blow.incoming);
  if (m.stands === "lead") return move.state.lead;
  if (m.stands === "rear") return move.state.lead === "left" ? "right" : "left";
  return blow.incoming;
}

function coverRadius({ limb, double }: Interpose, state: BodyState): number {
  switch (limb) {
    case "hand":
      return state.body.handRadius;
    case "forearm":
      return double ? RADII.doubleForearm : RADII.forearm;
    case "upper arm":
      return RADII.upperArm;
    case "shin":
      return RADII.shin;
    case "stick":
    case "two-hand stick":
      return RADII.stick + 0.02;
    case "blade":
      return RADII.blade;
  }
}

/** A layer by a bare limb unless something else is said; it fails as open where the margin is short and no other cause is said. */
function layer(
  c: CoverContext,
  by: Layer["by"],
  margin: number,
  { fails = margin < 0 ? "open" : null, detail = {}, bareLimb = true }: Partial<Layer> = {},
): Layer {
  return { use: c.use, by, margin: limit(margin), fails, detail, bareLimb };
}

const isWeaponLimb = (limb: CoverLimb) => limb === "stick" || limb === "two-hand stick" || limb === "blade";

/** A limb or weapon stands in the corridor before the target. */
export function interpose(m: Interpose, c: CoverContext): Layer {
  const { blow, move, use } = c;
  const radius = coverRadius(m, move.state);
  const side = coverSide(m, c);
  const bareLimb = !isWeaponLimb(m.limb);
  const margin = m.box ? placed(m.box, side, radius, m.depth, c) : standing(m, side, radius, c);
  const made = (at: number, fails: Layer["fails"], detail: Layer["detail"] = {}) =>
    layer(c, "interpose", at, { fails, detail: { side, ...detail }, bareLimb });
  // A shin is there for kicks, a frame on the hips for knees.
  const elsewhere =
    (m.only && !m.only.includes(blow.tool)) || (m.limb === "shin" && blow.limb === "hand" && !blow.weapon);
  if (blow.path === "shoot" || elsewhere) return made(Math.min(margin, -0.1), "open");
  if (bareLimb && m.limb !== "shin" && use.hand !== null && use.side !== null && use.hand !== side)
    return made(-0.1, "open", { why: "across", hand: use.hand });
  const fault = materialFault(m, blow, m.depth + move.forward);
  // A hand that goes for a point or an edge is wrong, whether it would get there or not.
  if (margin < 0 && !(fault?.severity === "error" && blow.weapon && margin > NEARLY)) return made(margin, "open");
  if (fault?.severity === "risk") return made(Math.min(margin, RISKY), null, { ...fault.detail, risky: "yes" });
  if (fault) return made(-0.05, "material", { ...fault.detail, risky: "" });
  return made(margin, null);
}

/** As near to a line as this a limb is on its way to it, m. */
const NEARLY = -0.3;

/** What is left of a margin where the limb is at risk, m. */
const RISKY = 0.02;

/** Shift of the covering limb with the moved body: it follows the feet, and the chest as far as it is carried (0 to 1). */
function bodyShift(c: CoverContext, carried: number, limb: CoverLimb | null) {
  const { posture } = c.move.state;
  // A shin goes with the feet; the trunk may be elsewhere.
  if (limb === "shin") return { u: c.move.right + posture.legs.u, w: 0 };
  return { u: c.move.right + carried * posture.chest.u, w: carried * posture.chest.w };
}

/** Where a covering limb or weapon stands now, as lines in the receiver's frontal plane with their radius, m. */
export function coverLines(m: Interpose, c: CoverContext): { readonly line: Line; readonly radius: number }[] {
  const radius = coverRadius(m, c.move.state);
  if (!m.segments) return [];
  return linesOf(m, coverSide(m, c), c).map((line) => ({ line, radius }));
}

function linesOf(m: Interpose, side: Side, c: CoverContext): Line[] {
  const { use, move } = c;
  const H = move.state.body.height;
  const sign = side === "left" ? -1 : 1;
  // A block with no height goes where the blow comes in, as one with no side does.
  const height = use.height ?? (isMetRising(m, c.blow) ? "low" : heightAt(c.blow.aim.w / H));
  const segments = byHeight(m.segments!, height) as readonly SegmentData[];
  // A roll's own tuck is part of where its segment is written; other movements carry it along.
  const ownWay = use.move.answer!.some((x) => x.by === "displace");
  const shift = bodyShift(c, ownWay ? 0 : 1, m.limb);
  // Who blocks while they step off turns to the attacker: the weapon stays between, as far as the arm lets it.
  const turned = isWeaponLimb(m.limb) && c.move.right !== 0 ? [0, -c.move.right / 2, -c.move.right] : [0];
  return turned.flatMap((back) =>
    segments.map(([u1, w1, u2, w2]) => {
      const u = shift.u + back;
      return stretched(sign * u1 * H + u, w1 * H + shift.w, sign * u2 * H + u, w2 * H + shift.w, c.stretch);
    }),
  );
}

/** A knee or kick to the head comes up the middle from the hip, at this share of the stature. Common practice, no source. */
const HIP = 0.53;
/** Two arms across the middle meet it on its way up. */
const isMetRising = (m: Interpose, blow: Blow): boolean => m.stands === "both" && risesToHead(blow);

function standing(m: Interpose, side: Side, radius: number, c: CoverContext): number {
  const { blow, move } = c;
  const { aim } = blow;
  const rises = isMetRising(m, blow);
  const hip = HIP * c.attacker.body.height;
  let best = -Infinity;
  for (const line of linesOf(m, side, c)) {
    const crosses = rises && segmentsCross(aim.u, hip, aim.u, aim.w, ...line);
    const onTheRise = crosses ? radius + 0.2 * blow.radius : -Infinity;
    const before = blow.from ? acrossArc(blow, line, radius) : beforeThrust(blow, line, radius, m.depth + move.forward);
    best = Math.max(best, onTheRise, before);
  }
  return best;
}

/** A line in the frontal plane: u and w of both ends, m. */
export type Line = readonly [number, number, number, number];

function stretched(ax: number, ay: number, bx: number, by: number, by_: number): Line {
  if (by_ === 0) return [ax, ay, bx, by];
  const length = norm(bx - ax, by - ay) || 1;
  const x = ((bx - ax) / length) * by_;
  const y = ((by - ay) / length) * by_;
  return [ax - x, ay - y, bx + x, by + y];
}

/** An arc must be met on its way in: between the start of its run-up and the target. */
function acrossArc(blow: Blow, [ax, ay, bx, by]: Line, radius: number): number {
  const { aim, from, runUp } = blow;
  const sx = aim.u + from!.u * runUp;
  const sy = aim.w + from!.w * runUp;
  if (segmentsCross(sx, sy, aim.u, aim.w, ax, ay, bx, by)) {
    const ends = Math.min(
      pointSegmentDistance(ax, ay, sx, sy, aim.u, aim.w),
      pointSegmentDistance(bx, by, sx, sy, aim.u, aim.w),
    );
    return radius + ends;
  }
  return radius + 0.2 * blow.radius - segmentDistance(sx, sy, aim.u, aim.w, ax, ay, bx, by);
}

/** Where the line of a straight attack is at a depth in front of the receiver. */
export function lineAt(blow: Blow, depth: number): { u: number; w: number } {
  const { aim, origin } = blow;
  const t = Math.min(1, Math.max(0, (depth - aim.d) / Math.max(0.05, origin.d - aim.d)));
  return { u: aim.u + t * (origin.u - aim.u), w: aim.w + t * (origin.w - aim.w) };
}

function beforeThrust(blow: Blow, [ax, ay, bx, by]: Line, radius: number, depth: number): number {
  const at = lineAt(blow, depth);
  return radius + 0.2 * blow.radius - pointSegmentDistance(at.u, at.w, ax, ay, bx, by);
}

/** A palm turned down meets a rising blow this far below its target, m. Common practice, no source. */
const BELOW = 0.1;

/** It comes straight up. */
const isRising = ({ from }: Blow): boolean => from !== null && Math.abs(from.u) <= 0.2 && from.w < 0;
const belowAim = ({ aim }: Blow) => ({ u: aim.u, w: aim.w - BELOW });

/** A hand put onto a straight or rising line by sight, inside the region it can reach. */
function placed(box: BoxData, side: Side, radius: number, depth: number, c: CoverContext): number {
  // Other arcs come from where no hand waits.
  const rising = isRising(c.blow);
  if (c.blow.from && !rising) return -0.1;
  const at = rising ? belowAim(c.blow) : lineAt(c.blow, depth + c.move.forward);
  return insideBox(box, side, at, c, radius);
}

/** How far a point lies inside a hand's region, with `slack` added; negative outside. */
function insideBox(
  [u1, u2, w1, w2]: BoxData,
  side: Side,
  at: { u: number; w: number },
  c: CoverContext,
  slack: number,
): number {
  const H = c.move.state.body.height;
  const shift = bodyShift(c, 1, null);
  const u = ((at.u - shift.u) * (side === "left" ? -1 : 1)) / H;
  const w = (at.w - shift.w) / H;
  const inside = Math.min(u - u1, u2 - u, w - w1, w2 - w) * H + c.stretch;
  return Math.min(slack + 0.02, inside + slack);
}

/** A push across the travel of the attacking limb: works on straight attacks only. */
export function deflect(m: Deflect, c: CoverContext): Layer {
  const { blow, use, move } = c;
  const bareLimb = !isWeaponLimb(m.limb);
  const fail = (why: string) => layer(c, "deflect", -0.1, { detail: { why }, bareLimb });
  if (blow.path === "shoot") return fail("shot");
  // What is done from contact works on the hand and arm of somebody near, not on kicks and weapons.
  const fromContact = use.move.answer!.some((x) => x.by === "energy");
  if (fromContact && (blow.limb !== "hand" || blow.weapon)) return fail("contact");
  const hand = limbSide(use, move.state, blow.incoming);
  const push = pushVector(m, hand);
  const travel = blow.from ? { u: -blow.from.u, w: -blow.from.w, d: 0 } : { u: 0, w: 0, d: -1 };
  // A palm turned down stops what rises to it.
  if (bareLimb && m.push === "down" && isRising(blow))
    return layer(c, "deflect", insideBox(byHeight(m.box, use.height), hand, belowAim(blow), c, 0.03));
  const cos = push.u * travel.u + push.w * travel.w;
  // 45 to 135 degrees between push and travel.
  if (Math.abs(cos) > Math.SQRT1_2) return fail(cos > 0 ? "with" : "against");
  // An arc must be met well before the target, where this hand cannot be: its limb is not in front.
  if (blow.from) return fail("round");
  // A bare hand takes the limb behind a blade; a stick is pushed wherever it is met.
  const behind = bareLimb && blow.weapon && blow.tool === "blade" ? blow.weapon.length + 0.04 : 0;
  const ahead = Math.max(MODEL.parryAhead, behind);
  if (ahead > MODEL.parryReach) return fail("far");
  const at = lineAt(blow, blow.aim.d + ahead);
  // A hand with no height goes where the blow comes in.
  const box = byHeight(m.box, use.height ?? heightAt(at.w / move.state.body.height));
  const inBox = insideBox(box, hand, at, c, 0.03);
  if (inBox < 0) return layer(c, "deflect", inBox, { detail: { why: "place" }, bareLimb });
  const length = Math.max(0.35, blow.origin.d - blow.aim.d);
  const needed = (0.08 + blow.radius) * ((length - ahead) / length);
  const margin = m.limit * move.state.body.scale - needed + c.stretch / 2;
  return layer(c, "deflect", margin, {
    detail: { pushSide: push.u > 0 ? "right" : push.u < 0 ? "left" : "" },
    bareLimb,
  });
}

/** Unit push in the receiver's frame [u, w] by the hand of a side. */
function pushVector(m: Deflect, hand: Side): { u: number; w: number } {
  const own = hand === "left" ? -1 : 1;
  switch (m.push) {
    case "inward":
      return { u: -own, w: 0 };
    case "outward":
      return { u: own, w: 0 };
    case "down":
      return { u: 0, w: -1 };
    case "up":
      return { u: 0, w: 1 };
  }
}

/** Guided past, with a step; the arm is touched behind the weapon. */
export function pass(m: Extract<Mechanism, { by: "pass" }>, c: CoverContext): Layer {
  const { blow, move } = c;
  const went = norm(move.right, move.forward);
  const head = Math.hypot(move.right, move.state.posture.head.u, move.state.posture.head.d);
  const margin = Math.max(went, head) - m.step * move.state.body.scale * 0.9;
  if (margin < 0) return layer(c, "pass", margin, { fails: "companion", detail: { needs: "a step" } });
  if (blow.limb !== "hand" || blow.path === "shoot")
    return layer(c, "pass", -0.1, { fails: "open", detail: { why: "arm" } });
  const low = blow.aim.w < 0.45 * move.state.body.height;
  return layer(c, "pass", low ? -0.05 : 0.03 + margin, { detail: { why: low ? "place" : "" } });
}

/** How far both arms are ahead of the shoulders when they go in, a share of the arm. Common practice, no source. */
const ARMS_AHEAD = 0.62;

/** Inside the swing: the hands must reach the attacker's forearm. */
export function jam(c: CoverContext): Layer {
  const { blow, move, attacker } = c;
  if (blow.path === "shoot") return layer(c, "jam", -0.1, { fails: "open", detail: { why: "arm" } });
  if (blow.limb !== "hand") return jamKick(c);
  const between = blow.origin.d - move.forward;
  const forearm = 0.8 * (attacker.body.arm * 0.59) + 0.07;
  const reach = ARMS_AHEAD * move.state.body.arm;
  const margin = reach - Math.max(0, between - forearm);
  if (move.forward <= 0 && margin < 0)
    return layer(c, "jam", margin, { fails: "companion", detail: { needs: "a step in" } });
  return layer(c, "jam", margin);
}

/**
 * Inside a kick that swings: the step has to bring the arms to the thigh, where it has no speed yet. One that
 * comes straight pushes whoever steps in away.
 */
function jamKick(c: CoverContext): Layer {
  const { blow, move, attacker } = c;
  if (blow.path !== "arc") return layer(c, "jam", -0.1, { fails: "open", detail: { why: "heel" } });
  if (move.forward <= 0) return layer(c, "jam", -0.05, { fails: "companion", detail: { needs: "a step in" } });
  const away = Math.max(0, blow.origin.d - move.forward - attacker.body.height * SEGMENTS.thigh);
  return layer(c, "jam", ARMS_AHEAD * move.state.body.arm - away);
}

/** Holding the leg of a kick that lands on the arm or is caught at the body. */
export function seize(c: CoverContext): Layer {
  const { blow, move } = c;
  const H = move.state.body.height;
  const between = blow.aim.w > 0.45 * H && blow.aim.w < 0.8 * H;
  const ok = blow.limb === "leg" && between;
  return layer(c, "seize", ok ? 0.05 : -0.1, { detail: { why: blow.limb === "leg" ? "place" : "arm" } });
}

/** How much of the arm is straight when its weapon cuts at an arm in front; less than for a blow that goes through. */
const CUT_EXTENSION = 0.9;

/**
 * The weapon meets the arm that attacks, before its blow is there: the hand that comes must be in reach of
 * the weapon from where the body is now. A leg or a shot brings no arm.
 */
export function cut(c: CoverContext): Layer {
  const { blow, move, use } = c;
  const { state } = move;
  const hand = limbSide(use, state, blow.incoming);
  const held = weaponIn(state.body.person, state.weaponSide, hand);
  if (blow.limb !== "hand" || !held) return layer(c, "cut", -0.1, { detail: { why: "arm" }, bareLimb: false });
  const behind = blow.tip + (blow.weapon?.length ?? 0);
  const at = lineAt(blow, behind);
  const shoulder = {
    u: (hand === "left" ? -1 : 1) * state.body.halfShoulders + move.right + state.posture.chest.u,
    w: state.body.shoulderHeight + state.posture.chest.w,
    d: move.forward + state.posture.chest.d,
  };
  const away = Math.hypot(at.u - shoulder.u, at.w - shoulder.w, behind - shoulder.d);
  return layer(c, "cut", CUT_EXTENSION * state.body.arm + held.length - GRIP - away, { bareLimb: false });
}

/** What of a weapon lies in the hand, m. */
const GRIP = 0.1;
