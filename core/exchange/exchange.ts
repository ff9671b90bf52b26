/** One feed and what answers it: layers, verdict, findings, and the states that follow. */
import { metres, millis } from "../base/units.ts";
import type { Blow, CheckedExchange, Contact, Feed, FollowUp, Layer, Pose } from "./types.ts";
import { brokenRules } from "./restrictions.ts";
import { ceilingFor, isNear, isTouched } from "./in-time.ts";
import { balanceOf } from "./keeps-balance.ts";
import { percent } from "./time.ts";
import { followUps } from "./follow-ups.ts";
import { applyAfter, applyAll, limbFindings, useLimbs } from "./limbs.ts";
import { answerBlow, answerPressure, GRID, PLAIN, type Answered, type Stretch } from "./layers.ts";
import { lateBack } from "./blow.ts";
import { launchFeed } from "./launch.ts";
import { MODEL } from "./constants.ts";
import { displacements, usesFeet } from "./move-body.ts";
import { verdictOf } from "./verdict.ts";
import { unsafeTarget } from "./targets.ts";
import { explainFailure } from "./explain.ts";
import { draft, type FindingDraft } from "../findings/finding.ts";
import type { LineHeader } from "../score/header.ts";
import type { Usage } from "../customs/customs.ts";
import type { Side } from "../score/person.ts";
import type { Actor } from "../score/types.ts";
import { heldBy, risen, STANCE, withBody, withState, type BodyState, type World } from "../body/state.ts";
import type { MoveUse, DoneBeat } from "../read/types.ts";

/** What the checker knows beside the two bodies. All that a verdict rests on is part of the key of kept lines. */
export interface Setting {
  readonly header: LineHeader;
  readonly usage: Usage;
  /** How many different feeds may come at this place. */
  readonly choices: number;
  readonly label: string | null;
  readonly section: string | null;
  readonly pass: number | null;
}

/** What was done, and the bodies after it. */
export interface Done {
  readonly exchange: CheckedExchange;
  readonly world: World;
}

/** A feed on its way to somebody, with what is done against it. */
interface Situation {
  readonly feed: Feed;
  readonly blow: Blow | null;
  readonly beat: DoneBeat | null;
  readonly world: World;
  readonly setting: Setting;
  /** It falls short of somebody who went away. */
  readonly madeShort: boolean;
}

/** What came of it: how it was answered, how surely, what the feeder can do next. */
interface Outcome {
  readonly answered: Answered;
  readonly robust: number;
  readonly next: readonly FollowUp[];
  readonly findings: readonly FindingDraft[];
}

const usesOf = ({ beat }: Situation): readonly MoveUse[] => beat?.uses ?? [];

/** Returns an answer (null: nobody answers) to a feed as it was judged, with the world after both. */
export function checkExchange(feed: Feed, beat: DoneBeat | null, start: World, setting: Setting): Done {
  const met = rises(start, feed.receiver);
  const before = poses(met);
  const { findings: feedFindings, ...launched } = launchFeed(feed, met, setting.header.range);
  const { blow, madeShort, world } = launched;
  const situation: Situation = { feed, beat, setting, ...launched };
  const outcome = answerOf(situation);
  const { answered } = outcome;
  const stays = answered.best?.by === "none" && answered.best.fails === null;
  const ceiling = answered.best?.fails === null && !stays ? ceilingFor({ feed, blow, world, setting }, answered) : null;
  // What they fell for before is paid with an answer in time.
  const moved = ceiling ? withState(answered.move.state, { owes: millis(0) }) : answered.move.state;
  const contact = contactOf(situation, answered, moved);
  const answeredTo = beat ? movedOn(situation, answered, moved) : world;
  const after = applyAll(feed.after, answeredTo, feed.actor, feed.receiver);
  // To stay is an answer where the feed falls short.
  const ofFeed = stays ? feedFindings.filter(({ rule }) => rule !== "out-of-reach") : feedFindings;
  const findings = [...ofFeed, ...outcome.findings];
  const uses = usesOf(situation);
  const answer = uses.filter((use) => !use.move.attack || use.move.answer || answered.best?.use === use);
  const exchange: CheckedExchange = {
    from: feed.use.from,
    to: beat?.to ?? feed.use.to,
    row: feed.row,
    label: setting.label,
    section: setting.section,
    pass: setting.pass,
    feed: feed.use,
    feedText: feed.use.text,
    feeder: feed.actor,
    responder: feed.receiver,
    answerSpan: beat && { from: beat.from, to: beat.to },
    before,
    after: poses(after),
    returns: [],
    beat: uses,
    answer,
    answerText: answer.map((use) => use.text).join(" + "),
    verdict: verdictOf(findings),
    margin: answered.best?.margin ?? (madeShort && !beat ? metres(blow!.missing) : null),
    robust: outcome.robust,
    ceiling: ceiling?.value ?? null,
    times: ceiling?.times ?? null,
    layers: answered.layers,
    ends: beat ? endSide(blow, answered, answeredTo[feed.receiver]!) : null,
    followUps: outcome.next,
    pads: [],
    says: null,
    findings,
    blow,
    contact,
  };
  return { exchange, world: after };
}

/** The world with somebody up from under the last blow. */
function rises(world: World, who: Actor): World {
  const state = world[who]!;
  const posture = risen(state.posture);
  return state.unrecovered === "down" || posture === state.posture
    ? world
    : withBody(world, withState(state, { posture }));
}

/** How a feed is answered, with everything that is to be said of it. */
function answerOf(s: Situation): Outcome {
  const { feed, blow, beat, world, setting } = s;
  const uses = usesOf(s);
  const receiver = world[feed.receiver]!;
  const findings = limbFindings(uses, feed.row, world, feed.receiver, blow?.incoming ?? null);
  for (const use of uses)
    findings.push(...brokenRules(use, feed.row, receiver, setting.header, blow?.incoming ?? null));
  const unseen =
    blow && setting.header.rules[feed.receiver].has("eyes closed") && setting.header.kind !== "sensitivity";
  if (unseen && beat && !isTouched(world, feed.receiver))
    findings.push(
      draft(feed.row, beat, "rule-broken", {
        code: "unseen",
        actor: feed.receiver,
        feed: feed.use.text,
        rule: "eyes closed",
      }),
    );
  const broken = findings.some((f) => f.rule === "rule-broken");
  const answered = tryAnswer(s, PLAIN);
  const robust = robustness(s, answered);
  if (beat) {
    const next = nextOf(s, answered);
    const lead = world[feed.actor]!.lead;
    findings.push(
      ...answerFindings({
        feed,
        blow,
        beat,
        answered,
        next,
        robust,
        setting,
        lead,
        madeShort: s.madeShort,
        broken,
        from: receiver,
      }),
    );
    return { answered, robust, next, findings };
  }
  if (setting.header.kind !== "solo" && !s.madeShort)
    findings.push(
      draft(feed.row, feed.use, "no-answer", { feed: feed.use.text, code: "nobody", actor: feed.receiver }),
    );
  return { answered, robust, next: [], findings };
}

function tryAnswer(s: Situation, stretch: Stretch): Answered {
  const { feed, blow, world } = s;
  const attacker = world[feed.actor]!;
  const receiver = world[feed.receiver]!;
  return blow
    ? answerBlow(usesOf(s), blow, attacker, receiver, stretch)
    : answerPressure(usesOf(s), feed, attacker, receiver, stretch.displacement);
}

/** What the feeder's other limbs can do after a blow. */
function nextOf(s: Situation, { move, best }: Answered): FollowUp[] {
  const { feed, blow, world, setting } = s;
  if (!blow || blow.path === "shoot") return [];
  return followUps({
    vocabulary: setting.usage.vocabulary,
    blow,
    late: lateBack(feed.use),
    attacker: world[feed.actor]!,
    receiver: move.state,
    world,
    right: move.right,
    forward: move.forward,
    pushed: pushOf(best),
    busy: deflecting(usesOf(s), world, feed.receiver, blow.incoming),
  });
}

/** The bodies at the moment of contact. */
function contactOf(s: Situation, { move }: Answered, receiver: BodyState): Contact {
  const { feed, blow, beat, world } = s;
  return {
    attacker: world[feed.actor]!,
    receiver,
    right: move.right,
    forward: move.forward,
    busy: beat ? workingHands(usesOf(s), world, feed.receiver, blow?.incoming ?? null) : [],
  };
}

/** The world with the receiver where the answer has brought them, and with what it leaves behind. */
function movedOn(s: Situation, { move, best }: Answered, moved: BodyState): World {
  const { feed, blow, world } = s;
  // Somebody who stands and covers is over their feet again; after a movement they are still where they went.
  const stands = move.moved.length === 0 ? withState(moved, { posture: STANCE }) : moved;
  const after = applyAfter(usesOf(s), withBody(world, stands), feed.receiver, feed.actor, blow);
  if (blow || best?.detail.kind !== "yields") return after;
  const receiver = after[feed.receiver]!;
  return withBody(after, withState(receiver, { yielded: receiver.yielded + MODEL.yieldUse }));
}

interface AnswerFacts {
  readonly feed: Feed;
  readonly blow: Blow | null;
  readonly beat: DoneBeat;
  readonly answered: Answered;
  readonly next: readonly FollowUp[];
  readonly robust: number;
  readonly setting: Setting;
  /** Which side the feeder has in front. */
  readonly lead: Side;
  readonly madeShort: boolean;
  /** Something in the answer breaks a rule of the drill. */
  readonly broken: boolean;
  /** The receiver before they moved. */
  readonly from: BodyState;
}

function answerFindings(f: AnswerFacts): FindingDraft[] {
  const { feed, blow, beat, answered, setting } = f;
  const { best } = answered;
  const row = feed.row;
  const found: FindingDraft[] = [];
  // One fault, one finding: what a rule of the drill forbids need not be good for anything besides.
  const forbidden = f.broken && beat.uses.length === 1;
  if ((!best || best.fails) && !f.madeShort && !forbidden) {
    // One fault, one finding: where the drill forbids resisting, that is what is wrong.
    if (best?.fails === "resisting" && setting.header.rules[feed.receiver].has("no resisting"))
      found.push(
        draft(row, beat, "rule-broken", {
          code: "resisting",
          move: best.use.text,
          feed: feed.use.text,
          rule: "no resisting",
        }),
      );
    else found.push(explainFailure(feed, blow, beat, answered));
  }
  for (const use of beat.uses) {
    const unsafe = unsafeTarget(use, row);
    if (unsafe) found.push(unsafe);
  }
  const bare = answered.layers.find((layer) => layer.bareLimb);
  if (blow?.tool === "blade" && bare) found.push(draft(row, bare.use, "blade-arm", { move: bare.use.text }));
  const inside = insideLine(f);
  if (inside) found.push(inside);
  const open = inside || best?.fails !== null ? undefined : openBlow(f);
  if (open) found.push(draft(row, beat, "follow-up", { next: open.move, actor: feed.receiver }));
  const received = best?.detail.kind === "receives" && setting.usage.customs.rooting === "risky";
  if (received && setting.header.rules[feed.receiver].has("no resisting"))
    found.push({
      ...draft(row, beat, "resisting", { code: "receives", move: best.use.text, feed: feed.use.text }),
      severity: "risk",
    });
  const over = balanceOf(f);
  if (over !== null) found.push(draft(row, beat, "off-balance", { cm: over }));
  if (best?.fails === null && best.detail.risky)
    found.push({
      ...draft(row, best.use, "wrong-material", { what: String(best.detail.what), limb: String(best.detail.limb) }),
      severity: "risk",
    });
  const only = best?.fails === null && best.by === "displace" ? notEnough(blow, best) : null;
  if (only) found.push(draft(row, best!.use, "tight", { code: only, feed: feed.use.text }));
  if (
    best?.fails === null &&
    best.margin < MODEL.tight &&
    (f.robust < MODEL.tightRobust || best.margin < MODEL.hair) &&
    !best.detail.risky
  )
    found.push(draft(row, beat, "tight", { cm: Math.round(best.margin * 1000) / 10, percent: percent(f.robust) }));
  return found;
}

/** What gets out of the way once and is no answer by itself: the head alone from a blade, straight back from a shot. */
function notEnough(blow: Blow | null, { use, detail }: Layer): "blade" | "stick" | "shot" | null {
  if (blow?.tool === "blade" && !usesFeet(use)) return "blade";
  if (blow?.tool === "stick" && !usesFeet(use)) return "stick";
  return blow?.path === "shoot" &&
    !blow.zone.startsWith("shin") &&
    detail.how === "short" &&
    displacements(use).some((m) => m.feet)
    ? "shot"
    : null;
}

/**
 * A straight hand blow was answered by moving or deflecting so that the head is on the side of the
 * feeder's other hand, that hand's blow to the head is open, and nothing is thrown with it.
 */
function insideLine({ feed, blow, beat, answered, next, lead, setting }: AnswerFacts): FindingDraft | null {
  const { best, move } = answered;
  if (!blow || !best || best.fails || blow.path === "shoot" || blow.limb !== "hand") return null;
  if (best.by !== "displace" && best.by !== "deflect") return null;
  if (beat.uses.some((use) => use.move.attack) || best.detail.how === "short") return null;
  // Hands that stay in contact are there for the other hand as well.
  if (best.by === "deflect" && isNear(setting.header.range) && best.use.move.answer?.some((m) => m.by === "energy"))
    return null;
  // Under a round blow the head may go either way: with the blow it comes up in front of the other hand.
  const round = blow.path === "arc";
  if (round && (best.by !== "displace" || !blow.from || Math.abs(blow.from.u) < 0.8)) return null;
  const side = move.state.posture.head.u + move.right - pushOf(best) - (round ? 0 : blow.aim.u);
  const otherHand = round ? -Math.sign(blow.from!.u) : blow.side === "left" ? -1 : 1;
  if (side * otherHand <= MODEL.onLine) return null;
  const hand = blow.side === lead ? "rear hand" : "lead hand";
  const open = next.find((n) => n.limb === hand && n.state === "open");
  return open ? draft(feed.row, beat, "inside-line", { next: open.move, feed: feed.use.text }) : null;
}

/** What the feeder can land next where nothing is thrown at them meanwhile, if it threatens much. */
const openBlow = ({ beat, next }: AnswerFacts): FollowUp | undefined =>
  beat.uses.some((use) => use.move.attack)
    ? undefined
    : next.find((n) => n.state === "open" && n.threat >= MODEL.openThreat);

/** Where the answer leaves the head against a hand that attacked: outside the arm (the dead side), inside, or on its line. */
function endSide(blow: Blow | null, { best, move }: Answered, { posture }: BodyState): CheckedExchange["ends"] {
  if (!blow || blow.limb !== "hand" || blow.path !== "thrust") return null;
  const side = posture.head.u + move.right - pushOf(best) - blow.aim.u;
  if (Math.abs(side) <= MODEL.onLine) return "on the line";
  return side * (blow.side === "left" ? -1 : 1) > 0 ? "inside" : "outside";
}

/** Sideways push of a deflection at the target, m; positive to the receiver's right. */
function pushOf(best: Layer | null): number {
  if (best?.by !== "deflect") return 0;
  return best.detail.pushSide === "right" ? 0.2 : best.detail.pushSide === "left" ? -0.2 : 0;
}

/** Share of a fixed grid of small changes in which the answer still covers; 1 where the margin is ample. */
function robustness(s: Situation, { best }: Answered): number {
  if (!best || best.fails || best.margin >= MODEL.tight) return 1;
  const kept = GRID.filter((stretch) => tryAnswer(s, stretch).best?.fails === null);
  return kept.length / GRID.length;
}

/** The hands that push an attack away stand no guard while they do; covering ones still do. */
const deflecting = (uses: readonly MoveUse[], world: World, actor: Actor, incoming: Side | null): Side[] =>
  handsOf(uses, world, actor, incoming, ({ move }) => !!move.attack || pushes(move));

const pushes = ({ answer }: MoveUse["move"]): boolean => answer?.some((m) => m.by === "deflect") === true;

const workingHands = (uses: readonly MoveUse[], world: World, actor: Actor, incoming: Side | null): Side[] =>
  handsOf(uses, world, actor, incoming, () => true);

function handsOf(
  uses: readonly MoveUse[],
  world: World,
  actor: Actor,
  incoming: Side | null,
  which: (use: MoveUse) => boolean,
): Side[] {
  const hands: Side[] = [];
  for (const { use, limb, sides } of useLimbs(uses, world, actor, incoming))
    if (limb === "hand" && which(use)) hands.push(...sides);
  return hands;
}

/** The bodies as a drawing needs them. */
export function poses(world: World): Pose[] {
  const all: Pose[] = [];
  for (const state of [world.A, world.B, world.C]) if (state) all.push(poseOf(state, world));
  return all;
}

const NOTHING_HELD: readonly Side[] = [];

function poseOf(state: BodyState, world: World): Pose {
  const { actor, x, y, lead, weight, posture } = state;
  const left = heldBy(world, actor, "hand", "left");
  const right = heldBy(world, actor, "hand", "right");
  const pinned =
    left || right ? (["left", "right"] as const).filter((side) => (side === "left" ? left : right)) : NOTHING_HELD;
  return { actor, x, y, lead, weight, head: posture.head, pinned };
}
