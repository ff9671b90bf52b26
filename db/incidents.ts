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
  /** Who stays with them, and who they go home with. */
  readonly stays_with: string;
  readonly home_with: string;
  readonly cleared_at: number | null;
  /** The adult in charge who wrote it down, who said so, and on which day, `2026-11-25`. */
  readonly cleared_by: string;
  readonly doctor: string;
  readonly guardian: string;
  readonly said_on: string | null;
  readonly version: number;
}
export type NewIncident = Pick<Incident, "id" | "student_id" | "at" | "place" | "round">;

const MS = (column: string) => `(extract(epoch from ${column}) * 1000)::float8`;
const COLUMNS = `id, class_id, student_id, ${MS("at")} as at, place, round, what, done, told, parents, stays_with, home_with,
  ${MS("cleared_at")} as cleared_at, cleared_by, doctor, guardian, said_on, version`;

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

export type IncidentNote = Pick<
  Incident,
  "id" | "what" | "done" | "told" | "parents" | "stays_with" | "home_with" | "version"
>;

/** Writes more of what was; false where somebody else did so meanwhile. */
export async function noteIncident(db: Db, scope: Scope, note: IncidentNote): Promise<boolean> {
  const { id, what, done, told, parents, stays_with, home_with, version } = note;
  const rows = await db.query(
    `update incidents set what = $3, done = $4, told = $5, parents = $6, stays_with = $8, home_with = $9, version = version + 1
     where school_id = $1 and id = $2 and version = $7 returning id`,
    [scope.schoolId, id, what, done, told, parents, version, stays_with, home_with],
  );
  return rows.length > 0;
}

/** Who says that somebody may have contact again after a blow to the head. */
export interface Clearing extends Pick<Incident, "id" | "doctor" | "guardian" | "version"> {
  /** The adult in charge who writes it down. */
  readonly by: string;
  readonly said_on: string;
}

/** What clearing rests on: the day of the blow by the school's clock, today, and whether they are a minor. */
export async function clearingOf(
  db: Db,
  scope: Scope,
  id: string,
): Promise<{ readonly day: string; readonly today: string; readonly student_id: string } | null> {
  const [row] = await db.query<{ day: string; today: string; student_id: string }>(
    `select (i.at at time zone s.zone)::date as day, school_today($1) as today, i.student_id
     from incidents i join schools s on s.id = i.school_id where i.school_id = $1 and i.id = $2 and i.place = 'head'`,
    [scope.schoolId, id],
  );
  return row ?? null;
}

/** Never on the day of the blow; false where somebody else wrote on it meanwhile, or it cannot be. */
export async function clearIncident(db: Db, scope: Scope, one: Clearing): Promise<boolean> {
  const rows = await db.query(
    `update incidents i set cleared_at = now(), cleared_by = $3, doctor = $4, guardian = $5, said_on = $6, version = i.version + 1
     from schools s
     where i.school_id = $1 and i.id = $2 and i.version = $7 and i.cleared_at is null and s.id = i.school_id
       and (i.at at time zone s.zone)::date < school_today($1) and $6::date <= school_today($1) returning i.id`,
    [scope.schoolId, one.id, one.by, one.doctor, one.guardian, one.said_on, one.version],
  );
  return rows.length > 0;
}

/** A blow to the head that nobody has cleared yet: the day of the newest one by the school's clock, and its class. */
export interface HeadBlow {
  readonly day: string;
  readonly class_id: string;
}

/** Who has had a blow to the head that nobody has cleared yet. */
export async function notCleared(db: Db, scope: Scope): Promise<ReadonlyMap<string, HeadBlow>> {
  const rows = await db.query<HeadBlow & { student_id: string }>(
    `select distinct on (i.student_id) i.student_id, i.class_id, (i.at at time zone s.zone)::date as day
     from incidents i join schools s on s.id = i.school_id
     where i.school_id = $1 and i.place = 'head' and i.cleared_at is null order by i.student_id, i.at desc`,
    [scope.schoolId],
  );
  return new Map(rows.map(({ student_id, ...blow }) => [student_id, blow]));
}
