/** Classes with their attendance, plans, blocks and pairs: all that is known of an evening. */
import { AFTER, isOver } from "#core/class/hours.ts";
import type { ClassPlan, PlanInput } from "#core/class/plan.ts";
import type { TrainedText } from "#core/answers/trained.ts";
import { transaction, type Db } from "./pool.ts";
import { recordRun, takeBack, writeOnPaper } from "./rounds-run.ts";
import type { Scope } from "./scope.ts";

export interface ClassRow {
  readonly id: string;
  readonly held_on: string;
  readonly title: string;
  readonly minutes: number;
  readonly theme: string;
  /** `19:00:00` */
  readonly starts_at: string;
  /** The instant at which it begins by the school's clock, ms. */
  readonly begins: number;
  readonly ladder_id: string | null;
  readonly version: number;
}

/** The day that the school's clock shows, asked once for a query; $1 is the school. */
export const TODAY = `(select school_today($1))`;
const BEGINS = `class_begins(school_id, held_on, starts_at)`;
const CLASS = `select id, held_on, title, minutes, theme, starts_at, ladder_id, version,
  (extract(epoch from ${BEGINS}) * 1000)::float8 as begins from classes where school_id = $1 and deleted_at is null`;

export const listClasses = (db: Db, scope: Scope): Promise<ClassRow[]> =>
  db.query<ClassRow>(`${CLASS} order by held_on desc, id limit 100`, [scope.schoolId]);

export async function getClass(db: Db, scope: Scope, id: string): Promise<ClassRow | null> {
  const rows = await db.query<ClassRow>(`${CLASS} and id = $2`, [scope.schoolId, id]);
  return rows[0] ?? null;
}

/** Tonight's class: of those that are not over the one that begins nearest to now, else the last one. */
export async function getTonight(db: Db, scope: Scope): Promise<ClassRow | null> {
  const rows = await db.query<ClassRow>(
    `${CLASS} order by ${BEGINS} + make_interval(mins => minutes, secs => $2) < now(),
       abs(extract(epoch from ${BEGINS} - now())), id limit 1`,
    [scope.schoolId, AFTER / 1000],
  );
  return rows[0] ?? null;
}

/** What a new class needs; the rest has its usual values. */
type NewClass = Pick<ClassRow, "id" | "held_on" | "title" | "minutes"> &
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

/** A class again on another day: its title, minutes, theme, ladder and template, and nobody in it yet. */
export async function copyClass(
  db: Db,
  scope: Scope,
  { from, id, day }: { readonly from: string; readonly id: string; readonly day: string },
): Promise<void> {
  await db.query(
    `insert into classes (school_id, id, held_on, title, minutes, theme, starts_at, ladder_id, template_id)
     select school_id, $3, $4, title, minutes, theme, starts_at, ladder_id, template_id from classes
     where school_id = $1 and id = $2 on conflict do nothing`,
    [scope.schoolId, from, id, day],
  );
}

/** Changes what a class is called, when it is and how long; false where somebody else did so meanwhile. */
export async function updateClass(
  db: Db,
  scope: Scope,
  row: {
    readonly id: string;
    readonly title: string;
    readonly theme: string;
    readonly held_on: string;
    readonly starts_at: string;
    readonly minutes: number;
  },
  version: number,
): Promise<boolean> {
  const rows = await db.query(
    `update classes set title = $3, theme = $4, held_on = $5, starts_at = $6, minutes = $7, version = version + 1
     where school_id = $1 and id = $2 and version = $8 returning id`,
    [scope.schoolId, row.id, row.title, row.theme, row.held_on, row.starts_at, row.minutes, version],
  );
  return rows.length > 0;
}

/** Takes a class out of all lists; its pairs stay for when it is brought back. */
export const deleteClass = (db: Db, scope: Scope, id: string): Promise<unknown> =>
  db.query(`update classes set deleted_at = now() where school_id = $1 and id = $2 and deleted_at is null`, [
    scope.schoolId,
    id,
  ]);

export const restoreClass = (db: Db, scope: Scope, id: string): Promise<unknown> =>
  db.query(`update classes set deleted_at = null where school_id = $1 and id = $2`, [scope.schoolId, id]);

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
/** Who is in a pair, or in a three. */
export const seatsOf = ({ student_a: a, student_b: b, student_c: c }: PairRow): string[] => (c ? [a, b, c] : [a, b]);

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
  /** Round within its block, from 1. */
  readonly round: number;
  readonly a: string;
  readonly b: string;
  readonly c: string | null;
  readonly revisionId: string;
  readonly why: string;
  /** Which lead was in front; null where it was not said. */
  readonly side: "left" | "right" | null;
  /** Place of its round in the evening, from 0; left out: by the order of blocks and rounds. */
  readonly at?: number;
  /** What A answers, where that is another rung. */
  readonly backRevisionId?: string;
}
export interface NewBlock {
  readonly id: string;
  readonly drillId: string;
  readonly minutes: number;
  readonly pairs: readonly NewPair[];
}

/** What is kept of a plan: enough to show it, and to plan the rest again. */
export interface KeptPlan {
  readonly ladder: string | null;
  readonly drill: string;
  /** The ladder of a second theme; plans of earlier versions have none. */
  readonly second?: string | null;
  readonly clock: PlanInput["clock"];
  /** Partners change in two lines; null: as is usual for so many people. Plans of earlier versions have none. */
  readonly lines?: boolean | null;
  /** The rung to begin with, from 0. */
  readonly begin?: number;
  /** Whom the instructor wants on an easier or a harder rung; plans of earlier versions have none. */
  readonly steps?: PlanInput["steps"];
  readonly locked: PlanInput["locked"];
  /** Rounds that were run. */
  readonly done: number;
  readonly plan: ClassPlan & { readonly ok: true };
  /** The revisions of its rungs, by their place; plans of earlier versions have none. */
  readonly revisions?: readonly string[];
}

export async function getPlan(db: Db, scope: Scope, classId: string): Promise<KeptPlan | null> {
  const [row] = await db.query<{ plan: KeptPlan | null }>(`select plan from classes where school_id = $1 and id = $2`, [
    scope.schoolId,
    classId,
  ]);
  return row?.plan ?? null;
}

/** The last evening before a class that worked on the same ladder, as it was planned and run. */
export async function planBefore(
  db: Db,
  scope: Scope,
  { day, ladder }: { readonly day: string; readonly ladder: string },
): Promise<{ readonly held_on: string; readonly plan: KeptPlan } | null> {
  const [row] = await db.query<{ held_on: string; plan: KeptPlan }>(
    `select held_on, plan from classes
     where school_id = $1 and held_on < $2 and deleted_at is null and plan->>'ladder' = $3
     order by held_on desc, starts_at desc limit 1`,
    [scope.schoolId, day, ladder],
  );
  return row ?? null;
}

/**
 * How a change of a class's rounds ended. `stale`: somebody else changed the class meanwhile; `over`: its
 * day is past; `ran`: rounds of it were run, and the log keeps them.
 */
export type RoundsChanged =
  { readonly kind: "saved"; readonly version: number } | { readonly kind: "stale" | "over" | "ran" | "gone" };

interface Lock extends Pick<ClassRow, "version" | "minutes" | "begins"> {
  readonly plan: KeptPlan | null;
}

/**
 * Changes the rounds of a class on top of a version, one change at a time: a second one waits here and
 * then finds the class changed. `refuse` looks at the plan that is there.
 */
function changeRounds(
  scope: Scope,
  classId: string,
  baseVersion: number,
  change: {
    readonly refuse: (plan: KeptPlan | null, started: number) => boolean;
    readonly make: (tx: Db) => Promise<void>;
  },
): Promise<RoundsChanged> {
  return transaction(async (tx): Promise<RoundsChanged> => {
    const [row] = await tx.query<Lock>(
      `select version, plan, minutes, (extract(epoch from ${BEGINS}) * 1000)::float8 as begins
       from classes where school_id = $1 and id = $2 for update`,
      [scope.schoolId, classId],
    );
    if (!row) return { kind: "gone" };
    if (isOver(row, Date.now())) return { kind: "over" };
    // A round may have started since anybody tapped: it is written down before its draft goes.
    const { rounds } = await recordRun(tx, scope, classId, Date.now());
    if (change.refuse(row.plan, rounds)) return { kind: "ran" };
    if (row.version !== baseVersion) return { kind: "stale" };
    await clearRounds(tx, scope, classId);
    await change.make(tx);
    await tx.query(`update classes set version = version + 1 where school_id = $1 and id = $2`, [
      scope.schoolId,
      classId,
    ]);
    return { kind: "saved", version: row.version + 1 };
  });
}

/** Replaces the pairs of a class by one block, which is run as soon as it is paired. */
export const savePairs = (
  scope: Scope,
  classId: string,
  baseVersion: number,
  block: NewBlock,
): Promise<RoundsChanged> =>
  changeRounds(scope, classId, baseVersion, {
    refuse: (plan, started) => plan !== null && started > 0,
    make: async (tx) => {
      await insertBlock(tx, scope, classId, { position: 1, ...block });
      await takeBack(tx, scope, classId, { from: 0 });
      await writeOnPaper(tx, scope, classId, { rounds: 1, kept: null });
    },
  });

/** Takes the plan of a class out, with the pairs of its rounds. */
export const dropPlan = (scope: Scope, classId: string, baseVersion: number): Promise<RoundsChanged> =>
  changeRounds(scope, classId, baseVersion, {
    refuse: (_, started) => started > 0,
    make: async (tx) => {
      await tx.query(`update classes set plan = null where school_id = $1 and id = $2`, [scope.schoolId, classId]);
    },
  });

/** Keeps a plan and its rounds; those that were run before must stand in it as they were. */
export const savePlan = (
  scope: Scope,
  classId: string,
  baseVersion: number,
  { kept, blocks }: { readonly kept: KeptPlan; readonly blocks: readonly NewBlock[] },
): Promise<RoundsChanged> =>
  changeRounds(scope, classId, baseVersion, {
    refuse: (before, started) => !keepsWhatRan(before, kept, started),
    make: async (tx) => {
      await tx.query(`update classes set plan = $3, ladder_id = $4 where school_id = $1 and id = $2`, [
        scope.schoolId,
        classId,
        JSON.stringify(kept),
        kept.ladder,
      ]);
      for (const [i, block] of blocks.entries()) await insertBlock(tx, scope, classId, { position: i + 1, ...block });
    },
  });

/**
 * True where the rounds that have started stand in the new plan as they were: the same block, side and people, and each
 * on the same revision. Rounds without a plan to stand in have nothing to be kept in.
 */
function keepsWhatRan(before: KeptPlan | null, after: KeptPlan, started: number): boolean {
  if (before === null) return true;
  const asRun = ({ plan, revisions }: KeptPlan) => {
    // Plans of earlier versions do not say on which revisions they are.
    const revision = (rung: number) => (before.revisions ? revisions?.[rung] : null);
    return JSON.stringify(
      plan.rounds.slice(0, started).map(({ block, turn, side, pairs }) => ({
        ...{ block, turn, side },
        pairs: pairs.map(({ a, b, c, rung, back }) => [a, b, c, revision(rung), revision(back ?? rung)]),
      })),
    );
  };
  return asRun(before) === asRun(after);
}

/** Takes out all blocks of a class and their pairs. */
async function clearRounds(tx: Db, scope: Scope, classId: string): Promise<void> {
  await tx.query(
    `delete from pairs where school_id = $1 and block_id in (select id from blocks where school_id = $1 and class_id = $2)`,
    [scope.schoolId, classId],
  );
  await tx.query(`delete from blocks where school_id = $1 and class_id = $2`, [scope.schoolId, classId]);
}

/** Writes a block with its pairs as they were. */
export async function insertBlock(
  tx: Db,
  scope: Scope,
  classId: string,
  block: NewBlock & { readonly position: number },
): Promise<void> {
  await tx.query(
    `insert into blocks (school_id, id, class_id, position, minutes, drill_id) values ($1, $2, $3, $4, $5, $6)`,
    [scope.schoolId, block.id, classId, block.position, block.minutes, block.drillId],
  );
  for (const [place, pair] of block.pairs.entries())
    await tx.query(
      `insert into pairs (school_id, id, block_id, round, position, student_a, student_b, student_c, revision_id, why, side,
         back_revision_id, at)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13)`,
      [
        scope.schoolId,
        pair.id,
        block.id,
        pair.round,
        place + 1,
        pair.a,
        pair.b,
        pair.c,
        pair.revisionId,
        pair.why,
        pair.side,
        pair.backRevisionId ?? null,
        pair.at ?? null,
      ],
    );
}

/**
 * How often each two have met in other classes, by `a|b` with the smaller id first. `among`: of these people alone;
 * `since`: from this day on; null: all.
 */
export async function meetings(
  db: Db,
  scope: Scope,
  beforeClass: string,
  { among, since }: { readonly among: readonly string[] | null; readonly since: string | null },
): Promise<Map<string, number>> {
  const rows = await db.query<{ one: string; two: string; times: string }>(
    `select least(r.people[1], r.people[2]) as one, greatest(r.people[1], r.people[2]) as two, count(*) as times
     from rounds_standing r join classes c on c.school_id = r.school_id and c.id = r.class_id and c.deleted_at is null
     where r.school_id = $1 and r.class_id <> $2 and ($4::date is null or c.held_on >= $4)
       and ($3::uuid[] is null or (r.people[1] = any ($3) and r.people[2] = any ($3))) group by 1, 2`,
    [scope.schoolId, beforeClass, among, since],
  );
  return new Map(rows.map((row) => [`${row.one}|${row.two}`, Number(row.times)]));
}

/** The texts that classes up to today worked on, with the last day of each. */
export const listTrainedTexts = (db: Db, scope: Scope): Promise<TrainedText[]> =>
  db.query(
    `select r.text, c.held_on as date, r.side
     from rounds_standing r join classes c on c.school_id = r.school_id and c.id = r.class_id and c.deleted_at is null
     where r.school_id = $1 and r.text is not null and c.held_on <= ${TODAY}
     group by r.revision_id, r.text, c.held_on, r.side order by c.held_on desc limit 1000`,
    [scope.schoolId],
  );
