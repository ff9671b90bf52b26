/** The people of a school, what is wished of them, and its gear. */
import { erasedValues, MEMBER_SQL, memberValues } from "#core/people/member-columns.ts";
import type { Member } from "#core/people/person.ts";
import type { Wish } from "#core/pairs/score.ts";
import { transaction, type Db } from "./pool.ts";
import { recordRun } from "./rounds-run.ts";
import type { Scope } from "./scope.ts";

export interface Student extends Member {
  readonly version: number;
  readonly archived: boolean;
}

const SELECTED = MEMBER_SQL.map(({ key, sql }) => (key === sql ? sql : `${sql} as ${key}`)).join(", ");
const STUDENT = `select id, ${SELECTED}, version, archived_at is not null as archived
  from students where school_id = $1 and erased_at is null`;

/** `name = $3, ...`: all columns of a person, from the third parameter on. */
const SET = MEMBER_SQL.map(({ sql }, i) => `${sql} = $${i + 3}`).join(", ");
/** The parameter behind those of `SET`. */
const AFTER_SET = `$${MEMBER_SQL.length + 3}`;

export const listStudents = (db: Db, scope: Scope): Promise<Student[]> =>
  db.query<Student>(`${STUDENT} and archived_at is null order by name, id`, [scope.schoolId]);

/** The people who were archived: they are in no list to tick, their log stays. */
export const listArchived = (db: Db, scope: Scope): Promise<Student[]> =>
  db.query<Student>(`${STUDENT} and archived_at is not null order by name, id`, [scope.schoolId]);

/** Everybody who was not erased, those who were archived too: names in a log and a plan stay. */
export const listEverybody = (db: Db, scope: Scope): Promise<Student[]> =>
  db.query<Student>(`${STUDENT} order by name, id`, [scope.schoolId]);

/** Some of the school's people, those who were archived too. */
export const listPeople = (db: Db, scope: Scope, ids: readonly string[]): Promise<Student[]> =>
  db.query<Student>(`${STUDENT} and id = any ($2) order by name, id`, [scope.schoolId, ids]);

/** What some of the school's people know, by family of drills. */
export const listLevels = (db: Db, scope: Scope, ids: readonly string[]): Promise<Pick<Student, "id" | "levels">[]> =>
  db.query(`select id, levels from students where school_id = $1 and id = any ($2)`, [scope.schoolId, ids]);

type New = Omit<Member, "id"> & { readonly id: string };

export async function insertStudent(db: Db, scope: Scope, s: New): Promise<void> {
  const columns = MEMBER_SQL.map(({ sql }) => sql).join(", ");
  const places = MEMBER_SQL.map((_, i) => `$${i + 3}`).join(", ");
  await db.query(`insert into students (school_id, id, ${columns}) values ($1, $2, ${places}) on conflict do nothing`, [
    scope.schoolId,
    s.id,
    ...memberValues(s),
  ]);
}

/** All or none: an import that stops half way leaves the list as it was. */
export const insertStudents = (scope: Scope, people: readonly New[]): Promise<void> =>
  transaction(async (tx) => {
    for (const person of people) await insertStudent(tx, scope, person);
  });

/** Changes a person on top of `version`; false where somebody else did so meanwhile. */
export async function updateStudent(db: Db, scope: Scope, s: New, version: number): Promise<boolean> {
  const rows = await db.query(
    `update students set ${SET}, version = version + 1
     where school_id = $1 and id = $2 and version = ${AFTER_SET} and erased_at is null returning id`,
    [scope.schoolId, s.id, ...memberValues(s), version],
  );
  return rows.length > 0;
}

/** What is said of some people at once: of age or not, learnt to fall or not. */
export const sayOfPeople = (
  db: Db,
  scope: Scope,
  ids: readonly string[],
  { what, is }: { readonly what: "minor" | "falls"; readonly is: boolean },
): Promise<unknown> =>
  db.query(
    `update students set ${what === "minor" ? "minor_said" : "falls"} = $3, version = version + 1
     where school_id = $1 and id = any ($2) and erased_at is null`,
    [scope.schoolId, ids, is],
  );

export async function setArchived(
  db: Db,
  scope: Scope,
  { id, archived }: { readonly id: string; readonly archived: boolean },
): Promise<void> {
  await db.query(
    `update students set archived_at = case when $3 then now() end, version = version + 1
     where school_id = $1 and id = $2 and erased_at is null`,
    [scope.schoolId, id, archived],
  );
}

/** Who signed in as a student of the school does so no more; an account that is in no other school goes with it. */
async function dropLogin(tx: Db, scope: Scope, id: string): Promise<void> {
  await tx.query(`delete from tickets where school_id = $1 and student_id = $2`, [scope.schoolId, id]);
  const gone = await tx.query<{ account_id: string }>(
    `delete from memberships where school_id = $1 and student_id = $2 and role = 'student' returning account_id`,
    [scope.schoolId, id],
  );
  await tx.query(`update memberships set student_id = null where school_id = $1 and student_id = $2`, [
    scope.schoolId,
    id,
  ]);
  for (const { account_id } of gone) {
    await tx.query(`delete from sessions where school_id = $1 and account_id = $2`, [scope.schoolId, account_id]);
    await tx.query(
      `delete from letters where school_id = $1 and recipient = (select email from accounts where id = $2)`,
      [scope.schoolId, account_id],
    );
    await tx.query(
      `update accounts set name = 'Former member', email = id || '@gone.invalid', password_hash = null
       where id = $1 and not exists (select from memberships where account_id = $1)`,
      [account_id],
    );
  }
}

/** True where somebody is here who was not erased. */
export const isKnownAlive = async (db: Db, scope: Scope, id: string): Promise<boolean> =>
  (
    await db.query(`select 1 from students where school_id = $1 and id = $2 and erased_at is null`, [
      scope.schoolId,
      id,
    ])
  ).length > 0;

/**
 * Takes everything about a person out; what was trained stays, under no name. `beforeCommit` is done when all of it is
 * ready: what it throws takes all of it back.
 */
export const eraseStudent = (
  scope: Scope,
  id: string,
  beforeCommit: () => Promise<void> = () => Promise.resolve(),
): Promise<void> =>
  transaction(async (tx) => {
    await dropLogin(tx, scope, id);
    await tx.query(`delete from wishes where school_id = $1 and (one = $2 or two = $2)`, [scope.schoolId, id]);
    await tx.query(
      `update students set ${SET}, archived_at = now(), erased_at = now(), version = version + 1
       where school_id = $1 and id = $2`,
      [scope.schoolId, id, ...erasedValues()],
    );
    await tx.query(`update attendance set tonight_not = '{}' where school_id = $1 and student_id = $2`, [
      scope.schoolId,
      id,
    ]);
    // Why a pair was a good one says who was tall or heavy.
    await tx.query(
      `update pairs set why = '' where school_id = $1 and (student_a = $2 or student_b = $2 or student_c = $2)`,
      [scope.schoolId, id],
    );
    const plans = await tx.query<{ id: string }>(
      `select id from classes where school_id = $1 and plan::text like '%' || $2 || '%'`,
      [scope.schoolId, id],
    );
    // What was run of them is written down before they go.
    for (const one of plans) {
      await recordRun(tx, scope, one.id, Date.now());
      await tx.query(`update classes set plan = null, version = version + 1 where school_id = $1 and id = $2`, [
        scope.schoolId,
        one.id,
      ]);
    }
    await beforeCommit();
  });

export const listWishes = async (db: Db, scope: Scope): Promise<Wish[]> => {
  const rows = await db.query<{ one: string; two: string; kind: Wish["kind"] }>(
    `select one, two, kind from wishes where school_id = $1 order by one, two, kind`,
    [scope.schoolId],
  );
  return rows.map(({ one, two, kind }) => ({ a: one, b: two, kind }));
};

export async function setWish(db: Db, scope: Scope, { a, b, kind }: Wish, now: "set" | "taken out"): Promise<void> {
  const [one, two] = a < b ? [a, b] : [b, a];
  const sql =
    now === "set"
      ? `insert into wishes (school_id, one, two, kind) values ($1, $2, $3, $4) on conflict do nothing`
      : `delete from wishes where school_id = $1 and one = $2 and two = $3 and kind = $4`;
  await db.query(sql, [scope.schoolId, one, two, kind]);
}

export const listGear = (db: Db, scope: Scope): Promise<{ kind: string; count: number }[]> =>
  db.query(`select kind, count from gear where school_id = $1 order by kind`, [scope.schoolId]);

/** Sets how many there are; false where there are not `was` any more (null: none was counted yet). */
export async function setGear(
  db: Db,
  scope: Scope,
  { kind, count, was }: { readonly kind: string; readonly count: number; readonly was: number | null },
): Promise<boolean> {
  const rows = await db.query(
    `insert into gear (school_id, kind, count) values ($1, $2, $3)
     on conflict (school_id, kind) do update set count = excluded.count where gear.count is not distinct from $4 or gear.count = excluded.count
     returning kind`,
    [scope.schoolId, kind, count, was],
  );
  return rows.length > 0;
}
