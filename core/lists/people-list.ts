/** The list of people: what is found in it, and in which order. */
import { sortingOf } from "./rows-shown.ts";

/** A column by which people are sorted. */
export type PeopleSort = "name" | "height" | "mass" | "level";
/** The columns by which people are sorted. */
export const SORTS: readonly [PeopleSort, ...PeopleSort[]] = ["name", "height", "mass", "level"];

/** What the address of the list says. */
export const USUAL = { part: "people", q: "", sort: "name", down: "no", shown: "100" };
/** The filters of the list of people. */
export type PeopleAsked = typeof USUAL;

const { compare } = new Intl.Collator("en");

/** What the list looks at of somebody. */
interface Listed {
  readonly name: string;
  readonly height_cm: number | null;
  readonly mass_kg: number | null;
  readonly levels: { readonly feeder?: number };
  readonly limits: readonly string[];
  readonly agreed: string;
}

/** What is not known stands last. */
const LAST = Infinity;
const BY: Record<Exclude<PeopleSort, "name">, (one: Listed) => number> = {
  height: (one) => one.height_cm ?? LAST,
  mass: (one) => one.mass_kg ?? LAST,
  // Whoever knows most comes first.
  level: (one) => -(one.levels.feeder ?? 0),
};

/** Returns the people who fit the words that are looked for, in the order that is asked for. */
export function peopleListed<Person extends Listed>(people: readonly Person[], asked: PeopleAsked): Person[] {
  const words = asked.q.trim().toLowerCase();
  const found = people.filter((one) => [one.name, ...one.limits, one.agreed].join(" ").toLowerCase().includes(words));
  const { key, down } = sortingOf(asked, SORTS);
  const way = down ? -1 : 1;
  const byName = (a: Listed, b: Listed) => compare(a.name, b.name);
  if (key === "name") return found.sort((a, b) => byName(a, b) * way);
  const of = BY[key];
  // Two who are not known are equal: infinity less infinity is no number.
  return found.sort((a, b) => (of(a) === of(b) ? 0 : of(a) - of(b)) * way || byName(a, b));
}
