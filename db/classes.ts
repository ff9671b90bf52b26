/** Classes with attendance, blocks and pairs. */
import type { TrainedText } from "#core/answers/trained.ts";
import { transaction, type Db } from "./pool.ts";
import type { Scope } from "./scope.ts";

export interface ClassRow {
  readonly id: string;
  readonly held_on: string;
  readonly title: string;
  readonly minutes: number;
  readonly theme: string;
  /** `19:00:00` */
  readonly starts_at: string;
  readonly ladder_id: string | null;
  readonly version: number;
}

const CLASS = `select id, held_on, title, minutes, theme, starts_at, ladder_id, version from classes where school_id = $1`;

export const listClasses = (db: Db, scope: Scope): Promise<ClassRow[]> =>
  db.query<ClassRow>(`${CLASS} order by held_on desc, id limit 100`, [scope.schoolId]);

export async function getClass(db: Db, scope: Scope, id: string): Promise<ClassRow | null> {
  const rows = await db.query<ClassRow>(`${CLASS} and id = $2`, [scope.schoolId, id]);
  return rows[0] ?? null;
}

/** Tonight's class: today's, else the next one, else the last one. */
export async function getTonight(db: Db, scope: Scope): Promise<ClassRow | null> {
  const rows = await db.query<ClassRow>(
    `${CLASS} order by (held_on < current_date), abs(held_on - current_date), id limit 1`,
    [scope.schoolId],
  );
  return rows[0] ?? null;
}

/** What a new class needs; the rest has its usual values. */
export type NewClass = Pick<ClassRow, "id" | "held_on" | "title" | "minutes"> &
  Partial<Pick<ClassRow, "theme" | "starts_at" | "ladder_id">>;

export async function createClass(db: Db, scope: Scope, row: NewClass): Promise<void> {
  await db.query(
    `insert into classes (school_id, id, held_on, title, minutes, theme, starts_at, ladder_id)
     values ($1, $2, $3, $4, $5, $6, $7, $8) on conflict do nothing`,
    [
      scope.schoolId,
      row.id,
      row.held_on,
      row.title,
      row.minutes,
      row.theme ?? "",
      row.starts_at ?? "19:00",
      row.ladder_id ?? null,
    ],
  );
}

export async function listPresent(db: Db, scope: Scope, classId: string): Promise<string[]> {
  const rows = await db.query<{ student_id: string }>(
    `select student_id from attendance where school_id = $1 and class_id = $2`,
    [scope.schoolId, classId],
  );
  return rows.map((row) => row.student_id);
}

/** Sets one person present or away; repeated requests are harmless. */
export async function setPresent(
  db: Db,
  scope: Scope,
  classId: string,
  studentId: string,
  present: boolean,
): Promise<void> {
  const sql = present
    ? `insert into attendance (school_id, class_id, student_id) values ($1, $2, $3) on conflict do nothing`
    : `delete from attendance where school_id = $1 and class_id = $2 and student_id = $3`;
  await db.query(sql, [scope.schoolId, classId, studentId]);
}

export interface PairRow {
  readonly id: string;
  readonly position: number;
  readonly student_a: string;
  readonly student_b: string;
  readonly student_c: string | null;
  readonly revision_id: string;
  readonly why: string;
  readonly drill_id: string;
  readonly drill_title: string;
  readonly text: string;
}

/** The pairs of a class's newest block, with what each pair works on. */
export const listPairs = (db: Db, scope: Scope, classId: string): Promise<PairRow[]> =>
  db.query<PairRow>(
    `select p.id, p.position, p.student_a, p.student_b, p.student_c, p.revision_id, p.why, r.drill_id, d.title as drill_title, r.text
     from pairs p
     join blocks b on b.school_id = p.school_id and b.id = p.block_id
     join revisions r on r.school_id = p.school_id and r.id = p.revision_id
     join drills d on d.school_id = r.school_id and d.id = r.drill_id
     where p.school_id = $1 and b.class_id = $2
       and b.position = (select max(position) from blocks where school_id = $1 and class_id = $2)
     order by p.round, p.position`,
    [scope.schoolId, classId],
  );

export interface NewPair {
  readonly id: string;
  readonly a: string;
  readonly b: string;
  readonly c: string | null;
  readonly revisionId: string;
  readonly why: string;
}

/** Replaces the pairs of the class's block by these, as one block of the drill. */
export function savePairs(
  scope: Scope,
  classId: string,
  block: { id: string; drillId: string; minutes: number },
  pairs: readonly NewPair[],
): Promise<void> {
  return transaction(async (tx) => {
    await tx.query(
      `delete from pairs where school_id = $1 and block_id in (select id from blocks where school_id = $1 and class_id = $2)`,
      [scope.schoolId, classId],
    );
    await tx.query(`delete from blocks where school_id = $1 and class_id = $2`, [scope.schoolId, classId]);
    await tx.query(
      `insert into blocks (school_id, id, class_id, position, minutes, drill_id) values ($1, $2, $3, 1, $4, $5)`,
      [scope.schoolId, block.id, classId, block.minutes, block.drillId],
    );
    for (const [position, pair] of pairs.entries())
      await tx.query(
        `insert into pairs (school_id, id, block_id, round, position, student_a, student_b, student_c, revision_id, why) values ($1, $2, $3, 1, $4, $5, $6, $7, $8, $9)`,
        [scope.schoolId, pair.id, block.id, position + 1, pair.a, pair.b, pair.c, pair.revisionId, pair.why],
      );
    await tx.query(`update classes set version = version + 1 where school_id = $1 and id = $2`, [
      scope.schoolId,
      classId,
    ]);
  });
}

/** How often each two have met in earlier classes, by `a|b` with the smaller id first. */
export async function meetings(db: Db, scope: Scope, beforeClass: string): Promise<Map<string, number>> {
  const rows = await db.query<{ one: string; two: string; times: string }>(
    `select least(p.student_a, p.student_b) as one, greatest(p.student_a, p.student_b) as two, count(*) as times
     from pairs p join blocks b on b.school_id = p.school_id and b.id = p.block_id
     where p.school_id = $1 and b.class_id <> $2 group by 1, 2`,
    [scope.schoolId, beforeClass],
  );
  return new Map(rows.map((row) => [`${row.one}|${row.two}`, Number(row.times)]));
}

/** The texts that classes up to today worked on, with the last day of each. */
export const listTrainedTexts = (db: Db, scope: Scope): Promise<TrainedText[]> =>
  db.query(
    `select r.text, c.held_on as date, p.side
     from pairs p
     join blocks b on b.school_id = p.school_id and b.id = p.block_id
     join classes c on c.school_id = b.school_id and c.id = b.class_id
     join revisions r on r.school_id = p.school_id and r.id = p.revision_id
     where p.school_id = $1 and (c.held_on < current_date or (c.held_on = current_date and p.ran))
     group by r.id, r.text, c.held_on, p.side order by c.held_on desc limit 1000`,
    [scope.schoolId],
  );
