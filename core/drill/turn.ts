/** One turn of a line: answers deal with the feeds before it in order; the attacks after them are returns or feeds. */
import { keysOf } from "../base/keys.ts";
import { asTheyStand, recorded, unanswered, unread, type Pending, type Walk } from "./pending.ts";
import { sendBack, sentFrom, type Ahead } from "./returns.ts";
import { millis } from "../base/units.ts";
import { STANCE, withBody, withState, type World } from "../body/state.ts";
import { checkCue, comesWithBoth, cueOf, dealsWith, holdReach, stays } from "../exchange/cue.ts";
import { checkExchange } from "../exchange/exchange.ts";
import { plainFeed } from "../exchange/feed.ts";
import { applyAll, applySetUp, limbFindings, undoesHold } from "../exchange/limbs.ts";
import { displacements } from "../exchange/move-body.ts";
import { brokenRules } from "../exchange/restrictions.ts";
import { movementOf } from "../exchange/time.ts";
import type { Feed } from "../exchange/types.ts";
import { draft } from "../findings/finding.ts";
import { partnerOf } from "../read/line-reader.ts";
import type { MoveUse, DoneBeat, ReadBeats, ReadTurn } from "../read/types.ts";
import { heldPad } from "../read/plain-use.ts";
import type { Actor } from "../score/types.ts";

const canAnswer = (use: MoveUse): boolean =>
  use.intercept ||
  // Taking one's own weapon with both hands prepares an answer.
  (!use.on?.own && use.move.roles.includes("answer")) ||
  (use.move.attack !== undefined && use.move.answer !== undefined);

const attacks = (use: MoveUse): boolean =>
  (use.move.attack !== undefined || use.move.energy !== undefined) &&
  (use.move.roles.includes("feed") || use.move.roles.includes("return"));

/** True where something in a beat deals with a feed: an attack alone does not, unless it is a timed one. */
const deals = (beat: DoneBeat): boolean =>
  beat.uses.some((use) => canAnswer(use) && !(attacks(use) && !use.move.answer && !use.intercept));

/** A blow with a step towards the partner: where an earlier move deals with what comes, it answers nothing. */
const comesBack = (beat: DoneBeat): boolean =>
  beat.uses.some((use) => attacks(use) && !use.intercept && !use.move.answer) &&
  beat.uses.every(
    (use) =>
      (attacks(use) && !use.move.answer) ||
      (use.move.limb === "body" && displacements(use).some((m) => (m.feet?.forward ?? 0) > 0)),
  );

/** It takes the feet away, as far as it needs. */
const goesAway = ({ uses }: DoneBeat): boolean =>
  uses.some((use) => displacements(use).some((m) => m.feet?.asFar !== undefined && use.way !== "in"));

/** Two arms before the face are in the way of every hand that comes. */
const keepsCovering = ({ uses }: DoneBeat): boolean =>
  uses.length === 1 &&
  uses[0]!.move.limb === "both hands" &&
  uses[0]!.move.answer?.every((m) => m.by === "interpose") === true;

/** The pressure is gone, and a blow goes where it was. */
const goesThrough = ({ feed }: Pending, { uses }: DoneBeat): boolean =>
  feed?.use.move.energy?.direction === "gone" && uses.some(attacks);

/** True for a feint that is no attack. */
const fallsFor = (use: MoveUse): boolean => use.feint && !attacks(use);

/** Whose turn it is and what waits for it. */
interface Turning {
  readonly actor: Actor;
  /** The one who acted before. */
  readonly last: Actor | null;
  readonly pending: readonly Pending[];
  /** How many feints it has shown. */
  readonly shown: number;
  /** The first turn of its line. */
  readonly opening: boolean;
  /** The turn behind it. */
  readonly next: ReadTurn | undefined;
  /** The feed before it landed: what they send back goes on from there, and nothing is owed. */
  readonly landed: boolean;
}

/** What a turn leaves for the next one. */
export interface TurnEnd {
  readonly pending: readonly Pending[];
  readonly shown: number;
  readonly world: World;
}

/** A turn as far as it has been taken: each step returns another one. Only `walk` is written to, with what is found. */
interface Turn {
  readonly turning: Turning;
  readonly walk: Walk;
  readonly partner: Actor;
  readonly world: World;
  readonly waiting: readonly Pending[];
  readonly made: readonly Pending[];
  /** Set-ups behind the last feed: they belong to the next one, or are done behind the last. */
  readonly before: readonly (readonly MoveUse[])[];
  readonly feints: number;
  /** How many feints of the turn before they fell for. */
  readonly fallen: number;
  /** Blows onto the pad that is up, with the steps between them. */
  readonly onPad: readonly DoneBeat[];
  /** Blows that went to a cue, before any that are sent back. */
  readonly struck: number;
  /** They have gone away from what comes, as far as it needs. */
  readonly away: boolean;
  /** Returns on their way; null where there are none. */
  readonly ahead: Ahead | null;
}

const actorsIn = (world: World) => keysOf(world);

/** Where three work, a turn is meant for the one who acts on it. */
function partnerIn({ actor, last, next }: Turning, actors: readonly Actor[]): Actor {
  const then = next?.actor;
  return actors.length > 2 && then && then !== "both" && then !== actor ? then : partnerOf(actor, actors, last);
}

/** Takes a turn and returns the feeds that wait for the next one, with the world as it is then. */
export function takeTurn(turning: Turning, read: ReadBeats, start: World, walk: Walk): TurnEnd {
  // Feeds at somebody else wait for them.
  const mine = turning.pending.filter((p) => isFor(p, turning.actor));
  const others = turning.pending.filter((p) => !isFor(p, turning.actor));
  // What they walked before has its time behind it.
  const world = withBody(start, withState(start[turning.actor]!, { approach: 0 }));
  let turn: Turn = {
    turning: { ...turning, pending: mine },
    walk,
    partner: partnerIn(turning, actorsIn(world)),
    world,
    waiting: mine,
    made: [],
    before: [],
    feints: 0,
    fallen: 0,
    onPad: [],
    struck: 0,
    away: false,
    ahead: null,
  };
  for (const i of read.beats.keys()) {
    // Each beat from the stance of that moment: a change of stance or hands counts for the beats behind it.
    const beats = asTheyStand(read, turn.world, walk, i);
    turn = take(turn, beats[i]!, beats.slice(i + 1));
  }
  const end = endOf(turn);
  return others.length === 0 ? end : { ...end, pending: [...others, ...end.pending] };
}

const isFor = ({ feed }: Pending, actor: Actor): boolean => feed === null || feed.receiver === actor;

const isAnswering = ({ turning }: Turn): boolean => turning.pending.length > 0 || turning.landed;

/** Takes a beat; `rest`: those behind it. */
function take(turn: Turn, beat: DoneBeat, rest: readonly DoneBeat[]): Turn {
  const { walk, world } = turn;
  const front = turn.waiting[0];
  if (beat.uses.some(fallsFor) && !front?.feed?.use.feint) return fall(turn, beat, rest);
  // They stay for what was only shown before it.
  if (front && !front.feed?.use.feint && turn.fallen < turn.turning.shown && beat.uses.every(({ move }) => stays(move)))
    return { ...turn, fallen: turn.fallen + 1 };
  // They are out of it already, and go in with a blow of their own.
  if (front?.feed && !beat.faulty && turn.away && comesBack(beat)) return act(flushed(turn), beat, rest);
  if (front?.cue && !beat.faulty) return actOn(turn, front, beat, rest);
  if (front && (beat.faulty || deals(beat) || goesThrough(front, beat) || getsAway(turn, beat, rest)))
    return answer(turn, front, beat, rest);
  if (!front?.feed || !beat.uses.some(attacks)) return act(turn, beat, rest);
  // An attack alone is no answer: what it stands against lands.
  const after = front.feed.isReturn
    ? unanswered(front, world, walk)
    : recorded(checkExchange(front.feed, beat, world, walk.setting), walk);
  return act({ ...turn, waiting: turn.waiting.slice(1), world: after }, beat, rest);
}

/**
 * Something that is no blow, done as in a feint: a person who answers falls for a feint of the turn before and has
 * to recover from it; the feeder only shows it, and nothing moves.
 */
function fall(turn: Turn, beat: DoneBeat, rest: readonly DoneBeat[]): Turn {
  const { walk, world, partner } = turn;
  const { actor, shown } = turn.turning;
  if (turn.waiting.length === 0 && shown === 0) return act(turn, beat, rest);
  if (turn.fallen >= shown) {
    walk.findings.push(draft(walk.row, beat, "bad-move", { code: "no-feint", move: beat.text.replace("~", "") }));
    return turn;
  }
  const uses = beat.uses.map((use) => ({ ...use, feint: false }));
  walk.findings.push(...limbFindings(uses, walk.row, world, actor, null));
  const after = applySetUp(uses, world, actor, partner);
  const state = after[actor]!;
  const owing = withState(state, { owes: millis(state.owes + movementOf(uses)) });
  return { ...turn, fallen: turn.fallen + 1, world: withBody(after, owing) };
}

/** Moving away is all that is done about a feed. */
function getsAway({ waiting }: Turn, { uses }: DoneBeat, rest: readonly DoneBeat[]): boolean {
  const owed = waiting.filter((p) => p.feed && !p.feed.isReturn).length;
  return (
    owed > rest.filter(deals).length &&
    uses.some((use) => displacements(use).length > 0) &&
    !uses.some((use) => use.move.attack)
  );
}

/** What nobody dealt with, and the feeds that were made. */
function endOf(taken: Turn): TurnEnd {
  const turn = hitPads(taken);
  const { walk, before, partner } = turn;
  const { actor } = turn.turning;
  const last = turn.made[turn.made.length - 1];
  const made = last?.feed ? [...turn.made.slice(0, -1), { ...last, feed: { ...last.feed, after: before } }] : turn.made;
  let world = last?.feed ? turn.world : applyAll(before, turn.world, actor, partner);
  for (const p of turn.waiting) {
    if (p.feed) world = unanswered(p, world, walk);
    else walk.exchanges.push(unread(p, null, partnerOf(p.actor, actorsIn(world), null), world, walk));
  }
  // A feint that is fed by itself waits among the feeds.
  return { pending: made, shown: turn.feints, world };
}

function answer(turn: Turn, front: Pending, beat: DoneBeat, rest: readonly DoneBeat[]): Turn {
  const { walk } = turn;
  const waiting = turn.waiting.slice(1);
  const up = { ...broughtUp(turn), waiting };
  const blows = beat.uses.filter((use) => attacks(use) && !use.intercept);
  if (beat.faulty || !front.feed) {
    walk.exchanges.push(unread(front, beat, turn.turning.actor, up.world, walk));
    return throwAll(up, beat, blows, "answered");
  }
  const still = rest.filter((one) => deals(one) && !(goesAway(beat) && comesBack(one)));
  const unmet = Math.max(0, waiting.length - still.length);
  const world = recorded(checkExchange({ ...front.feed, unmet }, beat, up.world, walk.setting), walk);
  const answered = { ...up, world, away: goesAway(beat) };
  const covered = keepsCovering(beat) && unmet > 0 ? coveredOn(answered, beat, unmet) : answered;
  return throwAll(covered, beat, blows, "answered");
}

/** What still comes meets the arms that are up. */
function coveredOn(turn: Turn, beat: DoneBeat, unmet: number): Turn {
  const { walk } = turn;
  const next = turn.waiting[0];
  if (unmet === 0 || !next?.feed || next.cue || next.feed.use.move.attack === undefined) return turn;
  const world = recorded(checkExchange(next.feed, beat, turn.world, walk.setting), walk);
  return coveredOn({ ...turn, world, waiting: turn.waiting.slice(1) }, beat, unmet - 1);
}

/** Feeds that fall short of a person who went away are over. */
const flushed = (turn: Turn): Turn => ({
  ...turn,
  waiting: [],
  away: false,
  world: turn.waiting.reduce((world, p) => (p.feed ? unanswered(p, world, turn.walk) : world), turn.world),
});

/** A person who answers after a return has thrown it by then, and done the set-ups behind it. */
function broughtUp(turn: Turn): Turn {
  const { ahead, before, partner } = turn;
  const { actor } = turn.turning;
  let { world } = turn;
  if (ahead) {
    const { weight, unrecovered, holds } = ahead.world[actor]!;
    const changes = { weight, unrecovered, holds, carries: false, posture: STANCE };
    world = withBody(world, withState(world[actor]!, changes));
  }
  return { ...turn, ahead: null, before: [], world: applyAll(before, world, actor, partner) };
}

/** A beat that answers nothing: a blow, a feint, or a set-up. */
function act(turn: Turn, beat: DoneBeat, rest: readonly DoneBeat[]): Turn {
  const blows = beat.uses.filter((use) => attacks(use) && !use.feint);
  if (beat.faulty && blows.length === 0)
    return withMade(turn, { feed: null, text: beat.text, span: beat, actor: turn.turning.actor });
  const shows = { ...turn, feints: turn.feints + beat.uses.filter((use) => use.feint).length };
  if (isAnswering(turn) && blows.some((use) => use.pad)) return offerPad(shows, beat);
  if (blows.length > 0) return throwAll(shows, beat, blows, "alone");
  if (isFed(turn, beat, rest)) return cue(shows, beat);
  // A beat of feints moves nothing.
  if (beat.uses.every((use) => use.feint)) return shows;
  if (turn.made.length > 0) return { ...shows, before: [...turn.before, beat.uses] };
  return setUp(shows, beat);
}

const withMade = (turn: Turn, one: Pending): Turn => ({ ...turn, made: [...turn.made, one] });

function setUp(turn: Turn, { uses }: DoneBeat): Turn {
  const { walk, world, partner } = turn;
  const { actor } = turn.turning;
  const { row } = walk;
  walk.findings.push(...limbFindings(uses, row, world, actor, null));
  walk.findings.push(...holdReach(uses, { actor, receiver: partner, row }, world));
  for (const use of uses) walk.findings.push(...brokenRules(use, row, world[actor]!, walk.setting.header, null));
  return { ...turn, world: applySetUp(uses, world, actor, partner) };
}

/** Blows of a beat; in one that answers, its steps were done with the answer. */
function throwAll(turn: Turn, beat: DoneBeat, blows: readonly MoveUse[], as: "answered" | "alone"): Turn {
  return blows.reduce((now, use) => throwOne(now, beat, use, as), turn);
}

function throwOne(turn: Turn, beat: DoneBeat, use: MoveUse, as: "answered" | "alone"): Turn {
  const { walk, world, ahead } = turn;
  const { actor, opening, last } = turn.turning;
  const receiver = use.at && use.at !== actor ? use.at : turn.partner;
  const plain = plainFeed({ use, row: walk.row, actor, receiver, beatUses: beat.uses });
  const now = ahead?.world ?? world;
  const { x, y } = now[receiver]!;
  const answering = isAnswering(turn);
  const feed: Feed = {
    ...plain,
    isReturn: answering,
    fromCorner: actorsIn(world).length > 2 && (!answering || receiver !== last),
    companions: as === "answered" ? [] : plain.companions,
    before: turn.before,
    feints: turn.feints,
    first: opening && turn.made.length === 0,
    towards: { x, y },
    // A person who turns to somebody else comes to them with a step.
    order: turn.made.length + turn.struck + (answering && receiver !== last ? 1 : 0),
  };
  walk.findings.push(...brokenRules(use, walk.row, world[actor]!, walk.setting.header, null));
  if (as === "alone") walk.findings.push(...limbFindings(beat.uses, walk.row, now, actor, null));
  const sent = answering ? sendBack(feed, ahead ?? sentFrom(world), walk) : ahead;
  return withMade({ ...turn, before: [], ahead: sent }, { feed, text: use.text, span: use, actor });
}

/** Acts on a cue: blows go to the pad one by one, the last pad takes all that remain. */
function actOn(turn: Turn, front: Pending, beat: DoneBeat, rest: readonly DoneBeat[]): Turn {
  const { walk, world, waiting } = turn;
  const shown = front.feed!;
  if (cueOf(shown.use) === "pad") {
    const [, next] = waiting;
    // A feed behind the pad is answered once the blows are done.
    if (next && !next.cue && turn.onPad.length > 0 && deals(beat)) return take(hitPads(turn), beat, rest);
    const hits = { ...turn, onPad: [...turn.onPad, beat] };
    return next?.cue && beat.uses.some(attacks) ? hitPads(hits) : hits;
  }
  const about = (one: DoneBeat) => shown.use.feint || dealsWith(one, shown.use);
  if (!about(beat) && rest.some(about)) return act(turn, beat, rest);
  const after = recorded(checkCue(shown, [beat], world, walk.setting), walk);
  // Nobody attacks them: whatever follows may come with a short step.
  const met: Turn = { ...turn, waiting: waiting.slice(1), world: after, struck: turn.struck + 1 };
  const blows = beat.uses.filter((use) => attacks(use) && !use.feint);
  return throwAll(met, beat, blows, "answered");
}

function hitPads(turn: Turn): Turn {
  const { walk, world, waiting, onPad } = turn;
  const [front] = waiting;
  if (onPad.length === 0 || !front?.cue) return turn;
  const after = recorded(checkCue(front.feed!, onPad, world, walk.setting), walk);
  return { ...turn, waiting: waiting.slice(1), world: after, onPad: [] };
}

/** A blow `on pad` behind an answer: the partner has the pad up for it. */
function offerPad(turn: Turn, beat: DoneBeat): Turn {
  const { walk, partner } = turn;
  const { actor } = turn.turning;
  const up = broughtUp(turn);
  const use = heldPad(walk.setting.usage.vocabulary, { from: beat.from, to: beat.from });
  const feed = plainFeed({ use, row: walk.row, actor: partner, receiver: actor });
  const world = recorded(checkCue(feed, [beat], up.world, walk.setting), walk);
  return { ...up, world, struck: up.struck + 1 };
}

/**
 * A cue or hold is a feed where nobody waits for an answer and no blow or push follows it in its turn; behind
 * an answer only where the partner deals with it at once. Everywhere else it is done on the way to something.
 */
function isFed(turn: Turn, beat: DoneBeat, rest: readonly DoneBeat[]): boolean {
  const { walk, waiting } = turn;
  const { next } = turn.turning;
  // A feint with nothing behind it is shown to be answered.
  const shown = beat.uses.some((use) => use.feint) ? "call" : undefined;
  const kind = beat.uses.map(cueOf).find((one) => one !== null) ?? (comesWithBoth(beat.uses) ? "approach" : shown);
  if (!kind || walk.setting.header.kind === "solo" || waiting.length > 0) return false;
  // The pad that was hit may swing back.
  const swings = ({ move }: MoveUse) => kind === "pad" && move.attack?.tool === "pad";
  const later = (one: DoneBeat) =>
    one.uses.some((use) => (attacks(use) && !swings(use)) || (kind !== "pad" && cueOf(use)));
  if (rest.some(later)) return false;
  if (!isAnswering(turn)) return next !== undefined || !walk.goesOn;
  const first = next?.alternatives[0]?.[0]?.beats[0];
  return (
    kind === "hold" &&
    first !== undefined &&
    first.parts.some(({ meaning }) => meaning !== null && undoesHold(meaning.use.move))
  );
}

function cue(turn: Turn, beat: DoneBeat): Turn {
  const { walk, world, partner } = turn;
  const { actor, opening } = turn.turning;
  const use = beat.uses.find((one) => cueOf(one) !== null || one.on?.own) ?? beat.uses[0]!;
  const plain = plainFeed({ use, row: walk.row, actor, receiver: partner, beatUses: beat.uses });
  for (const one of beat.uses)
    walk.findings.push(...brokenRules(one, walk.row, world[actor]!, walk.setting.header, null));
  const feed: Feed = { ...plain, before: turn.before, first: opening && turn.made.length === 0 };
  return withMade({ ...turn, before: [] }, { feed, text: use.text, span: use, actor, cue: true });
}
