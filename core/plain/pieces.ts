/** A line of plain words as pieces: names with what is said of them, people, and what joins them. */
import type { Vocabulary } from "../words/vocabulary.ts";
import { isPart, lexiconOf, nearestWord, type Lexicon, type Name } from "./lexicon.ts";
import { JOINTS, MARKS, type Joint } from "./joints.ts";
import { withoutNotes } from "./notes.ts";
import { PLAIN } from "./plain-words.ts";
import { tokensOf, type Token } from "./tokens.ts";
import { formsOf } from "./word-forms.ts";

interface Placed {
  /** Place in the line, `to` behind the end. */
  readonly from: number;
  readonly to: number;
}
type SideName = "left" | "right" | "lead" | "rear";

/** A name in the line with its modifiers. */
export interface NamePiece extends Placed {
  readonly type: "name";
  readonly name: Name;
  readonly side: SideName | null;
  /** The side follows the name: `parry rear`. */
  readonly sideBehind: boolean;
  readonly height: "high" | "mid" | "low" | null;
  readonly way: string | null;
  /** A part before the name: `body jab`. */
  readonly before: string | null;
  /** `to head`, `on lead wrist`. */
  readonly where: string | null;
  readonly number: string | null;
  /** It is only shown: `fake the jab`. */
  readonly feint: boolean;
  /** An article before it: `slip the jab` names what is slipped. */
  readonly article: boolean;
}
/** A piece of a line. */
export type Piece =
  | NamePiece
  | ({ readonly type: "numbers"; readonly text: string; readonly blows: number } & Placed)
  | ({ readonly type: "actor"; readonly who: string } & Placed)
  | ({ readonly type: "joint"; readonly joint: Joint } & Placed)
  | ({ readonly type: "kept"; readonly text: string } & Placed);

/** What a line says, with the words that were not understood or are no part of a row. */
export interface Pieces {
  readonly pieces: readonly Piece[];
  readonly kept: readonly string[];
  /** It says `at the same time`. */
  readonly sameTime: boolean;
}

const SIDE: Readonly<Record<string, SideName>> = {
  ...{ l: "left", left: "left", r: "right", right: "right", lead: "lead", front: "lead", rear: "rear" },
};
/** Both do the same at once. */
export const BOTH = "both";

/** Reads a line of plain words. */
export function piecesOf(typed: string, vocabulary: Vocabulary): Pieces {
  const { line, kept, sameTime } = withoutNotes(typed);
  const scanner = new Scanner(tokensOf(line), lexiconOf(vocabulary));
  const pieces = scanner.read();
  return {
    pieces,
    kept: [...kept, ...pieces.flatMap((piece) => (piece.type === "kept" ? [piece.text] : []))],
    sameTime,
  };
}

interface Found {
  readonly name: Name;
  readonly next: number;
}

class Scanner {
  private at = 0;
  private readonly pieces: Piece[] = [];
  constructor(
    private readonly tokens: readonly Token[],
    private readonly lexicon: Lexicon,
  ) {}

  read(): readonly Piece[] {
    while (this.at < this.tokens.length) this.step();
    return this.pieces;
  }

  private token(offset = 0): Token | undefined {
    return this.tokens[this.at + offset];
  }
  private word(offset = 0): string {
    const token = this.token(offset);
    return token?.kind === "word" ? token.text : "";
  }

  private step(): void {
    const token = this.token()!;
    if (token.kind === "mark") return this.mark(token);
    if (token.kind === "number") return this.number(token);
    if (token.text === "both" && this.pieces.length === 0)
      return this.push({ type: "actor", who: BOTH, ...place(token) });
    if (this.pieces.length === 0 && this.isEverybody()) {
      this.at += 2;
      return this.push({ type: "actor", who: BOTH, ...place(token) });
    }
    if (this.isActor(token)) return this.push({ type: "actor", who: token.text, ...place(token) });
    const named = this.named();
    if (named) return void this.pieces.push(named);
    const joint = JOINTS.find(([words]) => formsOf(token.text).some((form) => words.has(form)))?.[1];
    if (joint) return this.push({ type: "joint", joint, ...place(token) });
    if (this.isSaidOfAName(token)) return this.skip(token);
    if (this.isName(token)) {
      // Somebody's own name: its place in the line says which person it is.
      this.pieces.push({ type: "kept", text: token.typed, ...place(token) });
      return this.push({ type: "actor", who: token.text, ...place(token) });
    }
    this.push({ type: "kept", text: token.typed, ...place(token) });
  }

  private push(piece: Piece): void {
    this.pieces.push(piece);
    this.at++;
  }
  /** Past a word that says nothing, and past what it is said of: `on the pads` names the place of what was thrown. */
  private skip(token: Token): void {
    this.at++;
    if (token.text !== "on" && token.text !== "at") return;
    let i = 0;
    while (PLAIN.articles.has(this.word(i))) i++;
    if (PLAIN.gear.has(this.word(i))) this.at += i + 1;
  }

  private mark(token: Token): void {
    const joint = MARKS[token.text];
    if (!joint) return void this.at++;
    this.push({ type: "joint", joint, ...place(token) });
  }

  private number(token: Token): void {
    const acts = /^[12]$/.test(token.text) && /[^s]s$/.test(this.word(1)) && this.match(this.at + 1);
    if (acts) return this.push({ type: "actor", who: token.text, ...place(token) });
    if (!/^[1-8](?:-[1-8])*$/.test(token.text)) return this.push({ type: "kept", text: token.typed, ...place(token) });
    this.push({ type: "numbers", text: token.text, blows: token.text.split("-").length, ...place(token) });
  }

  /** `A` is a person where it is written large, or begins a part of the line; `b` and `c` always are. */
  private isActor(token: Token): boolean {
    if (!PLAIN.actors.has(token.text)) return false;
    if (token.text === "a") return token.typed === "A";
    if (token.text === "one" || token.text === "other") return !this.match(this.at);
    return token.text !== "uke" || this.pieces.length === 0;
  }

  /** `A and B trade jabs`. */
  private isEverybody(): boolean {
    return this.word() === "a" && this.word(1) === "and" && this.word(2) === "b";
  }

  /** A filler, an article, or a word of side, height or way that found no name beside it. */
  private isSaidOfAName({ text }: Token): boolean {
    return (
      PLAIN.articles.has(text) ||
      formsOf(text).some((form) => PLAIN.fillers.has(form)) ||
      text in SIDE ||
      PLAIN.directions.has(text) ||
      PLAIN.heights.has(text)
    );
  }

  /** A word with a capital before a form of a name that people do. */
  private isName(token: Token): boolean {
    return /^\p{Lu}\p{Ll}+$/u.test(token.typed) && /s$/.test(this.word(1)) && this.match(this.at + 1) !== null;
  }

  /** The longest name from a place on. */
  private match(at: number): Found | null {
    let best: Found | null = null;
    const walk = (node: Lexicon["root"], i: number) => {
      const token = this.tokens[i];
      const says = node.name && (!node.name.needsNumber || token?.kind === "number");
      if (says && (!best || i > best.next)) best = { name: node.name!, next: i };
      if (token?.kind !== "word") return;
      for (const form of this.readings(token.text)) {
        const next = node.next.get(form);
        if (next) walk(next, i + 1);
      }
      // `flash the pads` is `flash pads`, `parry it down` is `parry down`.
      if (i > at && (PLAIN.articles.has(token.text) || BETWEEN.has(token.text))) walk(node, i + 1);
    };
    walk(this.lexicon.root, at);
    return best ?? this.joined(at);
  }

  /** `lowkick`, `doubleleg`. */
  private joined(at: number): Found | null {
    for (const form of this.readings(this.tokens[at]?.text ?? "")) {
      const key = this.lexicon.joined.get(form);
      const name = key === undefined ? undefined : this.lexicon.names.get(key);
      if (name) return { name, next: at + 1 };
    }
    return null;
  }

  /** The words that a typed word may be: its forms, else the nearest in spelling. */
  private readings(word: string): readonly string[] {
    const forms = formsOf(word);
    if (this.isKnown(word) || forms.some((form) => this.known.has(form) || PLAIN.fillers.has(form))) return forms;
    const near = nearestWord(this.lexicon, word);
    return near === null ? forms : [...forms, ...formsOf(near)];
  }

  private isKnown(word: string): boolean {
    return (
      this.known.has(word) ||
      PLAIN.fillers.has(word) ||
      PLAIN.articles.has(word) ||
      PLAIN.actors.has(word) ||
      isPart(word) ||
      PLAIN.targets.has(word) ||
      JOINTS.some(([words]) => words.has(word))
    );
  }
  private get known(): ReadonlySet<string> {
    return knownWords(this.lexicon);
  }

  /** A name from here on, with the modifiers before and behind it. */
  private named(): NamePiece | null {
    const start = this.at;
    const said: Said = {
      side: null,
      sideBehind: false,
      height: null,
      way: null,
      before: null,
      where: null,
      number: null,
      feint: false,
      article: false,
    };
    let part: string | null = null;
    let at = start;
    let found = this.match(at);
    // Sides, heights and parts may come before a name.
    while (!found || this.isSide(found, at)) {
      const word = this.tokens[at]?.kind === "word" ? this.reading(at) : "";
      if (word in SIDE) said.side = SIDE[word]!;
      else if (PLAIN.heights.has(word)) said.height = PLAIN.heights.get(word) as NamePiece["height"];
      else if (PLAIN.articles.has(word)) said.article = true;
      else if (formsOf(word).some((form) => PLAIN.feints.has(form))) said.feint = true;
      else if (isPart(word)) part = word;
      else return null;
      at += this.tokens[at + 1]?.text === "hand" && word in SIDE ? 2 : 1;
      found = this.match(at);
    }
    if (this.tokens[start - 1] && PLAIN.articles.has(this.tokens[start - 1]!.text)) said.article = true;
    this.at = found.next;
    this.behind(said, found.name);
    const name = this.special(found.name, said, part);
    // `body jab` is notation as it stands.
    if (part && name === found.name && said.where === null) {
      if (name.kind === "blow") said.before = part;
      else said.where = `${whereWord(name)} ${part}`;
    }
    const last = this.tokens[this.at - 1]!;
    return { type: "name", name, ...said, from: this.tokens[start]!.from, to: last.to };
  }

  /** `right hand` before another name says which hand. */
  private isSide({ name, next }: Found, at: number): boolean {
    return name.asked !== null && (this.tokens[at]?.text ?? "") in SIDE && this.match(next) !== null;
  }

  /** `low` before `parry` and `body` before `kick` are names of their own. */
  private special(name: Name, said: Said, part: string | null): Name {
    const { names } = this.lexicon;
    const whole = part && names.get(`${part} ${name.text}`);
    if (whole) return whole;
    const sided = said.way !== null && names.get(`${said.way}side ${name.text}`);
    if (sided && name.kind === "defence") {
      said.way = null;
      return sided;
    }
    const high = said.height && names.get(`${said.height} ${name.text}`);
    if (!high) return name;
    said.height = null;
    return high;
  }

  private reading(at: number): string {
    const text = this.tokens[at]?.text ?? "";
    const near = this.isKnown(text) ? null : nearestWord(this.lexicon, text);
    return near !== null && (near in SIDE || PLAIN.directions.has(near)) ? near : text;
  }

  /** Takes the words behind a name that belong to it. */
  private behind(said: Said, name: Name): void {
    for (;;) {
      const token = this.token();
      if (name.numbered && token?.kind === "number" && said.number === null) {
        said.number = token.text;
        this.at++;
        continue;
      }
      const taken = token?.kind === "word" ? this.modifier(said, name) : 0;
      if (taken === 0) return;
      this.at += taken;
    }
  }

  /** How many words from here on say more of a name. */
  private modifier(said: Said, name: Name): number {
    const word = this.reading(this.at);
    if (PLAIN.targets.has(word)) {
      said.where = `to ${PLAIN.targets.get(word)!}`;
      return 1;
    }
    if (word === "to" || word === "on" || word === "at" || word === "with" || word === "into")
      return this.phrase(said, name, word);
    const at = PLAIN.articles.has(word) ? 1 : 0;
    const first = this.word(at);
    const aimed = isPart(first)
      ? at === 1
      : (first in SIDE || first === "both") && isPart(this.word(at + 1)) && !this.match(this.at + at);
    if (aimed && name.kind !== "defence" && name.kind !== "feet") return this.aimed(said, name, at);
    const begins = this.match(this.at) !== null || this.beginsName();
    if (begins) return 0;
    if (PLAIN.directions.has(word) && !(word in SIDE && name.kind === "blow")) said.way = PLAIN.directions.get(word)!;
    else if (word in SIDE) [said.side, said.sideBehind] = [SIDE[word]!, true];
    else if (PLAIN.heights.has(word)) said.height = PLAIN.heights.get(word) as NamePiece["height"];
    else if (word === "back" && name.kind === "blow") return 1;
    // `jab feint`, and no blow behind it that would be the feint.
    else if (name.kind === "blow" && PLAIN.feints.has(word) && !this.match(this.at + 1)) said.feint = true;
    else if (isPart(word) && (name.kind === "blow" || name.kind === "hold")) return this.aimed(said, name, 0);
    else return 0;
    return 1;
  }

  /** A word of side or height that belongs to the name behind it. */
  private beginsName(): boolean {
    const word = this.word();
    return (word in SIDE || PLAIN.heights.has(word)) && this.match(this.at + 1) !== null;
  }

  /** `to the body`, `to his right`, `on the lead wrist`, `with the rear hand`. */
  private phrase(said: Said, name: Name, preposition: string): number {
    let i = 1;
    while (PLAIN.articles.has(this.word(i))) i++;
    const word = this.word(i);
    const next = this.word(i + 1);
    if (PLAIN.gear.has(word)) return i + 1;
    if (preposition === "with") {
      if (!(word in SIDE) || !/^(?:hand|arm|forearm|fist|palm|leg|foot|)$/.test(next)) return 0;
      [said.side, said.sideBehind] = [SIDE[word]!, name.kind !== "blow"];
      return i + (next === "" ? 1 : 2);
    }
    if (isPart(word) || (word in SIDE && isPart(next)) || (word === "both" && isPart(next)))
      return this.aimed(said, name, i, preposition);
    if (PLAIN.directions.has(word)) {
      said.way = PLAIN.directions.get(word)!;
      return i + 1;
    }
    return 0;
  }

  /** The part that a name goes to, from an offset on. */
  private aimed(said: Said, name: Name, offset: number, preposition: string = whereWord(name)): number {
    const word = this.word(offset);
    const sided = word in SIDE || word === "both";
    const part = sided ? `${word} ${this.word(offset + 1)}` : word;
    const isOn = preposition === "on" && PLAIN.pulls.has(name.text.split(" ")[0]!);
    said.where = `${isOn ? "on" : whereWord(name)} ${part}`;
    return offset + (sided ? 2 : 1);
  }
}

/** Words that may stand within a name. */
const BETWEEN: ReadonlySet<string> = new Set(["it", "him", "them"]);

type Said = {
  -readonly [
    K in "side" | "sideBehind" | "height" | "way" | "before" | "where" | "number" | "feint" | "article"
  ]: NamePiece[K];
};

/** Blows and pushes go to a part; a hold is on one. */
const whereWord = (name: Name): "to" | "on" => (name.kind === "hold" ? "on" : "to");

const place = ({ from, to }: Token): Placed => ({ from, to });

const known = new WeakMap<Lexicon, ReadonlySet<string>>();
function knownWords(lexicon: Lexicon): ReadonlySet<string> {
  let found = known.get(lexicon);
  if (!found) known.set(lexicon, (found = new Set(lexicon.words)));
  return found;
}
