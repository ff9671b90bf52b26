/** Hands and legs: who uses which, what is held, and what a beat leaves behind. */
import type { Blow } from "./types.ts";
import { limbKind, limbSide, refSide } from "./blow.ts";
import { MODEL } from "./constants.ts";
import { moveBody } from "./move-body.ts";
import { draft, type FindingDraft } from "../findings/finding.ts";
import {
  EMPTY_HANDS,
  handsHome,
  heldBy,
  NO_STEP,
  openState,
  restore,
  setHold,
  STANCE,
  withBody,
  withState,
  type BodyState,
  type Hold,
  type OpenState,
  type World,
} from "../body/state.ts";
import { guardNamed, stanceNamed } from "../score/postures.ts";
import type { Body } from "../body/body.ts";
import { otherSide, type Held, type Side } from "../score/person.ts";
import type { Actor, Row } from "../score/types.ts";
import { isArmPart, isLegPart } from "../body/parts.ts";
import { partNamed, type PartName } from "../words/part-names.ts";
import type { MoveUse } from "../read/types.ts";
import type { Move } from "../words/types.ts";

interface LimbUse {
  readonly use: MoveUse;
  readonly limb: "hand" | "leg";
  readonly sides: readonly Side[];
}

/** The hands and legs that each part of a beat occupies. */
export function useLimbs(
  uses: readonly MoveUse[],
  world: World,
  actor: Actor,
  incoming: Side | null,
): readonly LimbUse[] {
  const state = world[actor]!;
  const list: LimbUse[] = [];
  for (const use of uses) {
    const limb = limbKind(use);
    if (limb === "body") continue;
    const sides: readonly Side[] =
      use.move.limb === "both hands" || takesBoth(use) ? ["left", "right"] : [limbSide(use, state, incoming)];
    list.push({ use, limb, sides });
  }
  // One after the other: what was moved to the other hand is busy there for the next.
  if (list.length > 1) list.forEach((one, i) => (list[i] = withFreeHand(one, list)));
  return list;
}

/** A hold on each of two parts takes a hand each. */
const takesBoth = ({ move, on }: MoveUse): boolean => move.contact !== undefined && on?.both === true;

/** A hold for which no hand is named is taken with the one that the rest of the beat leaves free. */
function withFreeHand(one: LimbUse, all: readonly LimbUse[]): LimbUse {
  const { use, limb, sides } = one;
  const [side] = sides;
  const any = limb === "hand" && sides.length === 1 && use.move.contact && !use.hand && !use.side;
  if (!any || !side) return one;
  const busy = (hand: Side) => all.some((other) => other !== one && other.limb === limb && other.sides.includes(hand));
  return busy(side) && !busy(otherSide(side)) ? { ...one, sides: [otherSide(side)] } : one;
}

/** True for a move that opens a hold. */
export const undoesHold = ({ contact }: Move): boolean => contact?.kind === "break" || contact?.kind === "clear";

/** True for what the very hand that is held can do: free itself, or work from the contact. */
export const isDoneHeld = ({ move }: MoveUse): boolean =>
  undoesHold(move) || move.answer?.some((m) => m.by === "energy") === true;

/** The other person's part that a contact move takes: as it is written, else its usual one. */
export const takenPart = ({ on, target, move }: MoveUse): PartName =>
  on?.part ?? target?.part ?? partNamed(move.contact?.on ?? "") ?? "forearm";

/** Limbs asked to do two things in one beat, and limbs that somebody holds. */
export function limbFindings(
  uses: readonly MoveUse[],
  row: Row,
  world: World,
  actor: Actor,
  incoming: Side | null,
): FindingDraft[] {
  const found: FindingDraft[] =
    uses.length < 2 ? [] : [...offTheFloor(uses, world[actor]!, row, incoming), ...undone(uses, row)];
  const used = useLimbs(uses, world, actor, incoming);
  const state = world[actor]!;
  used.forEach((one, i) => {
    for (const side of one.sides) {
      const holder = heldBy(world, actor, one.limb, side);
      const frees = isDoneHeld(one.use);
      if (holder && !frees)
        found.push(
          draft(row, one.use, "limb-pinned", {
            actor,
            limb: `${side} ${one.limb}`,
            by: holder.actor,
            move: one.use.text,
          }),
        );
    }
    const twice = used
      .slice(0, i)
      .find((other) => other.limb === one.limb && other.sides.some((side) => one.sides.includes(side)));
    if (twice) {
      const side = one.sides.find((s) => twice.sides.includes(s))!;
      const weapon = state.body.person.holds !== null && side === state.weaponSide && one.limb === "hand";
      found.push(
        draft(row, one.use, "limb-busy", {
          code: weapon ? "weapon" : "limb",
          limb: `${side} ${one.limb}`,
          first: twice.use.text,
          second: one.use.text,
        }),
      );
    }
  });
  return found;
}

/** One foot stays on the floor: a beat that lifts both is said at the second. */
function offTheFloor(
  uses: readonly MoveUse[],
  state: BodyState,
  row: Row,
  incoming: Side | null,
): readonly FindingDraft[] {
  const legs = uses.filter((use) => limbKind(use) === "leg" && !use.feint);
  const [first] = legs;
  const second = legs.find((use) => limbSide(use, state, incoming) !== limbSide(first!, state, incoming));
  return second ? [draft(row, second, "limb-busy", { code: "legs", first: first!.text, second: second.text })] : [];
}

const OPPOSITE: Readonly<Partial<Record<NonNullable<MoveUse["way"]>, readonly MoveUse["way"][]>>> = {
  left: ["right"],
  right: ["left"],
  in: ["out", "back"],
  out: ["in"],
  back: ["in", "forward"],
  forward: ["back"],
};

/** The same movement one way and the other in one beat comes to nothing. */
function undone(uses: readonly MoveUse[], row: Row): readonly FindingDraft[] {
  for (const [i, second] of uses.entries()) {
    const first = uses.slice(0, i).find(({ move, way }) => {
      const same = move === second.move && way !== null && second.way !== null;
      return same && OPPOSITE[way]?.includes(second.way) === true;
    });
    if (first) return [draft(row, second, "limb-busy", { code: "ways", first: first.text, second: second.text })];
  }
  return [];
}

/** Returns the world with what the parts of an answering beat leave behind: holds, hands that let go, weight. */
export function applyAfter(
  uses: readonly MoveUse[],
  world: World,
  actor: Actor,
  other: Actor,
  blow: Blow | null,
): World {
  if (uses.length === 0) return world;
  const state = openState(world[actor]!);
  const partner = openState(world[other]!);
  // Which limbs work is a matter of how they stood when the beat began.
  for (const { use, limb, sides } of useLimbs(uses, world, actor, blow?.incoming ?? null)) {
    if (limb !== "hand") continue;
    handsHome(state);
    // Hands that do something else have left a contact cycle.
    if (use.move.cycle !== state.cycle?.id) state.cycle = null;
    // A hand that does something new lets go of what it held.
    for (const side of sides) {
      setHold(state, side, null);
      // What works from the contact has turned a hand that was gripped out of the grip.
      if (worksFromContact(use.move)) freeGrip(partner, actor, side);
    }
    if (use.move.disarms) disarm(state, partner);
    else if (use.move.contact) takeHold(use, sides[0]!, state, partner, blow);
    if (use.move.answer?.some((m) => m.by === "deflect")) state.carries = true;
  }
  for (const { move } of uses) {
    if (move.goesDown && !move.attack) state.unrecovered = "down";
    if (move.restores) restore(state);
    if (move.faces) turnTo(partner, actor);
  }
  return withBody(withBody(world, partner), state);
}

/** The weapon leaves one hand and arrives in another: the free one of the person who took it. */
function disarm(state: OpenState, partner: OpenState): void {
  const { person } = partner.body;
  if (!person.holds) return;
  const { kind, length, count } = person.holds;
  partner.body = holding(partner.body, count === 2 ? { kind, length, count: 1 } : null);
  const own = state.body.person.holds;
  if (!own) state.weaponSide = otherSide(partner.weaponSide);
  state.body = holding(state.body, own ? { ...own, count: 2, off: { kind, length } } : { kind, length, count: 1 });
}

const holding = (body: Body, holds: Held | null): Body => ({ ...body, person: { ...body.person, holds } });

/** True for what turns the contact aside with the arm that is in it. */
const worksFromContact = ({ answer }: Move): boolean =>
  answer?.some((m) => m.by === "energy") === true && answer.some((m) => m.by === "deflect");

/** A grip on somebody's hand comes open; a pin stays. */
function freeGrip(holder: OpenState, of: Actor, side: Side): void {
  for (const hand of ["left", "right"] as const) {
    const hold = holder.holds[hand];
    if (hold?.of === of && hold.limb === "hand" && hold.side === side && hold.kind === "grip")
      setHold(holder, hand, null);
  }
}

/** The person behind is in front of them from now on, with the same grip. */
function turnTo(holder: OpenState, actor: Actor): void {
  for (const hand of ["left", "right"] as const) {
    const hold = holder.holds[hand];
    if (hold?.of !== actor || !hold.behind) continue;
    const { of, limb, side, kind } = hold;
    setHold(holder, hand, { of, limb, side, kind });
  }
}

/** Returns the world after a beat that answers nothing: steps, grabs, guards, changes of stance and hands. */
export function applySetUp(uses: readonly MoveUse[], world: World, actor: Actor, other: Actor): World {
  const state = world[actor];
  const partner = world[other];
  if (!state || !partner) return world;
  const attacks = uses.some((use) => use.move.attack);
  const next = openState(attacks ? state : stepped(uses, state, partner));
  for (const use of uses) {
    const { restores, changes, opens, takes } = use.move;
    if (restores) {
      restore(next);
      next.x -= next.ownStep.x + next.wandered.x;
      next.y -= next.ownStep.y + next.wandered.y;
      next.ownStep = NO_STEP;
      next.wandered = NO_STEP;
    }
    if (takes?.stance) next.stance = stanceNamed(takes.stance) ?? next.stance;
    if (takes?.guard) next.guard = guardNamed(takes.guard) ?? next.guard;
    if (changes === "stance") next.lead = otherSide(next.lead);
    if (changes === "hands") next.weaponSide = otherSide(next.weaponSide);
    if (opens) next.open = true;
    if (attacks) next.posture = STANCE;
  }
  const others = uses.filter((use) => !use.move.attack);
  return applyAfter(others, withBody(world, next), actor, other, null);
}

/** Returns the world after several beats that answer nothing, one after the other. */
export const applyAll = (beats: readonly (readonly MoveUse[])[], world: World, actor: Actor, other: Actor): World =>
  beats.reduce((now, uses) => applySetUp(uses, now, actor, other), world);

/** The state after the steps of a set-up, with how far they have brought it nearer. */
function stepped(uses: readonly MoveUse[], state: BodyState, partner: BodyState): BodyState {
  const moved = moveBody(uses, state, partner, { blow: null, scale: 1, gap: MODEL.plainStep });
  return withState(moved.state, { approach: Math.max(0, state.approach + moved.forward) });
}

const BOTH = ["left", "right"] as const;

/** Opens a hold: what goes round the body at once; of two hands that are held the one that frees itself. */
function breakHold(use: MoveUse, hand: Side, state: BodyState, partner: OpenState): void {
  const held = BOTH.filter((side) => partner.holds[side]?.of === state.actor);
  const hands = held.filter((side) => partner.holds[side]!.limb === "hand");
  const one = hands.length > 1 && use.move.limb !== "both hands";
  for (const side of held) {
    const hold = partner.holds[side]!;
    if (!one || hold.limb !== "hand" || hold.side === hand) setHold(partner, side, null);
  }
}

/** Takes, touches, frees: the other person's part that a contact move works on. */
function takeHold(use: MoveUse, hand: Side, state: OpenState, partner: OpenState, blow: Blow | null): void {
  const { kind, incoming, behind: fromBehind } = use.move.contact!;
  if (use.on?.own) {
    setHold(state, hand, { of: state.actor, limb: "hand", side: state.weaponSide, kind: "own" });
    return;
  }
  if (kind === "clear") {
    state.holds = EMPTY_HANDS;
    return;
  }
  if (kind === "break") return breakHold(use, hand, state, partner);
  const part = takenPart(use);
  const limb = isArmPart(part) ? "hand" : isLegPart(part) ? "leg" : "body";
  const natural = incoming && blow && !use.on?.side ? blow.side : partner.lead;
  const side = refSide(use.on ?? use.target, partner, part === "weapon" ? partner.weaponSide : natural);
  const held = incoming && blow?.limb === "leg" && !use.on ? "leg" : limb;
  if (takesBoth(use) && held !== "body") {
    // Each hand takes what is across from it.
    for (const own of BOTH) setHold(state, own, { of: partner.actor, limb: held, side: otherSide(own), kind });
    return;
  }
  const named = (use.on ?? use.target)?.side ? { sided: true as const } : {};
  const taken: Hold = { of: partner.actor, limb: held, side, kind, ...named };
  setHold(state, hand, fromBehind ? { ...taken, behind: true } : taken);
}
