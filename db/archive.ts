/** All rows of a school, table by table, as plain JSON, and back into a school that has none. */
import type { Db } from "./pool.ts";
import type { Scope } from "./scope.ts";

/** In the order in which they rest on each other. Who has an account, links to phones and secrets stay where they are. */
export const ARCHIVED = [
  "students",
  "gear",
  "wishes",
  "drills",
  "revisions",
  "revision_exchanges",
  "lineage",
  "ladders",
  "ladder_rungs",
  "class_templates",
  "classes",
  "attendance",
  "blocks",
  "pairs",
  "rounds_run",
  "round_ends",
  "round_corrections",
  "floor_taps",
  "floor_questions",
  "marks",
  "incidents",
] as const;
/** Tables that archives of earlier versions do not have. */
export const LATER: readonly ArchivedTable[] = [
  "class_templates",
  "rounds_run",
  "round_ends",
  "round_corrections",
  "floor_questions",
];
type ArchivedTable = (typeof ARCHIVED)[number];
export type ArchivedRow = Readonly<Record<string, unknown>>;

/** The rows of a table, always in the same order; without the school, and without accounts, which another machine does not know. */
export const readRows = async (db: Db, scope: Scope, table: ArchivedTable): Promise<ArchivedRow[]> =>
  (
    await db.query<{ row: ArchivedRow }>(
      `select to_jsonb(t) - 'school_id' - 'author_id' - 'account_id' - 'answered_by' as row from ${table} t
       where school_id = $1 order by to_jsonb(t)::text`,
      [scope.schoolId],
    )
  ).map(({ row }) => row);

/** Puts rows into a table of a school; what a row does not say is as the table has it, what the table does not know is left out. */
export async function writeRows(
  tx: Db,
  scope: Scope,
  table: ArchivedTable,
  rows: readonly ArchivedRow[],
): Promise<void> {
  if (rows.length === 0) return;
  if (table === "students") rows = rows.map(withAgeSaid);
  const given = new Set(rows.flatMap((row) => Object.keys(row)));
  const known = await tx.query<{ name: string }>(
    `select column_name as name from information_schema.columns where table_schema = current_schema() and table_name = $1`,
    [table],
  );
  // Names of columns come from the database, never from the file.
  const columns = known.map(({ name }) => name).filter((name) => given.has(name) && name !== "school_id");
  const list = columns.map((name) => `"${name}"`).join(", ");
  await tx.query(
    `insert into ${table} (school_id, ${list}) select $1, ${list} from jsonb_populate_recordset(null::${table}, $2::jsonb)`,
    [scope.schoolId, JSON.stringify(rows)],
  );
}

/** Archives of earlier versions say only who is a minor: of the others nobody has said anything. */
const withAgeSaid = ({ minor, ...row }: ArchivedRow): ArchivedRow =>
  minor === undefined ? row : { ...row, minor_said: minor === true ? true : null };

/** True where a school has neither people nor drills nor classes. */
export async function isEmptySchool(db: Db, scope: Scope): Promise<boolean> {
  const [row] = await db.query<{ empty: boolean }>(
    `select not exists (select 1 from students where school_id = $1) and not exists (select 1 from drills where school_id = $1)
       and not exists (select 1 from classes where school_id = $1) as empty`,
    [scope.schoolId],
  );
  return row!.empty;
}

/** What was run, of an archive from before that was kept by itself. */
export const takeOverRounds = (tx: Db, scope: Scope): Promise<unknown> =>
  tx.query(`select take_over_rounds($1)`, [scope.schoolId]);

/** Taps and marks that come now are numbered behind all that came in. */
export const numberBehind = (tx: Db): Promise<unknown> =>
  tx.query(
    `select setval('floor_seq', greatest((select last_value from floor_seq),
       (select coalesce(max(seq), 1) from floor_taps), (select coalesce(max(seq), 1) from marks),
       (select coalesce(max(seq), 1) from floor_questions)))`,
  );

export const setSettings = (tx: Db, scope: Scope, settings: object): Promise<unknown> =>
  tx.query(`update schools set settings = $2, version = version + 1 where id = $1`, [
    scope.schoolId,
    JSON.stringify(settings),
  ]);
