/** Rows to a tree of sections, blocks and lines. */
import { GameRows } from "./game-rows.ts";
import { MAX_DEPTH } from "./limits.ts";
import { expandRange } from "./ranges.ts";
import type {
  BlockHead,
  Line,
  Part,
  Row,
  RowBody,
  RowFault,
  Score,
  ScoreBlock,
  ScoreItem,
  ScoreLine,
  Word,
} from "./types.ts";

interface Open {
  readonly row: Row;
  readonly head: BlockHead;
  readonly items: ScoreItem[];
  /** Labels of its lines so far, in lower case, with the row that has each. */
  readonly labels: Map<string, Row>;
  /** True where an `end` row closes this block; otherwise the first blank row does. */
  readonly byEnd: boolean;
}

/** The blocks that are open at a row, the innermost last, and the items that are done. */
class Blocks {
  readonly top: ScoreItem[] = [];
  readonly open: Open[] = [];
  private readonly closing: ReadonlySet<number>;

  constructor(
    rows: readonly Row[],
    private readonly faults: { row: Row; fault: RowFault }[],
  ) {
    this.closing = closedByEnd(rows);
  }

  put(...items: readonly ScoreItem[]): void {
    (this.open.at(-1)?.items ?? this.top).push(...items);
  }

  begin(row: Row, { head, span }: Extract<RowBody, { kind: "block" }>): void {
    // A block that lies too deep is read as part of the one round it.
    if (this.open.length >= MAX_DEPTH)
      this.faults.push({ row, fault: { ...span, code: "deep-block", found: String(MAX_DEPTH) } });
    this.open.push({ row, head, items: [], labels: new Map(), byEnd: this.closing.has(row.index) });
  }

  close(): void {
    const { row, head, items } = this.open.pop()!;
    if (this.open.length >= MAX_DEPTH) return this.put(...items);
    const block: ScoreBlock = { kind: "block", row, head, items };
    if (!items.some(({ kind }) => kind === "line" || kind === "lands" || kind === "block"))
      this.faults.push({ row, fault: { from: 0, to: 4, code: "empty-block", found: head.type } });
    this.put(block);
  }

  /** Closes the blocks that end at a blank row. */
  closeLoose(): void {
    while (this.open.length > 0 && !this.open.at(-1)!.byEnd) this.close();
  }
}

/** Builds the tree; says labels outside a choice, rows of a header that come late, and loose ends. */
export function structure(rows: readonly Row[]): {
  items: ScoreItem[];
  faults: { row: Row; fault: RowFault }[];
} {
  const faults: { row: Row; fault: RowFault }[] = [];
  const blocks = new Blocks(rows, faults);
  const games = new GameRows();
  const { open } = blocks;
  let form: string | null = null;
  for (const row of rows) {
    const { body } = row.content;
    if (games.takes(row)) continue;
    switch (body.kind) {
      case "game":
        blocks.closeLoose();
        if (open.length > 0) faults.push({ row, fault: { ...body.name, code: "game-inside", found: body.name.text } });
        blocks.top.push(games.begin(row, body.name));
        break;
      case "blank":
        blocks.closeLoose();
        break;
      case "section":
        if (body.name) blocks.put({ kind: "section", row, name: body.name.text });
        break;
      case "block":
        blocks.begin(row, body);
        break;
      case "end":
        blocks.closeLoose();
        if (open.length > 0) blocks.close();
        else faults.push({ row, fault: { from: 0, to: 3, code: "stray-end", found: "end" } });
        break;
      case "play":
        blocks.put(...playItems(row, body, form, open, faults));
        form = null;
        break;
      case "form":
        form = body.name?.text ?? null;
        break;
      default:
    }
  }
  while (open.length > 0) blocks.close();
  return { items: blocks.top, faults: [...faults, ...games.end()] };
}

/** The items of a row of play where blocks are open: lines, and what stands beside them. */
function playItems(
  row: Row,
  body: Extract<RowBody, { kind: "play" }>,
  form: string | null,
  open: readonly Open[],
  faults: { row: Row; fault: RowFault }[],
): ScoreItem[] {
  // A row that shows a mistake, or what may come at any time, may bear the label of its line.
  const beside = body.mark === "wrong" || body.mark === "any time";
  const label = body.label && (beside ? body.label : checkLabel(row, body.label, open, faults));
  const inChoice = open.some(({ head }) => head.type === "choose");
  const items = itemsOf(row, body, label?.text ?? null, form);
  return inChoice ? items : items.map(chosen);
}

/** A line whose range comes in any order is a choice among its numbers. */
function chosen(item: ScoreItem): ScoreItem {
  if (item.kind !== "line" || !item.line.anyOrder) return item;
  const { actor } = item.line.turns[0]!;
  const by = actor === "B" || actor === "C" ? actor : "A";
  return { kind: "block", row: item.row, head: { type: "choose", by }, items: [item], implied: true };
}

/** The lines of a row as items of the tree. */
const itemsOf = (
  row: Row,
  { lines, mark }: Extract<RowBody, { kind: "play" }>,
  label: string | null,
  form: string | null,
): ScoreItem[] =>
  lines.map((line): ScoreItem => {
    const shown: ScoreLine = { kind: "line", row, label, line, form };
    if (mark === "lands") return { kind: mark, row, shows: { ...shown, lands: true } };
    if (mark === "wrong") return { kind: mark, row, shows: shown };
    return mark ? { kind: mark, row, shows: shown } : shown;
  });

/** The rows of blocks that an `end` row closes. */
export function closedByEnd(rows: readonly Row[]): Set<number> {
  const closed = new Set<number>();
  const open: number[] = [];
  for (const { index, content } of rows) {
    if (content.body.kind === "block" || content.body.kind === "game") open.push(index);
    if (content.body.kind === "end" && open.length > 0) closed.add(open.pop()!);
  }
  return closed;
}

/** Letters of people who are always there: inside a choice they were meant as a label. */
const PEOPLE = new Set(["a", "b"]);
/** Words that can name a person or a line of a choice. */
const EITHER = new Set(["c", "both", "any"]);
const NO_LABEL = new Set([...PEOPLE, ...EITHER, "loop", "choose", "carry", "section", "end"]);

function checkLabel(
  row: Row,
  label: Word,
  open: readonly Open[],
  faults: { row: Row; fault: RowFault }[],
): Word | null {
  const say = (code: string) =>
    faults.push({ row, fault: { from: label.from, to: label.to, code, found: label.text } });
  const inChoice = open.some((o) => o.head.type === "choose");
  const named = inChoice && EITHER.has(label.text.toLowerCase());
  if (NO_LABEL.has(label.text.toLowerCase()) && !named) {
    say(inChoice && PEOPLE.has(label.text.toLowerCase()) ? "label-person" : "late-header");
    return null;
  }
  const choice = open.findLast((o) => o.head.type === "choose");
  if (!choice) {
    say("label-outside");
    return null;
  }
  const key = label.text.toLowerCase();
  const first = choice.labels.get(key);
  if (first && first !== row) say("label-twice");
  if (!first) choice.labels.set(key, row);
  return label;
}

/** True for a row behind which no header stands any more. */
export const beginsPlay = ({ kind }: RowBody): boolean =>
  kind === "play" || kind === "block" || kind === "section" || kind === "form" || kind === "game";

/** All lines of a score, blocks included, in order; what is shown wrong is none of them. */
export function* linesOf(items: readonly ScoreItem[]): Generator<ScoreLine> {
  for (const item of items) {
    if (item.kind === "line") yield item;
    else if (item.kind === "block") yield* linesOf(item.items);
  }
}

/** The same with those that go on from a hit: all that is done and can be called. */
export function* linesDone(items: readonly ScoreItem[]): Generator<ScoreLine> {
  for (const item of items) {
    if (item.kind === "line") yield item;
    else if (item.kind === "lands") yield item.shows;
    else if (item.kind === "block") yield* linesDone(item.items);
  }
}

/** True where a third person acts in a line, or something is sent at them. */
export const namesThird = ({ turns }: Line): boolean =>
  turns.some(
    ({ actor, alternatives }) =>
      actor === "C" || alternatives.some(({ beats }) => beats.some(({ parts }) => parts.some(isSentToThird))),
  );

const isSentToThird = ({ words }: Part): boolean =>
  words.some(({ text }, i) => text.toLowerCase() === "at" && words[i + 1]?.text.toLowerCase() === "c");

/** How many lines a choice is made from: a range is as many as it has numbers. */
export const linesToChoose = (items: readonly ScoreItem[]): number =>
  items.reduce((sum, item) => sum + (item.kind === "line" ? expandRange(item.line).length : 0), 0);

/** Returns the value of a header key in lower case; null where the key is missing. */
export function headerValue(score: Score, key: string): string | null {
  for (const { content } of score.rows) {
    const { body } = content;
    if (body.kind === "header" && body.key.text.toLowerCase() === key)
      return (body.value?.text ?? "").trim().toLowerCase();
    if (beginsPlay(body)) break;
  }
  return null;
}
