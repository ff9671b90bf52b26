/** One turn of a line: answers deal with the feeds before it in order; the attacks after them are returns or feeds. */
import { unanswered, unread, type Pending, type Walk } from "./pending.ts";
import { cloneWorld, STANCE, type World } from "../body/state.ts";
import { checkExchange } from "../exchange/exchange.ts";
import { plainFeed } from "../exchange/feed.ts";
import { launchFeed } from "../exchange/launch.ts";
import { gapFor } from "../exchange/layers.ts";
import { applySetUp, limbFindings } from "../exchange/limbs.ts";
import { moveBody } from "../exchange/move-body.ts";
import { brokenRules } from "../exchange/restrictions.ts";
import type { Feed } from "../exchange/types.ts";
import { partnerOf } from "../read/line-reader.ts";
import type { MoveUse, DoneBeat } from "../read/types.ts";
import type { Actor } from "../score/types.ts";

const canAnswer = (use: MoveUse): boolean =>
  use.intercept ||
  use.move.roles.includes("answer") ||
  (use.move.attack !== undefined && use.move.answer !== undefined);

const attacks = (use: MoveUse): boolean =>
  (use.move.attack !== undefined || use.move.energy !== undefined) &&
  (use.move.roles.includes("feed") || use.move.roles.includes("return"));

/** True where something in a beat deals with a feed: an attack alone does not, unless it is a timed one. */
const deals = (beat: DoneBeat): boolean =>
  beat.uses.some((use) => canAnswer(use) && !(attacks(use) && !use.move.answer && !use.intercept));

/** Whose turn it is and what waits for it. */
interface Turning {
  readonly actor: Actor;
  /** Who acted before. */
  readonly last: Actor | null;
  readonly pending: readonly Pending[];
  /** The first turn of its line. */
  readonly opening: boolean;
}

/** Takes a turn and gives the feeds that wait for the next one. */
export function takeTurn(turning: Turning, beats: readonly DoneBeat[], world: World, walk: Walk): Pending[] {
  const turn = new TurnTaken(turning, world, walk);
  for (const beat of beats) turn.take(beat);
  return turn.end();
}

class TurnTaken {
  private readonly waiting: Pending[];
  private readonly made: Pending[] = [];
  private readonly actors: readonly Actor[];
  /** Set-ups behind the last feed: they belong to the next one, or to nothing. */
  private before: MoveUse[][] = [];
  private feints = 0;

  constructor(
    private readonly turning: Turning,
    private readonly world: World,
    private readonly walk: Walk,
  ) {
    this.waiting = [...turning.pending];
    this.actors = Object.keys(world) as Actor[];
  }

  private get partner(): Actor {
    return partnerOf(this.turning.actor, this.actors, this.turning.last);
  }

  private get answering(): boolean {
    return this.turning.pending.length > 0;
  }

  take(beat: DoneBeat): void {
    const front = this.waiting[0];
    if (front && (beat.faulty || deals(beat))) return this.answer(front, beat);
    if (front?.feed && !front.feed.isReturn && beat.uses.some(attacks)) {
      // An attack alone is no answer: the feed it stands against lands.
      this.waiting.shift();
      this.walk.exchanges.push(checkExchange(front.feed, beat, this.world, this.walk.setting));
    }
    this.act(beat);
  }

  /** What nobody dealt with, and the feeds that were made. */
  end(): Pending[] {
    const { actor } = this.turning;
    for (const uses of this.before) applySetUp(uses, this.world, actor, this.partner);
    for (const p of this.waiting) {
      if (p.feed) unanswered(p, this.world, this.walk);
      else this.walk.exchanges.push(unread(p, null, partnerOf(p.actor, this.actors, null), this.world, this.walk));
    }
    return this.made;
  }

  private answer(front: Pending, beat: DoneBeat): void {
    const { walk, world } = this;
    this.waiting.shift();
    walk.exchanges.push(
      beat.faulty || !front.feed
        ? unread(front, beat, this.turning.actor, world, walk)
        : checkExchange(front.feed, beat, world, walk.setting),
    );
    this.throwAll(
      beat,
      beat.uses.filter((use) => attacks(use) && !use.intercept),
    );
  }

  /** A beat that answers nothing: a blow, a feint, or a set-up. */
  private act(beat: DoneBeat): void {
    const blows = beat.uses.filter((use) => attacks(use) && !use.feint);
    if (beat.faulty && blows.length === 0) {
      this.made.push({ feed: null, text: beat.text, span: beat, actor: this.turning.actor });
      return;
    }
    this.feints += beat.uses.filter((use) => use.feint && attacks(use)).length;
    if (blows.length > 0) this.throwAll(beat, blows);
    else if (this.made.length > 0 && !this.answering) this.before.push([...beat.uses]);
    else this.setUp(beat);
  }

  private setUp({ uses }: DoneBeat): void {
    const { walk, world } = this;
    const { actor } = this.turning;
    walk.findings.push(...limbFindings(uses, walk.row, world, actor, null));
    for (const use of uses) walk.findings.push(...brokenRules(use, walk.row, world[actor]!, walk.setting.header));
    applySetUp(uses, world, actor, this.partner);
  }

  private throwAll(beat: DoneBeat, blows: readonly MoveUse[]): void {
    const { walk, world } = this;
    const { actor, pending, opening } = this.turning;
    for (const use of blows) {
      const receiver = use.at && use.at !== actor ? use.at : this.partner;
      const feed: Feed = {
        ...plainFeed({ use, row: walk.row, actor, receiver, beatUses: beat.uses }),
        isReturn: this.answering,
        before: this.before,
        feints: this.feints,
        hidden: Math.max(0, pending.length - 1),
        first: opening && this.made.length === 0,
      };
      this.before = [];
      walk.findings.push(...brokenRules(use, walk.row, world[actor]!, walk.setting.header));
      if (!this.answering) walk.findings.push(...limbFindings(beat.uses, walk.row, world, actor, null));
      const thrown = this.answering ? { ...feed, gained: this.reachOfReturn(feed) } : feed;
      this.made.push({ feed: thrown, text: use.text, span: use, actor });
    }
  }

  /** A return must land by itself, whether or not the next turn answers it. Gives what its reach gained, m. */
  private reachOfReturn(feed: Feed): number | null {
    const { walk, world } = this;
    const companions = feed.beatUses.filter((use) => use !== feed.use && !attacks(use));
    const behind = walk.exchanges[walk.exchanges.length - 1];
    const answered = behind?.to === feed.beatUses[feed.beatUses.length - 1]!.to;
    if (!answered && companions.length > 0) stepTowards(companions, feed, world);
    const trial = cloneWorld(world);
    const { findings, gained } = launchFeed(feed, trial, walk.setting.header.range);
    walk.findings.push(...findings);
    behind?.returns.push({ use: feed.use, lands: !findings.some((f) => f.rule === "out-of-reach") });
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
  world[feed.actor] = moveBody(companions, striker, target, { blow: null, scale: 1, gap }).state;
}
