/** How much of a long list is drawn: a page of it at first, more where it is asked for. */

/** So many rows are drawn at once; more on demand. */
export const PAGE = 100;
const MOST_SHOWN = 2000;
/** A list of more rows is filtered and sorted by the server and sent in parts. */
export const WHOLE = 500;

/** What a list is sorted by, and which way. */
export interface Sorting<Key extends string> {
  readonly key: Key;
  readonly down: boolean;
}

/** What every list says in its address: the order, and how many rows are wanted. */
interface Asked {
  readonly sort: string;
  readonly down: string;
  readonly shown: string;
}

/** Returns how many rows are shown. */
export const shownOf = ({ shown }: Pick<Asked, "shown">): number =>
  Math.min(MOST_SHOWN, Math.max(PAGE, Math.floor(Number(shown)) || PAGE));

/** The order that an address asks for; by the first of `keys` where it says none of them. */
export const sortingOf = <Key extends string>(
  { sort, down }: Pick<Asked, "sort" | "down">,
  keys: readonly [Key, ...Key[]],
): Sorting<Key> => ({ key: keys.find((key) => key === sort) ?? keys[0], down: down === "yes" });

/** What an address asks of a list, with the usual where it is silent. */
export const askedIn = <Usual extends Readonly<Record<string, string>>>(
  search: { get(key: string): string | null },
  usual: Usual,
): Usual => Object.fromEntries(Object.entries(usual).map(([key, value]) => [key, search.get(key) ?? value])) as Usual;
