/** What of a school's own is found by typed words: drills by title or by what is in them, people, classes. */
import type { Db } from "./pool.ts";
import type { Scope } from "./scope.ts";

/** Characters that mean something in a pattern, as themselves. */
const plain = (text: string): string => text.replace(/[\\%_]/g, "\\$&");
const within = (text: string): string => `%${plain(text)}%`;

export interface DrillHit {
  readonly id: string;
  readonly title: string;
  readonly text: string;
  readonly by_title: boolean;
}

/** Drills whose title holds the words, first, and drills whose text matches a pattern (null: none is looked for). */
export const findDrills = (
  db: Db,
  scope: Scope,
  { typed, pattern, most }: { readonly typed: string; readonly pattern: string | null; readonly most: number },
): Promise<DrillHit[]> =>
  db.query(
    `select d.id, d.title, r.text, d.title ilike $2 as by_title
     from drills d join revisions r on r.school_id = d.school_id and r.drill_id = d.id and r.number = d.version
     where d.school_id = $1 and d.deleted_at is null and (d.title ilike $2 or ($3::text is not null and r.text ~* $3))
     order by by_title desc, d.title, d.id limit $4`,
    [scope.schoolId, within(typed), pattern, most],
  );

export const findPeople = (
  db: Db,
  scope: Scope,
  typed: string,
  most: number,
): Promise<{ id: string; name: string }[]> =>
  db.query(
    `select id, name from students where school_id = $1 and archived_at is null and erased_at is null and name ilike $2 order by name, id limit $3`,
    [scope.schoolId, within(typed), most],
  );

export const findClasses = (
  db: Db,
  scope: Scope,
  typed: string,
  most: number,
): Promise<{ id: string; title: string; date: string }[]> =>
  db.query(
    `select id, title, held_on::text as date from classes
     where school_id = $1 and deleted_at is null and title ilike $2 order by held_on desc, id limit $3`,
    [scope.schoolId, within(typed), most],
  );
