/** Drills with their revisions, exchange ids and lineage. */
import type { DrillListRow } from "#core/lists/drill-list.ts";
import { randomUUID } from "node:crypto";
import { TODAY } from "./classes.ts";
import { transaction, type Db } from "./pool.ts";
import type { Scope } from "./scope.ts";
import { carryExchangeIds, type ExchangeRow } from "./exchange-ids.ts";

/** A drill as the list has it, with what a save needs. */
export interface DrillRow extends DrillListRow {
  readonly version: number;
  readonly updated_at: Date;
}

/** What the list shows of a drill without checking it again. */
export type DrillSummary = DrillListRow["summary"];

export interface Revision {
  readonly id: string;
  readonly drill_id: string;
  readonly number: number;
  readonly text: string;
  readonly created_at: Date;
  readonly author: string | null;
  readonly author_id: string | null;
  /** Saved by itself while somebody typed. */
  readonly auto: boolean;
  readonly verdict: "sound" | "risky" | "broken";
  readonly model_version: string;
}

/** What a new revision is saved with; `check` figures come from the caller, who has checked the text. */
export interface RevisionInput {
  readonly id: string;
  readonly text: string;
  readonly title: string;
  readonly kind: string;
  readonly verdict: "sound" | "risky" | "broken";
  readonly loadTotal: number;
  readonly modelVersion: string;
  readonly summary: DrillSummary;
  /** Rows of play: index and text. */
  readonly rows: readonly { readonly index: number; readonly text: string }[];
}

const LIST = `
  select d.id, d.title, d.version, r.kind, r.verdict, r.load_total, d.updated_at, d.starred, d.tags, r.summary,
    (select max(c.held_on) from revisions own
        join rounds_standing rs on rs.school_id = own.school_id and rs.revision_id = own.id
        join classes c on c.school_id = rs.school_id and c.id = rs.class_id
      where own.school_id = d.school_id and own.drill_id = d.id and c.held_on <= ${TODAY} and c.deleted_at is null) as last_trained,
    pd.id as parent_id, pd.title as parent_title, l.changed
  from drills d
  join revisions r on r.school_id = d.school_id and r.drill_id = d.id and r.number = d.version
  left join lineage l on l.school_id = d.school_id and l.drill_id = d.id
  left join revisions pr on pr.school_id = l.school_id and pr.id = l.parent_revision_id
  left join drills pd on pd.school_id = pr.school_id and pd.id = pr.drill_id
  where d.school_id = $1 and d.deleted_at is null`;

export const listDrills = (db: Db, scope: Scope): Promise<DrillRow[]> =>
  db.query<DrillRow>(`${LIST} order by d.title, d.id`, [scope.schoolId]);

/** The whole rows of some drills. */
export const listDrillsOf = (db: Db, scope: Scope, ids: readonly string[]): Promise<DrillRow[]> =>
  db.query<DrillRow>(`${LIST} and d.id = any ($2)`, [scope.schoolId, ids]);

/** Ids of the drills that were made from one and hold. */
export const listSoundBelow = async (db: Db, scope: Scope, id: string): Promise<string[]> =>
  (
    await db.query<{ id: string }>(
      `select d.id from revisions pr
         join lineage l on l.school_id = pr.school_id and l.parent_revision_id = pr.id
         join drills d on d.school_id = l.school_id and d.id = l.drill_id and d.deleted_at is null
         join revisions r on r.school_id = d.school_id and r.drill_id = d.id and r.number = d.version
       where pr.school_id = $1 and pr.drill_id = $2 and r.verdict <> 'broken' order by d.title, d.id`,
      [scope.schoolId, id],
    )
  ).map((row) => row.id);

export async function countDrills(db: Db, scope: Scope): Promise<number> {
  const rows = await db.query<{ n: number }>(
    `select count(*)::int as n from drills where school_id = $1 and deleted_at is null`,
    [scope.schoolId],
  );
  return rows[0]!.n;
}

/** What a long list is filtered and sorted by, of each drill. */
export const listDrillIndex = (
  db: Db,
  scope: Scope,
): Promise<Omit<DrillRow, "version" | "updated_at" | "parent_title">[]> =>
  db.query(
    `select d.id, d.title, r.kind, r.verdict, r.load_total, d.starred, d.tags, pr.drill_id as parent_id, l.changed,
       jsonb_build_object('level', r.summary -> 'level', 'tools', r.summary -> 'tools') as summary, t.last_trained
     from drills d
       join revisions r on r.school_id = d.school_id and r.drill_id = d.id and r.number = d.version
       left join lineage l on l.school_id = d.school_id and l.drill_id = d.id
       left join revisions pr on pr.school_id = l.school_id and pr.id = l.parent_revision_id
       left join (
         select own.drill_id, max(c.held_on) as last_trained
         from (select distinct revision_id, class_id from rounds_standing where school_id = $1) rs
           join revisions own on own.school_id = $1 and own.id = rs.revision_id
           join classes c on c.school_id = $1 and c.id = rs.class_id
         where c.held_on <= ${TODAY} and c.deleted_at is null group by own.drill_id
       ) t on t.drill_id = d.id
     where d.school_id = $1 and d.deleted_at is null`,
    [scope.schoolId],
  );

/** What a choice among drills needs of each. */
type DrillHead = Pick<DrillRow, "id" | "title" | "verdict" | "kind" | "load_total" | "parent_id">;

/** So many drills are offered where one is chosen; any other is gone to by the list, and taken from there. */
const OFFERED = 300;

/** What is offered where a drill is chosen: all of them, or of very many the starred ones and those that were touched last. */
export const listDrillHeads = (db: Db, scope: Scope): Promise<DrillHead[]> =>
  db.query<DrillHead>(
    `with offered as (
       select * from drills where school_id = $1 and deleted_at is null order by starred desc, updated_at desc, id limit $2
     )
     select d.id, d.title, r.verdict, r.kind, r.load_total, pd.id as parent_id
     from offered d
       join revisions r on r.school_id = d.school_id and r.drill_id = d.id and r.number = d.version
       left join lineage l on l.school_id = d.school_id and l.drill_id = d.id
       left join revisions pr on pr.school_id = l.school_id and pr.id = l.parent_revision_id
       left join drills pd on pd.school_id = pr.school_id and pd.id = pr.drill_id
     order by d.title, d.id`,
    [scope.schoolId, OFFERED],
  );

export async function getDrill(
  db: Db,
  scope: Scope,
  id: string,
): Promise<{ drill: DrillRow; revision: Revision } | null> {
  const [drill] = await db.query<DrillRow>(`${LIST} and d.id = $2`, [scope.schoolId, id]);
  if (!drill) return null;
  const revision = await getRevision(db, scope, id, drill.version);
  return revision && { drill, revision };
}

/** Puts a star on drills, or takes it off: they stand among those at hand. */
export const setStars = (db: Db, scope: Scope, ids: readonly string[], star: "on" | "off"): Promise<unknown> =>
  db.query(`update drills set starred = $3 where school_id = $1 and id = any($2::uuid[])`, [
    scope.schoolId,
    ids,
    star === "on",
  ]);

/** Puts a tag on drills, each once, or takes it off. */
export const setTag = (
  db: Db,
  scope: Scope,
  ids: readonly string[],
  { tag, put }: { readonly tag: string; readonly put: "on" | "off" },
): Promise<unknown> =>
  db.query(
    `update drills set tags = case when $4 then (select array_agg(distinct one order by one) from unnest(tags || $3::text) one)
       else array_remove(tags, $3) end
     where school_id = $1 and id = any($2::uuid[]) and deleted_at is null`,
    [scope.schoolId, ids, tag, put === "on"],
  );

const REVISION = `select r.id, r.drill_id, r.number, r.text, r.created_at, a.name as author, r.author_id, r.auto, r.verdict, r.model_version
  from revisions r left join accounts a on a.id = r.author_id where r.school_id = $1 and r.drill_id = $2`;

export async function getRevision(db: Db, scope: Scope, drillId: string, number: number): Promise<Revision | null> {
  const rows = await db.query<Revision>(`${REVISION} and r.number = $3`, [scope.schoolId, drillId, number]);
  return rows[0] ?? null;
}

export const listRevisions = (db: Db, scope: Scope, drillId: string): Promise<Revision[]> =>
  db.query<Revision>(`${REVISION} order by r.number desc limit 200`, [scope.schoolId, drillId]);

/** The exchange ids of a revision, by row. */
export const listExchangeIds = (db: Db, scope: Scope, revisionId: string): Promise<ExchangeRow[]> =>
  db.query<ExchangeRow>(
    `select exchange_id as id, row_index as index, row_text as text from revision_exchanges where school_id = $1 and revision_id = $2 order by row_index`,
    [scope.schoolId, revisionId],
  );

export interface Lineage {
  readonly parentRevisionId: string;
  readonly operator: string;
  readonly parameters: unknown;
  readonly seed: number | null;
  readonly changed: string;
}

/** A drill as it is made: its first revision, and where it comes from. */
export interface NewDrill {
  readonly id: string;
  readonly input: RevisionInput;
  readonly lineage: Lineage | null;
}

/** Makes a drill with its first revision. `taken`: there is one of this id with another text. */
export const createDrill = (scope: Scope, drill: NewDrill): Promise<"made" | "taken"> =>
  transaction((tx) => insertDrill(tx, scope, drill));

/** The same inside a transaction. The same id and text twice is the same request: nothing is made again. */
export async function insertDrill(tx: Db, scope: Scope, { id, input, lineage }: NewDrill): Promise<"made" | "taken"> {
  const made = await tx.query(
    `insert into drills (school_id, id, title, version, author_id) values ($1, $2, $3, 1, $4) on conflict do nothing returning id`,
    [scope.schoolId, id, input.title, scope.accountId],
  );
  if (made.length === 0) return (await hasText(tx, scope, id, input.text)) ? "made" : "taken";
  await insertRevision(tx, scope, { drillId: id, number: 1, input, known: [], auto: false });
  if (lineage)
    await tx.query(
      `insert into lineage (school_id, drill_id, parent_revision_id, operator, parameters, seed, changed) values ($1, $2, $3, $4, $5, $6, $7)`,
      [
        scope.schoolId,
        id,
        lineage.parentRevisionId,
        lineage.operator,
        JSON.stringify(lineage.parameters),
        lineage.seed,
        lineage.changed,
      ],
    );
  return "made";
}

async function hasText(tx: Db, scope: Scope, drillId: string, text: string): Promise<boolean> {
  const rows = await tx.query(`select 1 from revisions where school_id = $1 and drill_id = $2 and text = $3 limit 1`, [
    scope.schoolId,
    drillId,
    text,
  ]);
  return rows.length > 0;
}

type SaveResult =
  | { readonly kind: "saved"; readonly version: number }
  | { readonly kind: "conflict"; readonly theirs: Revision }
  | { readonly kind: "gone" };

/**
 * Saves a new revision on top of `baseVersion`. Where somebody else saved in between nothing is
 * written and the caller gets the other text, to see both and choose. A save takes the place of an
 * automatic one by the same person before it, unless a class or a variation rests on that.
 */
export function saveDrill(
  scope: Scope,
  drillId: string,
  { baseVersion, input, auto }: { readonly baseVersion: number; readonly input: RevisionInput; readonly auto: boolean },
): Promise<SaveResult> {
  return transaction(async (tx): Promise<SaveResult> => {
    const [drill] = await tx.query<{ version: number; deleted_at: Date | null }>(
      `select version, deleted_at from drills where school_id = $1 and id = $2 for update`,
      [scope.schoolId, drillId],
    );
    if (!drill || drill.deleted_at) return { kind: "gone" };
    const newest = (await getRevision(tx, scope, drillId, drill.version))!;
    if (newest.text === input.text || newest.id === input.id) {
      if (!auto && newest.auto)
        await tx.query(`update revisions set auto = false where school_id = $1 and id = $2`, [
          scope.schoolId,
          newest.id,
        ]);
      return { kind: "saved", version: drill.version };
    }
    if (drill.version !== baseVersion) return { kind: "conflict", theirs: newest };
    const version = drill.version + 1;
    const known = await listExchangeIds(tx, scope, newest.id);
    await insertRevision(tx, scope, { drillId, number: version, input, known, auto });
    if (newest.auto && newest.author_id === scope.accountId) await dropUnused(tx, scope, newest.id);
    await tx.query(`update drills set version = $3, title = $4, updated_at = now() where school_id = $1 and id = $2`, [
      scope.schoolId,
      drillId,
      version,
      input.title,
    ]);
    return { kind: "saved", version };
  });
}

/** Takes out a revision that nothing rests on. */
async function dropUnused(tx: Db, scope: Scope, revisionId: string): Promise<void> {
  const used = await tx.query(
    `select 1 from pairs where school_id = $1 and $2 in (revision_id, back_revision_id)
     union all select 1 from rounds_run where school_id = $1 and $2 in (revision_id, back_revision_id)
     union all select 1 from ladder_rungs where school_id = $1 and revision_id = $2
     union all select 1 from lineage where school_id = $1 and parent_revision_id = $2 limit 1`,
    [scope.schoolId, revisionId],
  );
  if (used.length > 0) return;
  await tx.query(`delete from revision_exchanges where school_id = $1 and revision_id = $2`, [
    scope.schoolId,
    revisionId,
  ]);
  await tx.query(`delete from revisions where school_id = $1 and id = $2`, [scope.schoolId, revisionId]);
}

interface NewRevision {
  readonly drillId: string;
  readonly number: number;
  readonly input: RevisionInput;
  /** Exchange ids of the revision before. */
  readonly known: readonly ExchangeRow[];
  readonly auto: boolean;
}

async function insertRevision(
  tx: Db,
  scope: Scope,
  { drillId, number, input, known, auto }: NewRevision,
): Promise<void> {
  await tx.query(
    `insert into revisions (school_id, id, drill_id, number, text, author_id, model_version, verdict, load_total, kind, summary, auto)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12)`,
    [
      scope.schoolId,
      input.id,
      drillId,
      number,
      input.text,
      scope.accountId,
      input.modelVersion,
      input.verdict,
      input.loadTotal,
      input.kind,
      JSON.stringify(input.summary),
      auto,
    ],
  );
  for (const row of carryExchangeIds(known, input.rows, randomUUID))
    await tx.query(
      `insert into revision_exchanges (school_id, revision_id, exchange_id, row_index, row_text) values ($1, $2, $3, $4, $5)`,
      [scope.schoolId, input.id, row.id, row.index, row.text],
    );
}

interface NewestText {
  readonly verdict: Revision["verdict"];
  readonly id: string;
  readonly title: string;
  readonly revision_id: string;
  readonly text: string;
  readonly model_version: string;
}

/** The newest text of every drill that is not deleted. */
export const listNewestTexts = (db: Db, scope: Scope): Promise<NewestText[]> =>
  db.query<NewestText>(
    `select d.id, d.title, r.id as revision_id, r.text, r.verdict, r.model_version from drills d
     join revisions r on r.school_id = d.school_id and r.drill_id = d.id and r.number = d.version
     where d.school_id = $1 and d.deleted_at is null order by d.title, d.id`,
    [scope.schoolId],
  );

/** What the checker makes of a stored text. */
export interface Judged {
  readonly verdict: Revision["verdict"];
  readonly load: number;
  readonly summary: DrillSummary;
}

/** Writes a new judgement of a stored text, by the model of a version; the text itself stays. */
export async function updateVerdict(
  db: Db,
  scope: Scope,
  revisionId: string,
  { verdict, load, summary, modelVersion }: Judged & { readonly modelVersion: string },
): Promise<void> {
  await db.query(
    `update revisions set verdict = $3, load_total = $4, summary = $5, model_version = $6 where school_id = $1 and id = $2`,
    [scope.schoolId, revisionId, verdict, load, JSON.stringify(summary), modelVersion],
  );
}

/** Takes drills out of the lists; their revisions stay for the log. How many were there. */
export async function deleteDrills(db: Db, scope: Scope, ids: readonly string[]): Promise<number> {
  const rows = await db.query(
    `update drills set deleted_at = now() where school_id = $1 and id = any($2::uuid[]) and deleted_at is null returning id`,
    [scope.schoolId, ids],
  );
  return rows.length;
}

export const restoreDrills = (db: Db, scope: Scope, ids: readonly string[]): Promise<unknown> =>
  db.query(`update drills set deleted_at = null where school_id = $1 and id = any($2::uuid[])`, [scope.schoolId, ids]);
