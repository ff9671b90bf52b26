/** Ladders that were taken into the library: rungs in order, each a revision of its own drill. */
import { insertDrill, type Lineage, type NewDrill } from "./drills.ts";
import { transaction, type Db } from "./pool.ts";
import type { Scope } from "./scope.ts";

interface LadderRow {
  readonly id: string;
  readonly drill_id: string;
  readonly title: string;
  readonly rungs: number;
  /** It was made of the drill as it is now. */
  readonly current: boolean;
}
interface LadderRungRow {
  readonly position: number;
  readonly changed: string;
  /** What made it of the rung before; null on the first. */
  readonly operator: string | null;
  readonly revision_id: string;
  readonly drill_id: string;
  readonly title: string;
  readonly text: string;
  readonly load_total: number;
  readonly verdict: "sound" | "risky" | "broken";
}
interface NewLadder {
  readonly id: string;
  readonly drillId: string;
  readonly title: string;
}
export type NewRung = NewDrill & { readonly lineage: Lineage };

/**
 * Makes the drills of all rungs and the ladder over them; the same id over the same drills twice is the
 * same request. `taken`: some of its drills are there already, with other texts or in another ladder.
 */
export function createLadder(scope: Scope, ladder: NewLadder, rungs: readonly NewRung[]): Promise<"made" | "taken"> {
  return transaction((tx) => insertLadder(tx, scope, ladder, rungs)).catch((error: unknown) => {
    if (error instanceof AlreadyTaken) return "taken" as const;
    throw error;
  });
}

/** Takes back a ladder that was begun. */
class AlreadyTaken extends Error {}

/** The same inside a transaction, which must be taken back where it throws. */
export async function insertLadder(
  tx: Db,
  scope: Scope,
  ladder: NewLadder,
  rungs: readonly NewRung[],
): Promise<"made"> {
  const made = await tx.query(
    `insert into ladders (school_id, id, drill_id, title) values ($1, $2, $3, $4) on conflict do nothing returning id`,
    [scope.schoolId, ladder.id, ladder.drillId, ladder.title],
  );
  if (made.length === 0) return "made";
  const inOthers = await tx.query(
    `select 1 from ladder_rungs where school_id = $1 and revision_id = any($2::uuid[]) limit 1`,
    [scope.schoolId, rungs.map((rung) => rung.input.id)],
  );
  if (inOthers.length > 0) throw new AlreadyTaken();
  for (const [i, rung] of rungs.entries()) {
    if ((await insertDrill(tx, scope, rung)) === "taken") throw new AlreadyTaken();
    await tx.query(
      `insert into ladder_rungs (school_id, ladder_id, position, revision_id, changed) values ($1, $2, $3, $4, $5)`,
      [scope.schoolId, ladder.id, i + 1, rung.input.id, rung.lineage.changed],
    );
  }
  return "made";
}

export const listLadders = (db: Db, scope: Scope): Promise<LadderRow[]> =>
  db.query<LadderRow>(
    `select l.id, l.drill_id, l.title, count(r.position)::int as rungs, coalesce(bool_or(base.number = d.version), false) as current
     from ladders l
     join ladder_rungs r on r.school_id = l.school_id and r.ladder_id = l.id
     join drills d on d.school_id = l.school_id and d.id = l.drill_id
     join revisions rung on rung.school_id = r.school_id and rung.id = r.revision_id
     left join lineage li on li.school_id = rung.school_id and li.drill_id = rung.drill_id
     left join revisions base on base.school_id = li.school_id and base.id = li.parent_revision_id
     where l.school_id = $1 group by l.id, l.drill_id, l.title, l.created_at order by l.created_at desc, l.id limit 200`,
    [scope.schoolId],
  );

/** The rungs of a ladder from the easiest up; empty where it is not there. */
export const listRungs = (db: Db, scope: Scope, ladderId: string): Promise<LadderRungRow[]> =>
  db.query<LadderRungRow>(
    `select lr.position, lr.changed, li.operator, lr.revision_id, r.drill_id, d.title, r.text, r.load_total, r.verdict
     from ladder_rungs lr
     join revisions r on r.school_id = lr.school_id and r.id = lr.revision_id
     join drills d on d.school_id = r.school_id and d.id = r.drill_id
     left join lineage li on li.school_id = r.school_id and li.drill_id = r.drill_id
     where lr.school_id = $1 and lr.ladder_id = $2 order by lr.position`,
    [scope.schoolId, ladderId],
  );

/** Rungs by their revisions, in the order of their ids: also those of ladders that are not chosen any more. */
export const listRungsOf = (
  db: Db,
  scope: Scope,
  revisions: readonly string[],
): Promise<Pick<LadderRungRow, "changed" | "operator" | "revision_id" | "drill_id" | "text" | "load_total">[]> =>
  db.query(
    `select coalesce(li.changed, d.title) as changed, li.operator, r.id as revision_id, r.drill_id, r.text, r.load_total
     from revisions r join drills d on d.school_id = r.school_id and d.id = r.drill_id
       left join lineage li on li.school_id = r.school_id and li.drill_id = r.drill_id
     where r.school_id = $1 and r.id = any ($2) order by r.id`,
    [scope.schoolId, revisions],
  );
