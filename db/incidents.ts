/** Notes of somebody who was hurt: seen by instructors alone, and never taken out. */
import type { Db } from "./pool.ts";
import type { Scope } from "./scope.ts";

export const PLACES = ["head", "blood", "other"] as const;

export interface Incident {
  readonly id: string;
  readonly class_id: string;
  readonly student_id: string;
  /** ms. */
  readonly at: number;
  readonly place: (typeof PLACES)[number];
  /** Place among the rounds, from 0; null: in none. */
  readonly round: number | null;
  readonly what: string;
  readonly done: string;
  readonly told: string;
  readonly parents: boolean;
  readonly cleared_at: number | null;
  readonly cleared_by: string;
  readonly version: number;
}
export type NewIncident = Pick<Incident, "id" | "student_id" | "at" | "place" | "round">;

const MS = (column: string) => `(extract(epoch from ${column}) * 1000)::float8`;
const COLUMNS = `id, class_id, student_id, ${MS("at")} as at, place, round, what, done, told, parents,
  ${MS("cleared_at")} as cleared_at, cleared_by, version`;

/** The same note twice is one note. */
export async function addIncident(tx: Db, scope: Scope, classId: string, one: NewIncident): Promise<void> {
  await tx.query(
    `insert into incidents (school_id, id, class_id, student_id, at, place, round, account_id)
     select $1, $2, $3, s.id, to_timestamp($5::double precision / 1000), $6, $7, $8
     from students s where s.school_id = $1 and s.id = $4 on conflict do nothing`,
    [scope.schoolId, one.id, classId, one.student_id, one.at, one.place, one.round, scope.accountId],
  );
}

/** Of a class, or of the whole school; newest first. */
export const listIncidents = (db: Db, scope: Scope, classId: string | null = null): Promise<Incident[]> =>
  db.query<Incident>(
    `select ${COLUMNS} from incidents where school_id = $1 and ($2::uuid is null or class_id = $2) order by incidents.at desc, id`,
    [scope.schoolId, classId],
  );

/** Of one person, newest first. */
export const incidentsOf = (db: Db, scope: Scope, student: string): Promise<Incident[]> =>
  db.query<Incident>(
    `select ${COLUMNS} from incidents where school_id = $1 and student_id = $2 order by incidents.at desc, id`,
    [scope.schoolId, student],
  );

/** Writes more of what was; false where somebody else did so meanwhile. */
export async function noteIncident(
  db: Db,
  scope: Scope,
  { id, what, done, told, parents, version }: Pick<Incident, "id" | "what" | "done" | "told" | "parents" | "version">,
): Promise<boolean> {
  const rows = await db.query(
    `update incidents set what = $3, done = $4, told = $5, parents = $6, version = version + 1
     where school_id = $1 and id = $2 and version = $7 returning id`,
    [scope.schoolId, id, what, done, told, parents, version],
  );
  return rows.length > 0;
}

/** An adult in charge says that somebody may have contact again. */
export const clearIncident = (db: Db, scope: Scope, id: string, by: string): Promise<unknown> =>
  db.query(
    `update incidents set cleared_at = now(), cleared_by = $3, version = version + 1
     where school_id = $1 and id = $2 and cleared_at is null`,
    [scope.schoolId, id, by],
  );

/** Who has had a blow to the head that nobody has cleared yet. */
export async function notCleared(db: Db, scope: Scope): Promise<ReadonlySet<string>> {
  const rows = await db.query<{ student_id: string }>(
    `select distinct student_id from incidents where school_id = $1 and place = 'head' and cleared_at is null`,
    [scope.schoolId],
  );
  return new Set(rows.map(({ student_id }) => student_id));
}
