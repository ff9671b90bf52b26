/** Rows to a tree of sections, blocks and lines. */
import { MAX_DEPTH, MAX_GAMES } from "./limits.ts";
import { expandRange } from "./ranges.ts";
import type {
  BlockHead,
  GameKeyRow,
  Line,
  Part,
  Row,
  RowBody,
  RowFault,
  Score,
  ScoreBlock,
  ScoreGame,
  ScoreItem,
  ScoreLine,
  Span,
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

/** Builds the tree; says labels outside a choice, rows of a header that come late, and loose ends. */
export function structure(rows: readonly Row[]): {
  items: ScoreItem[];
  faults: { row: Row; fault: RowFault }[];
} {
  const closing = closedByEnd(rows);
  const top: ScoreItem[] = [];
  const games = new GameRows();
  const open: Open[] = [];
  const faults: { row: Row; fault: RowFault }[] = [];
  const target = () => open[open.length - 1]?.items ?? top;
  let form: string | null = null;
  const close = () => {
    const { row, head, items } = open.pop()!;
    if (open.length >= MAX_DEPTH) {
      for (const item of items) target().push(item);
      return;
    }
    const block: ScoreBlock = { kind: "block", row, head, items };
    if (!items.some((item) => item.kind === "line" || item.kind === "block"))
      faults.push({ row, fault: { from: 0, to: 4, code: "empty-block", found: head.type } });
    target().push(block);
  };

  for (const row of rows) {
    const { body } = row.content;
    if (games.takes(row)) continue;
    switch (body.kind) {
      case "game":
        while (open.length > 0 && !open[open.length - 1]!.byEnd) close();
        if (open.length > 0) faults.push({ row, fault: { ...body.name, code: "game-inside", found: body.name.text } });
        top.push(games.begin(row, body.name));
        break;
      case "blank":
        while (open.length > 0 && !open[open.length - 1]!.byEnd) close();
        break;
      case "section":
        if (body.name) target().push({ kind: "section", row, name: body.name.text });
        break;
      case "block":
        // A block that lies too deep is read as part of the one round it.
        if (open.length >= MAX_DEPTH)
          faults.push({ row, fault: { ...body.span, code: "deep-block", found: String(MAX_DEPTH) } });
        open.push({ row, head: body.head, items: [], labels: new Map(), byEnd: closing.has(row.index) });
        break;
      case "end":
        while (open.length > 0 && !open[open.length - 1]!.byEnd) close();
        if (open.length > 0) close();
        else faults.push({ row, fault: { from: 0, to: 3, code: "stray-end", found: "end" } });
        break;
      case "play": {
        // A row that shows a mistake may bear the label of its line.
        const beside = body.mark === "wrong" || body.mark === "any time";
        const label = body.label && (beside ? body.label : checkLabel(row, body.label, open, faults));
        const inChoice = open.some(({ head }) => head.type === "choose");
        target().push(...itemsOf(row, body, label?.text ?? null, form).map((item) => (inChoice ? item : chosen(item))));
        form = null;
        break;
      }
      case "form":
        form = body.name?.text ?? null;
        break;
      default:
    }
  }
  while (open.length > 0) close();
  return { items: top, faults: [...faults, ...games.end()] };
}

/** The rows of games: from `game NAME:` to `end`, whatever stands between. */
class GameRows {
  private readonly faults: { row: Row; fault: RowFault }[] = [];
  private keys: GameKeyRow[] | null = null;
  private head: { readonly row: Row; readonly name: Word } | null = null;
  private count = 0;

  begin(row: Row, name: Word): ScoreGame {
    this.keys = [];
    this.head = { row, name };
    if (++this.count > MAX_GAMES) this.say(row, name, "many-games", String(MAX_GAMES));
    return { kind: "game", row, name, keys: this.keys };
  }

  /** Takes a row of the game that is open; false where none is. */
  takes(row: Row): boolean {
    const { keys } = this;
    if (!keys) return false;
    const { body } = row.content;
    if (body.kind === "end") this.keys = this.head = null;
    else if (body.kind === "game-key") {
      const { key, value, lines } = body;
      const same = (one: GameKeyRow) => gameKey(one) === gameKey({ key });
      if (keys.some(same)) this.say(row, key, "game-key-twice", key.text);
      else keys.push({ row, key, value, lines });
    } else if (body.kind !== "blank" && body.kind !== "comment" && row.content.faults.length === 0)
      this.say(row, { from: 0, to: 4 }, "game-row", "");
    return true;
  }

  /** What is wrong with the rows of games. */
  end(): readonly { row: Row; fault: RowFault }[] {
    const { head } = this;
    if (head) this.say(head.row, head.name, "game-open", head.name.text);
    return this.faults;
  }

  private say(row: Row, { from, to }: Span, code: string, found: string): void {
    this.faults.push({ row, fault: { from, to, code, found } });
  }
}

/** The key of a row of a game, in small letters with one blank between its words. */
export const gameKey = ({ key }: Pick<GameKeyRow, "key">): string => key.text.toLowerCase().replace(/\s+/g, " ");

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
    if (mark === "lands") return { ...shown, lands: true };
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
