/** Walks one line of play: whose turn it is, which answer deals with which feed, what is a return. */
import { plainFeed } from "../exchange/feed.ts";
import type { CheckedExchange, Feed } from "../exchange/types.ts";
import { checkExchange, poses, type Setting } from "../exchange/exchange.ts";
import { checkMeeting } from "./meet.ts";
import { applySetUp, limbFindings } from "../exchange/limbs.ts";
import { launchFeed } from "../exchange/launch.ts";
import { brokenRules } from "../exchange/restrictions.ts";
import { MAX_BRANCHES, MAX_LINE_EXCHANGES } from "../score/limits.ts";
import { gapFor } from "../exchange/layers.ts";
import { moveBody } from "../exchange/move-body.ts";
import { draft, type FindingDraft } from "../findings/finding.ts";
import { cloneWorld, NO_STEP, STANCE, type World } from "../body/state.ts";
import type { Actor, Line, Row, Span, Turn, TurnActor } from "../score/types.ts";
import { expandRange } from "../score/ranges.ts";
import { resolveAlternative, type MoveUse, type ResolvedBeat, type WordFault } from "../read/resolve.ts";
import { resolveContext } from "../read/context.ts";

export interface LineResult {
  readonly exchanges: CheckedExchange[];
  readonly findings: FindingDraft[];
  /** The state in which the line ends, along its first alternatives. */
  readonly end: World;
}

interface Walk {
  readonly row: Row;
  readonly setting: Setting;
  readonly exchanges: CheckedExchange[];
  readonly findings: FindingDraft[];
  branches: number;
  /** A branch was left out. */
  cut: boolean;
  end: World | null;
}

/** Checks all that a line of text stands for (a range stands for several lines), from a state. */
export function walkLine(row: Row, line: Line, start: World, setting: Setting, inBlock: boolean): LineResult {
  const walk: Walk = { row, setting, exchanges: [], findings: [], branches: 0, cut: false, end: null };
  let world = start;
  for (const one of expandRange(line)) {
    walk.end = null;
    if (one.meets) walkMeeting(one, cloneWorld(world), walk);
    else walkTurns(one.turns, 0, null, [], cloneWorld(world), walk);
    // In a loop or a carry the next line goes on from here; elsewhere each starts from the frame.
    if (inBlock && walk.end) world = walk.end;
  }
  if (walk.cut) walk.findings.push(draft(row, line, "syntax", { code: "branches", most: MAX_BRANCHES }));
  return { exchanges: walk.exchanges, findings: walk.findings, end: takeBackSteps(walk.end ?? cloneWorld(start)) };
}

/** A feeder's own steps stand until the line ends; then he is back where he chose to stand. */
function takeBackSteps(world: World): World {
  for (const state of Object.values(world)) {
    state.x -= state.ownStep.x;
    state.y -= state.ownStep.y;
    state.ownStep = NO_STEP;
  }
  return world;
}

interface Pending {
  readonly feed: Feed | null;
  /** A feed that could not be read. */
  readonly text: string;
  readonly span: Span;
  readonly actor: Actor;
}

function walkTurns(
  turns: readonly Turn[],
  index: number,
  last: Actor | null,
  pending: readonly Pending[],
  world: World,
  walk: Walk,
): void {
  const turn = turns[index];
  if (!turn) {
    for (const p of pending) if (p.feed && !p.feed.isReturn) unanswered(p, world, walk);
    walk.end ??= world;
    return;
  }
  const actors = Object.keys(world) as Actor[];
  const actor = whoActs(turn, last, actors, walk);
  turn.alternatives.forEach((alternative, i) => {
    if (i > 0 && (walk.exchanges.length > MAX_LINE_EXCHANGES || ++walk.branches > MAX_BRANCHES)) {
      walk.cut = true;
      return;
    }
    const branch = i === turn.alternatives.length - 1 ? world : cloneWorld(world);
    if (actor === "both") {
      for (const one of actors.slice(0, 2)) {
        const beats = readBeats(alternative, one, branch, walk, one === actors[0]);
        const other = otherOf(one, actors, null);
        for (const beat of beats) applySetUp(beat.uses, branch, one, other);
      }
      return walkTurns(turns, index + 1, last, pending, branch, walk);
    }
    const beats = readBeats(alternative, actor, branch, walk, true);
    const next = takeTurn(actor, last, beats, pending, branch, walk, index === 0);
    walkTurns(turns, index + 1, actor, next, branch, walk);
  });
}

function whoActs(turn: Turn, last: Actor | null, actors: readonly Actor[], walk: Walk): TurnActor {
  if (turn.actor === "both") return "both";
  if (turn.actor === null) {
    if (actors.length > 2) walk.findings.push(draft(walk.row, turn, "syntax", { code: "actor" }));
    return last === null ? "A" : otherOf(last, actors, null);
  }
  if (turn.actor === last)
    walk.findings.push(draft(walk.row, turn, "syntax", { code: "same-actor", actor: turn.actor }));
  return turn.actor;
}

function otherOf(actor: Actor, actors: readonly Actor[], last: Actor | null): Actor {
  if (last && last !== actor) return last;
  return actors.find((a) => a !== actor) ?? (actor === "A" ? "B" : "A");
}

function readBeats(
  alternative: Turn["alternatives"][number],
  actor: Actor,
  world: World,
  walk: Walk,
  say: boolean,
): readonly ResolvedBeat[] {
  const context = resolveContext(world[actor]!, walk.setting.header);
  const { beats, faults } = resolveAlternative(alternative, walk.setting.usage.vocabulary, context);
  if (say) for (const fault of faults) walk.findings.push(wordFinding(fault, walk.row));
  return beats;
}

function wordFinding(fault: WordFault, row: Row): FindingDraft {
  const nearest = fault.nearest.join(", ");
  return draft(row, fault, fault.rule, { ...fault.params, code: fault.code, ...(nearest ? { nearest } : {}) });
}

const canAnswer = (use: MoveUse): boolean =>
  use.intercept ||
  use.move.roles.includes("answer") ||
  (use.move.attack !== undefined && use.move.answer !== undefined);
const attacks = (use: MoveUse): boolean =>
  (use.move.attack !== undefined || use.move.energy !== undefined) &&
  (use.move.roles.includes("feed") || use.move.roles.includes("return"));

/** One turn: answers deal with the pending feeds in order; attacks after that are returns or feeds. */
function takeTurn(
  actor: Actor,
  last: Actor | null,
  beats: readonly ResolvedBeat[],
  pending: readonly Pending[],
  world: World,
  walk: Walk,
  opening: boolean,
): Pending[] {
  const waiting = [...pending];
  const answering = pending.length > 0;
  const made: Pending[] = [];
  const actors = Object.keys(world) as Actor[];
  let before: MoveUse[][] = [];
  let feints = 0;
  for (const beat of beats) {
    const front = waiting[0];
    const answers = beat.uses.some((use) => canAnswer(use) && !(attacks(use) && !use.move.answer && !use.intercept));
    if (front && (beat.faulty || answers)) {
      waiting.shift();
      if (beat.faulty || !front.feed) walk.exchanges.push(unread(front, beat, actor, world, walk));
      else walk.exchanges.push(checkExchange(front.feed, beat, world, walk.setting));
      pushReturns(
        beat,
        beat.uses.filter((use) => attacks(use) && !use.intercept),
      );
      continue;
    }
    if (front && !answers && beat.uses.some(attacks) && front.feed && !front.feed.isReturn) {
      // An attack alone is no answer: the feed it stands against lands.
      waiting.shift();
      walk.exchanges.push(checkExchange(front.feed, beat, world, walk.setting));
    }
    const blows = beat.uses.filter((use) => attacks(use) && !use.feint);
    if (beat.faulty && blows.length === 0) {
      made.push({ feed: null, text: beat.text, span: beat, actor });
      continue;
    }
    feints += beat.uses.filter((use) => use.feint && attacks(use)).length;
    if (blows.length === 0) {
      if (made.length > 0 && !answering) before.push([...beat.uses]);
      else setUp(beat);
      continue;
    }
    pushReturns(beat, blows);
  }
  for (const uses of before) applySetUp(uses, world, actor, otherOf(actor, actors, last));
  for (const p of waiting) {
    if (p.feed) unanswered(p, world, walk);
    else walk.exchanges.push(unread(p, null, otherOf(p.actor, actors, null), world, walk));
  }
  return made;

  function setUp(beat: ResolvedBeat) {
    const receiver = otherOf(actor, actors, last);
    walk.findings.push(...limbFindings(beat.uses, walk.row, world, actor, null));
    for (const use of beat.uses) walk.findings.push(...brokenRules(use, walk.row, world[actor]!, walk.setting.header));
    applySetUp(beat.uses, world, actor, receiver);
  }

  function pushReturns(beat: ResolvedBeat, blows: readonly MoveUse[]) {
    for (const use of blows) {
      const receiver = use.at && use.at !== actor ? use.at : otherOf(actor, actors, last);
      const feed: Feed = {
        use,
        row: walk.row,
        actor,
        receiver,
        isReturn: answering,
        beatUses: beat.uses,
        before,
        gained: null,
        feints,
        hidden: Math.max(0, pending.length - 1),
        first: opening && made.length === 0,
      };
      before = [];
      walk.findings.push(...brokenRules(use, walk.row, world[actor]!, walk.setting.header));
      if (!answering) walk.findings.push(...limbFindings(beat.uses, walk.row, world, actor, null));
      const thrown = answering ? { ...feed, gained: reachOfReturn(feed) } : feed;
      made.push({ feed: thrown, text: use.text, span: use, actor });
    }
  }

  /** A return must land by itself, whether or not the next turn answers it. Gives what its reach gained. */
  function reachOfReturn(feed: Feed): number | null {
    const companions = feed.beatUses.filter((use) => use !== feed.use && !attacks(use));
    const answered = walk.exchanges[walk.exchanges.length - 1]?.to === feed.beatUses[feed.beatUses.length - 1]!.to;
    if (!answered && companions.length > 0) stepTowards(companions, feed, world);
    const trial = cloneWorld(world);
    const { findings, gained } = launchFeed(feed, trial, walk.setting.header.range !== null);
    walk.findings.push(...findings);
    const lands = !findings.some((f) => f.rule === "out-of-reach");
    walk.exchanges[walk.exchanges.length - 1]?.returns.push({ use: feed.use, lands });
    // Weight and balance are the thrower's from now on; where the bodies stand is settled when it is answered.
    const { weight, unrecovered, holds } = trial[feed.actor]!;
    Object.assign(world[feed.actor]!, { weight, unrecovered, holds, carries: false, posture: STANCE });
    return gained;
  }
}

/** A written step in the beat of a return goes as far as the blow needs. */
function stepTowards(companions: readonly MoveUse[], feed: Feed, world: World): void {
  const striker = world[feed.actor]!;
  const target = world[feed.receiver]!;
  const gap = feed.use.move.attack ? Math.max(0, gapFor(feed.use, striker, target)) : null;
  world[feed.actor] = moveBody(companions, striker, target, null, 1, gap).state;
}

function unanswered(p: Pending, world: World, walk: Walk): void {
  walk.exchanges.push(checkExchange(p.feed!, null, world, walk.setting));
}

function unread(p: Pending, beat: ResolvedBeat | null, responder: Actor, world: World, walk: Walk): CheckedExchange {
  const now = poses(world);
  return {
    from: p.span.from,
    to: beat?.to ?? p.span.to,
    row: walk.row,
    label: walk.setting.label,
    section: walk.setting.section,
    pass: walk.setting.pass,
    feed: p.feed?.use ?? null,
    feedText: p.text,
    feeder: p.actor,
    beat: beat?.uses ?? [],
    answer: beat?.uses ?? [],
    responder,
    answerSpan: beat && { from: beat.from, to: beat.to },
    verdict: "unread",
    margin: null,
    robust: 1,
    ceiling: null,
    times: null,
    layers: [],
    ends: null,
    returns: [],
    followUps: [],
    findings: [],
    blow: null,
    contact: null,
    before: now,
    after: now,
  };
}

function walkMeeting(line: Line, world: World, walk: Walk): void {
  const actors = Object.keys(world) as Actor[];
  const [left, right] = line.turns;
  const one = left?.actor && left.actor !== "both" ? left.actor : "A";
  const two = right?.actor && right.actor !== "both" && right.actor !== one ? right.actor : otherOf(one, actors, null);
  const beatA = readBeats(left!.alternatives[0]!, one, world, walk, true)[0];
  const beatB = readBeats(right!.alternatives[0]!, two, world, walk, true)[0];
  const useA = beatA?.uses.find((use) => use.move.attack);
  const useB = beatB?.uses.find((use) => use.move.attack);
  walk.end = world;
  if (!beatA || !beatB || !useA || !useB) {
    if (beatA && beatB && !beatA.faulty && !beatB.faulty)
      walk.findings.push(draft(walk.row, line, "no-meet", { why: "each side needs a blow" }));
    const now: Pending = { feed: null, text: "", span: line, actor: one };
    walk.exchanges.push(unread(now, null, two, world, walk));
    return;
  }
  const { row } = walk;
  const feedA = plainFeed({ use: useA, row, actor: one, receiver: two, beatUses: beatA.uses });
  const feedB = plainFeed({ use: useB, row, actor: two, receiver: one, beatUses: beatB.uses });
  walk.exchanges.push(checkMeeting(feedA, feedB, [beatA, beatB], world, walk.setting));
}
