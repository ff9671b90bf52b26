/** Pieces of a line to a row of play: who does what, against what, and what is not clear about it. */
import type { Joint } from "./joints.ts";
import { type NamePiece, type Piece, type Pieces, BOTH } from "./pieces.ts";
import type { NameKind } from "./lexicon.ts";
import { PLAIN } from "./plain-words.ts";

/** A row, and what each piece of the line became in it. */
export interface MadeRow {
  readonly text: string;
  readonly understood: readonly { readonly from: number; readonly to: number; readonly as: string }[];
}
/** A question to ask once, with the row that the other answer makes. */
export interface Asked {
  readonly text: string;
  readonly other: MadeRow;
}
/** The row of a line and what is asked about it; null where nothing in it can be played. */
export interface Made {
  readonly row: MadeRow;
  /** Places of names that found no place in the row. */
  readonly lost: readonly { readonly from: number; readonly to: number }[];
  readonly asked: Asked | null;
}

type Person = "A" | "B" | "C";
interface Item {
  readonly text: string;
  readonly kind: NameKind;
  readonly blows: number;
  readonly joiner: ", " | " + " | " | ";
  readonly from: number;
  readonly to: number;
}
interface Turn {
  readonly actor: Person;
  readonly joint: " -> " | " <> ";
  readonly items: Item[];
}
type Played = NamePiece | Extract<Piece, { type: "numbers" }>;

/** Makes the row of a line; of what is not clear the likelier comes first, the other is asked about. */
export function rowOf(said: Pieces): Made | null {
  const asked = new Doubt(0);
  const turns = new Builder(said, asked).build();
  if (turns.length === 0) return null;
  const row = rowFrom(turns);
  const isIn = (piece: Played) => row.understood.some(({ from, to }) => from <= piece.from && piece.to <= to);
  const lost = said.pieces.filter(isPlayed).filter((piece) => !isIn(piece));
  if (asked.question === null) return { row, lost, asked: null };
  const other = rowFrom(new Builder(said, new Doubt(1)).build());
  return { row, lost, asked: other.text === row.text ? null : { text: asked.question, other } };
}

const rowFrom = (turns: readonly Turn[]): MadeRow => ({
  text: turns
    .map(({ actor, joint, items }, i) => {
      const beats = items.map((item, at) => (at === 0 ? "" : item.joiner) + item.text).join("");
      return `${i === 0 ? "" : joint}${actor} ${beats}`;
    })
    .join(""),
  understood: turns.flatMap(({ items }) => items.map(({ from, to, text }) => ({ from, to, as: text }))),
});

/** The first thing that is not clear, and which way it is taken. */
class Doubt {
  question: string | null = null;
  constructor(private readonly way: 0 | 1) {}

  /** Takes one of two where it is the first doubt; later ones take the likelier. */
  choose<T>(question: string, one: T, two: T): T {
    if (this.question !== null) return one;
    this.question = question;
    return this.way === 0 ? one : two;
  }
}

const PEOPLE: Readonly<Record<string, Person>> = { a: "A", b: "B", c: "C" };
const otherOf = (person: Person): Person => (person === "A" ? "B" : "A");
const isAnswer = (kind: NameKind): boolean => kind === "defence" || kind === "feet" || kind === "hold";
const isPlayed = (piece: Piece | undefined): piece is Played => piece?.type === "name" || piece?.type === "numbers";
const kindOf = (piece: Played): NameKind => (piece.type === "numbers" ? "blow" : piece.name.kind);
const blowsOf = (piece: Played): number => (piece.type === "numbers" ? piece.blows : piece.name.blows);

/** `pak sao, punch (against a jab)`: the attack is named behind its answers, and comes before them. */
function attackFirst(pieces: readonly Piece[]): readonly Piece[] {
  const at = pieces.findLastIndex((piece) => piece.type === "joint" && piece.joint === "against");
  const behind = pieces.slice(at + 1).filter(isPlayed);
  const before = pieces.slice(0, at);
  const first = before.find(isPlayed);
  const isBare = before.every((piece) => isPlayed(piece) || (piece.type === "joint" && piece.joint !== "turn"));
  if (at < 1 || !first || !isBare || behind.length === 0) return pieces;
  if (behind.some((piece) => kindOf(piece) !== "blow")) return pieces;
  const alone = before.filter(isPlayed).length < 2;
  // One answer alone is read with what it meets later; a blow that stops another is an answer as well.
  if (isAnswer(kindOf(first)) === alone || (alone && kindOf(first) !== "blow")) return pieces;
  const { from, to } = pieces[at]!;
  return [...behind, { type: "joint", joint: "turn", from, to }, ...before];
}

/** `parry the jab, parry the cross, then 3-2`: each answer names what it meets, so that all of those come first. */
function pairsFirst(pieces: readonly Piece[]): readonly Piece[] {
  const feeds: Piece[] = [];
  const answers: Piece[] = [];
  let at = 0;
  for (;;) {
    const [answer, feed, joint] = pieces.slice(at);
    if (!isPlayed(answer) || kindOf(answer) !== "defence" || feed?.type !== "name" || feed.name.kind !== "blow") break;
    feeds.push(feed);
    answers.push(answer);
    at += joint?.type === "joint" && joint.joint !== "turn" ? 3 : 2;
  }
  if (feeds.length < 2) return pieces;
  const { from, to } = answers[0]!;
  return [
    ...feeds,
    { type: "joint", joint: "turn", from, to: from },
    ...answers,
    { type: "joint", joint: "then", from: to, to },
    ...pieces.slice(at),
  ];
}

class Builder {
  private readonly turns: Turn[] = [];
  private readonly people = new Map<string, Person>();
  private actor: Person | null = null;
  private joints: Joint[] = [];
  private againstMode = false;
  private readonly pieces: readonly Piece[];

  constructor(
    private readonly said: Pieces,
    private readonly doubt: Doubt,
  ) {
    this.pieces = pairsFirst(attackFirst(said.pieces.filter((piece) => piece.type !== "kept")));
  }

  build(): readonly Turn[] {
    const played = this.pieces.filter(isPlayed);
    if (played.length === 0) return [];
    if (this.pieces[0]!.type === "actor" && this.pieces[0]!.who === BOTH) return this.both(played[0]!);
    if (this.isFromTheHitter(played)) return this.fromTheHitter(played);
    for (let i = 0; i < this.pieces.length; i++) {
      const piece = this.pieces[i]!;
      if (piece.type === "actor") this.actor = this.personOf(piece.who);
      else if (piece.type === "joint") this.joints.push(piece.joint);
      else if (isPlayed(piece)) i += this.play(piece, i);
    }
    if (this.said.sameTime) this.atOnce();
    return this.turns;
  }

  private both(piece: Played): readonly Turn[] {
    const item = this.item(piece, ", ");
    return (["A", "B"] as const).map((actor) => ({ actor, joint: " <> ", items: [item] }));
  }

  /** Notes of the one who hits pads: `1-2, slip, 2` leaves out what the holder throws. */
  private isFromTheHitter(played: readonly Played[]): boolean {
    if (this.pieces.some((piece) => piece.type === "actor" || (piece.type === "joint" && piece.joint !== "comma")))
      return false;
    const kinds = played.map((piece) => (piece.type === "numbers" ? "n" : kindOf(piece) === "defence" ? "d" : "x"));
    return /^n+d+n+$/.test(kinds.join(""));
  }

  private fromTheHitter(played: readonly Played[]): readonly Turn[] {
    const cut = played.findIndex((piece) => piece.type === "name");
    const { cue: pads, question, choices } = PLAIN.hitter;
    const thrown = this.doubt.choose(question, choices[0]!, choices[1]!);
    const items = (list: readonly Played[]) => list.map((piece) => this.item(piece, ", "));
    const first = played[0]!;
    const place = { from: first.from, to: first.from };
    const cue = { text: pads, kind: "cue" as const, blows: 0, joiner: ", " as const, ...place };
    const blow = { text: thrown, kind: "blow" as const, blows: 1, joiner: ", " as const, ...place };
    return [
      { actor: "A", joint: " -> ", items: [cue] },
      { actor: "B", joint: " -> ", items: items(played.slice(0, cut)) },
      { actor: "A", joint: " -> ", items: [blow] },
      { actor: "B", joint: " -> ", items: items(played.slice(cut)) },
    ];
  }

  private personOf(who: string): Person {
    const known = this.people.get(who) ?? PEOPLE[who];
    if (known) return known;
    const taken = [...this.people.values()];
    const now = this.turns.at(-1)?.actor;
    const person = now ? otherOf(now) : taken.includes("A") ? "B" : "A";
    this.people.set(who, person);
    return person;
  }

  /** Puts a name into the row; returns how many pieces behind it were taken with it. */
  private play(piece: Played, at: number): number {
    let taken = 0;
    if (this.turns.length === 0) taken = this.begin(piece, at);
    else this.goOn(piece);
    this.joints = [];
    this.actor = null;
    return taken;
  }

  private addTurn(actor: Person, piece: Played, joint: Turn["joint"] = " -> "): void {
    this.turns.push({ actor, joint, items: [this.item(piece, ", ")] });
  }

  /** The first name: what comes, or an answer with what it meets named behind it. */
  private begin(piece: Played, at: number): number {
    this.againstMode = this.joints.includes("against");
    if (!isAnswer(kindOf(piece))) {
      this.addTurn(this.actor ?? "A", piece);
      return 0;
    }
    const taken = this.metBehind(piece, at) || this.eitherFirst(piece, at);
    if (taken === 0) this.addTurn(this.actor ?? "A", piece);
    return taken;
  }

  /** `slip the jab`, `bong sau against a punch`: the blow behind an answer is what comes. */
  private metBehind(piece: Played, at: number): number {
    const joint = this.pieces[at + 1];
    const isAgainst = joint?.type === "joint" && joint.joint === "against";
    const feed = isAgainst ? this.pieces[at + 2] : joint;
    const goesIn = kindOf(piece) === "feet" && !LEAVES.test(textOf(piece, null));
    if (goesIn || feed?.type !== "name" || feed.name.kind !== "blow") return 0;
    const isNamed = feed.article || this.againstMode || isAgainst;
    if (!isNamed && (this.actor !== null || !this.isMet(piece, feed))) return 0;
    this.answered(piece, feed, this.actor ?? "B");
    return isAgainst ? 2 : 1;
  }

  private isMet(answer: Played, feed: NamePiece): boolean {
    const [one, two] = [textOf(answer, null), textOf(feed, null)];
    return this.doubt.choose(`Does ${one} answer the ${two}, or does the ${two} follow it?`, true, false);
  }

  /** `tan sau, punch` and no more: either may be the attack. */
  private eitherFirst(piece: Played, at: number): number {
    const [comma, behind] = this.pieces.slice(at + 1);
    if (this.actor || kindOf(piece) !== "defence" || this.pieces.length !== at + 3) return 0;
    if (comma?.type !== "joint" || comma.joint !== "comma") return 0;
    if (behind?.type !== "name" || behind.name.kind !== "blow") return 0;
    const question = `Which of them is the attack: ${textOf(behind, null)}, or ${textOf(piece, null)}?`;
    const pair = [behind, piece] as const;
    const [feed, answer] = this.doubt.choose<readonly [Played, Played]>(question, pair, [piece, behind]);
    this.addTurn("A", feed);
    this.addTurn("B", answer);
    return 2;
  }

  /** A feed that is named behind its answer; a way behind both is the way of the answer. */
  private answered(answer: Played, feed: NamePiece, answerer: Person): void {
    const evades = answer.type === "name" && answer.way === null && feed.way !== null;
    this.addTurn(otherOf(answerer), evades ? { ...feed, way: null } : feed);
    this.addTurn(answerer, evades ? { ...answer, way: feed.way } : answer);
  }

  private goOn(piece: Played): void {
    const turn = this.turns.at(-1)!;
    const next = this.nextActor(piece, turn);
    if (this.joints.includes("meets")) return this.addTurn(otherOf(turn.actor), piece, " <> ");
    if (next !== turn.actor) return this.addTurn(next, piece);
    const said = turn.items.at(-1)!;
    // `blocks with the double cover`: the block is the double cover.
    const isHow = this.joints.at(-1) === "together" && PLAIN.general.has(said.text) && kindOf(piece) === said.kind;
    if (!isHow) return void turn.items.push(this.item(piece, this.joinerFor(piece, turn)));
    turn.items.pop();
    turn.items.push({ ...this.item(piece, said.joiner), from: said.from });
  }

  private nextActor(piece: Played, turn: Turn): Person {
    if (this.actor) return this.actor;
    const kind = kindOf(piece);
    const other = otherOf(turn.actor);
    const isFirst = this.turns.length === 1;
    const together = this.joints.includes("together");
    if (isFirst && this.joints.includes("turn")) return other;
    if (isFirst && this.joints.includes("against")) return other;
    if (isFirst && this.againstMode && together) return other;
    if (turn.items.every((item) => item.kind === "cue")) return kind === "blow" ? other : turn.actor;
    if (!isAnswer(kind)) return turn.actor;
    const threatens = turn.items.some((item) => item.kind === "blow" || item.kind === "hold");
    if (isFirst) {
      if (kind === "feet" && together) return turn.actor;
      return threatens ? other : turn.actor;
    }
    const struck = turn.items.some((item) => item.kind === "blow");
    if (!struck || kind === "feet" || together) return turn.actor;
    const said = textOf(piece, null);
    const evades = PLAIN.evasions.has(said.split(" ")[0]!);
    return evades
      ? this.doubt.choose(`Who does the ${said}: ${other}, or ${turn.actor} on the way out?`, other, turn.actor)
      : other;
  }

  private joinerFor(piece: Played, turn: Turn): Item["joiner"] {
    const before = turn.items.at(-1)!;
    const kind = kindOf(piece);
    const { joints } = this;
    const isChoice = joints.includes("slash") && isAnswer(kind) && before.kind === kind && this.answersLeft(turn) <= 0;
    if (joints.includes("or") || isChoice) return this.oneOf(turn);
    const goesOn = joints.some((joint) => joint === "then" || joint === "against" || joint === "turn");
    if (joints.includes("together") && !goesOn) return " + ";
    if (!joints.includes("and")) return ", ";
    const steps = before.kind === "feet" && kind === "blow" && turn.items.length === 1 && this.turns.length === 1;
    if (steps) return " + ";
    const layers = isAnswer(before.kind) && isAnswer(kind) && before.kind !== "hold" && kind !== "hold";
    return layers && this.answersLeft(turn) <= 0 ? " + " : ", ";
  }

  /** `parries, catches or covers`: the list before is a choice as well. */
  private oneOf(turn: Turn): Item["joiner"] {
    const { items } = turn;
    for (let i = items.length - 1; i > 0 && items[i]!.joiner === ", " && items[i - 1]!.kind === items[i]!.kind; i--)
      items[i] = { ...items[i]!, joiner: " | " };
    return " | ";
  }

  /** How many feeds of the turn before still wait for an answer. */
  private answersLeft(turn: Turn): number {
    const fed = this.turns.at(-2)?.items.reduce((sum, item) => sum + (item.kind === "hold" ? 1 : item.blows), 0) ?? 0;
    return fed - turn.items.filter(({ kind }) => isAnswer(kind)).length;
  }

  /** `at the same time` is said of the last two. */
  private atOnce(): void {
    const items = this.turns.at(-1)?.items;
    const last = items?.pop();
    if (last) items!.push({ ...last, joiner: " + " });
  }

  private item(piece: Played, joiner: Item["joiner"]): Item {
    return {
      text: textOf(piece, this.settled(piece)),
      kind: kindOf(piece),
      blows: kindOf(piece) === "blow" && !(piece.type === "name" && piece.feint) ? blowsOf(piece) : 0,
      joiner,
      from: piece.from,
      to: piece.to,
    };
  }

  /** The name that is meant where the word alone does not say it; null where it does. */
  private settled(piece: Played): string | null {
    if (piece.type === "numbers") return null;
    const { name, side, where, height } = piece;
    const only = PLAIN.afterAnswer.get(name.text);
    if (only && this.turns.at(-1)?.items.some(({ kind }) => kind === "defence")) return only;
    const [one, two] = name.asked ?? [];
    // The place that a blow goes to says enough of it.
    const aimed = PLAIN.aimed.get(name.text);
    if (aimed && one && (where || height)) return aimed;
    if (one && two) return this.doubt.choose(`Is it a ${one} or a ${two}?`, one, two);
    const doubt = PLAIN.doubts.find(({ word, bySide }) => word === name.text && !(bySide && side));
    if (!doubt || (doubt.against && !doubt.against.test(this.fed()))) return null;
    const [likely, other] = doubt.choices;
    const before = this.turns.at(-1)?.items.at(-1)?.text ?? "";
    return doubt.follows?.test(before) ? likely! : this.doubt.choose(doubt.question, likely!, other!);
  }

  private fed(): string {
    const turn = this.turns.at(-1);
    const items = turn?.items.filter(({ kind }) => kind === "blow") ?? [];
    return items.at(-1)?.text ?? "";
  }
}

/** Steps that go away from what comes. */
const LEAVES = /\b(?:back|off|away|out)\b/;
const AS_LEAD: Readonly<Record<string, string>> = { left: "lead", right: "rear" };

/** The words of a name in a row; `as` in place of the name itself. */
function textOf(piece: Played, as: string | null): string {
  if (piece.type === "numbers") return piece.text;
  const { name, side, sideBehind, height, way, before, where, number } = piece;
  const shown = as ?? PLAIN.atFirst.get(name.text) ?? name.text;
  const usual = PLAIN.oneSided.get(shown);
  const named = side !== null && usual !== (AS_LEAD[side] ?? side) && !shown.includes(side) ? side : null;
  const words = [sideBehind ? null : named, before, shown, number, sideBehind ? named : null, height, way, where]
    .filter(Boolean)
    .join(" ");
  return piece.feint ? `~${words}` : words;
}
