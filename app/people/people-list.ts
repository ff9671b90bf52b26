/** The list of people: what is found in it, and in which order. */
import type { PersonView } from "#server/views.ts";
import { sortingOf } from "../ui/rows-shown.ts";

export type PeopleSort = "name" | "height" | "mass" | "level";
export const SORTS: readonly [PeopleSort, ...PeopleSort[]] = ["name", "height", "mass", "level"];

/** What the address of the list says. */
export const USUAL = { part: "people", q: "", sort: "name", down: "no", shown: "100" };
export type PeopleAsked = typeof USUAL;

const { compare } = new Intl.Collator("en");

/** What is not known stands last. */
const LAST = Infinity;
const BY: Record<Exclude<PeopleSort, "name">, (one: PersonView) => number> = {
  height: (one) => one.height_cm ?? LAST,
  mass: (one) => one.mass_kg ?? LAST,
  // Whoever knows most comes first.
  level: (one) => -(one.levels.feeder ?? 0),
};

/** The people who fit the words that are looked for, in the order that is asked for. */
export function peopleListed(people: readonly PersonView[], asked: PeopleAsked): PersonView[] {
  const words = asked.q.trim().toLowerCase();
  const found = people.filter((one) => [one.name, ...one.limits, one.agreed].join(" ").toLowerCase().includes(words));
  const { key, down } = sortingOf(asked, SORTS);
  const way = down ? -1 : 1;
  const byName = (a: PersonView, b: PersonView) => compare(a.name, b.name);
  if (key === "name") return found.sort((a, b) => byName(a, b) * way);
  const of = BY[key];
  // Two who are not known are equal: infinity less infinity is no number.
  return found.sort((a, b) => (of(a) === of(b) ? 0 : of(a) - of(b)) * way || byName(a, b));
}
