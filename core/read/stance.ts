/** What read words come to for somebody who stands like this: which side leads, which hand holds. */
import { keptFor } from "../base/bounded.ts";
import { otherSide, type Held, type Side } from "../score/person.ts";
import type { Span } from "../score/types.ts";
import type { Angle, NumberedRole } from "../words/numbering.ts";
import { standardMoves } from "../words/shipped.ts";
import type { Move } from "../words/types.ts";
import { needsWeapon, type Vocabulary } from "../words/vocabulary.ts";
import { readPart } from "./read-part.ts";
import type {
  Done,
  DoneBeat,
  Meaning,
  MoveUse,
  ReadBeat,
  ReadBeats,
  SideWord,
  Stance,
  WordContext,
  WordFault,
} from "./types.ts";

/** Beats by the stance they were done from: there are four, each as they came, disarmed, or with a second tool. */
const kept = new WeakMap<ReadBeats, (Done | undefined)[]>();
const STANCES = 12;
const numberOf = ({ lead, weaponSide, body }: Stance, { holds }: WordContext): number => {
  const now = body?.person.holds;
  const changed = holds === null || now === undefined ? 0 : now === null ? 4 : secondOf(now);
  return changed + (lead === "left" ? 0 : 1) + (weaponSide === "left" ? 0 : 2);
};

const secondOf = ({ count }: Held): number => (count === 2 ? 8 : 0);

/** The beats as somebody does them from a stance. */
export function doneFrom(read: ReadBeats, stance: Stance, vocabulary: Vocabulary): Done {
  const known = keptFor(kept, read, () => new Array<Done | undefined>(STANCES).fill(undefined));
  const number = numberOf(stance, read.context);
  return (known[number] ??= doBeats(read, stance, vocabulary));
}

function doBeats({ beats, context }: ReadBeats, stance: Stance, vocabulary: Vocabulary): Done {
  const faults: WordFault[] = [];
  const doing = new Doing(stance, context, vocabulary, faults);
  return { beats: beats.map((beat) => doing.beat(beat)), faults };
}

const NOWHERE: Span = { from: 0, to: 0 };

class Doing {
  constructor(
    private readonly stance: Stance,
    private readonly context: WordContext,
    private readonly vocabulary: Vocabulary,
    private readonly faults: WordFault[],
  ) {}

  beat({ from, to, text, parts }: ReadBeat): DoneBeat {
    const uses: MoveUse[] = [];
    for (const part of parts) {
      const use = part.meaning && this.use(part.meaning, part);
      if (use) uses.push({ ...use, from: part.from, to: part.to });
    }
    return { from, to, text, uses: this.withFreeHand(uses), faulty: uses.length < parts.length };
  }

  /** A hold or parry beside a blow, with no hand named, is done with the hand that does not strike. */
  private withFreeHand(uses: readonly MoveUse[]): readonly MoveUse[] {
    const blow = uses.find(({ move }) => move.attack && / hand$/.test(move.limb));
    if (!blow) return uses;
    const strikes =
      blow.hand ??
      sideIn(
        blow.side && blow.move.sides === "limb" ? blow.side : blow.move.limb.startsWith("rear") ? "rear" : "lead",
        this.stance,
      );
    return uses.map((use) => {
      const free = worksAcross(use.move) && !use.hand && !use.side;
      return free ? { ...use, hand: otherSide(strikes) } : use;
    });
  }

  private use(meaning: Meaning, place: Span): MoveUse | null {
    return meaning.kind === "numbered" ? this.standard(meaning, place) : this.consistent(meaning.use, place);
  }

  /** A lead cross contradicts itself; a hand that holds something is not free. */
  private consistent(use: MoveUse, place: Span): MoveUse | null {
    const { move, side } = use;
    const { lead, weaponSide } = this.stance;
    const hand = use.hand ?? (side && move.sides === "limb" ? sideIn(side, this.stance) : null);
    // A tool strikes and blocks with the hand that holds it.
    const now = this.stance.body?.person.holds;
    if (this.context.holds && now === null && needsWeapon(move))
      return this.fault("needs", { move: move.name, needs: "gone" }, place);
    if (hand && hand !== weaponSide && !this.context.twoSticks && now?.count !== 2 && worksWithTool(move))
      return this.fault("needs", { move: move.name, needs: "hand", side: weaponSide }, place);
    // A cross is thrown with the rear hand, whatever is in it.
    const bound = hand ?? (move.fixedSide ? sideIn(move.limb.startsWith("lead") ? "lead" : "rear", this.stance) : null);
    if (move.needs === "empty" && this.context.holds && now !== null && bound === weaponSide)
      return this.fault("needs", { move: move.name, needs: "empty" }, place);
    if (!side) return use;
    const leads = side === "lead" || side === lead;
    if (move.fixedSide && leads !== move.limb.startsWith("lead"))
      return this.fault("side", { move: move.name, side }, place);
    return use;
  }

  /** A numbered move as notation: the standard move of the set on its line, read like any other. */
  private standard({ use, role, angle }: Meaning & { kind: "numbered" }, place: Span): MoveUse | null {
    const words = standardText(role, angle, this.stance.weaponSide, this.context).split(" ");
    const part = { ...NOWHERE, words: words.map((text) => ({ ...NOWHERE, text })) };
    const { meaning, faults } = readPart(part, this.vocabulary, this.context);
    this.faults.push(...faults.map((fault) => ({ ...fault, from: place.from, to: place.to })));
    const standard = meaning?.kind === "move" ? this.consistent(meaning.use, place) : null;
    if (!standard) return null;
    const { text, feint, commitment, length } = use;
    return { ...standard, text, feint, commitment, length };
  }

  private fault(code: string, params: Readonly<Record<string, string>>, { from, to }: Span): null {
    this.faults.push({ from, to, rule: "bad-move", code, params, nearest: [] });
    return null;
  }
}

/** What either hand can do, wherever the attack comes to: a hold or a push aside, not a cover, which stands on its side. */
const worksAcross = ({ attack, limb, contact, answer }: Move): boolean =>
  limb === "incoming hand" && !attack && (contact !== undefined || answer?.every((m) => m.by === "deflect") === true);

/** True for what is done with the weapon itself by one hand. */
const worksWithTool = ({ needs, limb }: Move): boolean =>
  needs !== undefined && needs !== "empty" && limb === "weapon hand";

const sideIn = (word: SideWord, { lead }: Stance): Side =>
  word === "lead" ? lead : word === "rear" ? otherSide(lead) : word;

/** What a numbered move means on the line of an angle, for what is held and in which hand. */
function standardText(role: NumberedRole, angle: Angle, hand: Side, { holds }: WordContext): string {
  // A counter goes along the line that the block leaves open: the other side, or that of the free hand.
  const side = role === "counter" ? otherSide(angle.side ?? otherSide(hand)) : angle.side;
  const found = standardMoves[role].find(
    (one) =>
      (one.line === undefined || one.line === angle.line) &&
      (one.holds === undefined || (one.holds === "stick") === (holds === "stick")) &&
      (one.reaches === undefined || (one.reaches === "own side") === (side === hand)),
  )!;
  const part = angle.side ? `${angle.side} ${angle.part}` : angle.part;
  return found.text
    .replace("{height}", angle.height)
    .replace("{side}", angle.side ?? "")
    .replace("{part}", part);
}
