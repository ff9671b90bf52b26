/** From the syntax tree to rows: what each row of text says, with its faults. */
import { rowIndex } from "../base/units.ts";
import type { SyntaxNode, Tree } from "@lezer/common";
import { isAnyOrder } from "./ranges.ts";
import { namesThird } from "./structure.ts";
import { MAX_LOOP, MAX_NOTE, ROW_LIMITS, type RowLimit } from "./limits.ts";
import {
  ACTORS,
  BLANK,
  type Actor,
  type Alternative,
  type Beat,
  type BlockHead,
  type Line,
  type LoopSides,
  type Part,
  type Row,
  type RowBody,
  type RowContent,
  type RowFault,
  type RowMark,
  type Turn,
  type TurnActor,
  type Word,
} from "./types.ts";

/** Faults that are said but do not keep the row from being read. */
const READABLE_FAULTS = new Set(["junk", "loop-count", "note-open", "note-long"]);

/** Reads rows; rows of equal text and place (before or in play) give the same object. */
export class RowReader {
  private known = new Map<string, RowContent>();
  private previous = new Map<string, RowContent>();

  /** Turns the tree of `text` into rows. */
  read(text: string, tree: Tree): Row[] {
    this.previous = this.known;
    this.known = new Map();
    const rows: Row[] = [];
    const cursor = tree.topNode.firstChild;
    let node: SyntaxNode | null = cursor;
    let from = 0;
    for (let index = 0; from <= text.length; index++) {
      const found = text.indexOf("\n", from);
      const to = found < 0 ? text.length : found;
      const nodes: SyntaxNode[] = [];
      while (node && (node.from < to || (node.from === to && node.name !== "Newline"))) {
        if (node.name !== "Newline") nodes.push(node);
        node = node.nextSibling;
      }
      while (node && node.name === "Newline" && node.from <= to) node = node.nextSibling;
      rows.push({ index: rowIndex(index), from, content: this.content(text.slice(from, to), from, nodes) });
      from = to + 1;
    }
    return rows;
  }

  private content(text: string, from: number, nodes: SyntaxNode[]): RowContent {
    if (nodes.length === 0) return BLANK;
    const key = `${nodes[0]!.name}\n${text}`;
    const old = this.known.get(key) ?? this.previous.get(key);
    const content = old ?? new RowBuilder(text, from).build(nodes);
    this.known.set(key, content);
    return content;
  }
}

const partsOf = ({ turns }: Line): Part[] =>
  turns.flatMap(({ alternatives }) => alternatives.flatMap(({ beats }) => beats.flatMap(({ parts }) => parts)));
const isRange = ({ text }: Word): boolean => /^\{\s*\d/.test(text);

/** The marks of rows by their tokens. */
const MARKS: readonly (readonly [string, RowMark])[] = [
  ["WrongWord", "wrong"],
  ["AnyTimeWord", "any time"],
  ["LandsWord", "lands"],
];

/** Words that stand for several. */
const SEVERAL = /\{|\b(?:any|either)\b/i;
/** What stands between turns. */
const SIGNS = new Set(["Arrow", "Meet", "Semicolon"]);

/** Builds one row. Positions are given from the start of the row. */
class RowBuilder {
  private readonly faults: RowFault[] = [];
  /** Points to watch, and where the signs between turns end. */
  private readonly notes: Word[] = [];
  private readonly signs: number[] = [];

  constructor(
    private readonly text: string,
    private readonly base: number,
  ) {}

  build(nodes: readonly SyntaxNode[]): RowContent {
    let body: RowBody | null = null;
    let comment: string | null = null;
    for (const node of nodes) {
      if (node.name === "Comment") comment = this.slice(node).trimEnd();
      else if (node.name === "Note") continue;
      else if (node.type.isError) this.fault("stray", node);
      else if (body) this.fault("second-row", node);
      else body = this.body(node);
      comment ??= this.findComment(node);
    }
    for (const node of nodes) this.collectNotes(node);
    if (body?.kind === "play" && body.lines.length > 0)
      body = { ...body, lines: withNotes(body.lines, this.notes, this.signs) };
    else if (this.notes.length > 0) this.faults.push({ ...this.notes[0]!, code: "note-alone", found: "" });
    if (!body) body = comment === null ? this.unread() : { kind: "comment" };
    const unreadable = this.faults.some((fault) => !READABLE_FAULTS.has(fault.code));
    if (body.kind !== "header" && unreadable) body = this.unread();
    const typed = this.faults.length > 0 ? this.text.trim() : null;
    return { body, comment: body.kind === "unread" ? null : comment, faults: this.faults, typed };
  }

  private unread(): RowBody {
    if (this.faults.length === 0)
      this.faults.push({ from: 0, to: this.text.length, code: "stray", found: this.text.trim() });
    return { kind: "unread", text: this.text.trim() };
  }

  private findComment(node: SyntaxNode): string | null {
    let found: string | null = null;
    node.cursor().iterate((inner) => {
      if (inner.name === "Comment") found = this.slice(inner.node).trimEnd();
    });
    return found;
  }

  private collectNotes(node: SyntaxNode): void {
    node.cursor().iterate((inner) => {
      if (SIGNS.has(inner.name)) this.signs.push(inner.to - this.base);
      if (inner.name !== "Note") return;
      const text = this.slice(inner.node);
      const closed = text.length > 1 && /["”“»]$/.test(text);
      const inside = text
        .slice(1, closed ? -1 : undefined)
        .trim()
        .replace(/\s+/g, " ");
      if (!closed) this.fault("note-open", inner.node);
      if (inside.length > MAX_NOTE)
        this.faults.push({ ...this.span(inner.node), code: "note-long", found: String(MAX_NOTE) });
      if (inside) this.notes.push({ ...this.span(inner.node), text: inside });
    });
  }

  private body(node: SyntaxNode): RowBody {
    if (node.name === "HeaderRow" && node.getChild("HeaderKey")) {
      const value = node.getChild("HeaderValue");
      return {
        kind: "header",
        key: this.word(node.getChild("HeaderKey")!),
        value: value && this.word(value),
      };
    }
    this.errorsIn(node);
    switch (node.name) {
      case "SectionRow": {
        const name = node.getChild("SectionName");
        if (!name) this.fault("section-name", node);
        return { kind: "section", name: name && this.word(name) };
      }
      case "BlockRow":
        return this.block(node.getChild("BlockHead") ?? node);
      case "EndRow":
        return { kind: "end" };
      case "FormRow": {
        const name = node.getChild("HeaderValue");
        if (!name) this.fault("form-name", node);
        return { kind: "form", name: name && this.word(name) };
      }
      case "GameRow":
        return { kind: "game", name: this.word(node.getChild("GameName") ?? node) };
      case "GameKeyRow":
      case "GamePlayRow":
        return this.gameKey(node);
      default: {
        const label = node.getChild("Label");
        const lines = this.lines(node);
        const mark = MARKS.find(([name]) => node.getChild(name))?.[1] ?? null;
        const mixed = lines.find((line) => line.anyOrder);
        if (mixed && mark === "wrong")
          this.faults.push({ from: mixed.from, to: mixed.to, code: "any-order-wrong", found: "" });
        // Written without its stray sign it would close a block.
        if (/^\s*end\s*(?:;\s*)*(?:\s#.*)?$/i.test(this.text)) this.fault("end-alone", node);
        return {
          kind: "play",
          mark,
          label: label && this.word(label),
          lines,
          third: lines.some(namesThird),
        };
      }
    }
  }

  private gameKey(node: SyntaxNode): RowBody {
    const key = this.word(node.getChild("GamePlayKey") ?? node.getChild("GameKey") ?? node);
    const value = node.getChild("HeaderValue");
    const lines = this.lines(node);
    const third = /^c\s/i.test(key.text) || lines.some(namesThird);
    return { kind: "game-key", key, value: value && this.word(value), lines, third };
  }

  private lines(node: SyntaxNode): readonly Line[] {
    return this.within("many-lines", node.getChildren("Line")).map((line) => this.line(line));
  }

  private errorsIn(node: SyntaxNode) {
    node.cursor().iterate((inner) => {
      if (inner.name === "Junk") this.fault("junk", inner.node);
      if (!inner.type.isError) return;
      this.fault(inner.from === inner.to ? "missing" : "stray", inner.node);
    });
  }

  private block(node: SyntaxNode): RowBody {
    const span = this.span(node);
    const text = this.slice(node).toLowerCase().trim();
    const loop = readLoop(text);
    if (loop) {
      // A number out of range is said and held inside the range, so that the block is still read.
      if (loop.times < 1 || loop.times > MAX_LOOP) this.fault("loop-count", node);
      return { kind: "block", head: { ...loop, times: Math.min(Math.max(loop.times, 1), MAX_LOOP) }, span };
    }
    const choose = /^choose\s+(a|b|c|call)$/.exec(text);
    if (choose) {
      const by = choose[1] === "call" ? "call" : (choose[1]!.toUpperCase() as Actor);
      return { kind: "block", head: { type: "choose", by }, span };
    }
    if (text === "carry") return { kind: "block", head: { type: "carry" }, span };
    this.fault("block-head", node);
    return { kind: "block", head: { type: "carry" }, span };
  }

  private line(node: SyntaxNode): Line {
    const turns = this.within("many-turns", node.getChildren("Turn")).map((turn) => this.turn(turn));
    const meets = node.getChildren("Meet").length > 0;
    if (meets) {
      const plain = turns.every((t) => t.alternatives.length === 1 && t.alternatives[0]!.beats.length === 1);
      if (turns.length !== 2 || node.getChildren("Arrow").length > 0 || !plain) this.fault("meet-shape", node);
    }
    const several = SEVERAL.test(this.slice(node));
    const line: Line = { ...this.span(node), meets, several, turns };
    if (!several) return line;
    const anyOrder = partsOf(line).some(({ words }) => words.some((_, i) => isAnyOrder(words, i)));
    if (anyOrder && partsOf(line).filter(({ words }) => words.some(isRange)).length > 1)
      this.fault("any-order-twice", node);
    return anyOrder ? { ...line, anyOrder } : line;
  }

  private turn(node: SyntaxNode): Turn {
    let actor: TurnActor | null = null;
    const alternatives = this.within("many-alternatives", node.getChildren("Alternative")).map((alternative, index) => {
      const first = alternative.getChild("Beat")?.getChild("Part")?.getChild("Word");
      const named = first ? asActor(this.slice(first)) : null;
      if (named && (index === 0 || named === actor)) actor = named;
      else if (named) this.fault("alternative-actor", first!);
      return this.alternative(alternative, named ? 1 : 0);
    });
    return { ...this.span(node), actor, alternatives };
  }

  /** `names`: how many words at the start say who acts. */
  private alternative(node: SyntaxNode, names: 0 | 1): Alternative {
    const beats = this.within("many-beats", node.getChildren("Beat")).map((beat, b): Beat => {
      const parts = this.within("many-parts", beat.getChildren("Part")).map((part, p): Part => {
        const written: SyntaxNode[] = [];
        for (let child = part.firstChild; child; child = child.nextSibling)
          if (child.name === "Word" || child.name === "Range") written.push(child);
        const words = this.within("many-words", written).map((word) => this.word(word));
        if (b === 0 && p === 0) words.splice(0, names);
        if (words.length === 0) this.fault("missing", part);
        const first = words[0] ?? this.span(part);
        return { from: first.from, to: this.span(part).to, words };
      });
      return { from: parts[0]?.from ?? 0, to: this.span(beat).to, parts };
    });
    return { ...this.span(node), beats };
  }

  /** What is within a limit; the first thing beyond it is a fault, and the row is not read. */
  private within(limit: RowLimit, nodes: readonly SyntaxNode[]): readonly SyntaxNode[] {
    const most = ROW_LIMITS[limit];
    if (nodes.length <= most) return nodes;
    const beyond = nodes[most]!;
    this.faults.push({ ...this.span(beyond), code: limit, found: String(most) });
    return nodes.slice(0, most);
  }

  private word(node: SyntaxNode): Word {
    return { ...this.span(node), text: this.slice(node) };
  }

  private span(node: SyntaxNode) {
    return { from: node.from - this.base, to: Math.min(node.to - this.base, this.text.length) };
  }

  private slice(node: SyntaxNode): string {
    return this.text.slice(node.from - this.base, node.to - this.base);
  }

  private fault(code: string, node: SyntaxNode) {
    this.faults.push({ ...this.span(node), code, found: this.slice(node).trim().slice(0, 40) });
  }
}

const LOOP_WORD = /^(?:(swap)|x?\s*(\d+)\s*x?|(each)\s+side|(alternate)|(on\s+count))(?:\s+|$)/;

/** The words behind `loop`, in any order, each at most once; null where something else stands among them. */
function readLoop(text: string): Extract<BlockHead, { type: "loop" }> | null {
  const start = /^loop(?:\s+|$)/.exec(text);
  if (!start) return null;
  const said: { times?: number; swap?: true; sides?: LoopSides; onCount?: true } = {};
  for (let rest = text.slice(start[0].length); rest !== "";) {
    const found = LOOP_WORD.exec(rest);
    if (!found) return null;
    const before = Object.keys(said).length;
    if (found[1]) said.swap = true;
    else if (found[2]) said.times = Number(found[2]);
    else if (found[5]) said.onCount = true;
    else said.sides = found[3] ? "each" : "alternate";
    if (Object.keys(said).length === before) return null;
    rest = rest.slice(found[0].length);
  }
  const { times = 1, swap = false, sides = "written", onCount = false } = said;
  return { type: "loop", times, swap, sides, onCount };
}

/** Gives each point to watch to the beat before it, or to the turn that it opens; `signs`: where the signs between turns end. */
function withNotes(lines: readonly Line[], notes: readonly Word[], signs: readonly number[]): readonly Line[] {
  const turns = lines.flatMap((line) => line.turns);
  if (notes.length === 0 || turns.length === 0) return lines;
  const opens = ({ from }: Turn) => Math.max(-1, ...signs.filter((sign) => sign <= from));
  const ofBeat = new Map<Beat, Word[]>();
  const ofTurn = new Map<Turn, Word[]>();
  for (const note of notes) {
    const turn = turns.findLast((one) => opens(one) <= note.from) ?? turns[0]!;
    const beat = turn.alternatives.flatMap(({ beats }) => beats).findLast(({ from }) => from < note.from);
    if (beat) ofBeat.set(beat, [...(ofBeat.get(beat) ?? []), note]);
    else ofTurn.set(turn, [...(ofTurn.get(turn) ?? []), note]);
  }
  const beatNoted = (beat: Beat): Beat => (ofBeat.has(beat) ? { ...beat, notes: ofBeat.get(beat)! } : beat);
  const noted = (turn: Turn): Turn => ({
    ...turn,
    alternatives: turn.alternatives.map((one) => ({ ...one, beats: one.beats.map(beatNoted) })),
    ...(ofTurn.has(turn) ? { notes: ofTurn.get(turn)! } : {}),
  });
  return lines.map((line) => ({ ...line, turns: line.turns.map(noted) }));
}

function asActor(text: string): TurnActor | null {
  const lower = text.toLowerCase();
  if (lower === "both") return "both";
  if (lower === "any" || lower === "either") return "any";
  return ACTORS.find((actor) => actor.toLowerCase() === lower) ?? null;
}
