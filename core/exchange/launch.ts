/** What happens on the feeder's side: their limbs, weight and balance, their step, and the blow itself. */
import type { Blow, Feed } from "./types.ts";
import { millis } from "../base/units.ts";
import { goesHigh, lateBack, launch, limbKind, limbSide } from "./blow.ts";
import { MODEL } from "./constants.ts";
import { applyAfter, applyAll, isDoneHeld } from "./limbs.ts";
import { gapFor } from "./layers.ts";
import { displacements, moveBody } from "./move-body.ts";
import { unsafeTarget } from "./targets.ts";
import { norm } from "../body/geometry.ts";
import type { MoveUse } from "../read/types.ts";
import { draft, type FindingDraft } from "../findings/finding.ts";
import {
  behind,
  distanceOf,
  frameOf,
  handsHome,
  heldBy,
  legWord,
  openState,
  setHold,
  STANCE,
  withBody,
  withState,
  type BodyState,
  type OpenState,
  type World,
} from "../body/state.ts";
import type { Range } from "../score/header.ts";
import { otherSide, type Side } from "../score/person.ts";

/** A feed that was sent on its way. */
interface Launched {
  /** null for a push, press, pull or release. */
  readonly blow: Blow | null;
  readonly findings: FindingDraft[];
  /** It does not arrive, because the one it is meant for went away after it was begun. */
  readonly madeShort: boolean;
  /** The bodies afterwards, with the feeder's step, weight and balance. */
  readonly world: World;
}

/** Returns a feed on its way, and the world after it. `range`: as it was written. */
export function launchFeed(feed: Feed, start: World, range: Range): Launched {
  const world = applyAll(feed.before, start, feed.actor, feed.receiver);
  const { use } = feed;
  const attacker = world[feed.actor]!;
  const receiver = world[feed.receiver]!;
  const side = limbSide(use, attacker, null);
  const findings = heldBack(feed, world, side);
  if (!use.move.attack) {
    return { blow: null, findings, madeShort: false, world: stepWith(feed, world, MODEL.plainStep) };
  }
  findings.push(...unready(feed, attacker, side), ...wrongWay(feed, world));
  const gained = feed.isReturn ? gainOf(use, attacker, side) : 0;
  // A blow brings the head back over the feet before it goes.
  const ready = withBody(world, withState(attacker, { posture: STANCE }));
  const there = stepWith(feed, ready, Math.max(0, gapFor(use, attacker, receiver)));
  const striker = there[feed.actor]!;
  const struck = there[feed.receiver]!;
  // What they walked before it takes time like the step of the blow itself.
  const walked = attacker.approach + Math.max(0, distanceOf(attacker, struck) - distanceOf(striker, struck));
  const blow = { ...launch(feed, striker, struck, gained), walked };
  const madeShort = blow.missing > REACHED && blow.missing <= wentAway(feed, striker, struck) + REACHED;
  findings.push(...roomFindings(feed, madeShort ? { ...blow, missing: 0 } : blow, range));
  const next = openState(striker);
  takeStep(blow, next, struck);
  settle(feed, next, side);
  return { blow, findings, madeShort, world: withBody(there, next) };
}

/** Less than this is no way at all, m. */
const REACHED = 1e-6;

/** How much further the receiver is away than when the feed was begun, m. */
function wentAway({ towards }: Feed, striker: BodyState, receiver: BodyState): number {
  if (!towards || !receiver.goesBack) return 0;
  return distanceOf(striker, receiver) - norm(striker.x - towards.x, striker.y - towards.y);
}

/** What the reach of a return gains from the answer before it, m: carry, and pushing off a foot; nothing by hand while the body still goes back. */
function gainOf(use: MoveUse, state: BodyState, side: Side): number {
  if (state.goesBack && limbKind(use) === "hand") return 0;
  return (state.carries ? MODEL.carry * state.body.scale : 0) + pushOff(state, side);
}

/** The limb is held by somebody. */
function heldBack({ use, row, actor }: Feed, world: World, side: Side): FindingDraft[] {
  const limb = limbKind(use);
  const holder = limb === "body" || isDoneHeld(use) ? null : heldBy(world, actor, limb, side);
  if (!holder) return [];
  return [draft(row, use, "limb-pinned", { actor, limb: `${side} ${limb}`, by: holder.actor, move: use.text })];
}

/** A blow to the front at somebody who holds on from behind. */
function wrongWay({ use, row, actor, receiver }: Feed, world: World): FindingDraft[] {
  if (use.move.attack?.backwards || behind(world, actor)?.actor !== receiver) return [];
  return [draft(row, use, "out-of-reach", { move: use.text, actor: receiver, code: "behind" })];
}

/** A blow at nobody: what is to be said of weight and balance, and the striker afterwards. */
export function strikeAlone(use: MoveUse, row: Feed["row"], state: BodyState) {
  const { actor } = state;
  const side = limbSide(use, state, null);
  const next = openState(state);
  next.posture = STANCE;
  settle({ use }, next, side);
  return { findings: unready({ use, row, actor }, state, side), state: next };
}

/** Balance, weight and target of a blow before it goes. */
function unready(feed: Pick<Feed, "use" | "row" | "actor">, attacker: BodyState, side: Side): FindingDraft[] {
  const { use, row, actor } = feed;
  const found: FindingDraft[] = [];
  if (attacker.unrecovered)
    found.push(draft(row, use, "not-recovered", { actor, move: use.text, state: attacker.unrecovered }));
  if (needsReload(feed, attacker, side)) found.push(draft(row, use, "reload", { move: use.text }));
  const unsafe = unsafeTarget(use, row);
  if (unsafe) found.push(unsafe);
  return found;
}

/** The world after the steps that are written in the beat of the blow: as far as it needs, `gap` at most. */
function stepWith({ companions, actor, receiver }: Feed, world: World, gap: number): World {
  if (companions.length === 0) return world;
  const { state } = moveBody(companions, world[actor]!, world[receiver]!, { blow: null, scale: 1, gap });
  // What takes hold in the same beat holds from that beat on.
  const holding = companions.filter((use) => use.move.contact);
  return applyAfter(holding, withBody(world, state), actor, receiver, null);
}

/** Whether a blow reaches, has room, and needs its step. */
function roomFindings({ use, row, isReturn, first, beatUses }: Feed, blow: Blow, range: Range): FindingDraft[] {
  const found: FindingDraft[] = [];
  if (blow.missing > REACHED) {
    const cm = Math.max(1, Math.round(blow.missing * 100));
    const stepped = beatUses.some((one) => displacements(one).some(({ feet }) => (feet?.forward ?? 0) > 0));
    const code = isReturn ? "return" : "feed";
    found.push(draft(row, use, "out-of-reach", { move: use.text, cm, code, ...(stepped ? { stepped: "yes" } : {}) }));
  }
  const { drive } = use.move.attack!;
  if (blow.tooHigh) found.push(draft(row, use, "out-of-reach", { move: use.text, code: "high" }));
  else if (blow.tooClose) found.push(draft(row, use, "too-close", { move: use.text }));
  // Inside work is done without a step.
  const inside = range !== null && "name" in range && (range.name === "trap" || range.name === "clinch");
  if (first && range !== null && blow.landsWithoutStep && blow.walked === 0 && !inside && !drive)
    found.push(draft(row, use, "no-step", { move: use.text }));
  return found;
}

/** What a return gains by pushing off a foot, m. */
const pushOff = (state: BodyState, side: Side): number =>
  (side === state.lead ? MODEL.pushOffLead : MODEL.pushOffRear) * state.body.scale;

/** The feeder's own step, and the drive of a shot: they stand until the line ends or they recover. */
function takeStep(blow: Blow, attacker: OpenState, receiver: BodyState): void {
  const way = blow.step + (blow.missing > 0 ? 0 : Math.min(blow.drive, Math.max(0, blow.origin.d - MODEL.nearest)));
  if (way <= 0) return;
  const { dx, dy } = frameOf(attacker, receiver);
  attacker.x += dx * way;
  attacker.y += dy * way;
  const { x, y } = attacker.ownStep;
  attacker.ownStep = { x: x + dx * way, y: y + dy * way };
}

/**
 * A blow that must push off a leg has no weight behind it where the blow before came from the same limb and
 * nothing has loaded it again. From the body up to the head the knees do that.
 */
function needsReload({ use }: Pick<Feed, "use">, { spent }: BodyState, side: Side): boolean {
  if (!use.move.attack!.loads || !spent || spent.limb !== limbKind(use) || spent.side !== side) return false;
  return spent.high || !goesHigh(use);
}

/** Weight, balance, chamber and hands after a blow. */
function settle(feed: Pick<Feed, "use">, attacker: OpenState, side: Side): void {
  const { attack, goesDown } = feed.use.move;
  if (attack!.leaves) attacker.weight = legWord(attacker, attack!.leaves === "same" ? side : otherSide(side));
  const limb = limbKind(feed.use);
  attacker.spent = limb === "body" || !attack!.loads ? null : { limb, side, high: goesHigh(feed.use) };
  attacker.approach = 0;
  if (attack!.overTurns) attacker.unrecovered = "over-turned";
  // A striker who has put in too much weight needs time before anything else.
  attacker.owes = millis(attacker.owes + Math.max(0, lateBack(feed.use)));
  if (goesDown) attacker.unrecovered = "down";
  if (limb === "hand") {
    setHold(attacker, side, null);
    handsHome(attacker);
    attacker.cycle = null;
  }
  attacker.carries = false;
  attacker.goesBack = false;
  if (attack!.tool === "stick" || attack!.tool === "blade")
    attacker.chamber = attack!.path === "arc" ? otherSide(side) : "ready";
}
