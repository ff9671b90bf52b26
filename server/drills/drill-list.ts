/** The list of drills: whole where it is short; of a long one the part that is asked for, by the same rules as on the screen. */
import { listed, tagsOf, USUAL, type DrillListRow } from "#core/lists/drill-list.ts";
import { askedIn, shownOf, WHOLE } from "#core/lists/rows-shown.ts";
import { countDrills, listDrillIndex, listDrills, listDrillsOf, type DrillRow } from "#db/drills.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import { searchEverything } from "./search.ts";

/** Fewer letters stand for no move. */
const LETTERS = 3;

/** The part of a long list that was sent. */
export interface ListPart {
  /** Rows of the whole list as it is asked for, without those folded below others. */
  readonly rows: number;
  readonly tags: readonly string[];
  /** The largest load of all. */
  readonly most: number;
}

interface DrillListPage {
  readonly drills: readonly (Omit<DrillRow, "updated_at"> & { readonly updated_at: string })[];
  /** null: all drills were sent. */
  readonly part: ListPart | null;
}

const sent = (rows: readonly DrillRow[]): DrillListPage["drills"] =>
  rows.map((drill) => ({ ...drill, updated_at: drill.updated_at.toISOString() }));

export async function drillListPage(scope: Scope, search: URLSearchParams): Promise<DrillListPage> {
  if ((await countDrills(db, scope)) <= WHOLE) return { drills: sent(await listDrills(db, scope)), part: null };
  const asked = askedIn(search, USUAL);
  const words = asked.q.trim();
  const [index, found] = await Promise.all([
    listDrillIndex(db, scope),
    words.length < LETTERS ? null : searchEverything(scope, words, "all"),
  ]);
  const rows: DrillListRow[] = index.map((one) => ({ ...one, parent_title: null }));
  const groups = listed(rows, asked, new Set(found?.drills.map(({ id }) => id)));
  const shown = groups.slice(0, shownOf(asked)).flatMap(({ drill, below }) => [drill.id, ...below.map(({ id }) => id)]);
  return {
    drills: sent(await listDrillsOf(db, scope, shown)),
    part: { rows: groups.length, tags: tagsOf(rows), most: Math.max(1, ...rows.map((row) => row.load_total)) },
  };
}
