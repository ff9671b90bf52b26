/** One walk through a line, and the feeds that wait for an answer in it. */
import type { World } from "../body/state.ts";
import { checkCue } from "../exchange/cue.ts";
import { emptyExchange } from "../exchange/empty.ts";
import { checkExchange, poses, type Done, type Setting } from "../exchange/exchange.ts";
import type { CheckedExchange, Feed } from "../exchange/types.ts";
import { launchFeed } from "../exchange/launch.ts";
import { applyAll } from "../exchange/limbs.ts";
import { draft, type FindingDraft } from "../findings/finding.ts";
import { doneFrom } from "../read/stance.ts";
import type { DoneBeat, ReadBeats, WordFault } from "../read/types.ts";
import type { Actor, Row, Span } from "../score/types.ts";

/** One walk through a line. */
export interface Walk {
  readonly row: Row;
  readonly setting: Setting;
  /** The line goes on from the one before it. */
  readonly goesOn: boolean;
  /** Its first feed lands. */
  readonly lands: boolean;
  readonly exchanges: CheckedExchange[];
  readonly findings: FindingDraft[];
  /** Where somebody has done a turn: what may come at any time comes there. */
  readonly rests: Rest[];
  branches: number;
  /** A branch was left out. */
  cut: boolean;
  end: World | null;
}

/** A walk in which nothing was found yet. */
export const emptyWalk = (base: Pick<Walk, "row" | "setting"> & Partial<Walk>): Walk => ({
  goesOn: false,
  lands: false,
  exchanges: [],
  findings: [],
  rests: [],
  branches: 0,
  cut: false,
  end: null,
  ...base,
});

/** The bodies after a turn, with what waits for its answer. */
export interface Rest {
  readonly world: World;
  readonly pending: readonly Pending[];
  /** The last turn, as typed. */
  readonly after: string;
}

/** A feed that waits for its answer. */
export interface Pending {
  readonly feed: Feed | null;
  /** A feed that could not be read. */
  readonly text: string;
  readonly span: Span;
  readonly actor: Actor;
  /** It is a cue: a hold, a pad, an opening. */
  readonly cue?: true;
}

/** Returns the world after a return that needs no answer; what is to be said of it was said before. */
export const thrown = (feed: Feed, world: World, { setting }: Walk): World =>
  applyAll(feed.after, launchFeed(feed, world, setting.header.range).world, feed.actor, feed.receiver);

/** Records an exchange, and returns the world after it. */
export function recorded({ exchange, world }: Done, walk: Walk): World {
  walk.exchanges.push(exchange);
  return world;
}

/** Records that nobody answers a feed, and returns the world after it. */
export const unanswered = (p: Pending, world: World, walk: Walk): World =>
  recorded(
    p.cue ? checkCue(p.feed!, [], world, walk.setting) : checkExchange(p.feed!, null, world, walk.setting),
    walk,
  );

/** An exchange of which a part could not be read. */
export function unread(p: Pending, beat: DoneBeat | null, responder: Actor, world: World, walk: Walk): CheckedExchange {
  const now = poses(world);
  const base = {
    from: p.span.from,
    to: beat?.to ?? p.span.to,
    row: walk.row,
    feed: p.feed?.use ?? null,
    feedText: p.text,
    feeder: p.actor,
    responder,
    answerSpan: beat && { from: beat.from, to: beat.to },
    before: now,
    after: now,
  };
  const uses = beat?.uses ?? [];
  return { ...emptyExchange(base, walk.setting), beat: uses, answer: uses, answerText: beat?.text ?? "" };
}

/**
 * The beats of one person, as the words mean them for who acts as they stand now. What cannot be done from
 * there is said of all beats, or of one alone.
 */
export function asTheyStand(
  read: ReadBeats,
  world: World,
  { setting, findings, row }: Walk,
  only?: number,
): readonly DoneBeat[] {
  const { beats, faults } = doneFrom(read, world[read.actor]!, setting.usage.vocabulary);
  const said = only === undefined ? read : read.beats[only]!;
  for (const fault of faults)
    if (fault.from >= said.from && fault.to <= said.to) findings.push(wordFinding(fault, row));
  return beats;
}

/** Returns the finding for a word that cannot be read. */
export function wordFinding(fault: WordFault, row: Row): FindingDraft {
  const nearest = fault.nearest.join(", ");
  return draft(row, fault, fault.rule, { ...fault.params, code: fault.code, ...(nearest ? { nearest } : {}) });
}
