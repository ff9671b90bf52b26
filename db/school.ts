/** The school itself: its name, and what it sets for itself as JSON. */
import type { Db } from "./pool.ts";
import type { Scope } from "./scope.ts";

export interface SchoolRow {
  readonly name: string;
  /** As `core/school` reads it; stored settings were checked before they were saved. */
  readonly settings: unknown;
  /** Of the settings. */
  readonly version: number;
}

export async function getSchool(db: Db, scope: Scope): Promise<SchoolRow | null> {
  const rows = await db.query<SchoolRow>(`select name, settings, version from schools where id = $1`, [scope.schoolId]);
  return rows[0] ?? null;
}

/** All schools, for work that goes on behind the requests of any. */
export const listSchools = async (db: Db): Promise<string[]> =>
  (await db.query<{ id: string }>(`select id from schools order by id`)).map(({ id }) => id);

export const insertEmptySchool = (db: Db, id: string, name: string): Promise<unknown> =>
  db.query(`insert into schools (id, name) values ($1, $2) on conflict do nothing`, [id, name]);

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
