/**
 * Lines with their words resolved: everybody named, every beat a move with its modifiers. Each line is read
 * when it is first asked for, once for all scores whose headers say the same about words.
 */
import { nameKey } from "../words/name-key.ts";
import { Bounded, keptFor } from "../base/bounded.ts";
import { otherSide, PADS } from "../score/person.ts";
import type { Header } from "../score/header.ts";
import { expandRange, expandReceivers } from "../score/ranges.ts";
import type { Actor, Alternative, Beat, Line, Part, Span, Turn } from "../score/types.ts";
import type { NumberedRole } from "../words/numbering.ts";
import { type Vocabulary } from "../words/vocabulary.ts";
import { heldPad } from "./plain-use.ts";
import type { Cue } from "../words/types.ts";
import { sayingOf } from "./sayings.ts";
import { contextKey, readPart } from "./read-part.ts";
import type {
  MoveUse,
  ReadBeat,
  ReadBeats,
  ReadLine,
  ReadPart,
  ReadPlay,
  ReadTurn,
  WordContext,
  WordFault,
} from "./types.ts";

/** What of a header decides what words mean and who acts. */
type ReadingHeader = Pick<Header, "kind" | "numbering" | "tradition" | "actors" | "people">;

/** What the words of one person mean depends on what they hold and wear, and on the drill's kind. */
function contextOf(actor: Actor, { people, kind, tradition, numbering }: ReadingHeader): WordContext {
  const { holds, wears } = people[actor];
  return {
    holds: holds?.kind ?? null,
    twoSticks: holds?.count === 2,
    off: holds?.off ? { kind: holds.off.kind, hand: otherSide(people[actor].hand) } : null,
    pads: wears.some((gear) => PADS.has(gear)),
    kind,
    tradition,
    numbering,
  };
}

/** Readers by vocabulary and by what a header says of words. */
const readers = new WeakMap<Vocabulary, Bounded<string, LineReader>>();
const MOST_READERS = 500;

/** The reader for all lines under a header: one object for headers that say the same about words. */
export function readerFor(header: ReadingHeader, vocabulary: Vocabulary): LineReader {
  const contexts = header.actors.map((actor) => contextOf(actor, header));
  const key = contexts.map(contextKey).join();
  return keptFor(readers, vocabulary, () => new Bounded<string, LineReader>(MOST_READERS)).of(
    key,
    () => new LineReader(header.actors, contexts, vocabulary),
  );
}

/** Reads lines for the people of a header. */
export class LineReader {
  private readonly lines = new WeakMap<Line, ReadLine>();

  constructor(
    readonly actors: readonly Actor[],
    private readonly contexts: readonly WordContext[],
    readonly vocabulary: Vocabulary,
  ) {}

  /** The line with its words resolved. */
  read(line: Line): ReadLine {
    return keptFor(this.lines, line, () => this.readAfresh(line));
  }

  private readAfresh(line: Line): ReadLine {
    const faults: WordFault[] = [];
    const all = expandRange(line).flatMap((one) => expandReceivers(one, this.actors));
    const plays = all.map((one): ReadPlay => {
      let last: Actor | null = null;
      const turns = one.turns.map((turn): ReadTurn => {
        const actor = one.meets ? this.whoMeets(turn, last) : this.whoActs(turn, last, faults);
        if (actor !== "both") last = actor;
        return this.turn(turn, actor, faults);
      });
      return { from: line.from, to: line.to, meets: one.meets, turns: one.meets ? turns : this.onPads(turns) };
    });
    return { line, plays, faults };
  }

  /**
   * Pads before the blows that go onto them: `B jab on pads` and `B jab -> A hold pad` are both
   * `A hold pads -> B jab`.
   */
  private onPads(typed: readonly ReadTurn[]): readonly ReadTurn[] {
    const turns = typed.some((turn) => someUse(turn, goesOnPad)) ? typed.map(allOnPads) : typed;
    const [first, second, ...rest] = turns;
    if (!first || first.actor === "both" || !someUse(first, attacks)) return turns;
    if (second && second.actor !== "both" && onlyCues(second, "pad")) return [second, first, ...rest];
    if (!someUse(first, goesOnPad)) return turns;
    const holder = partnerOf(first.actor, this.actors, null);
    const at = { from: first.from, to: first.from };
    const use = heldPad(this.vocabulary, at);
    const part: ReadPart = { ...at, meaning: { kind: "move", use } };
    const beat: ReadBeat = { ...at, text: use.text, parts: [part] };
    const context = this.contexts[Math.max(0, this.actors.indexOf(holder))]!;
    const shown: ReadTurn = {
      ...at,
      actor: holder,
      alternatives: [[{ ...at, actor: holder, context, beats: [beat] }]],
    };
    return [shown, ...turns];
  }

  /** Who acts where nobody is named: whoever did not act before. */
  private whoActs(turn: Turn, last: Actor | null, faults: WordFault[]): Actor | "both" {
    if (turn.actor === "both") return "both";
    // Nobody is left to be anybody: who may be is named by now, but at the start of a line.
    if (turn.actor === null || turn.actor === "any") {
      if (this.actors.length > 2 && !this.isReverse(turn)) faults.push(syntax(turn, "actor", {}));
      return last === null ? "A" : partnerOf(last, this.actors, null);
    }
    if (turn.actor === last) faults.push(syntax(turn, "same-actor", { actor: turn.actor }));
    return turn.actor;
  }

  /** The word that turns the order of a drill has nobody who does it. */
  private isReverse({ alternatives }: Turn): boolean {
    const parts = alternatives.flatMap(({ beats }) => beats.flatMap((beat) => beat.parts));
    const read = (part: Part) => readPart(part, this.vocabulary, this.contexts[0]!).meaning;
    return parts.every((part) => read(part)?.use.move.reverses === true);
  }

  /** Two blows that meet come from two people, whatever is written. */
  private whoMeets({ actor }: Turn, first: Actor | null): Actor {
    if (actor && actor !== "both" && actor !== "any" && actor !== first) return actor;
    return first === null ? "A" : partnerOf(first, this.actors, null);
  }

  private turn(typed: Turn, actor: Actor | "both", faults: WordFault[]): ReadTurn {
    // Where both act, each does it on their own side; what cannot be read is said once.
    const doers = actor === "both" ? this.actors.slice(0, 2) : [actor];
    const alternatives = typed.alternatives.map((one) =>
      doers.map((doer, i) => this.beats(one, doer, i === 0 ? faults : [])),
    );
    return { from: typed.from, to: typed.to, actor, alternatives };
  }

  private beats(alternative: Alternative, actor: Actor, faults: WordFault[]): ReadBeats {
    const context = this.contexts[Math.max(0, this.actors.indexOf(actor))]!;
    const beats = alternative.beats.flatMap((beat) => this.beat(beat, context, faults));
    return { from: alternative.from, to: alternative.to, actor, context, beats };
  }

  private beat(beat: Beat, context: WordContext, faults: WordFault[]): ReadBeat[] {
    const { from, to } = beat;
    const made = (text: string, parts: readonly Part[]): ReadBeat => ({
      from,
      to,
      text,
      parts: parts.map((part) => this.part(part, context, faults)),
    });
    const row = this.numberRow(beat, context);
    if (row) return row.map((text) => made(text, spreadOver(text, beat)));
    const said = beat.parts.map(({ words }) =>
      sayingOf(
        words.map(({ text }) => text),
        this.vocabulary,
      ),
    );
    const [several] = said;
    if (several && beat.parts.length === 1) return several.map((text) => made(text, spreadOver(text, beat)));
    if (said.some((one) => one?.length === 1)) {
      const texts = beat.parts.map((part, i) => (said[i]?.length === 1 ? said[i][0]! : textOf(part)));
      return [made(texts.join(" + "), spreadOver(texts.join(" + "), beat))];
    }
    return [made(beat.parts.map(textOf).join(" + "), beat.parts)];
  }

  private part(part: Part, context: WordContext, faults: WordFault[]): ReadPart {
    const { from, to } = part;
    const reading = readPart(part, this.vocabulary, context);
    for (const fault of reading.faults) faults.push({ ...fault, from, to });
    return { from, to, meaning: reading.meaning };
  }

  /** `1-2-3`, `1-2-slip-2` and single numbers with empty hands: blows of the punches set, as notation. */
  private numberRow(beat: Beat, context: WordContext): string[] | null {
    const words = beat.parts.length === 1 ? beat.parts[0]!.words.map(({ text }) => text) : [];
    // `1 2 3` is `1-2-3`.
    const digits = words.findIndex((one) => !/^\d{1,2}$/.test(one));
    const joined = digits < 0 ? words.length : digits;
    const [word, ...behind] = joined > 1 ? [words.slice(0, joined).join("-"), ...words.slice(joined)] : words;
    const numbers = word?.split("-") ?? [];
    const isNumber = (one: string) => /^\d{1,2}$/.test(one);
    if (!word || !numbers.some(isNumber)) return null;
    if (!numbers.every((one) => isNumber(one) || this.vocabulary.byName.has(nameKey(one)))) return null;
    // What stands behind the numbers is said of each.
    const rest = behind.map((text) => ` ${text}`).join("");
    if (context.holds !== null && numbers.length === 1) return [`${this.numberedName("strike")} ${word}${rest}`];
    const moves = this.vocabulary.numbering.get("punches")?.moves ?? [];
    return numbers.map((n) => (isNumber(n) ? (moves[Number(n) - 1] ?? `punch number ${n}`) : n) + rest);
  }

  /** How a numbered move of a role is written. */
  private numberedName(role: NumberedRole): string {
    return [...this.vocabulary.moves.values()].find((move) => move.numbered === role)!.name;
  }
}

/** True where some move of a turn is like that; every line is asked, so nothing is made on the way. */
function someUse({ alternatives }: ReadTurn, test: (use: MoveUse) => boolean): boolean {
  for (const done of alternatives)
    for (const { beats } of done)
      for (const { parts } of beats) for (const { meaning } of parts) if (meaning && test(meaning.use)) return true;
  return false;
}

const attacks = ({ move }: MoveUse): boolean => move.attack !== undefined;
const goesOnPad = ({ pad }: MoveUse): boolean => pad !== null;

/** Every beat of a turn is a cue of a kind and nothing else. */
const onlyCues = (turn: ReadTurn, cue: Cue): boolean =>
  turn.alternatives.every((done) =>
    done.every(({ beats }) =>
      beats.every(({ parts }) => parts.length > 0 && parts.every(({ meaning }) => meaning?.use.move.cue === cue)),
    ),
  );

/** `on pads` behind the last blow of a turn is said of all of them. */
function allOnPads(turn: ReadTurn): ReadTurn {
  if (!someUse(turn, ({ pad }) => pad === "all")) return turn;
  const part = (one: ReadPart): ReadPart =>
    one.meaning?.use.move.attack
      ? { ...one, meaning: { ...one.meaning, use: { ...one.meaning.use, pad: "this" } } }
      : one;
  const alternatives = turn.alternatives.map((done) =>
    done.map((read) => ({ ...read, beats: read.beats.map((beat) => ({ ...beat, parts: beat.parts.map(part) })) })),
  );
  return { ...turn, alternatives };
}

/** The partner of somebody: whoever acted last, or the first who is somebody else. */
export function partnerOf(actor: Actor, actors: readonly Actor[], last: Actor | null): Actor {
  if (last && last !== actor) return last;
  return actors.find((a) => a !== actor) ?? (actor === "A" ? "B" : "A");
}

const syntax = ({ from, to }: Span, code: string, params: Record<string, string>): WordFault => ({
  from,
  to,
  rule: "syntax",
  code,
  params,
  nearest: [],
});

const textOf = (part: Part): string => part.words.map(({ text }) => text).join(" ");

/** The parts of a text that stands for what was typed. */
const spreadOver = (text: string, { from, to }: Span): Part[] =>
  text.split(" + ").map((one) => ({ from, to, words: one.split(" ").map((word) => ({ from, to, text: word })) }));
