/** Sums of the log in words and as rows of a table. */
import type { Tally, ThemeTally } from "#server/views.ts";

export const unseen = ({ rounds, clean, open }: Tally): number => rounds - clean - open;

/** “3 of 4 seen clean”; nothing seen is not clean, it is unknown. */
export function wentText({ clean, open }: Tally): string {
  const seen = clean + open;
  return seen === 0 ? "not seen" : `${clean} of ${seen} seen clean`;
}

export const roundsText = (n: number): string => (n === 1 ? "1 round" : `${n} rounds`);

/** A theme with its rounds on either side. */
interface ThemeRow extends Tally {
  readonly theme: string;
  readonly left: number;
  readonly right: number;
  readonly last: string;
}

/** One row for each theme, what was trained most in front. */
export function themeRows(tallies: readonly ThemeTally[]): ThemeRow[] {
  const rows = new Map<string, ThemeRow>();
  for (const { theme, side, last, rounds, clean, open } of tallies) {
    const before = rows.get(theme) ?? { theme, rounds: 0, clean: 0, open: 0, left: 0, right: 0, last };
    rows.set(theme, {
      theme,
      rounds: before.rounds + rounds,
      clean: before.clean + clean,
      open: before.open + open,
      left: before.left + (side === "left" ? rounds : 0),
      right: before.right + (side === "right" ? rounds : 0),
      last: before.last > last ? before.last : last,
    });
  }
  return [...rows.values()].sort((a, b) => b.rounds - a.rounds || (a.theme < b.theme ? -1 : 1));
}

/** The side on which a theme was never trained though it was on the other; both and neither are nothing to say. */
export const sideMissing = ({ left, right }: ThemeRow): "left" | "right" | null =>
  left === 0 && right > 0 ? "left" : right === 0 && left > 0 ? "right" : null;
