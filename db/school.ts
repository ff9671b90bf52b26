/** The school itself: its name, and what it sets for itself as JSON. */
import type { Db } from "./pool.ts";
import type { Scope } from "./scope.ts";

export interface SchoolRow {
  readonly name: string;
  /** The zone of its clock, `Europe/Lisbon`. */
  readonly zone: string;
  /** As `core/school` reads it; stored settings were checked before they were saved. */
  readonly settings: unknown;
  /** Of the settings. */
  readonly version: number;
}

export async function getSchool(db: Db, scope: Scope): Promise<SchoolRow | null> {
  const rows = await db.query<SchoolRow>(`select name, zone, settings, version from schools where id = $1`, [
    scope.schoolId,
  ]);
  return rows[0] ?? null;
}

/** All schools, for work that goes on behind the requests of any. */
export const listSchools = async (db: Db): Promise<string[]> =>
  (await db.query<{ id: string }>(`select id from schools order by id`)).map(({ id }) => id);

/** The zone of the machine that this runs on. */
export const serverZone = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone;

/** A school with nothing in it; its clock is the server's until somebody sets another zone. */
export const insertEmptySchool = (db: Db, id: string, name: string): Promise<unknown> =>
  db.query(
    `insert into schools (id, name, zone)
     values ($1, $2, case when is_zone($3) then $3 else 'UTC' end) on conflict do nothing`,
    [id, name, serverZone()],
  );

/** Sets the zone of a school's clock; false where the database does not know it. */
export const setZone = async (db: Db, scope: Scope, zone: string): Promise<boolean> =>
  (await db.query(`update schools set zone = $2 where id = $1 and is_zone($2) returning id`, [scope.schoolId, zone]))
    .length > 0;

/** A school with its first person. */
export async function insertSchool(
  db: Db,
  scope: Scope,
  name: string,
  person: { name: string; email: string },
): Promise<void> {
  await insertEmptySchool(db, scope.schoolId, name);
  await db.query(`insert into accounts (id, name, email) values ($1, $2, $3) on conflict do nothing`, [
    scope.accountId,
    person.name,
    person.email,
  ]);
  await db.query(`insert into memberships (school_id, account_id, role) values ($1, $2, $3) on conflict do nothing`, [
    scope.schoolId,
    scope.accountId,
    scope.role,
  ]);
}

/** Saves settings on top of `baseVersion`; where somebody else saved in between nothing is written. */
export async function saveSettings(
  db: Db,
  scope: Scope,
  baseVersion: number,
  settings: object,
): Promise<{ readonly kind: "saved"; readonly version: number } | { readonly kind: "conflict" }> {
  const rows = await db.query<{ version: number }>(
    `update schools set settings = $3, version = version + 1 where id = $1 and version = $2 returning version`,
    [scope.schoolId, baseVersion, JSON.stringify(settings)],
  );
  return rows[0] ? { kind: "saved", version: rows[0].version } : { kind: "conflict" };
}
