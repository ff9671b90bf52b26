/** How the rows of a drill come into a ladder: one exchange, the first row, more rows, then its block. */
import type { Checked } from "../check/types.ts";
import { lineText } from "../score/format.ts";
import { spokenRange } from "../score/ranges.ts";
import { linesOf } from "../score/structure.ts";
import type { Line, ScoreBlock, ScoreItem, ScoreLine } from "../score/types.ts";
import type { School } from "../school/school.ts";
import { assessRows, checkRows } from "./check-text.ts";
import { beatText, blockRows, contextOf, plainScore, rowsOf, single, withBeats, written, type Rows } from "./edit.ts";
import type { RungChange } from "./ladder.ts";
import { vary } from "./vary.ts";

/** First tempo of a ladder that starts slowly, share of full speed. */
export const SLOW_START = 0.4;
/** Rows that may come in at once: few, or what lets a long drill in within a few rungs. */
const MOST_ROWS = 3;
const SHARE_OF_ROWS = 1 / 4;

/**
 * `rows`: how many rows of the drill have come in with it; its block counts as one more, a row without
 * its returns as a half.
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

/** What a row begins with: its feed, or the stroke that meets. */
const feedName = (line: Line): string =>
  spokenRange(line.turns[0]!.alternatives[0]!.beats.map(beatText).join(", ")).replace(/^[RL] /, "");

const percent = (tempo: number): string => `${Math.round(tempo * 100)}%`;

/** First rungs: the first row, and its first exchange alone; slowly unless the school starts at full speed. */
export function firstRungs(base: Checked, school: School): (Omit<Step, "operator"> & { readonly operator: null })[] {
  const slow = school.customs.power === "slow first" && base.header.tempo > SLOW_START;
  const tempo = percent(slow ? SLOW_START : base.header.tempo);
  const first = checkRows(plainScore(base.score, linesIn(base).slice(0, 1), { tempo }), school);
  const alone = vary(first, school, ["isolate"]).good[0];
  const start = (lines: Rows, changed: string, rows: number) => ({
    operator: null,
    parameters: {},
    ...assessRows(lines, school),
    changed: slow ? `${changed}; slowly` : changed,
    rows,
  });
  const sound = [
    start(
      plainScore(base.score, linesIn(base).slice(0, 1), { tempo }),
      `The ${feedName(linesIn(base)[0]!)} and its answer`,
      1,
    ),
    ...(alone ? [start(rowsOf(alone.text), alone.changed, 0)] : []),
  ].filter((v) => v.verdict !== "broken");
  if (sound.length > 0) return sound;
  const whole = plainScore(base.score, linesIn(base), {});
  return [{ ...start(whole, "The drill as it is", rowsIn(base)), changed: "The drill as it is" }];
}

/** The next rows of the drill come in; when all are there, what is round them: the cycle, the choice. */
export function moreRows(now: Checked, rows: number, base: Checked, school: School): Step[] {
  const { score, header } = now;
  const all = linesIn(base);
  if (score.items.some((item) => item.kind === "block") || rows >= rowsIn(base)) return [];
  const step = (lines: Rows, changed: string, come: number): Step => ({
    operator: "rows",
    parameters: { rows: come },
    changed,
    ...assessRows(lines, school),
    rows: come,
  });
  if (rows === all.length) return inBlock(now, base).map(({ lines, changed }) => step(lines, changed, rows + 1));
  const own = linesIn(now);
  const next = Math.floor(rows);
  const whole = all[next]!;
  const name = feedName(whole);
  const complete = `The ${name} with all that belongs to it`;
  const plain = plainOf(whole);
  // The exchange alone, and a row without its returns, are completed before anything else comes.
  if (rows === 0) {
    const slowly = { tempo: percent(header.tempo) };
    const between = plain && lineText(plain) !== lineText(own[0]!) ? [plain] : [];
    return [
      ...between.map((line) =>
        step(plainScore(base.score, [line], slowly), `The whole of the ${name}, nothing sent back`, PLAIN),
      ),
      step(plainScore(base.score, [whole], slowly), complete, 1),
    ];
  }
  if (next < rows) return [step(plainScore(score, [...own.slice(0, -1), whole], {}), complete, next + 1)];
  const most = Math.max(MOST_ROWS, Math.ceil(all.length * SHARE_OF_ROWS));
  const more = Array.from({ length: Math.min(most, all.length - rows) }, (_, i): Step => {
    const come = all.slice(rows, rows + i + 1);
    const names = come.map(feedName);
    const last = names.pop()!;
    const changed = names.length === 0 ? `The ${last} comes in` : `The ${names.join(", the ")} and the ${last} come in`;
    return step(plainScore(score, [...own, ...come], {}), changed, rows + i + 1);
  });
  return plain
    ? [
        ...more,
        step(plainScore(score, [...own, plain], {}), `The ${name} comes in, nothing sent back yet`, rows + PLAIN),
      ]
    : more;
}

/** So much of a row is its feeds and answers alone. */
const PLAIN = 0.5;

/** A row with its feeds and an answer to each, without returns and what follows; null where that is all of it. */
function plainOf(line: Line): Line | null {
  const [feed, answer] = line.turns;
  const feeds = single(feed);
  const answers = single(answer);
  if (line.meets || !feed || !answer || !feeds || !answers) return null;
  const beats = answers.beats.slice(0, feeds.beats.length);
  const plain: Line = { ...line, turns: [feed, { ...answer, alternatives: [withBeats(answers, beats)] }] };
  return lineText(plain) === lineText(line) ? null : plain;
}

/** The rows in the block of the drill: round and round without a stop, or one of them by choice. */
function inBlock(now: Checked, base: Checked): { lines: Rows; changed: string }[] {
  const block = wholeBlock(base);
  const own = linesIn(now);
  if (!block || own.length !== block.lines.length) return [];
  const { head } = block.head;
  const rows = own.map((line, i) => {
    const { label } = block.lines[i]!;
    return `${label ? `${label}: ` : ""}${lineText(line)}`;
  });
  const changed =
    head.type === "choose"
      ? head.by === "call"
        ? "The coach calls which of them comes"
        : `${head.by} chooses which of them comes`
      : head.type === "loop"
        ? "Round and round without a stop: the cycle"
        : "Without a stop: each row goes on from the one before";
  return [{ lines: written(contextOf(now.score), blockRows(head, rows)), changed }];
}
