/** How the rows of a drill come into a ladder: one exchange, the first row, more rows, then its block. */
import { growsByTempo } from "../vary/operators/shared.ts";
import type { Checked } from "../drill/types.ts";
import { beatText, lineText } from "../score/format.ts";
import { listed, ROW_CHANGES, spoken, type StillMissing } from "../vary/change-words.ts";
import { linesOf } from "../score/structure.ts";
import type { Turn, Line, ScoreBlock, ScoreItem, ScoreLine } from "../score/types.ts";
import type { School } from "../policy/school.ts";
import { assessRows } from "../answers/check-text.ts";
import { blockRows, contextOf, firstItems, plainScore, written, type Rows } from "../score/edit.ts";
import type { RungChange } from "./ladder.ts";
import { TRADE } from "../trade/trade.ts";
import { firstTurn, saidFeed } from "../vary/feed-name.ts";
import { drillRows, onPads, rowItems, type Cut, type DrillRow } from "./row-cuts.ts";

/** First tempo of a ladder that starts slowly, share of full speed. */
export const SLOW_START = 0.4;
/** Rows that may come in at once: few, or what lets a long drill in within a few rungs. */
const MOST_ROWS = 3;
const SHARE_OF_ROWS = 1 / 4;
/** A drill of no more rows comes in with one change a rung. */
const FEW_ROWS = 5;

/**
 * `rows`: how many rows of the drill have come in with it; its block counts as one more, the parts of a
 * row as shares of it.
 */
export type Step = RungChange & {
  readonly rows: number;
  /** It brings the drill to its own tempo, on the way or wholly. */
  readonly ownTempo?: "nearer" | "there";
};

/** The rows of a drill one after another, without blocks: chance and cycles come later. */
const linesIn = (base: Checked): Line[] => drillRows(base).map(({ line }) => line);
const ownLines = ({ score }: Checked): Line[] => [...linesOf(score.items)].map(({ line }) => line);

/** The block round all rows of a drill; null where there is none, or where it is made of more. */
function wholeBlock({ score }: Checked): { head: ScoreBlock; lines: readonly ScoreLine[] } | null {
  const [block, ...others] = score.items.filter((item: ScoreItem) => item.kind !== "section");
  if (block?.kind !== "block" || others.length > 0) return null;
  const lines = block.items.filter((item) => item.kind === "line");
  return lines.length === block.items.length ? { head: block, lines } : null;
}

/** How many steps it takes until the whole drill is there, each of one row, and one for its block. */
export const rowsIn = (base: Checked): number => linesIn(base).length + (wholeBlock(base) || hasBlocks(base) ? 1 : 0);

/** Cycles, choices and games, one or several, perhaps in each other or beside plain rows. */
const hasBlocks = ({ score }: Checked): boolean => score.items.some((item) => item.kind === "block");

/**
 * The next part of a drill of several blocks as it is written, under the tempo of now: the sections and blocks of
 * an instructor are the skeleton. Empty where the whole is one block, or there is none.
 */
function nextPart(now: Checked, rows: number, base: Checked): InBlock[] {
  if (wholeBlock(base) || !hasBlocks(base)) return [];
  const { score } = base;
  const all = rowItems(base);
  let lines = 0;
  for (const [i, item] of score.items.entries()) {
    if (item.kind === "section" || item.kind === "wrong") continue;
    lines += [...linesOf([item])].filter((one) => all.includes(one)).length;
    const last = score.items.slice(i + 1).every(({ kind }) => kind === "section" || kind === "wrong");
    if (lines <= rows && !(last && rows < rowsIn(base))) continue;
    // A plain row between blocks comes in by its parts, like any other.
    if (item.kind === "line" && !last && item.row === all[Math.floor(rows)]?.row) return [];
    const before = score.items[i - 1];
    const tempo = percent(now.header.tempo);
    return [
      {
        lines: firstItems(score, i + 1, { tempo }),
        changed:
          before?.kind === "section"
            ? ROW_CHANGES.part(before.name)
            : last && item.kind === "line"
              ? ROW_CHANGES.asItIs()
              : partOf(item, base),
        come: last ? rowsIn(base) : lines,
      },
    ];
  }
  return [];
}

/** A block or row that no section names, as one says it. */
function partOf(item: ScoreItem, base: Checked): string {
  const feeds = [...linesOf([item])].map((line) => saidFeed(line, base));
  if (item.kind === "block" && item.head.type === "choose") return ROW_CHANGES.picks(item.head.by, feeds);
  return item.kind === "block" ? ROW_CHANGES.asItIs() : ROW_CHANGES.add(feeds, null);
}

const percent = (tempo: number): string => `${Math.round(tempo * 100)}%`;

/** First rungs: the first row, and each part of it; slowly unless the school starts at full speed. */
export function firstRungs(base: Checked, school: School): (Omit<Step, "operator"> & { readonly operator: null })[] {
  const slow = school.customs.power === "slow first" && base.header.tempo > SLOW_START && growsByTempo(base.header);
  const tempo = percent(slow ? SLOW_START : base.header.tempo);
  const start = (lines: Rows, changed: string, rows: number) => ({
    operator: null,
    parameters: {},
    ...assessRows(lines, school),
    changed,
    rows,
  });
  const first = drillRows(base)[0]!;
  // A combination begins with its first two or three, a move of several parts with its first part.
  const begins = ({ missing }: Cut, i: number) => missing === "blows" || (missing === "parts" && i === 0);
  const all = [...first.cuts.entries()]
    .reverse()
    .map(([i, cut]) => ({
      isBeginning: begins(cut, i),
      ...start(
        plainScore(base.score, [cut.line], { tempo }),
        ROW_CHANGES.first(cutFeed(cut, first), answersIn(cut.line), stillMissing(cut), slow ? "slow" : "own"),
        (i + 1) / first.cuts.length,
      ),
    }))
    .filter((v) => v.verdict !== "broken");
  const begun = all.filter(({ isBeginning }) => isBeginning).slice(-2);
  const sound = begun.length > 0 ? begun : all;
  if (sound.length > 0) return sound;
  const whole = plainScore(base.score, linesIn(base), {});
  return [start(whole, ROW_CHANGES.asItIs(), rowsIn(base))];
}

/** What of a row that came in is still to come. */
function stillMissing({ missing, back, line }: Cut): StillMissing {
  switch (missing) {
    case null:
    case "numbers":
      return null;
    case "feeds":
      return "rest";
    case "parts":
      return "parts";
    case "layers":
      return "line";
    case "hit":
      return "hit";
    case "alternatives":
      return (line.turns[1]?.alternatives.length ?? 0) > 1 ? "more answers" : "answers";
    case "blows":
      return "blows";
    case "returns":
      return back.length === 0 ? "return" : null;
  }
}

/** What answers in a line, as it is said; of a meeting what meets. */
function answersIn({ turns, meets }: Line): string[] {
  const all = turns[1]?.alternatives ?? [];
  if (meets) return [];
  if (all.length > 1)
    return [
      listed(
        all.map(({ beats }) => spoken(beatText(beats[0]!))),
        "or",
      ),
    ];
  return (all[0]?.beats ?? []).map((beat) => spoken(beatText(beat)));
}

/** More of the rows of the drill comes in; when all are there, what is round them: the cycle, the choice. */
export function moreRows(now: Checked, rows: number, base: Checked, school: School): Step[] {
  const all = linesIn(base);
  if (rows >= rowsIn(base)) return [];
  const step = (lines: Rows, changed: string, come: number): Step => ({
    operator: "rows",
    parameters: { rows: come },
    changed,
    ...assessRows(lines, school),
    rows: come,
  });
  const part = nextPart(now, rows, base).map(({ lines, changed, come }) => step(lines, changed, come));
  if (rows >= all.length && part.length > 0) return part;
  if (rows >= all.length) return inBlock(now, rows, base).map(({ lines, changed, come }) => step(lines, changed, come));
  // What an operator put into a block grows no more; what is written as blocks goes on part by part.
  if (now.score.items.some((item) => item.kind === "block")) return part;
  const parts = drillRows(base);
  const there = Math.floor(rows);
  const begun = Math.round((rows - there) * parts[there]!.cuts.length);
  const own = ownLines(now).slice(0, there);
  // What was begun is completed, with no more than one row behind it; whole rows come in by several.
  const most = begun > 0 ? (all.length > FEW_ROWS ? 2 : 1) : Math.max(MOST_ROWS, Math.ceil(all.length * SHARE_OF_ROWS));
  const found: Step[] = [...part];
  for (let last = there; last < Math.min(all.length, there + most); last++) {
    const row = parts[last]!;
    const { cuts } = row;
    const before = parts.slice(there, last).map(({ name }) => name);
    for (const [i, cut] of cuts.entries()) {
      if (last === there && i < begun) continue;
      found.push(
        step(
          plainScore(now.score, [...own, ...all.slice(there, last), cut.line], {}),
          last === there && begun > 0
            ? goesOn(cut, cuts[begun - 1]!, row)
            : begun > 0
              ? ROW_CHANGES.wholeAndNext(before[0]!, partName(cut, row), stillMissing(cut))
              : ROW_CHANGES.add([...before, partName(cut, row)], stillMissing(cut)),
          last + (i + 1) / cuts.length,
        ),
      );
    }
  }
  return found;
}

/** More of a row that is there in part. */
function goesOn(cut: Cut, before: Cut, row: DrillRow): string {
  const { name } = row;
  const feed = cutFeed(cut, row);
  if (before.missing === "feeds")
    return ROW_CHANGES.behind(firstTurn(before.line), behind(cut, before), hitsBack(cut) ? "hit back" : null);
  if (before.missing === "parts")
    return cut.missing === "parts"
      ? ROW_CHANGES.goOn(answersIn(cut.line)[0]!)
      : ROW_CHANGES.wholeMove(answersIn(cut.line));
  switch (cut.missing) {
    case null:
      if (before.missing === "numbers") return ROW_CHANGES.numbers(name);
      if (before.missing === "alternatives") return ROW_CHANGES.allAnswers(name);
      if (before.missing === "layers") return ROW_CHANGES.layers(feed, answersIn(cut.line).slice(0, 1));
      if (before.missing === "blows") return ROW_CHANGES.add(behind(cut, before), null);
      if (before.back.length > 0 && cut.line.turns.length > 2 && allBack(cut, before)) return met(cut.line.turns[2]!);
      if (before.missing === "hit") return ROW_CHANGES.hitWith(name);
      return before.missing === "returns" ? ROW_CHANGES.hitBack(name) : ROW_CHANGES.whole(name);
    case "numbers":
      return ROW_CHANGES.moreNumbers(feed);
    case "blows":
      return ROW_CHANGES.add(behind(cut, before), "blows");
    case "alternatives":
      return ROW_CHANGES.moreAnswers(name);
    default:
      return before.missing === "returns" ? ROW_CHANGES.hitBackWith(name, cut.back) : ROW_CHANGES.goOn(feed);
  }
}

/** All that is sent back was there before. */
const allBack = (cut: Cut, before: Cut): boolean =>
  cut.line.turns[1]!.alternatives[0]!.beats.length === before.line.turns[1]!.alternatives[0]!.beats.length;

const met = ({ actor, alternatives }: Turn): string =>
  ROW_CHANGES.met(actor ?? "A", alternatives[0]!.beats.map(beatText));

/** More is done than answers what is thrown. */
const hitsBack = ({ line: { turns } }: Cut): boolean => {
  const [feeds, answers] = turns.map(({ alternatives }) => alternatives[0]!.beats.length);
  return (answers ?? 0) > (feeds ?? 0);
};

/** What is in the turn that grows and was not there before, one thing after another. */
function behind(cut: Cut, before: Cut): string[] {
  const at = before.missing === "blows" ? before.line.turns.length - 1 : 0;
  const beats = (line: Line) => line.turns[at]!.alternatives[0]!.beats.map(beatText);
  const more = beats(cut.line).slice(beats(before.line).length);
  const next = cut.line.turns[at + 1]?.alternatives[0]?.beats.map(beatText) ?? [];
  const named = more.filter((beat, i) => i === 0 || !TRADE.waysBack.includes(beat));
  return more.length > 0 ? named : next;
}

/** The name of a row of which not all may have come in. */
function partName(cut: Cut, { name }: DrillRow): string {
  if (cut.missing === "blows" && cut.line.turns.length > 1) return onPads(answersIn(cut.line).join(", "));
  return cut.missing === "numbers" || cut.missing === "feeds" || cut.missing === "blows" ? firstTurn(cut.line) : name;
}

/** What a part of a row begins with: less than the row where numbers or feeds are still to come. */
const cutFeed = (cut: Cut, { feed }: DrillRow): string =>
  cut.missing === "numbers" || cut.missing === "feeds" || cut.missing === "blows" ? firstTurn(cut.line) : feed;

/** A block of the drill round so many of its rows; it counts as one row more, or as a share of it. */
interface InBlock {
  readonly lines: Rows;
  readonly changed: string;
  readonly come: number;
}

/** The rows in the block of the drill: round and round without a stop, or one of two by choice, of three, of all. */
function inBlock(now: Checked, rows: number, base: Checked): InBlock[] {
  const block = wholeBlock(base);
  const own = ownLines(now);
  const all = own.length;
  if (!block || all !== block.lines.length) return [];
  const { head } = block.head;
  const texts = own.map((line, i) => {
    const { label } = block.lines[i]!;
    return { labelled: `${label ? `${label}: ` : ""}${lineText(line)}`, plain: lineText(line) };
  });
  const round = (count: number, changed: string): InBlock => ({
    lines: written(contextOf(now.score), [
      ...blockRows(
        head,
        texts.slice(0, count).map((t) => t.labelled),
      ),
      ...texts.slice(count).map((t) => t.plain),
    ]),
    changed,
    come: all + (count - 1) / (all - 1 || 1),
  });
  if (head.type !== "choose")
    return [
      {
        ...round(all, head.type === "loop" ? ROW_CHANGES.keepGoing() : ROW_CHANGES.withoutStop()),
        come: all + 1,
      },
    ];
  const among = 1 + Math.round((rows - all) * (all - 1));
  return Array.from({ length: all - among }, (_, i) => among + 1 + i).map((count) =>
    round(
      count,
      ROW_CHANGES.picks(
        head.by,
        drillRows(base)
          .slice(0, count)
          .map(({ feed }) => feed),
      ),
    ),
  );
}
