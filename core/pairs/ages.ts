/** Ages of minors in bands: how long a round is for them, and whom they work with. */
import data from "./ages.json" with { type: "json" };

/** Age bands of minors, years. */
export const AGES = ["4-6", "7-9", "10-12", "13-17"] as const;
/** An age band of minors. */
export type Ages = (typeof AGES)[number];

/** Unknown is neither: no contact, no minor and no adult as a partner in contact, until somebody has said. */
export type Age = "minor" | "adult" | "unknown";

interface AgesData {
  readonly id: string;
  /** Length of a round, of a role in it, and of the rest between two, s. */
  readonly round: number;
  readonly change: number;
  readonly rest: number;
  /** To show one new thing, s. */
  readonly explain: number;
  /** Games, and one new thing at a time. */
  readonly child: boolean;
}
const BANDS: readonly AgesData[] = data.ages;

/** Two stand more than one band apart: they are no partners. */
export const agesApart = (one: Ages | null, two: Ages | null): boolean =>
  one !== null && two !== null && Math.abs(AGES.indexOf(one) - AGES.indexOf(two)) > 1;

/** The youngest band of a class of minors alone; null where adults are here too, or nobody's age is known. */
export function youngest(people: readonly { readonly age: Age; readonly ages: Ages | null }[]): AgesData | null {
  if (people.length === 0 || people.some(({ age }) => age !== "minor")) return null;
  const places = people.flatMap(({ ages }) => (ages ? [AGES.indexOf(ages)] : []));
  return places.length === 0 ? null : (BANDS[Math.min(...places)] ?? null);
}
