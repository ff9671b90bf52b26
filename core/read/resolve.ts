/** Words of a score to moves: what a part means for the one who does it. */
import { Bounded, keptFor } from "../base/bounded.ts";
import { type Actor, type Alternative, type Beat, type Part, type Span } from "../score/types.ts";
import { otherSide, type Side } from "../score/person.ts";
import { FILLER, findMove, HEIGHT_WORDS, isModifierWord, SIDES, takePhrases, WAYS } from "./find-move.ts";
import { partNamed, type PartName } from "../words/part-names.ts";
import { canHold, nearestNames, type LookupContext, type Vocabulary } from "../words/vocabulary.ts";
import type { Angle, NumberedRole } from "../words/numbering.ts";
import { standardMoves } from "../words/shipped.ts";
import type { Height, Move } from "../words/types.ts";
import { wordsOf } from "./words-of.ts";

export type SideWord = Side | "lead" | "rear";
export type Way = "in" | "out" | "back" | "forward" | Side;

export interface PartRef {
  readonly part: PartName;
  readonly side: SideWord | null;
}

/** One move as it is done here: the move with its modifiers. */
export interface MoveUse extends Span {
  readonly move: Move;
  readonly text: string;
  readonly side: SideWord | null;
  /** `L` or `R`: the hand that does it, whatever side words mean for the move. */
  readonly hand: Side | null;
  readonly height: Height | null;
  readonly way: Way | null;
  readonly degrees: number | null;
  /** `to PART`, for blows and pushes. */
  readonly target: PartRef | null;
  /** `on PART`, for contact moves: the other person's part. */
  readonly on: PartRef | null;
  /** `at C`: who receives it, where three work. */
  readonly at: Actor | null;
  readonly feint: boolean;
  readonly commitment: "committed" | "probing" | null;
  readonly intercept: boolean;
  /** Length in beats. */
  readonly length: number;
}

export interface WordFault extends Span {
  readonly rule: "unknown-move" | "bad-move" | "syntax";
  readonly code: string;
  readonly params: Readonly<Record<string, string>>;
  readonly nearest: readonly string[];
}

export interface ResolvedBeat extends Span {
  /** As typed. */
  readonly text: string;
  /** True where a part of it could not be read. */
  readonly faulty: boolean;
  readonly uses: readonly MoveUse[];
}

export interface ResolveContext extends LookupContext {
  readonly hand: Side;
  readonly lead: Side;
  readonly numbering: string;
}

/** Reads all beats of an alternative; a beat with a fault keeps the parts that could be read. */
export function resolveAlternative(
  alternative: Alternative,
  vocabulary: Vocabulary,
  context: ResolveContext,
): Resolution {
  const key = contextKey(context);
  const kept = resolved.get(alternative);
  if (kept && kept.key === key && kept.vocabulary === vocabulary) return kept.result;
  const result = readAlternative(alternative, vocabulary, context);
  resolved.set(alternative, { key, vocabulary, result });
  return result;
}

/** Beats of one person as they are read, with what could not be. */
export interface Resolution {
  readonly beats: readonly ResolvedBeat[];
  readonly faults: readonly WordFault[];
}
/** The last reading of an alternative: while typing most rows are the same objects as before. */
const resolved = new WeakMap<Alternative, { key: string; vocabulary: Vocabulary; result: Resolution }>();

function readAlternative(alternative: Alternative, vocabulary: Vocabulary, context: ResolveContext): Resolution {
  const faults: WordFault[] = [];
  const beats: ResolvedBeat[] = [];
  const add = (beat: Beat, text: string, parts: readonly Part[]) => {
    const before = faults.length;
    const uses = parts.map((part) => resolvePart(part, vocabulary, context, faults)).filter(isUse);
    beats.push({ ...spanOf(beat), text, uses, faulty: faults.length > before });
  };
  for (const beat of alternative.beats) {
    const row = numberRow(beat, vocabulary, context);
    if (row) for (const text of row) add(beat, text, [spreadOver(text, beat)]);
    else add(beat, beat.parts.map((part) => part.words.map((w) => w.text).join(" ")).join(" + "), beat.parts);
  }
  return { beats, faults };
}

const isUse = (use: MoveUse | null): use is MoveUse => use !== null;
const spanOf = ({ from, to }: Span): Span => ({ from, to });

/** `1-2-3` and single numbers with empty hands: blows of the punches set, as notation. */
function numberRow(beat: Beat, vocabulary: Vocabulary, context: ResolveContext): string[] | null {
  const word = beat.parts.length === 1 && beat.parts[0]!.words.length === 1 ? beat.parts[0]!.words[0]! : null;
  if (!word || !/^\d{1,2}(?:-\d{1,2})*$/.test(word.text)) return null;
  const numbers = word.text.split("-");
  if (context.holds !== null && numbers.length === 1) return [`${numberedName("strike", vocabulary)} ${word.text}`];
  const moves = vocabulary.numbering.get("punches")?.moves ?? [];
  const texts = numbers.map((n) => moves[Number(n) - 1] ?? `punch number ${n}`);
  return texts;
}

/** How a numbered move of a role is written. */
const numberedName = (role: NumberedRole, { moves }: Vocabulary): string =>
  [...moves.values()].find((move) => move.numbered === role)!.name;

function spreadOver(text: string, span: Span): Part {
  return { ...spanOf(span), words: text.split(" ").map((word) => ({ ...spanOf(span), text: word })) };
}

type Draft = { -readonly [K in keyof MoveUse]: MoveUse[K] };

/** What a part means in a context, without its place; kept, since drills say the same few things often. */
interface Reading {
  readonly use: MoveUse | null;
  readonly faults: readonly WordFault[];
}
const readings = new WeakMap<Vocabulary, Bounded<string, Reading>>();
/** Readings kept for a vocabulary for sure. */
const MOST_READINGS = 5000;

const keys = new WeakMap<ResolveContext, string>();

function contextKey(c: ResolveContext): string {
  return keptFor(
    keys,
    c,
    () => `${c.holds}|${c.twoSticks}|${c.pads}|${c.kind}|${c.tradition}|${c.hand}|${c.lead}|${c.numbering}|`,
  );
}

function resolvePart(part: Part, vocabulary: Vocabulary, context: ResolveContext, faults: WordFault[]): MoveUse | null {
  let key = contextKey(context);
  for (const word of part.words) key += `${word.text} `;
  const reading = keptFor(readings, vocabulary, () => new Bounded<string, Reading>(MOST_READINGS)).of(key, () => {
    const found: WordFault[] = [];
    return { use: readPart(part, vocabulary, context, found), faults: found };
  });
  const { from, to } = part;
  for (const fault of reading.faults) faults.push({ ...fault, from, to });
  return reading.use && { ...reading.use, from, to };
}

function readPart(part: Part, vocabulary: Vocabulary, context: ResolveContext, faults: WordFault[]): MoveUse | null {
  const span = spanOf(part);
  const read = wordsOf(part);
  const { words } = read;
  const fault = (
    rule: WordFault["rule"],
    code: string,
    params: Record<string, string> = {},
    nearest: string[] = [],
  ) => {
    faults.push({ ...span, rule, code, params, nearest });
    return null;
  };
  const found = findMove(words, vocabulary, context);
  if (!found) {
    const own = takePhrases(words).left.filter((w) => !isModifierWord(w));
    const typed = own.join(" ") || words.join(" ");
    return fault("unknown-move", "unknown", { typed }, nearestNames(vocabulary, typed));
  }
  const { move } = found;
  const use: Draft = {
    ...span,
    move,
    text: part.words.map((w) => w.text).join(" "),
    side: null,
    hand: null,
    height: null,
    way: null,
    degrees: null,
    target: found.target,
    on: found.on,
    at: found.at,
    feint: read.feint,
    commitment: read.commitment,
    intercept: false,
    length: read.length,
  };
  let number: number | null = null;
  for (const word of found.rest) {
    if (word === "l" || word === "r") use.hand = word === "l" ? "left" : "right";
    else if (word in SIDES) use.side = SIDES[word]!;
    else if (word in WAYS) use.way = WAYS[word]!;
    else if (word in HEIGHT_WORDS) use.height = HEIGHT_WORDS[word]!;
    else if (word === "intercept") use.intercept = true;
    else if (/^\d{1,3}$/.test(word)) number = Number(word);
    else if (partNamed(word)) {
      const ref: PartRef = { part: partNamed(word)!, side: use.side };
      if (move.contact || move.energy) use.on ??= ref;
      else if (move.attack) use.target ??= ref;
      else if (!FILLER.has(word)) return fault("syntax", "modifier", { word, move: move.name });
    } else if (!FILLER.has(word)) return fault("syntax", "modifier", { word, move: move.name });
  }
  if (move.numbered) return numbered(use, number, vocabulary, context, faults);
  if (number !== null) {
    if (move.group !== "footwork" && !move.answer?.some((m) => m.by === "displace"))
      return fault("syntax", "modifier", { word: String(number), move: move.name });
    use.degrees = number;
  }
  return consistent(use, context, fault);
}

const sideIn = (word: SideWord, { lead }: ResolveContext): Side =>
  word === "lead" ? lead : word === "rear" ? otherSide(lead) : word;

type Fault = (rule: WordFault["rule"], code: string, params?: Record<string, string>) => null;

/** A move that contradicts itself (a lead cross, a high sweep) or needs what is not in the hand. */
function consistent(use: Draft, context: ResolveContext, fault: Fault): MoveUse | null {
  const { move } = use;
  if (!canHold(move, context)) return fault("bad-move", "needs", { move: move.name, needs: String(move.needs) });
  if (
    move.needs === "empty" &&
    context.holds &&
    use.side &&
    move.sides === "limb" &&
    sideIn(use.side, context) === context.hand
  )
    return fault("bad-move", "needs", { move: move.name, needs: "empty" });
  if (move.fixedSide && use.side) {
    const lead = use.side === "lead" || use.side === context.lead;
    if (lead !== move.limb.startsWith("lead")) return fault("bad-move", "side", { move: move.name, side: use.side });
  }
  if (use.height && move.attack && move.heights && !move.heights.includes(use.height))
    return fault("bad-move", "height", { move: move.name, height: use.height, heights: move.heights.join(", ") });
  if (use.side && move.sides === "way" && (use.side === "left" || use.side === "right")) use.way = use.side;
  return use;
}

/** `strike N`, `block N`, `counter N`: the standard moves of the numbering set, as notation. */
function numbered(
  use: Draft,
  number: number | null,
  vocabulary: Vocabulary,
  context: ResolveContext,
  faults: WordFault[],
): MoveUse | null {
  const set = vocabulary.numbering.get(context.numbering) ?? vocabulary.numbering.get("twelve angles");
  const angle = number === null ? undefined : set?.angles?.[number - 1];
  const role = use.move.numbered!;
  if (!angle) {
    const params = {
      move: use.move.name,
      number: String(number ?? ""),
      set: context.numbering,
      most: String(set?.angles?.length ?? 0),
    };
    faults.push({ from: use.from, to: use.to, rule: "bad-move", code: "number", params, nearest: [] });
    return null;
  }
  const text = standardText(role, angle, context);
  const read = resolvePart(spreadOver(text, use), vocabulary, { ...context, numbering: "" }, faults);
  return read && { ...read, text: use.text, feint: use.feint, commitment: use.commitment, length: use.length };
}

/** What a numbered move means on the line of an angle, for what the actor holds and in which hand. */
function standardText(role: NumberedRole, angle: Angle, { hand, holds }: ResolveContext): string {
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
