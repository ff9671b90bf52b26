/** The class sheet as lines, and the letter size at which it fits one A4 page. */
import { gearLabel } from "#core/class/gear.ts";
import type { ClassPlan, PlannedRound } from "#core/class/plan.ts";
import { playRows } from "../paper/cautions.ts";
import { SIZES } from "./card-layout.ts";

type Plan = ClassPlan & { readonly ok: true };

export interface SheetBlock {
  readonly from: number;
  readonly minutes: number;
  readonly title: string;
  readonly rung: number | null;
  readonly rounds: readonly { readonly number: number; readonly pairs: readonly string[] }[];
}

/** First names where they tell people apart, else with the first letter of the other. */
export function shortNames(names: readonly string[]): (name: string) => string {
  const first = (name: string) => name.split(/\s+/)[0] ?? name;
  const times = new Map<string, number>();
  for (const name of names) times.set(first(name), (times.get(first(name)) ?? 0) + 1);
  return (name) => {
    const rest = name.split(/\s+/).slice(1).join(" ");
    return (times.get(first(name)) ?? 0) > 1 && rest ? `${first(name)} ${rest[0]!}.` : first(name);
  };
}

/** Who with whom as it stands on paper; a rung that differs from the block's is named. */
function pairTexts(round: PlannedRound, rung: number | null, nameOf: (id: string) => string): string[] {
  return round.pairs.map((p) => {
    const names = [p.a, p.b, ...(p.c ? [p.c] : [])].map((id) => nameOf(id)).join(" – ");
    return p.rung === rung ? names : `${names} (${p.rung + 1})`;
  });
}

export function sheetBlocks(plan: Plan, nameOf: (id: string) => string): SheetBlock[] {
  let from = 0;
  return plan.blocks.map((block) => {
    const start = from;
    from += block.minutes;
    const rounds = plan.rounds.flatMap((round, i) =>
      round.block === block.id ? [{ number: i + 1, pairs: pairTexts(round, block.rung, nameOf) }] : [],
    );
    return { from: start, minutes: block.minutes, title: block.title, rung: block.rung, rounds };
  });
}

/** The rungs that anybody works on, with their rows of play. */
export const sheetRungs = (plan: Plan, rungs: readonly { readonly text: string; readonly title: string }[]) =>
  [...new Set(plan.rounds.flatMap((r) => r.pairs.map((p) => p.rung)))]
    .sort((a, b) => a - b)
    .flatMap((n) =>
      rungs[n]
        ? [
            {
              number: n + 1,
              title: rungs[n].title,
              rows: playRows(rungs[n].text).filter((row) => !/^[ABC]:/.test(row)),
            },
          ]
        : [],
    );

/** Gear that is owned, as one line. */
export const gearLine = (gear: Readonly<Record<string, number>>): string =>
  Object.entries(gear)
    .filter(([, count]) => count > 0)
    .map(([kind, count]) => `${count} ${gearLabel(kind)}`)
    .join(", ");

/** Height of a page of A4 within its margins, mm, and of a line of one point. */
const PAGE = 297 - 2 * 10;
const LINE = 0.3528 * 1.32;
/** Letters of one point on the width of the page. */
const WIDTH = (210 - 2 * 10) / (0.3528 * 0.46);

const lines = (text: string, size: number, share = 1): number =>
  Math.max(1, Math.ceil((text.length * size) / (WIDTH * share)));

/** The largest size, in points, at which all of it fits one page. */
export function sheetSize(
  blocks: readonly SheetBlock[],
  rungs: ReturnType<typeof sheetRungs>,
  notes: readonly string[],
): number {
  const height = (size: number): number => {
    const timetable = blocks.reduce(
      (sum, b) => sum + 1.5 + b.rounds.reduce((n, r) => n + lines(r.pairs.join("   "), size, 0.86), 0),
      0,
    );
    const texts = rungs.reduce((sum, r) => sum + 1.3 + r.rows.reduce((n, row) => n + lines(row, size, 0.4), 0), 0) / 2;
    const longest = Math.max(0, ...rungs.map((r) => r.rows.length + 1.3)) / 2;
    const said = notes.reduce((sum, note) => sum + lines(note, size), 0);
    return (timetable + texts + longest + said + 11) * size * LINE;
  };
  return SIZES.find((size) => height(size) <= PAGE) ?? SIZES[SIZES.length - 1]!;
}
