/** What happens on the feeder's side: their limbs, weight and balance, their step, and the blow itself. */
import type { Blow, Feed } from "./types.ts";
import { launch, limbKind, limbSide } from "./blow.ts";
import { MODEL } from "./constants.ts";
import { applySetUp } from "./limbs.ts";
import { gapFor } from "./layers.ts";
import { displacements, moveBody } from "./move-body.ts";
import { unsafeTarget } from "./targets.ts";
import { draft, type FindingDraft } from "../findings/finding.ts";
import { frameOf, heldBy, legWord, setHold, STANCE, type BodyState, type World } from "../body/state.ts";
import type { Range } from "../score/header.ts";
import { otherSide, type Side } from "../score/person.ts";

/** A feed that was sent on its way. */
interface Launched {
  /** null for a push, press, pull or release. */
  readonly blow: Blow | null;
  readonly findings: FindingDraft[];
  /** What a return's reach gained, m. */
  readonly gained: number | null;
}

/** Sends a feed on its way: the world has the feeder's step, weight and balance afterwards. `range`: as it was written. */
export function launchFeed(feed: Feed, world: World, range: Range): Launched {
  for (const uses of feed.before) applySetUp(uses, world, feed.actor, feed.receiver);
  const { use } = feed;
  const attacker = world[feed.actor]!;
  const receiver = world[feed.receiver]!;
  const side = limbSide(use, attacker, null);
  const findings = heldBack(feed, world, side);
  if (!use.move.attack) return { blow: null, findings, gained: null };
  findings.push(...unready(feed, attacker, side));
  // A blow brings the head back over the feet before it goes.
  const carried = attacker.carries;
  attacker.posture = STANCE;
  const striker = steppedIn(feed, world);
  const gained =
    feed.gained ?? (feed.isReturn ? (carried ? MODEL.carry * striker.body.scale : 0) + pushOff(striker, side) : 0);
  const blow = launch(feed, striker, receiver, gained);
  findings.push(...roomFindings(feed, blow, range));
  takeStep(blow, striker, receiver);
  settle(feed, striker, side);
  return { blow, findings, gained };
}

/** The limb is held by somebody. */
function heldBack({ use, row, actor }: Feed, world: World, side: Side): FindingDraft[] {
  const limb = limbKind(use);
  const holder = limb === "body" ? null : heldBy(world, actor, limb, side);
  if (!holder) return [];
  return [draft(row, use, "limb-pinned", { actor, limb: `${side} ${limb}`, by: holder.actor, move: use.text })];
}

/** Balance, weight and target of a blow before it goes. */
function unready(feed: Feed, attacker: BodyState, side: Side): FindingDraft[] {
  const { use, row, actor } = feed;
  const found: FindingDraft[] = [];
  if (attacker.unrecovered)
    found.push(draft(row, use, "not-recovered", { actor, move: use.text, state: attacker.unrecovered }));
  if (needsReload(feed, attacker, side)) found.push(draft(row, use, "reload", { move: use.text }));
  const unsafe = unsafeTarget(use, row);
  if (unsafe) found.push(unsafe);
  return found;
}

/** The feeder after the steps that are written in the beat of the blow: as far as it needs. */
function steppedIn(feed: Feed, world: World): BodyState {
  const attacker = world[feed.actor]!;
  const stepping = feed.beatUses.filter((other) => other !== feed.use && displacements(other).length > 0);
  if (stepping.length > 0 && !feed.isReturn) {
    const receiver = world[feed.receiver]!;
    const gap = Math.max(0, gapFor(feed.use, attacker, receiver));
    world[feed.actor] = moveBody(stepping, attacker, receiver, { blow: null, scale: 1, gap }).state;
  }
  return world[feed.actor]!;
}

/** Whether a blow reaches, has room, and needs its step. */
function roomFindings({ use, row, isReturn, first }: Feed, blow: Blow, range: Range): FindingDraft[] {
  const found: FindingDraft[] = [];
  if (blow.missing > 1e-6) {
    const cm = Math.max(1, Math.round(blow.missing * 100));
    found.push(draft(row, use, "out-of-reach", { move: use.text, cm, code: isReturn ? "return" : "feed" }));
  }
  const { minGap = 0, drive } = use.move.attack!;
  if (blow.tooClose && !isReturn)
    found.push(draft(row, use, "too-close", { move: use.text, gap: round2(blow.origin.d), need: minGap }));
  const near = blow.origin.d <= MODEL.trap + 0.05;
  if (first && range !== null && blow.landsWithoutStep && !near && !drive)
    found.push(draft(row, use, "no-step", { move: use.text }));
  return found;
}

const round2 = (x: number): number => Math.round(x * 100) / 100;

/** What a return gains by pushing off a foot, m. */
const pushOff = (state: BodyState, side: Side): number =>
  (side === state.lead ? MODEL.pushOffLead : MODEL.pushOffRear) * state.body.scale;

/** The feeder's own step, and the drive of a shot: they stand until the line ends or they recover. */
function takeStep(blow: Blow, attacker: BodyState, receiver: BodyState): void {
  const way = blow.step + (blow.missing > 0 ? 0 : Math.min(blow.drive, Math.max(0, blow.origin.d - MODEL.nearest)));
  if (way <= 0) return;
  const { dx, dy } = frameOf(attacker, receiver);
  attacker.x += dx * way;
  attacker.y += dy * way;
  const { x, y } = attacker.ownStep;
  attacker.ownStep = { x: x + dx * way, y: y + dy * way };
}

/** A blow that must push off a leg has no weight behind it when the weight is on the other. */
function needsReload(feed: Feed, attacker: BodyState, side: Side): boolean {
  const loads = feed.use.move.attack!.loads;
  if (!loads || attacker.weight === "even") return false;
  return attacker.weight !== legWord(attacker, loads === "same" ? side : otherSide(side));
}

/** Weight, balance, chamber and hands after a blow. */
function settle(feed: Feed, attacker: BodyState, side: Side): void {
  const { attack, goesDown } = feed.use.move;
  if (attack!.leaves) attacker.weight = legWord(attacker, attack!.leaves === "same" ? side : otherSide(side));
  if (attack!.overTurns) attacker.unrecovered = "over-turned";
  if (goesDown) attacker.unrecovered = "down";
  if (limbKind(feed.use) === "hand") setHold(attacker, side, null);
  attacker.carries = false;
  if (attack!.tool === "stick" || attack!.tool === "blade")
    attacker.chamber = attack!.path === "arc" ? otherSide(side) : "ready";
}
