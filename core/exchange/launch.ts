/** What happens on the feeder's side: his limbs, weight and balance, his step, and the blow itself. */
import type { Blow, Feed } from "./types.ts";
import { launch, limbKind, limbSide } from "./blow.ts";
import { MODEL } from "./constants.ts";
import { applySetUp } from "./limbs.ts";
import { gapFor } from "./layers.ts";
import { displacements, moveBody } from "./move-body.ts";
import { unsafeTarget } from "./targets.ts";
import { draft, type FindingDraft } from "../findings/finding.ts";
import { frameOf, heldBy, setHold, STANCE, type BodyState, type World } from "../body/state.ts";
import { otherSide, type Side } from "../score/person.ts";

/** Sends a feed on its way: the world has the feeder's step, weight and balance afterwards. */
export function launchFeed(
  feed: Feed,
  world: World,
  rangeWritten: boolean,
): { blow: Blow | null; findings: FindingDraft[]; gained: number | null } {
  const findings: FindingDraft[] = [];
  for (const uses of feed.before) applySetUp(uses, world, feed.actor, feed.receiver);
  const { use, row } = feed;
  const attacker = world[feed.actor]!;
  const receiver = world[feed.receiver]!;
  const limb = limbKind(use);
  const side = limbSide(use, attacker, null);
  if (limb !== "body") {
    const holder = heldBy(world, feed.actor, limb, side);
    if (holder)
      findings.push(
        draft(row, use, "limb-pinned", {
          actor: feed.actor,
          limb: `${side} ${limb}`,
          by: holder.actor,
          move: use.text,
        }),
      );
  }
  if (!use.move.attack) return { blow: null, findings, gained: null };

  if (attacker.unrecovered)
    findings.push(draft(row, use, "not-recovered", { actor: feed.actor, move: use.text, state: attacker.unrecovered }));
  if (needsReload(feed, attacker, side)) findings.push(draft(row, use, "reload", { move: use.text }));
  const unsafe = unsafeTarget(use, row, limb === "leg");
  if (unsafe) findings.push(unsafe);

  // A blow brings the head back over the feet before it goes.
  const carried = attacker.carries;
  attacker.posture = STANCE;
  const stepping = feed.beatUses.filter((other) => other !== use && displacements(other).length > 0);
  if (stepping.length > 0 && !feed.isReturn) {
    const gap = Math.max(0, gapFor(use, attacker, receiver));
    world[feed.actor] = moveBody(stepping, attacker, receiver, null, 1, gap).state;
  }
  const striker = world[feed.actor]!;
  const gained = feed.gained ?? (feed.isReturn ? pushOff(striker, side, carried) : 0);
  const blow = launch(feed, striker, receiver, gained);
  if (blow.missing > 1e-6)
    findings.push(
      draft(row, use, "out-of-reach", {
        move: use.text,
        cm: Math.max(1, Math.round(blow.missing * 100)),
        code: feed.isReturn ? "return" : "feed",
      }),
    );
  if (blow.tooClose && !feed.isReturn)
    findings.push(
      draft(row, use, "too-close", { move: use.text, gap: round2(blow.origin.d), need: use.move.attack.minGap ?? 0 }),
    );
  if (
    feed.first &&
    rangeWritten &&
    blow.landsWithoutStep &&
    blow.origin.d > MODEL.trap + 0.05 &&
    !use.move.attack.drive
  )
    findings.push(draft(row, use, "no-step", { move: use.text }));
  takeStep(blow, striker, receiver);
  settle(feed, striker, side, limb);
  return { blow, findings, gained };
}

const round2 = (x: number): number => Math.round(x * 100) / 100;

/** What a return gains beyond its plain reach: carried forward by the answer, pushed off a foot. */
function pushOff(state: BodyState, side: Side, carried: boolean): number {
  const push = side === state.lead ? MODEL.pushOffLead : MODEL.pushOffRear;
  return ((carried ? MODEL.carry : 0) + push) * state.body.scale;
}

/** The feeder's own step, and the drive of a shot: they stand until the line ends or he recovers. */
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

const legWord = (state: BodyState, side: Side): "lead" | "rear" => (side === state.lead ? "lead" : "rear");

/** Weight, balance, chamber and hands after a blow. */
function settle(feed: Feed, attacker: BodyState, side: Side, limb: "hand" | "leg" | "body"): void {
  const { attack, goesDown } = feed.use.move;
  if (attack!.leaves) attacker.weight = legWord(attacker, attack!.leaves === "same" ? side : otherSide(side));
  if (attack!.overTurns) attacker.unrecovered = "over-turned";
  if (goesDown) attacker.unrecovered = "down";
  if (limb === "hand") setHold(attacker, side, null);
  attacker.carries = false;
  if (attack!.tool === "stick" || attack!.tool === "blade")
    attacker.chamber = attack!.path === "arc" ? otherSide(side) : "ready";
}
