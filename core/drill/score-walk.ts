/** Walks the rows of a score in order: sections, blocks, lines; what is found is gathered on the way. */
import { ambiguousCues } from "./ambiguous.ts";
import { AnyTimes } from "./any-time.ts";
import type { Setting } from "../exchange/exchange.ts";
import type { Found } from "./found.ts";
import type { Frame, Prepared } from "./prepare.ts";
import {
  spareOf,
  stopsHalfWay,
  bodyDifferences,
  differences,
  distanceDifference,
  holdDifferences,
  rolesExchanged,
  standingAs,
} from "./loops.ts";
import type { CheckedExchange } from "../exchange/types.ts";
import type { Closure } from "./types.ts";
import { cachedLine } from "./line-cache.ts";
import { walkOn } from "./walk.ts";
import { backInGuard, type World } from "../body/state.ts";
import { draft } from "../findings/finding.ts";
import type { Usage } from "../customs/customs.ts";
import type { Header } from "../score/header.ts";
import type { MoveUse } from "../read/types.ts";
import { usesIn } from "../read/uses.ts";
import { linesOf, linesToChoose } from "../score/structure.ts";
import type { Row, ScoreBlock, ScoreItem, ScoreLine } from "../score/types.ts";

/** One walk through a score. */
export interface Pass {
  readonly header: Header;
  readonly usage: Usage;
  readonly prepared: Prepared;
  readonly found: Found;
  closure: Closure | null;
  /** The rows that may come at any time. */
  readonly anyTimes: AnyTimes;
  /** How many exchanges may still be worked out in loops and carries; shared by all passes. */
  readonly work: { left: number };
  /** States in which the lines of choices end, inside loops and carries. */
  branchEnds: World[];
}

/** Where in a score a line is: section, label, choices, pass, frame. */
export interface Place {
  readonly section: string | null;
  readonly label: string | null;
  readonly choices: number;
  readonly passNumber: number | null;
  /** Where the lines of a block start from, all from the same place; null outside blocks: each from its own. */
  readonly frame: Frame | null;
}

/**
 * Walks items in order. `carried`: the state that goes on from line to line inside `loop` and
 * `carry`; null where each line starts from the frame. Gives the state at the end.
 */
export function walkItems(items: readonly ScoreItem[], pass: Pass, place: Place, carried: World | null): World | null {
  let state = carried;
  let { section } = place;
  let setting: Setting | null = null;
  for (const item of items) {
    if (item.kind === "section") section = item.name;
    else if (item.kind === "block") {
      const frame = place.frame ?? pass.prepared.frameFor([item]);
      state = walkBlock(item, pass, { ...place, section, frame }, state);
    } else if (item.kind === "game" || item.kind === "any time") {
      // Judged by themselves, once the lines are known.
      continue;
    } else if (item.kind === "wrong") {
      // Shown beside the drill: nothing goes on from it, and nobody chooses it.
      const { shows } = item;
      const alone = settingOf(pass, { ...place, choices: 1 }, section, shows.label);
      pass.found.fromWrong(shows, alone, place.frame ?? pass.prepared.frameFor([shows]));
    } else {
      const line = item.kind === "lands" ? item.shows : item;
      if (setting?.section !== section || setting.label !== line.label)
        setting = settingOf(pass, withBesides(place, pass, line), section, line.label);
      if (state) {
        if (outOfWork(line, pass)) return state;
        state = walkCarried(line, state, setting, pass);
      } else walkFrom(line, setting, place.frame ?? pass.prepared.frameFor([line]), pass);
    }
  }
  return state;
}

/** A line that goes on from the one before; gives the state at its end. */
function walkCarried(item: ScoreLine, from: World, setting: Setting, pass: Pass): World {
  const result = walkOn(item, pass.prepared.reader.read(item.line), from, setting);
  pass.found.take(result, item, setting);
  pass.anyTimes.keep(item.row, from, result);
  for (const end of result.ends) pass.branchEnds.push(backInGuard(end));
  pass.work.left -= result.exchanges.length + 1;
  return result.end;
}

/** A line that starts from the frame. */
function walkFrom(item: ScoreLine, setting: Setting, frame: Frame, { found, anyTimes }: Pass): void {
  found.fromFrame(item, setting, frame);
  if (!anyTimes.none) anyTimes.keep(item.row, frame.world, cachedLine(item, setting, frame));
}

/** Each row that may come at any time adds one choice. */
const withBesides = (place: Place, { anyTimes }: Pass, { row }: ScoreLine): Place => {
  const more = anyTimes.besides(row);
  return more === 0 ? place : { ...place, choices: place.choices + more };
};

/** True where no more can be worked out; said once, at the first line that is left out. */
function outOfWork({ row, line }: ScoreLine, { work, found }: Pass): boolean {
  if (work.left > 0) return false;
  if (work.left !== -Infinity) found.say(draft(row, line, "syntax", { code: "budget" }));
  work.left = -Infinity;
  return true;
}

const settingOf = (
  { header, usage }: Pass,
  { choices, passNumber }: Place,
  section: string | null,
  label: string | null,
): Setting => ({
  header,
  usage,
  choices,
  label,
  section,
  pass: passNumber,
});

function walkBlock(block: ScoreBlock, pass: Pass, place: Place, carried: World | null): World | null {
  switch (block.head.type) {
    case "carry":
      return walkItems(block.items, pass, place, carried ?? place.frame!.world) && carried;
    case "choose": {
      const lines = linesToChoose(block.items);
      const choices = (block.head.by === "A" || block.implied) && lines > 1 ? lines : 1;
      let first: World | null = null;
      const from = pass.found.exchanges.length;
      for (const item of block.items) {
        const end = walkItems([item], pass, { ...place, choices }, carried);
        first ??= end;
        // Whatever was chosen, all are in guard again when the next choice comes.
        if (end && item.kind === "line" && !item.line.anyOrder) pass.branchEnds.push(backInGuard(end));
      }
      if (choices > 1) {
        const firsts = firstOfEachLine(pass.found.exchanges.slice(from), mixedRows(block.items));
        pass.found.say(...ambiguousCues(firsts, pass.header));
      }
      return carried && (first ?? carried);
    }
    case "loop":
      return walkLoop(block, pass, place, carried);
  }
}

/** The first exchange of each line, and of each number that may come in any order. */
function firstOfEachLine(exchanges: readonly CheckedExchange[], mixed: ReadonlySet<Row>): CheckedExchange[] {
  const seen = new Map<string, number>();
  const numbers = new Set<string>();
  return exchanges.filter(({ row, label, from, feedText }) => {
    const line = `${row.index} ${label}`;
    const first = seen.get(line);
    if (first === undefined) seen.set(line, from);
    if (!mixed.has(row)) return first === undefined;
    const number = `${line} ${feedText}`;
    return (first ?? from) === from && !numbers.has(number) && numbers.add(number);
  });
}

/** The rows among items whose numbers come in any order. */
const mixedRows = (items: readonly ScoreItem[]): ReadonlySet<Row> =>
  new Set([...linesOf(items)].flatMap(({ row, line }) => (line.anyOrder ? [row] : [])));

/** Two passes are enough to see whether a cycle closes; what differs once differs each time. */
function walkLoop(block: ScoreBlock, pass: Pass, place: Place, carried: World | null): World | null {
  if (block.head.type !== "loop") return carried;
  const { swap, times, sides } = block.head;
  pass.branchEnds = [];
  const from = carried ?? place.frame!.world;
  const first = backInGuard(walkItems(block.items, pass, { ...place, passNumber: 1 }, from)!);
  otherStarts(block, pass, place, first);
  // The second pass is for its end state; its exchanges would only repeat the first.
  const silent: Pass = { ...pass, found: pass.found.emptyCopy(), anyTimes: new AnyTimes([]), branchEnds: [] };
  const turned = swap ? rolesExchanged(first) : first;
  // The other side is the same cycle in the mirror, from stances that are changed for it.
  const start = sides === "alternate" ? standingAs(turned, from) : turned;
  const second = backInGuard(walkItems(block.items, silent, { ...place, passNumber: 2 }, start)!);
  const ends = swap ? rolesExchanged(second) : second;
  const stops = times > 1 ? stopsHalfWay(first, times) : null;
  // In a game they find their distance again before the next goes.
  const spare = spareOf(usesOf(block, pass.prepared));
  const apart = [
    ...bodyDifferences(first, ends),
    ...holdDifferences(first, second),
    ...(isGame(block) ? [] : distanceDifference(first, ends, spare)),
  ];
  const differ = times > 1 ? apart : [];
  const both = differ.length > 0 && !swap && silent.found.sound() && closesInTwo(block, pass, place, { first, second });
  // What a pass leaves behind may stop the next, though both end alike.
  const blocked = differ.length === 0 && times > 1 && pass.found.sound() && !silent.found.sound();
  const open = both ? [] : blocked ? pass.found.stopsNext(silent.found) : differ;
  const fresh = pass.closure === null || pass.closure.closes;
  if (fresh) pass.closure = { closes: !blocked && open.length === 0, differences: open, row: block.row };
  const { body } = block.row.content;
  const where = body.kind === "block" ? body.span : { from: 0, to: 0 };
  const note = both ? { code: "sides" } : stops && { code: "stops", ...stops };
  if (open.length > 0) pass.found.say(draft(block.row, where, "loop-open", { what: open.join("; ") }));
  else if (note) pass.found.say({ ...draft(block.row, where, "loop-open", note), severity: "note" });
  return carried && second;
}

/** All that is written in a block, as its words mean it. */
const usesOf = ({ items }: ScoreBlock, { reader }: Prepared): MoveUse[] =>
  [...linesOf(items)].flatMap(({ line }) => usesIn(reader.read(line)));

/** A game: who feeds chooses, and then it is the other's turn. */
const isGame = ({ head, items }: ScoreBlock): boolean =>
  head.type === "loop" && head.swap && items.some((item) => item.kind === "block" && item.head.type === "choose");

/** The pass after the next ends as the first did: each pass changes hands or feet, and two bring all back. */
function closesInTwo(
  block: ScoreBlock,
  pass: Pass,
  place: Place,
  { first, second }: { readonly first: World; readonly second: World },
): boolean {
  const again: Pass = { ...pass, found: pass.found.emptyCopy(), anyTimes: new AnyTimes([]), branchEnds: [] };
  const third = backInGuard(walkItems(block.items, again, { ...place, passNumber: 3 }, second)!);
  return differences(first, third).length === 0;
}

/** Most different states from which the lines of a choice are tried again. */
const MAX_STARTS = 8;

/**
 * A line of a choice may follow any other line of it: each is checked from each state that another
 * leaves. Only what goes wrong is kept; the exchanges are those of the first pass.
 */
function otherStarts(block: ScoreBlock, pass: Pass, place: Place, first: World): void {
  const starts: World[] = [first];
  for (const end of pass.branchEnds)
    if (starts.length < MAX_STARTS && starts.every((start) => differences(start, end).length > 0)) starts.push(end);
  for (const start of starts.slice(1)) {
    const again: Pass = { ...pass, found: pass.found.emptyCopy(), anyTimes: new AnyTimes([]), branchEnds: [] };
    walkItems(block.items, again, { ...place, passNumber: 1 }, start);
    pass.found.mergeErrors(again.found);
  }
}

/** Where a walk begins: in no section, behind no label. */
export const START: Place = { section: null, label: null, choices: 1, passNumber: null, frame: null };
