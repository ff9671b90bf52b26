/**
 * Cues and holds as feeds: a pad is shown, somebody walks in, a gap opens, a hand takes hold. What the partner
 * does about it is judged by what kind of cue it is; blows on pads for the one who hits.
 */
import { metres } from "../base/units.ts";
import { draft, type FindingDraft } from "../findings/finding.ts";
import { isArmPart } from "../body/parts.ts";
import { distanceOf, moveFeet, openState, withBody, withState, type World } from "../body/state.ts";
import type { DoneBeat, MoveUse } from "../read/types.ts";
import type { Cue } from "../words/types.ts";
import { limbKind } from "./blow.ts";
import { MODEL } from "./constants.ts";
import { countOn } from "./cycle.ts";
import { emptyExchange } from "./empty.ts";
import { poses, type Done, type Setting } from "./exchange.ts";
import { plainFeed } from "./feed.ts";
import { atPad, padAhead, padFindings, padPlace } from "./pads.ts";
import { launchAtHit, type Unhit } from "./at-hit.ts";
import { launchFeed } from "./launch.ts";
import { applyAll, applySetUp, limbFindings, takenPart, undoesHold } from "./limbs.ts";
import { displacements } from "./move-body.ts";
import { afterReaction, reactionTo } from "./reactions.ts";
import { brokenRules } from "./restrictions.ts";
import type { Blow, CheckedExchange, Feed, Layer, PadPlace } from "./types.ts";
import { verdictOf } from "./verdict.ts";

/** What a move is as a cue: said by its data, or a hold; null for all others. */
export function cueOf({ move, on }: MoveUse): Cue | "hold" | null {
  if (move.cue) return move.cue;
  if (move.attack || move.energy || on?.own) return null;
  const { kind } = move.contact ?? {};
  return kind === "grip" || kind === "pin" || kind === "touch" ? "hold" : null;
}

/** True for a step in with the own weapon taken in both hands: they come with it, and have to be met. */
export const comesWithBoth = (uses: readonly MoveUse[]): boolean =>
  uses.some(({ on }) => on?.own) && uses.some((use) => displacements(use).some(({ feet }) => (feet?.forward ?? 0) > 0));

/** Returns what is done about a cue, judged: for a pad all the blows that go to it, else the one beat that answers. */
export function checkCue(cue: Feed, beats: readonly DoneBeat[], world: World, setting: Setting): Done {
  const check = new CueCheck(cue, world, setting);
  return check.run(beats);
}

class CueCheck {
  private readonly findings: FindingDraft[] = [];
  private readonly layers: Layer[] = [];
  private readonly pads: PadPlace[] = [];
  private readonly kind: Cue | "hold";
  private first: Blow | null = null;
  /** The holder as they stood before a blow drove them back, and that blow. */
  private unhit: Unhit | null = null;
  /** What deals with a cue that no blow answers. */
  private answered: MoveUse | null = null;

  constructor(
    private readonly cue: Feed,
    /** The bodies as they are by now. */
    private world: World,
    private readonly setting: Setting,
  ) {
    this.kind = cueOf(cue.use) ?? (cue.use.on?.own ? "approach" : "call");
  }

  run(beats: readonly DoneBeat[]): Done {
    const { cue, setting } = this;
    const { actor, receiver, use, row } = cue;
    const before = poses(this.world);
    const begun = applyAll(cue.before, this.world, actor, receiver);
    this.findings.push(...limbFindings(cue.beatUses, row, begun, actor, null), ...holdReach(cue.beatUses, cue, begun));
    const { x, y } = begun[actor]!;
    this.world = applySetUp(cue.beatUses, begun, actor, receiver);
    if (this.kind === "approach" && beats[0]) this.comeOn(beats[0]);
    for (const beat of beats) this.beat(beat);
    const contact = {
      attacker: this.world[actor]!,
      receiver: this.world[receiver]!,
      right: 0,
      forward: 0,
      busy: [],
    };
    // A kick drives a partner who walks into it back to where they began.
    if (this.kind === "approach" && this.first?.limb === "leg")
      this.world = withBody(this.world, withState(this.world[actor]!, { x, y }));
    this.world = applyAll(cue.after, this.world, actor, receiver);
    const says = this.count();
    const last = beats[beats.length - 1];
    // A pad that no blow goes to is as open as a cue on which nobody acts.
    const idle = this.kind === "pad" && this.layers.length === 0;
    if (!last || idle) this.findings.push(draft(row, use, "cue-open", { cue: use.text }));
    const uses = beats.flatMap((beat) => beat.uses);
    const working = this.layers.filter((layer) => layer.fails === null);
    const exchange: CheckedExchange = {
      ...emptyExchange(
        {
          // The pad may be written behind the blows that go to it.
          from: Math.min(use.from, beats[0]?.from ?? use.from),
          to: Math.max(use.to, last?.to ?? use.to),
          row,
          feed: use,
          feedText: use.text,
          feeder: actor,
          responder: receiver,
          answerSpan: last ? { from: beats[0]!.from, to: last.to } : null,
          before,
          after: poses(this.world),
        },
        setting,
      ),
      beat: uses,
      answer: uses,
      answerText: beats.map((beat) => beat.text).join(", "),
      verdict: verdictOf(this.findings),
      margin: working.length > 0 ? metres(Math.min(...working.map((layer) => layer.margin))) : null,
      layers: this.layers,
      contact,
      pads: this.pads,
      says,
      findings: this.findings,
    };
    return { exchange, world: this.world };
  }

  /** Takes a contact cycle on by a count; says what touches what in it. */
  private count(): string | null {
    if (this.kind !== "cycle" || !this.answered) return null;
    const { findings, says, world } = countOn(this.cue, this.answered, this.world);
    this.findings.push(...findings);
    this.world = world;
    return says;
  }

  private beat(beat: DoneBeat): void {
    const { cue, setting } = this;
    const { receiver, actor, row } = cue;
    const incoming = this.first?.incoming ?? null;
    this.findings.push(...limbFindings(beat.uses, row, this.world, receiver, incoming));
    for (const use of beat.uses)
      this.findings.push(...brokenRules(use, row, this.world[receiver]!, setting.header, null));
    const blows = beat.uses.filter((use) => use.move.attack && !use.feint);
    const others = beat.uses.filter((use) => !use.move.attack);
    // Stepping, pinning and freeing come before the blow of the same beat.
    if (blows.length === 0 || others.length > 0) {
      if (blows.length === 0 && beat.uses.some((use) => !use.feint)) this.answer(others, beat);
      this.world = applySetUp(others, this.world, receiver, actor);
    }
    for (const use of blows) this.strike(use, beat);
  }

  /** Who walks in comes on until the blow that meets them gets there, a step more at most. */
  private comeOn(beat: DoneBeat): void {
    const { cue, world, setting } = this;
    const use = beat.uses.find(({ move, feint }) => move.attack && !feint);
    if (!use) return;
    const { blow } = launchFeed(this.blowOf(use, beat), world, setting.header.range);
    const short = blow?.missing ?? 0;
    if (short <= 0) return;
    const walks = openState(world[cue.actor]!);
    moveFeet(walks, world[cue.receiver]!, 0, Math.min(short + MODEL.spare, MODEL.plainStep));
    this.world = withBody(world, walks);
  }

  /** Gear that is missing is said once, not for every blow. */
  private say(found: readonly FindingDraft[]): void {
    for (const one of found)
      if (!this.findings.some((f) => f.rule === one.rule && f.params.gear === one.params.gear)) this.findings.push(one);
  }

  /** Returns a blow as it is thrown at the partner who gave the cue. */
  private blowOf(use: MoveUse, beat: DoneBeat): Feed {
    const { cue, world, kind } = this;
    const pad = kind === "pad";
    const order = this.layers.length;
    return {
      ...plainFeed({
        use: pad && order === 0 ? atPad(use, cue.use) : use,
        row: cue.row,
        actor: cue.receiver,
        receiver: cue.actor,
        beatUses: beat.uses,
      }),
      companions: [],
      first: order === 0 && cue.first,
      order,
      ahead: pad ? padAhead(use, world[cue.actor]!) : 0,
      onPad: pad,
    };
  }

  /** The world with the holder driven back by the blow before. */
  private givenGround({ receiver, actor }: Feed): World {
    const { unhit, world } = this;
    return unhit ? withBody(world, afterReaction(world[receiver]!, "sent away", world[actor]!)) : world;
  }

  /** Throws a blow: onto the pad, or at a partner who shows an opening, walks in or holds on. */
  private strike(use: MoveUse, beat: DoneBeat): void {
    const { cue, setting, kind } = this;
    const { actor, row } = cue;
    const pad = kind === "pad";
    const feed = this.blowOf(use, beat);
    const holder = this.world[actor]!;
    // A blow at somebody can be answered: the walk of the turn throws it in earnest.
    const { blow, findings, world } = pad
      ? launchAtHit(feed, this.givenGround(feed), this.unhit, setting.header.range)
      : launchFeed(feed, this.world, null);
    this.findings.push(...findings);
    if (!blow) return;
    if (pad) this.say(padFindings(cue.use, blow, world[actor]!, row, setting.usage.customs.pads));
    this.first ??= blow;
    if (pad) this.pads.push(padPlace(cue.use, blow, world[actor]!, setting.usage.customs.pads));
    const missing = blow.missing > 0;
    // A blow that drives moves the pad and its holder; after the row they are in their place again.
    if (pad) this.world = withBody(world, holder);
    const drives = pad && !missing && reactionTo(use, blow.zone) === "sent away";
    this.unhit = drives ? { state: holder, by: use.text } : null;
    const margin = metres(missing ? -blow.missing : MODEL.marginCap);
    this.layers.push({ use, by: "strike", margin, fails: missing ? "open" : null, detail: {}, bareLimb: false });
  }

  /** Something other than a blow, as the answer to the cue. */
  private answer(uses: readonly MoveUse[], beat: DoneBeat): void {
    const { cue, kind } = this;
    if (kind === "pad") return;
    const use = uses.find((one) => answers(one, kind, cue.use));
    if (use) {
      const margin = metres(MODEL.marginCap);
      this.layers.push({ use, by: "cue", margin, fails: null, detail: {}, bareLimb: false });
      this.answered = use;
    } else if (this.layers.length === 0) {
      const answer = beat.uses.map((one) => one.text).join(" + ");
      const code = cue.use.move.contact?.behind ? "behind" : kind;
      this.findings.push(draft(cue.row, beat, "line-open", { code, answer, feed: cue.use.text }));
    }
  }
}

/** True where something in a beat deals with a cue of a kind. */
export function dealsWith({ uses }: DoneBeat, cue: MoveUse): boolean {
  const kind = cueOf(cue);
  return uses.some(
    (use) =>
      (use.move.attack !== undefined && !use.feint) || (kind !== null && kind !== "pad" && answers(use, kind, cue)),
  );
}

/** How far in front of the body an arm is held that keeps somebody off who walks in, m. Common practice, no source. */
const ARM_OUT = 0.3;

/** What deals with a cue of a kind, as far as the data of a move say it. */
function answers(use: MoveUse, kind: Exclude<Cue | "hold", "pad">, cue: MoveUse): boolean {
  const { move } = use;
  const mechanisms = move.answer ?? [];
  const feet = mechanisms.some((m) => m.by === "displace" && m.feet !== undefined);
  // Turned on one foot they walk past, legs and all.
  const turnsAway = mechanisms.some((m) => m.by === "displace" && m.side?.legs !== undefined);
  switch (kind) {
    case "call":
    case "opening":
      return !stays(move) || cue.feint || cue.move.asksNothing === true;
    case "approach":
      return (
        feet ||
        turnsAway ||
        move.contact !== undefined ||
        mechanisms.some((m) => (m.by === "interpose" && m.depth >= ARM_OUT) || m.by === "jam") ||
        // A chest and a hip arrive: an arm placed before them, or hands that push, hold them off.
        (limbKind(use) !== "body" && (mechanisms.some((m) => m.by === "deny") || pushesAway(use)))
      );
    case "cycle":
      return move.cycle !== undefined && move.cycle === cue.move.cycle;
    case "shot":
      return mechanisms.some((m) => m.by === "deny");
    case "hold":
      if (cue.move.contact?.behind) return worksBehind(move);
      // Hips that go away, or a frame, open what goes round the body.
      if (cue.move.contact?.on === "body" && mechanisms.some((m) => m.by === "deny")) return true;
      return (
        // A touch holds nobody: stepping away, or putting the hand aside, is enough.
        (cue.move.contact?.kind === "touch" && (feet || mechanisms.some((m) => m.by === "deflect"))) ||
        undoesHold(move) ||
        // Stepping alone takes nobody out of a grip.
        (!feet && mechanisms.some((m) => m.by === "energy" || m.by === "jam"))
      );
  }
}

/** True for a move with which nothing is done. */
export const stays = ({ answer }: MoveUse["move"]): boolean => answer?.some(({ by }) => by === "none") === true;

const pushesAway = ({ move: { energy } }: MoveUse): boolean =>
  energy !== undefined && energy.direction !== "gone" && energy.direction[2] < 0;

/** How much lower the contact has to go before a holder behind has to carry the weight; a share of the way. */
const SINKS = -0.3;

/** What deals with a grip from behind: opening or pinning it, turning in it, or going down in it. */
function worksBehind(move: MoveUse["move"]): boolean {
  if (undoesHold(move) || move.faces === true || move.contact?.kind === "pin") return true;
  if (move.limb !== "body") return false;
  return move.answer?.some((m) => m.by === "energy" && Array.isArray(m.goes) && m.goes[1] <= SINKS) === true;
}

/** A hold reaches like a blow, with a short step: how much is missing is said. */
export function holdReach(
  beatUses: readonly MoveUse[],
  { actor, receiver, row }: Pick<Feed, "actor" | "receiver" | "row">,
  world: World,
): FindingDraft[] {
  const state = world[actor]!;
  const partner = world[receiver]!;
  return beatUses.flatMap((use) => {
    if (!use.move.contact || use.on?.own || undoesHold(use.move) || limbKind(use) !== "hand") return [];
    // A guard's hands are in front of the body; all else is at it.
    const surface = isArmPart(takenPart(use)) ? MODEL.guardAhead * partner.body.height : MODEL.atBody;
    const steps =
      use.move.answer?.some((m) => m.by === "displace") || beatUses.some((one) => displacements(one).length > 0);
    const step = (steps ? MODEL.stepIn : MODEL.shortStep) * state.body.scale;
    const missing = distanceOf(state, partner) - surface - state.body.arm - step;
    if (missing <= 0) return [];
    const cm = Math.max(1, Math.round(missing * 100));
    return [draft(row, use, "out-of-reach", { move: use.text, cm, code: steps ? "hold-stepped" : "hold" })];
  });
}
