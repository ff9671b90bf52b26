/** Evenings as a school usually has them, kept by a name. */
import { MOST_TEMPLATES, type EveningShape } from "#core/class/template.ts";
import type { Db } from "./pool.ts";
import type { Scope } from "./scope.ts";

export interface ClassTemplate {
  readonly id: string;
  readonly name: string;
  readonly title: string;
  readonly theme: string;
  /** 1 is Monday. */
  readonly weekday: number;
  /** `19:00:00` */
  readonly starts_at: string;
  readonly minutes: number;
}

/** Keeps a class under a name; one of that name is replaced. False where the class is gone or there are too many. */
export async function keepTemplate(
  db: Db,
  scope: Scope,
  {
    id,
    name,
    from,
    shape,
  }: { readonly id: string; readonly name: string; readonly from: string; readonly shape: EveningShape | null },
): Promise<boolean> {
  const rows = await db.query(
    `insert into class_templates (school_id, id, name, title, theme, weekday, starts_at, minutes, ladder_id, shape)
     select school_id, $3, $4, title, theme, extract(isodow from held_on), starts_at, minutes,
       coalesce((plan->>'ladder')::uuid, ladder_id), $5
     from classes where school_id = $1 and id = $2 and deleted_at is null
       and (select count(*) from class_templates where school_id = $1 and name <> $4) < $6
     on conflict (school_id, name) do update set title = excluded.title, theme = excluded.theme, weekday = excluded.weekday,
       starts_at = excluded.starts_at, minutes = excluded.minutes, ladder_id = excluded.ladder_id, shape = excluded.shape
     returning id`,
    [scope.schoolId, from, id, name, shape === null ? null : JSON.stringify(shape), MOST_TEMPLATES],
  );
  return rows.length > 0;
}

export const listTemplates = (db: Db, scope: Scope): Promise<ClassTemplate[]> =>
  db.query(
    `select id, name, title, theme, weekday, starts_at, minutes from class_templates where school_id = $1 order by name, id`,
    [scope.schoolId],
  );

export const deleteTemplate = (db: Db, scope: Scope, id: string): Promise<unknown> =>
  db.query(`delete from class_templates where school_id = $1 and id = $2`, [scope.schoolId, id]);

/** The frame that a class was made with; null where it was made without. */
export async function shapeOfClass(db: Db, scope: Scope, classId: string): Promise<EveningShape | null> {
  const [row] = await db.query<{ shape: EveningShape | null }>(
    `select t.shape from classes c join class_templates t on t.school_id = c.school_id and t.id = c.template_id
     where c.school_id = $1 and c.id = $2`,
    [scope.schoolId, classId],
  );
  return row?.shape ?? null;
}

/** Makes a class by a template: its ladder and, where it has not been planned, its frame. */
export const applyTemplate = (
  db: Db,
  scope: Scope,
  { classId, template }: { readonly classId: string; readonly template: string },
): Promise<unknown> =>
  db.query(
    `update classes c set template_id = t.id, ladder_id = coalesce(c.ladder_id, t.ladder_id)
     from class_templates t where c.school_id = $1 and c.id = $2 and t.school_id = $1 and t.id = $3`,
    [scope.schoolId, classId, template],
  );
