/** The list of drills: what it shows, what is found in it, and what stands below what. */
import { keysOf } from "../base/keys.ts";
import { folded } from "../words/name-key.ts";
import { sortingOf, type Sorting } from "./rows-shown.ts";

/** A drill in the list. */
export interface DrillListRow {
  readonly id: string;
  readonly title: string;
  readonly kind: string;
  readonly verdict: "sound" | "risky" | "broken";
  readonly load_total: number;
  readonly last_trained: string | null;
  readonly starred: boolean;
  readonly tags: readonly string[];
  /** The drill of which it is a variation; null where it stands for itself. */
  readonly parent_id: string | null;
  readonly parent_title: string | null;
  readonly changed: string | null;
  readonly summary: {
    readonly level?: string | null;
    readonly tools?: readonly string[];
    readonly exchanges?: number;
    readonly games?: number;
    readonly findings?: number;
    readonly bare?: boolean;
  };
}

/** A column by which drills are sorted. */
export type SortKey = "title" | "verdict" | "load" | "trained";

/** Titles as people look for them; one for all, since making one costs more than a thousand comparisons. */
const { compare } = new Intl.Collator("en");

const RANK = { broken: 0, risky: 1, sound: 2 } as const;
const BY: Record<SortKey, (a: DrillListRow, b: DrillListRow) => number> = {
  title: (a, b) => compare(a.title, b.title),
  verdict: (a, b) => RANK[a.verdict] - RANK[b.verdict],
  load: (a, b) => a.load_total - b.load_total,
  trained: (a, b) => compare(a.last_trained ?? "", b.last_trained ?? ""),
};

/** Drills in order. */
export const sorted = (drills: readonly DrillListRow[], { key, down }: Sorting<SortKey>): DrillListRow[] =>
  [...drills].sort((a, b) => BY[key](a, b) * (down ? -1 : 1) || compare(a.title, b.title));

/** The filters of the list of drills. */
export interface Filters {
  readonly q: string;
  readonly kind: string;
  readonly verdict: string;
  readonly stars: string;
  readonly tag: string;
}
/** All drills. */
export const NO_FILTERS: Filters = { q: "", kind: "all", verdict: "all", stars: "all", tag: "all" };
/** Returns true where a filter is set. */
export const isFiltered = (filters: Filters): boolean =>
  keysOf(NO_FILTERS).some((key) => filters[key].trim() !== NO_FILTERS[key]);

/** What the address of the list says: filters, the order, and how many rows are wanted. */
export const USUAL = { ...NO_FILTERS, sort: "title", down: "no", shown: "100" };
type ListAsked = typeof USUAL;

/** The columns by which drills are sorted. */
export const SORTS: readonly [SortKey, ...SortKey[]] = ["title", "verdict", "load", "trained"];

/** The list as it stands: what was looked for stands for itself; else ladders are folded into the drill that they come from. */
export function listed(drills: readonly DrillListRow[], asked: ListAsked, byMove: ReadonlySet<string>): DrillGroup[] {
  const all = sorted(filtered(drills, asked, byMove), sortingOf(asked, SORTS));
  return isFiltered(asked) ? all.map((drill) => ({ drill, below: [] })) : grouped(all);
}

/** Drills that fit all filters. `byMove`: those in whose rows the words stand for a move. */
export function filtered(
  drills: readonly DrillListRow[],
  { q, kind, verdict, stars, tag }: Filters,
  byMove: ReadonlySet<string>,
): DrillListRow[] {
  const words = folded(q).split(" ").filter(Boolean);
  return drills.filter((d) => {
    const text = folded(
      `${d.title} ${d.kind} ${d.summary.level ?? ""} ${d.summary.tools?.join(" ") ?? ""} ${d.changed ?? ""} ${d.tags.join(" ")}`,
    );
    return (
      (words.every((word) => text.includes(word)) || byMove.has(d.id)) &&
      (kind === "all" || d.kind === kind) &&
      (verdict === "all" || d.verdict === verdict) &&
      (stars === "all" || d.starred) &&
      (tag === "all" || d.tags.includes(tag))
    );
  });
}

/** A drill with what was made from it, as far down as it goes. */
export interface DrillGroup {
  readonly drill: DrillListRow;
  readonly below: readonly DrillListRow[];
}

/** Drills with their variations and rungs below the one that they all come from. */
export function grouped(drills: readonly DrillListRow[]): DrillGroup[] {
  const byId = new Map(drills.map((drill) => [drill.id, drill]));
  const rootOf = (drill: DrillListRow): DrillListRow => {
    const seen = new Set<string>();
    let at = drill;
    for (;;) {
      const parent = at.parent_id === null ? undefined : byId.get(at.parent_id);
      // One that was made from itself by way of another stands for itself.
      if (!parent) return at;
      if (seen.has(parent.id)) return drill;
      seen.add(at.id);
      at = parent;
    }
  };
  const groups = new Map<string, DrillListRow[]>();
  for (const drill of drills) {
    const root = rootOf(drill);
    const group = groups.get(root.id) ?? [];
    if (root !== drill) group.push(drill);
    groups.set(root.id, group);
  }
  return drills.flatMap((drill) => {
    const below = groups.get(drill.id);
    return below ? [{ drill, below }] : [];
  });
}

/** The tags of the drills, those on most of them first. */
export function tagsOf(drills: readonly DrillListRow[]): string[] {
  const times = new Map<string, number>();
  for (const tag of drills.flatMap(({ tags }) => tags)) times.set(tag, (times.get(tag) ?? 0) + 1);
  return [...times].sort((a, b) => b[1] - a[1] || a[0].localeCompare(b[0])).map(([tag]) => tag);
}
