/** How the rows of a drill come into a ladder: one exchange, the first row, more rows, then its block. */
import type { Checked } from "../drill/types.ts";
import { lineText } from "../score/format.ts";
import { linesOf } from "../score/structure.ts";
import type { Line, ScoreBlock, ScoreItem, ScoreLine } from "../score/types.ts";
import type { School } from "../policy/school.ts";
import { assessRows } from "../answers/check-text.ts";
import { blockRows, contextOf, plainScore, written, type Rows } from "../score/edit.ts";
import type { RungChange } from "./ladder.ts";
import { drillRows, feedName, type Cut } from "./row-cuts.ts";

/** First tempo of a ladder that starts slowly, share of full speed. */
export const SLOW_START = 0.4;
/** Rows that may come in at once: few, or what lets a long drill in within a few rungs. */
const MOST_ROWS = 3;
const SHARE_OF_ROWS = 1 / 4;

/**
 * `rows`: how many rows of the drill have come in with it; its block counts as one more, the parts of a
 * row as shares of it.
 */
export type Step = RungChange & { readonly rows: number };

/** The rows of a drill one after another, without blocks: chance and cycles come later. */
const linesIn = (base: Checked): Line[] => [...linesOf(base.score.items)].map((item) => item.line);

/** The block round all rows of a drill; null where there is none, or where it is made of more. */
function wholeBlock({ score }: Checked): { head: ScoreBlock; lines: readonly ScoreLine[] } | null {
  const [block, ...others] = score.items.filter((item: ScoreItem) => item.kind !== "section");
  if (block?.kind !== "block" || others.length > 0) return null;
  const lines = block.items.filter((item) => item.kind === "line");
  return lines.length === block.items.length ? { head: block, lines } : null;
}

/** How many steps it takes until the whole drill is there, each of one row, and one for its block. */
export const rowsIn = (base: Checked): number => linesIn(base).length + (wholeBlock(base) ? 1 : 0);

const percent = (tempo: number): string => `${Math.round(tempo * 100)}%`;

/** First rungs: the first row, and each part of it; slowly unless the school starts at full speed. */
export function firstRungs(base: Checked, school: School): (Omit<Step, "operator"> & { readonly operator: null })[] {
  const slow = school.customs.power === "slow first" && base.header.tempo > SLOW_START;
  const tempo = percent(slow ? SLOW_START : base.header.tempo);
  const start = (lines: Rows, changed: string, rows: number) => ({
    operator: null,
    parameters: {},
    ...assessRows(lines, school),
    changed: slow ? `${changed}; slowly` : changed,
    rows,
  });
  const first = drillRows(base)[0]!.cuts;
  const sound = [...first.entries()]
    .reverse()
    .map(([i, cut]) =>
      start(
        plainScore(base.score, [cut.line], { tempo }),
        `The ${feedName(cut.line)} and its answer${cut.missing === "feeds" ? ", not yet what follows it" : missing(cut)}`,
        (i + 1) / first.length,
      ),
    )
    .filter((v) => v.verdict !== "broken");
  if (sound.length > 0) return sound;
  const whole = plainScore(base.score, linesIn(base), {});
  return [{ ...start(whole, "The drill as it is", rowsIn(base)), changed: "The drill as it is" }];
}

/** What of a row that came in is still to come, in words. */
function missing({ missing: what, line, back }: Cut): string {
  switch (what) {
    case null:
    case "numbers":
      return "";
    case "feeds":
      return `, only the ${feedName(line)} of it yet`;
    case "layers":
      return ", without its second line yet";
    case "alternatives":
      return `, ${line.turns[1]!.alternatives.length === 1 ? "one answer" : `${line.turns[1]!.alternatives.length} of its answers`} only`;
    case "returns":
      return back.length === 0 ? ", no return yet" : `, with only the ${back.join(", ")} in return`;
  }
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
  if (rows >= all.length) return inBlock(now, rows, base).map(({ lines, changed, come }) => step(lines, changed, come));
  // What an operator put into a block grows no more.
  if (now.score.items.some((item) => item.kind === "block")) return [];
  const parts = drillRows(base);
  const there = Math.floor(rows);
  const begun = Math.round((rows - there) * parts[there]!.cuts.length);
  const own = linesIn(now).slice(0, there);
  // What was begun is completed, with no more than one row behind it; whole rows come in by several.
  const most = begun > 0 ? 2 : Math.max(MOST_ROWS, Math.ceil(all.length * SHARE_OF_ROWS));
  const found: Step[] = [];
  for (let last = there; last < Math.min(all.length, there + most); last++) {
    const { cuts, name } = parts[last]!;
    const before = parts.slice(there, last).map((row) => row.name);
    for (const [i, cut] of cuts.entries()) {
      if (last === there && i < begun) continue;
      found.push(
        step(
          plainScore(now.score, [...own, ...all.slice(there, last), cut.line], {}),
          last === there && begun > 0
            ? goesOn(cut, cuts[begun - 1]!, name)
            : begun > 0
              ? wholeAndNext(before, name, cut)
              : comeIn(before, name, cut),
          last + (i + 1) / cuts.length,
        ),
      );
    }
  }
  return found;
}

/** More of a row that is there in part; `name`: that of the row. */
function goesOn(cut: Cut, before: Cut, name: string): string {
  switch (cut.missing) {
    case null:
      return before.missing === "numbers"
        ? `All of them: the ${name}`
        : before.missing === "alternatives"
          ? `The ${name} with all of its answers`
          : `The whole of the ${name}`;
    case "numbers":
    case "feeds":
      return `It goes on: the ${feedName(cut.line)}`;
    case "alternatives":
      return `Against the ${name} one more answer, as the answerer likes`;
    default:
      return before.missing === "returns"
        ? `Behind the ${name} the ${cut.back.join(", ")} as well`
        : `The whole of the ${name}${missing(cut)}`;
  }
}

/** The name of a row of which not all has come in, and what is missing of it. */
const partOf = (cut: Cut, whole: string) => ({
  name: cut.missing === "numbers" ? feedName(cut.line) : whole,
  still: missing(cut),
});

/** The first row was there in part already: now it is whole, and the next comes in. */
function wholeAndNext(before: readonly string[], whole: string, last: Cut): string {
  const { name, still } = partOf(last, whole);
  return `The whole of the ${before[0]!}; the ${name} comes in${still}`;
}

/** Rows that come in, the last of them perhaps in part. */
function comeIn(before: readonly string[], whole: string, last: Cut): string {
  const { name, still } = partOf(last, whole);
  if (before.length === 0) return `The ${name} comes in${still}`;
  return still
    ? `The ${before.join(", the ")} ${before.length > 1 ? "come" : "comes"} in, and the ${name}${still}`
    : `The ${before.join(", the ")} and the ${name} come in`;
}

/** A block of the drill round so many of its rows; it counts as one row more, or as a share of it. */
interface InBlock {
  readonly lines: Rows;
  readonly changed: string;
  readonly come: number;
}

/** The rows in the block of the drill: round and round without a stop, or one of two by choice, of three, of all. */
function inBlock(now: Checked, rows: number, base: Checked): InBlock[] {
  const block = wholeBlock(base);
  const own = linesIn(now);
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
        ...round(
          all,
          head.type === "loop"
            ? "Round and round without a stop: the cycle"
            : "Without a stop: each row goes on from the one before",
        ),
        come: all + 1,
      },
    ];
  const among = 1 + Math.round((rows - all) * (all - 1));
  const chooses = head.by === "call" ? "The coach calls" : `${head.by} chooses`;
  return Array.from({ length: all - among }, (_, i) => among + 1 + i).map((count) =>
    round(
      count,
      among > 1
        ? `More to choose from: ${count} instead of ${among}`
        : count === all
          ? `${chooses} which of them comes`
          : `${chooses} which of the first ${count} comes`,
    ),
  );
}
