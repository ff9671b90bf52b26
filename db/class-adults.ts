/** The adults of a class with minors, and what whoever runs a class has on their card. */
import type { Db } from "./pool.ts";
import type { Scope } from "./scope.ts";

export interface ClassAdults {
  readonly first: string;
  /** Empty: the first one is alone, which was said and confirmed. */
  readonly second: string;
  readonly first_aider: string;
  /** Who may collect the minors. */
  readonly collects: string;
  readonly version: number;
}

export async function getAdults(db: Db, scope: Scope, classId: string): Promise<ClassAdults | null> {
  const [row] = await db.query<ClassAdults>(
    `select first, second, first_aider, collects, version from class_adults where school_id = $1 and class_id = $2`,
    [scope.schoolId, classId],
  );
  return row ?? null;
}

/** Names the adults on top of a version (0: nobody is named yet); false where somebody else did so meanwhile. */
export async function setAdults(
  db: Db,
  scope: Scope,
  classId: string,
  { first, second, first_aider, collects, version }: ClassAdults,
): Promise<boolean> {
  const rows = await db.query(
    `insert into class_adults (school_id, class_id, first, second, first_aider, collects, said_by)
     select $1, id, $3, $4, $5, $6, $7 from classes where school_id = $1 and id = $2
     on conflict (school_id, class_id) do update set first = excluded.first, second = excluded.second,
       first_aider = excluded.first_aider, collects = excluded.collects, said_by = excluded.said_by, said_at = now(),
       version = class_adults.version + 1
     where class_adults.version = $8 returning version`,
    [scope.schoolId, classId, first, second, first_aider, collects, scope.accountId, version],
  );
  return rows.length > 0;
}

/** Where help is found: the first-aid box, and the address that an ambulance is told. */
export interface Help {
  readonly first_aid: string;
  readonly address: string;
}

export async function getHelp(db: Db, scope: Scope): Promise<Help> {
  const [row] = await db.query<Help>(`select first_aid, address from schools where id = $1`, [scope.schoolId]);
  return row ?? { first_aid: "", address: "" };
}

export const setHelp = (db: Db, scope: Scope, { first_aid, address }: Help): Promise<unknown> =>
  db.query(`update schools set first_aid = $2, address = $3 where id = $1`, [scope.schoolId, first_aid, address]);

/** Names of those with an account who may run a class of minors: others are not offered. */
export const listClearedForMinors = async (db: Db, scope: Scope): Promise<string[]> =>
  (
    await db.query<{ name: string }>(
      `select a.name from memberships m join accounts a on a.id = m.account_id
       where m.school_id = $1 and m.minors_cleared and m.role <> 'student' order by a.name, a.id`,
      [scope.schoolId],
    )
  ).map(({ name }) => name);

/** Says of somebody with an account whether they may run a class of minors; false where they are no member. */
export const setClearedForMinors = async (
  db: Db,
  scope: Scope,
  { accountId, cleared }: { readonly accountId: string; readonly cleared: boolean },
): Promise<boolean> =>
  (
    await db.query(
      `update memberships set minors_cleared = $3 where school_id = $1 and account_id = $2 and role <> 'student'
       returning account_id`,
      [scope.schoolId, accountId, cleared],
    )
  ).length > 0;
