/** The class sheet: its lines, and where they stand on one page of A4. */
import { stepFor } from "#core/class/plan-rung.ts";
import { ROLES_CHANGED } from "#core/pairs/evening.ts";
import { OUT_OF_LINE } from "#core/pairs/lines.ts";
import { gearLabel } from "#core/class/gear.ts";
import type { ClassPlan, PlannedRound } from "#core/class/plan.ts";
import { rungsOf } from "#core/class/pair-rungs.ts";
import type { RungWords } from "#core/class/rung-words.ts";
import type { CardPage } from "../paper/drill-card-layout.ts";
import { LEFT, onePage, TextPage, WIDTH } from "../paper/text-page.ts";

type Plan = ClassPlan & { readonly ok: true };

interface SheetBlock {
  readonly from: number;
  readonly minutes: number;
  readonly title: string;
  readonly rung: number | null;
  readonly rounds: readonly { readonly number: number; readonly pairs: readonly string[] }[];
}

/** Who with whom as it stands on paper; a rung that differs from the block's is named. */
function pairTexts(
  { pairs: all, alone }: Pick<PlannedRound, "pairs" | "alone">,
  rung: number | null,
  nameOf: (id: string) => string,
): string[] {
  const pairs = all.map((p) => {
    const names = [p.a, p.b, ...(p.c ? [p.c] : [])].map((id) => nameOf(id)).join(" – ");
    const rungs = rungsOf(p);
    const own = rungs.every(({ at }) => at === rung) ? "" : ` (rung ${rungs.map(({ at }) => at + 1).join("/")})`;
    return `${names}${own}${p.form ? " (no contact)" : ""}`;
  });
  return [
    ...pairs,
    ...alone.map(({ id, why }) => `${nameOf(id)} with you${why.startsWith("a private") ? "" : `: ${why}`}`),
  ];
}

/** Where two lines move on only what is out of line is said of a round; else everybody. */
function roundTexts(plan: Plan, at: number, rung: number | null, nameOf: (id: string) => string): string[] {
  const round = plan.rounds[at]!;
  if (!plan.lines?.length) return pairTexts(round, rung, nameOf);
  const byName = round.pairs.some(({ locked, c }) => locked || (c !== null && round.pairs.length < 3));
  if (byName) return pairTexts(round, rung, nameOf);
  const odd = round.pairs.filter(({ c, why }) => c !== null || why.includes(OUT_OF_LINE));
  const stay = round.pairs.some(({ why }) => why.includes(ROLES_CHANGED));
  const how = stay ? "same partner, roles changed" : at === 0 ? "as they stand" : "on by one place";
  return [how, ...pairTexts({ pairs: odd, alone: round.alone }, rung, nameOf)];
}

/** What stands behind names in lines. */
export const LINE_MARKS = "Who has + answers a harder rung than the class, who has \u2212 an easier one.";

/** How the lines stand at the start, with who answers an easier (−) or a harder (+) rung than the class. */
export const lineTexts = (
  { lines = [] }: Plan,
  nameOf: (id: string) => string,
  levelOf: (id: string) => number,
): string[] => {
  const named = (ids: readonly string[]) =>
    ids.map((id) => `${nameOf(id)}${["\u2212", "", "+"][stepFor(levelOf(id)) + 1]!}`).join(", ");
  return lines.flatMap(({ stays, moves }) =>
    stays.length + moves.length <= 3
      ? [`Together: ${named([...stays, ...moves])}`]
      : [`Stays: ${named(stays)}`, `Moves on: ${named(moves)}`],
  );
};

export function sheetBlocks(plan: Plan, nameOf: (id: string) => string): SheetBlock[] {
  let from = 0;
  return plan.blocks.map((block) => {
    const start = from;
    from += block.minutes;
    const rounds = plan.rounds.flatMap((round, i) =>
      round.block === block.id ? [{ number: i + 1, pairs: roundTexts(plan, i, block.rung, nameOf) }] : [],
    );
    return {
      from: start,
      minutes: block.minutes,
      title: block.title,
      rung: block.stations ? null : block.rung,
      rounds,
    };
  });
}

/** A rung as it is written out. */
interface WrittenRung {
  readonly number: number;
  readonly title: string;
  readonly words: RungWords;
}

/** The rungs that anybody works on, with what is said with them. */
export const sheetRungs = (
  plan: Plan,
  rungs: readonly { readonly title: string }[],
  words: readonly RungWords[],
): WrittenRung[] =>
  [...new Set(plan.rounds.flatMap((r) => r.pairs.flatMap((p) => rungsOf(p).map(({ at }) => at))))]
    .sort((a, b) => a - b)
    .flatMap((n) => (rungs[n] && words[n] ? [{ number: n + 1, title: rungs[n].title, words: words[n] }] : []));

/** Gear that is owned, as one line. */
export const gearLine = (gear: Readonly<Record<string, number>>): string =>
  Object.entries(gear)
    .filter(([, count]) => count > 0)
    .map(([kind, count]) => `${count} ${gearLabel(kind)}`)
    .join(", ");

interface SheetInput {
  readonly title: string;
  /** School, day, minutes. */
  readonly under: string;
  /** What is looked at before anybody begins. */
  readonly check: string;
  /** How two lines stand at the start; empty where pairs are called by name. */
  readonly lines: readonly string[];
  readonly blocks: readonly SheetBlock[];
  readonly rungs: readonly WrittenRung[];
  readonly notes: readonly string[];
  /** Gear and floor. */
  readonly needs: string;
  readonly cautions: readonly string[];
}

/** Rows in a block stand in from its head by so much, mm. */
export const INDENT = 3;
/** Space between the two columns of texts, mm. */
const BETWEEN = 6;

/** The sheet as one page, in the largest letters at which all of it fits. */
export const sheetPage = (input: SheetInput): CardPage => onePage((size) => laidOut(input, size));

function laidOut(
  { title, under, check, lines, blocks, rungs, notes, needs, cautions }: SheetInput,
  size: number,
): TextPage {
  const sheet = new TextPage();
  sheet.say(title, size * 1.8, "heading");
  sheet.say(under, size, "text");
  if (check) sheet.say(check, size, "text");
  for (const line of lines) sheet.say(line, size, "text");
  if (lines.length > 0) sheet.say(LINE_MARKS, size * 0.9, "text");
  sheet.rule();
  const time = size * 2.6;
  for (const block of blocks) {
    const from = sheet.y;
    sheet.say(`${block.from}'`, size, "bold");
    sheet.y = from;
    const head = block.rung === null ? block.title : `${block.rung + 1}. ${block.title}`;
    sheet.say(`${head}, ${block.minutes} min`, size, "bold", LEFT + time, WIDTH - time);
    for (const round of block.rounds) {
      const top = sheet.y;
      sheet.say(`${round.number}`, size, "text", LEFT + time, time);
      sheet.y = top;
      // A pair is not broken at the end of a line.
      const pairs = round.pairs.map((pair) => pair.replaceAll(" ", "\u00a0")).join(" \u00a0\u00a0");
      sheet.say(pairs, size, "text", LEFT + 1.7 * time, WIDTH - 1.7 * time);
    }
    sheet.y += size * 0.15;
  }
  sheet.rule();
  inColumns(sheet, rungs, size);
  sheet.y += size * 0.3;
  for (const note of notes) sheet.say(`! ${note}`, size, "text");
  sheet.say(needs, size, "text");
  sheet.rule();
  cautions.forEach((text, i) => sheet.say(text, Math.min(size, 3.3), i === 0 ? "bold" : "text"));
  return sheet;
}

/** The rows of each rung in two columns, each set under the shorter one. */
function inColumns(sheet: TextPage, rungs: SheetInput["rungs"], size: number): void {
  const width = (WIDTH - BETWEEN) / 2;
  const ends: [number, number] = [sheet.y, sheet.y];
  for (const rung of rungs) {
    const column = ends[0] <= ends[1] ? 0 : 1;
    const x = LEFT + column * (width + BETWEEN);
    sheet.y = ends[column];
    sheet.say(`${rung.number}. ${rung.title}`, size, "bold", x, width);
    for (const { text, depth } of rung.words.play)
      sheet.say(text, size, "text", x + depth * INDENT, width - depth * INDENT);
    const { cues, fault } = rung.words;
    sheet.say([...cues, ...(fault ? [`Watch: ${fault}`] : [])].join(" "), size * 0.9, "text", x, width);
    ends[column] = sheet.y + size * 0.3;
  }
  sheet.y = Math.max(...ends);
}
