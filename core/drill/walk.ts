/** Walks one line of play: whose turn it is, which answer deals with which feed, what is a return. */
import { checkMeeting } from "./meet.ts";
import {
  asTheyStand,
  emptyWalk,
  recorded,
  thrown,
  unanswered,
  unread,
  wordFinding,
  type Pending,
  type Rest,
  type Walk,
} from "./pending.ts";
import { walkSolo } from "./solo.ts";
import { takeTurn, type TurnEnd } from "./turn.ts";
import { NO_STEP, withEach, withState, type World } from "../body/state.ts";
import type { Setting } from "../exchange/exchange.ts";
import { checkCue } from "../exchange/cue.ts";
import { plainFeed } from "../exchange/feed.ts";
import { leansIn } from "../exchange/openings.ts";
import { applyAll } from "../exchange/limbs.ts";
import type { CheckedExchange } from "../exchange/types.ts";
import { draft, type FindingDraft } from "../findings/finding.ts";
import { landed } from "../exchange/landed.ts";
import type { ReadBeats, ReadLine, ReadPlay, ReadTurn } from "../read/types.ts";
import { MAX_BRANCHES, MAX_LINE_EXCHANGES } from "../score/limits.ts";
import type { Actor, ScoreLine } from "../score/types.ts";

/** A line as it was walked: exchanges, findings, the state at its end. */
export interface LineResult {
  readonly exchanges: CheckedExchange[];
  readonly findings: FindingDraft[];
  /** The state in which the line ends, along its first alternatives. */
  readonly end: World;
  /** The same for each number of a range that comes in any order. */
  readonly ends: readonly World[];
  /** Where its turns end. */
  readonly rests: readonly Rest[];
}

/** Checks a line of text, and each line that its range means, from a state. */
export function walkLine(item: Walked, line: ReadLine, start: World, setting: Setting): LineResult {
  return walkAll(item, line, start, setting, "afresh");
}

/** The same where a line goes on from the one before, as the numbers of a range do. */
export function walkOn(item: Walked, line: ReadLine, start: World, setting: Setting): LineResult {
  return walkAll(item, line, start, setting, "on");
}

/** A row, and whether its first feed lands. */
type Walked = Pick<ScoreLine, "row" | "lands">;

function walkAll(
  { row, lands }: Walked,
  { line, plays, faults }: ReadLine,
  start: World,
  setting: Setting,
  goes: "afresh" | "on",
): LineResult {
  const walk = emptyWalk({ row, setting, goesOn: goes === "on", lands: lands === true });
  for (const fault of faults) walk.findings.push(wordFinding(fault, row));
  let world = start;
  const ends: World[] = [];
  for (const one of plays) {
    walk.end = null;
    if (setting.header.kind === "solo") walkSolo(one, world, walk);
    else if (one.meets) walkMeeting(one, world, walk);
    else walkTurns({ turns: one.turns, index: 0, last: null, pending: [], shown: 0, landed: false }, world, walk);
    if (line.anyOrder && walk.end) ends.push(takeBackSteps(walk.end));
    // In a loop or a carry the next line goes on from here; elsewhere each starts from the frame, as numbers do in any order.
    else if (goes === "on" && walk.end) world = walk.end;
  }
  const last = walk.exchanges.at(-1);
  if (last) walk.findings.push(...leansIn(last));
  if (walk.cut) walk.findings.push(draft(row, line, "syntax", { code: "branches", most: MAX_BRANCHES }));
  const end = ends[0] ?? takeBackSteps(walk.end ?? start);
  return { exchanges: walk.exchanges, findings: walk.findings, end, ends, rests: walk.rests };
}

/** A feeder's own steps stand until the line ends; then they are back where they chose to stand. */
const takeBackSteps = (world: World): World =>
  withEach(world, (state) => {
    const { x, y, ownStep } = state;
    return ownStep === NO_STEP ? state : withState(state, { x: x - ownStep.x, y: y - ownStep.y, ownStep: NO_STEP });
  });

/** Where a walk stands in the turns of a line. */
interface Position {
  readonly turns: readonly ReadTurn[];
  readonly index: number;
  /** Who acted last. */
  readonly last: Actor | null;
  /** Feeds that wait for their answers. */
  readonly pending: readonly Pending[];
  /** How many feints the last turn showed. */
  readonly shown: number;
  /** The feed of the last turn landed. */
  readonly landed: boolean;
}

function walkTurns(at: Position, world: World, walk: Walk): void {
  const { turns, index, last, pending, shown, landed } = at;
  const turn = turns[index];
  if (!turn) {
    let left = world;
    for (const p of pending)
      if (p.feed) left = p.feed.isReturn ? thrown(p.feed, left, walk) : unanswered(p, left, walk);
    walk.end ??= left;
    return;
  }
  const { actor } = turn;
  turn.alternatives.forEach((alternative, i) => {
    if (i > 0 && (walk.exchanges.length > MAX_LINE_EXCHANGES || ++walk.branches > MAX_BRANCHES)) {
      walk.cut = true;
      return;
    }
    if (actor === "both") return walkTurns({ ...at, index: index + 1 }, bothAct(alternative, world, walk), walk);
    const next = turns[index + 1];
    const turning = { actor, last, pending, shown, opening: index === 0, next, landed };
    const taken = takeTurn(turning, alternative[0]!, world, walk);
    const lands = walk.lands && index === 0;
    const end = lands ? landFirst(taken, next, turn, walk) : taken;
    walk.rests.push({ world: end.world, pending: end.pending, after: textIn(alternative[0]!) });
    walkTurns(
      { turns, index: index + 1, last: actor, pending: end.pending, shown: end.shown, landed: lands },
      end.world,
      walk,
    );
  });
}

const textIn = ({ actor, beats }: ReadBeats): string => `${actor} ${beats.map(({ text }) => text).join(", ")}`;

/** The first feed of a turn lands; what comes behind it still waits for its answer. */
function landFirst(end: TurnEnd, next: ReadTurn | undefined, turn: ReadTurn, walk: Walk): TurnEnd {
  const [first, ...rest] = end.pending;
  if (!first || first.feed?.use.feint) walk.findings.push(draft(walk.row, turn, "syntax", { code: "lands-nothing" }));
  if (!first?.feed) return end;
  const answer = next?.alternatives[0]?.[0];
  const then = answer ? asTheyStand(answer, end.world, { ...walk, findings: [] }) : [];
  const world = recorded(landed(first.feed, then, end.world, walk.setting), walk);
  return { ...end, pending: rest, world };
}

/** A turn in which both do the same, each on their own side. */
function bothAct(done: ReadTurn["alternatives"][number], start: World, walk: Walk): World {
  const [one, two] = done.map(({ actor }) => actor);
  let world = start;
  for (const read of done) {
    const beats = asTheyStand(read, world, walk).map(({ uses }) => uses);
    world = applyAll(beats, world, read.actor, read.actor === one ? two! : one!);
  }
  return world;
}

function walkMeeting(line: ReadPlay, world: World, walk: Walk): void {
  const [left, right] = line.turns.map((turn) => turn.alternatives[0]![0]!);
  const one = left!.actor;
  const two = right!.actor;
  const beatA = asTheyStand(left!, world, walk)[0];
  const beatB = asTheyStand(right!, world, walk)[0];
  const cycle = beatA?.uses.find((use) => use.move.cycle);
  if (beatA && beatB && cycle) {
    const feed = plainFeed({ use: cycle, row: walk.row, actor: one, receiver: two, beatUses: beatA.uses });
    walk.end = recorded(checkCue(feed, [beatB], world, walk.setting), walk);
    return;
  }
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
  walk.end = recorded(checkMeeting(feedA, feedB, [beatA, beatB], world, walk.setting), walk);
}
