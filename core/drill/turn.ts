/** One turn of a line: answers deal with the feeds before it in order; the attacks after them are returns or feeds. */
import { asTheyStand, unanswered, unread, type Pending, type Walk } from "./pending.ts";
import { millis } from "../base/units.ts";
import { cloneWorld, STANCE, type Posture, type World } from "../body/state.ts";
import { checkCue, cueOf, dealsWith, holdReach } from "../exchange/cue.ts";
import { checkExchange } from "../exchange/exchange.ts";
import { plainFeed } from "../exchange/feed.ts";
import { launchFeed } from "../exchange/launch.ts";
import { applySetUp, limbFindings, undoesHold } from "../exchange/limbs.ts";
import { displacements } from "../exchange/move-body.ts";
import { afterReaction, reactionTo } from "../exchange/reactions.ts";
import { brokenRules } from "../exchange/restrictions.ts";
import { movementOf } from "../exchange/time.ts";
import type { Feed } from "../exchange/types.ts";
import { draft, type FindingDraft } from "../findings/finding.ts";
import { partnerOf } from "../read/line-reader.ts";
import type { MoveUse, DoneBeat, ReadBeats, ReadTurn } from "../read/types.ts";
import { heldPad } from "../read/plain-use.ts";
import type { Actor } from "../score/types.ts";
import type { Effect } from "../words/types.ts";

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

const isMissing = ({ rule }: FindingDraft): boolean => rule === "out-of-reach" || rule === "too-close";

/** What was pressed on is gone, and a blow goes where it was. */
const goesThrough = ({ feed }: Pending, { uses }: DoneBeat): boolean =>
  feed?.use.move.energy?.direction === "gone" && uses.some(attacks);

/** True for a feint that is no attack. */
const fallsFor = (use: MoveUse): boolean => use.feint && !attacks(use);

/** Whose turn it is and what waits for it. */
interface Turning {
  readonly actor: Actor;
  /** Who acted before. */
  readonly last: Actor | null;
  readonly pending: readonly Pending[];
  /** How many feints it has shown. */
  readonly shown: number;
  /** The first turn of its line. */
  readonly opening: boolean;
  /** The turn behind it. */
  readonly next: ReadTurn | undefined;
}

/** What a turn leaves for the next one. */
interface TurnEnd {
  readonly pending: readonly Pending[];
  readonly shown: number;
}

/** Takes a turn and gives the feeds that wait for the next one. */
export function takeTurn(turning: Turning, read: ReadBeats, world: World, walk: Walk): TurnEnd {
  // What they walked before has its time behind it.
  world[turning.actor]!.approach = 0;
  const turn = new TurnTaken(turning, world, walk);
  read.beats.forEach((_, i) => {
    // Each beat as they stand by then: a change of stance or hands counts for what follows.
    const beats = asTheyStand(read, world, walk, i);
    turn.take(beats[i]!, beats.slice(i + 1));
  });
  return turn.end();
}

class TurnTaken {
  private readonly waiting: Pending[];
  private readonly made: Pending[] = [];
  private readonly actors: readonly Actor[];
  /** Set-ups behind the last feed: they belong to the next one, or are done behind the last. */
  private before: MoveUse[][] = [];
  private feints = 0;
  /** How many feints of the turn before they fell for. */
  private fallen = 0;
  /** Blows onto the pad that is up, with the steps between them. */
  private onPad: DoneBeat[] = [];
  /** Blows that went to a cue, before any that are sent back. */
  private struck = 0;
  /** The posture of the partner before any return hit them, and what hit them last. */
  private unhit: Posture | null = null;
  private hitBy: string | null = null;
  /** What landed last, before they have shown it. */
  private hit: { readonly by: string; readonly effect: Effect } | null = null;
  /** The world as it will be when what was sent back has gone: where each return starts from. */
  private ahead: World | null = null;

  constructor(
    private readonly turning: Turning,
    private readonly world: World,
    private readonly walk: Walk,
  ) {
    this.waiting = [...turning.pending];
    this.actors = Object.keys(world) as Actor[];
  }

  private get partner(): Actor {
    const next = this.turning.next?.actor;
    // Where three work it is meant for whoever acts on it.
    if (this.actors.length > 2 && next && next !== "both" && next !== this.turning.actor) return next;
    return partnerOf(this.turning.actor, this.actors, this.turning.last);
  }

  private get answering(): boolean {
    return this.turning.pending.length > 0;
  }

  /** Takes a beat; `rest`: those behind it. */
  take(beat: DoneBeat, rest: readonly DoneBeat[]): void {
    const front = this.waiting[0];
    if (beat.uses.some(fallsFor) && !front?.feed?.use.feint) return this.fall(beat, rest);
    if (front?.cue && !beat.faulty) return this.actOn(front, beat, rest);
    if (front && (beat.faulty || deals(beat) || goesThrough(front, beat) || this.getsAway(beat, rest)))
      return this.answer(front, beat, rest);
    if (front?.feed && beat.uses.some(attacks)) {
      // An attack alone is no answer: what it stands against lands.
      this.waiting.shift();
      if (front.feed.isReturn) unanswered(front, this.world, this.walk);
      else this.walk.exchanges.push(checkExchange(front.feed, beat, this.world, this.walk.setting));
    }
    this.act(beat, rest);
  }

  /**
   * Something that is no blow, done as in a feint: who answers falls for a feint of the turn before and has to
   * come back from it; who feeds only shows it, and nothing moves.
   */
  private fall(beat: DoneBeat, rest: readonly DoneBeat[]): void {
    const { walk, world, turning } = this;
    const { actor } = turning;
    if (this.waiting.length === 0 && turning.shown === 0) return this.act(beat, rest);
    if (this.fallen >= turning.shown) {
      walk.findings.push(draft(walk.row, beat, "bad-move", { code: "no-feint", move: beat.text.replace("~", "") }));
      return;
    }
    this.fallen++;
    const uses = beat.uses.map((use) => ({ ...use, feint: false }));
    walk.findings.push(...limbFindings(uses, walk.row, world, actor, null));
    applySetUp(uses, world, actor, this.partner);
    world[actor]!.owes = millis(world[actor]!.owes + movementOf(uses));
  }

  /** Moving away is all that is done about a feed. */
  private getsAway({ uses }: DoneBeat, rest: readonly DoneBeat[]): boolean {
    const owed = this.waiting.filter((p) => p.feed && !p.feed.isReturn).length;
    return (
      owed > rest.filter(deals).length &&
      uses.some((use) => displacements(use).length > 0) &&
      !uses.some((use) => use.move.attack)
    );
  }

  /** What nobody dealt with, and the feeds that were made. */
  end(): TurnEnd {
    const { actor } = this.turning;
    this.hitPads();
    const last = this.made.pop();
    if (last?.feed) this.made.push({ ...last, feed: { ...last.feed, after: this.before } });
    else {
      if (last) this.made.push(last);
      for (const uses of this.before) applySetUp(uses, this.world, actor, this.partner);
    }
    for (const p of this.waiting) {
      if (p.feed) unanswered(p, this.world, this.walk);
      else this.walk.exchanges.push(unread(p, null, partnerOf(p.actor, this.actors, null), this.world, this.walk));
    }
    // A feint that is fed by itself waits among the feeds.
    return { pending: this.made, shown: this.feints };
  }

  private answer(front: Pending, beat: DoneBeat, rest: readonly DoneBeat[]): void {
    const { walk, world } = this;
    this.waiting.shift();
    this.bringUp();
    const unmet = Math.max(0, this.waiting.length - rest.filter(deals).length);
    walk.exchanges.push(
      beat.faulty || !front.feed
        ? unread(front, beat, this.turning.actor, world, walk)
        : checkExchange({ ...front.feed, unmet }, beat, world, walk.setting),
    );
    this.throwAll(
      beat,
      beat.uses.filter((use) => attacks(use) && !use.intercept),
      "answered",
    );
  }

  /** Who answers after something was sent back has thrown it by then, and done what stands behind it. */
  private bringUp(): void {
    const { actor } = this.turning;
    this.unhit = null;
    this.hit = null;
    if (this.ahead) {
      const { weight, unrecovered, holds } = this.ahead[actor]!;
      Object.assign(this.world[actor]!, { weight, unrecovered, holds, carries: false, posture: STANCE });
      this.ahead = null;
    }
    for (const uses of this.before) applySetUp(uses, this.world, actor, this.partner);
    this.before = [];
  }

  /** A beat that answers nothing: a blow, a feint, or a set-up. */
  private act(beat: DoneBeat, rest: readonly DoneBeat[]): void {
    const blows = beat.uses.filter((use) => attacks(use) && !use.feint);
    if (beat.faulty && blows.length === 0) {
      this.made.push({ feed: null, text: beat.text, span: beat, actor: this.turning.actor });
      return;
    }
    this.feints += beat.uses.filter((use) => use.feint).length;
    if (this.answering && blows.some((use) => use.pad)) this.offerPad(beat);
    else if (blows.length > 0) this.throwAll(beat, blows, "alone");
    else if (this.isFed(beat, rest)) this.cue(beat);
    // What is only shown moves nothing.
    else if (beat.uses.every((use) => use.feint)) return;
    else if (this.made.length > 0) this.before.push([...beat.uses]);
    else this.setUp(beat);
  }

  private setUp({ uses }: DoneBeat): void {
    const { walk, world } = this;
    const { actor } = this.turning;
    const { row } = walk;
    walk.findings.push(...limbFindings(uses, row, world, actor, null));
    walk.findings.push(...holdReach(uses, { actor, receiver: this.partner, row }, world));
    for (const use of uses) walk.findings.push(...brokenRules(use, walk.row, world[actor]!, walk.setting.header, null));
    applySetUp(uses, world, actor, this.partner);
  }

  /** Blows of a beat; in one that answers, its steps were done with the answer. */
  private throwAll(beat: DoneBeat, blows: readonly MoveUse[], as: "answered" | "alone"): void {
    const { walk, world } = this;
    const { actor, opening } = this.turning;
    for (const use of blows) {
      const receiver = use.at && use.at !== actor ? use.at : this.partner;
      const plain = plainFeed({ use, row: walk.row, actor, receiver, beatUses: beat.uses });
      const { x, y } = (this.ahead ?? world)[receiver]!;
      const feed: Feed = {
        ...plain,
        isReturn: this.answering,
        companions: as === "answered" ? [] : plain.companions,
        before: this.before,
        feints: this.feints,
        first: opening && this.made.length === 0,
        towards: { x, y },
        // Whoever turns to somebody else comes to them with a step.
        order: this.made.length + this.struck + (this.answering && receiver !== this.turning.last ? 1 : 0),
      };
      this.before = [];
      walk.findings.push(...brokenRules(use, walk.row, world[actor]!, walk.setting.header, null));
      if (as === "alone") walk.findings.push(...limbFindings(beat.uses, walk.row, this.ahead ?? world, actor, null));
      if (this.answering) this.sendBack(feed);
      this.made.push({ feed, text: use.text, span: use, actor });
    }
  }

  /** What is done about a cue: blows go to the pad one by one, the last pad takes all that remain. */
  private actOn(front: Pending, beat: DoneBeat, rest: readonly DoneBeat[]): void {
    const kind = cueOf(front.feed!.use);
    if (kind === "pad") {
      this.onPad.push(beat);
      if (this.waiting.length > 1 && beat.uses.some(attacks)) this.hitPads();
      return;
    }
    const about = (one: DoneBeat) => front.feed!.use.feint || dealsWith(one, front.feed!.use);
    if (!about(beat) && rest.some(about)) return this.act(beat, rest);
    this.waiting.shift();
    this.walk.exchanges.push(checkCue(front.feed!, [beat], this.world, this.walk.setting));
    // Nobody attacks them: whatever follows may come with a short step.
    this.struck++;
    const blows = beat.uses.filter((use) => attacks(use) && !use.feint);
    if (blows.length > 0) this.throwAll(beat, blows, "answered");
  }

  private hitPads(): void {
    const [front] = this.waiting;
    if (this.onPad.length === 0 || !front?.cue) return;
    this.waiting.shift();
    this.walk.exchanges.push(checkCue(front.feed!, this.onPad, this.world, this.walk.setting));
    this.onPad = [];
  }

  /** A blow `on pad` behind an answer: the partner has the pad up for it. */
  private offerPad(beat: DoneBeat): void {
    const { walk, world } = this;
    const { actor } = this.turning;
    this.bringUp();
    const use = heldPad(walk.setting.usage.vocabulary, { from: beat.from, to: beat.from });
    const feed = plainFeed({ use, row: walk.row, actor: this.partner, receiver: actor });
    walk.exchanges.push(checkCue(feed, [beat], world, walk.setting));
    this.struck++;
  }

  /**
   * A cue or hold is a feed where nobody waits for an answer and no blow or push follows it in its turn; behind
   * an answer only where the partner deals with it at once. Everywhere else it is done on the way to something.
   */
  private isFed(beat: DoneBeat, rest: readonly DoneBeat[]): boolean {
    const { next } = this.turning;
    // A feint with nothing behind it is shown to be answered.
    const shown = beat.uses.some((use) => use.feint) ? "call" : undefined;
    const kind = beat.uses.map(cueOf).find((one) => one !== null) ?? shown;
    if (!kind || this.walk.setting.header.kind === "solo" || this.waiting.length > 0) return false;
    const later = (one: DoneBeat) => one.uses.some((use) => attacks(use) || (kind !== "pad" && cueOf(use)));
    if (rest.some(later)) return false;
    if (!this.answering) return next !== undefined || !this.walk.goesOn;
    const first = next?.alternatives[0]?.[0]?.beats[0];
    return (
      kind === "hold" &&
      first !== undefined &&
      first.parts.some(({ meaning }) => meaning !== null && undoesHold(meaning.use.move))
    );
  }

  private cue(beat: DoneBeat): void {
    const { walk } = this;
    const { actor } = this.turning;
    const use = beat.uses.find((one) => cueOf(one) !== null) ?? beat.uses[0]!;
    const feed: Feed = {
      ...plainFeed({ use, row: walk.row, actor, receiver: this.partner, beatUses: beat.uses }),
      before: this.before,
    };
    this.before = [];
    for (const one of beat.uses)
      walk.findings.push(...brokenRules(one, walk.row, this.world[actor]!, walk.setting.header, null));
    this.made.push({ feed, text: use.text, span: use, actor, cue: true });
  }

  /** A return must land by itself, whether or not the next turn answers it. */
  private sendBack(feed: Feed): void {
    const { walk } = this;
    this.ahead ??= cloneWorld(this.world);
    const { blow, findings } = this.throwReturn(feed, this.ahead);
    walk.findings.push(...findings);
    const lands = !findings.some((f) => f.rule === "out-of-reach");
    const reaction = blow && lands ? reactionTo(feed.use, blow.zone) : null;
    if (reaction) this.hit = { by: feed.use.text, effect: reaction };
    const behind = walk.exchanges[walk.exchanges.length - 1];
    // What struck at a cue is its answer already.
    if (behind?.answer.includes(feed.use)) return;
    behind?.returns.push({ use: feed.use, lands, reaction });
  }

  /**
   * Sends a return on its way. Behind a blow that moves the one who is hit it is thrown twice, at the body that
   * reacts and at one that does not: what holds only for one of them is said, what fails for both is wrong.
   */
  private throwReturn(feed: Feed, ahead: World) {
    const { walk, hit } = this;
    const { range } = walk.setting.header;
    const struck = ahead[feed.receiver]!;
    if (hit) {
      this.unhit ??= struck.posture;
      struck.posture = afterReaction(struck, hit.effect);
      this.hit = null;
      this.hitBy = hit.by;
    }
    const { unhit, hitBy } = this;
    if (!unhit) return launchFeed(feed, ahead, range);
    const still = cloneWorld(ahead);
    still[feed.receiver]!.posture = unhit;
    const reacting = launchFeed(feed, ahead, range);
    const other = launchFeed(feed, still, range);
    const misses = ({ findings }: typeof other) => findings.some(isMissing);
    if (misses(reacting) === misses(other)) return reacting;
    const params = { move: feed.use.text, first: hitBy ?? "", code: misses(reacting) ? "reacts" : "misses" };
    walk.findings.push(draft(walk.row, feed.use, "chain", params));
    return misses(reacting) ? { ...reacting, findings: reacting.findings.filter((f) => !isMissing(f)) } : reacting;
  }
}
