/** What a class can work on: the rungs of a ladder, or a drill with its variations, easiest first. */
import { rolesIn } from "#core/class/roles.ts";
import { getDrill, listSoundBelow, type DrillRow, type Revision } from "#db/drills.ts";
import { listRungs } from "#db/ladders.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import type { RungChoice } from "../views.ts";

interface WorkChoice {
  readonly ladder: string | null;
  readonly drill: string;
}

/** The rungs of what was chosen; empty where it is gone. */
export const rungsOf = (scope: Scope, { ladder, drill }: WorkChoice): Promise<RungChoice[]> =>
  ladder ? ladderRungs(scope, ladder) : drillRungs(scope, drill);

const ladderRungs = async (scope: Scope, id: string): Promise<RungChoice[]> =>
  (await listRungs(db, scope, id)).map((r) => ({
    text: r.text,
    title: r.changed,
    load: r.load_total,
    ...rolesIn(r.text),
    operator: r.operator,
    revisionId: r.revision_id,
    drillId: r.drill_id,
  }));

async function drillRungs(scope: Scope, drillId: string): Promise<RungChoice[]> {
  const base = drillId ? await getDrill(db, scope, drillId) : null;
  return base ? versionsOf(scope, base) : [];
}

/** A drill and its variations in the library that hold, easiest first. */
export async function versionsOf(
  scope: Scope,
  base: { readonly drill: DrillRow; readonly revision: Revision },
): Promise<RungChoice[]> {
  const rows = await Promise.all((await listSoundBelow(db, scope, base.drill.id)).map((id) => getDrill(db, scope, id)));
  return [base, ...rows.flatMap((row) => row ?? [])]
    .map(({ drill, revision }) => ({
      text: revision.text,
      title: drill.title,
      load: drill.load_total,
      ...rolesIn(revision.text),
      operator: null,
      revisionId: revision.id,
      drillId: drill.id,
    }))
    .sort((a, b) => a.load - b.load);
}
