/** The running class: taps and marks as they come in, and those since a place in their order. */
import type { Tap, Tapped } from "#core/floor/running.ts";
import type { Mark } from "#core/floor/marks.ts";
import type { KeptPlan, RoundsChanged } from "./classes.ts";
import { FINE } from "#core/floor/marks.ts";
import { addIncident, type NewIncident } from "./incidents.ts";
import { transaction, type Db } from "./pool.ts";
import { askAbout } from "./floor-questions.ts";
import { sitOut } from "./sit-out.ts";
import { recordRun, swapUnderWay, takeBack, writeOnPaper } from "./rounds-run.ts";
import type { Scope } from "./scope.ts";

/** Somebody cannot go on; what exactly was is in the incident. */
interface Hurt {
  readonly kind: "hurt";
  readonly person: string;
}
export type FloorTap = Tap | Hurt;

/** A tap as devices send it. */
interface SentTap {
  readonly id: string;
  /** ms of the server's clock. */
  readonly at: number;
  readonly tap: FloorTap;
}
export interface NewTap extends SentTap {
  /** It is from the hours of its class, or somebody has said that it is right: the clock goes by it. */
  readonly within: boolean;
}
export interface NewMark extends Mark {
  readonly revision: string | null;
}

export interface FloorItems {
  readonly taps: readonly SentTap[];
  readonly marks: readonly NewMark[];
  readonly incidents: readonly NewIncident[];
}

/** What happened after a place in the order of a class. */
export interface FloorNews {
  readonly seq: number;
  readonly taps: readonly (Omit<Tapped, "tap"> & { readonly tap: FloorTap })[];
  readonly marks: readonly Mark[];
  /** Version of the class: another one means that its plan may be another. */
  readonly version: number;
}

/** Marks (as `m`) that say how an answer or a feed was: in the room alone is not seen, and what is doubtful says nothing. */
export const SAYS = `m.mark not in ('none', '${FINE}') and m.doubtful is not true`;

/**
 * Takes in what devices send; what was sent before is there already and changes nothing. Writes down which rounds have
 * started and ended by `now` (ms) and asks about what an instructor should look at.
 */
export const addFloor = (
  scope: Scope,
  classId: string,
  { taps, marks, incidents }: Omit<FloorItems, "taps"> & { readonly taps: readonly NewTap[] },
  now: number,
): Promise<void> =>
  transaction(async (tx) => {
    // One after the other in a class: numbers are handed out in the order of the commits.
    await tx.query(`select pg_advisory_xact_lock(hashtextextended($1, 0))`, [classId]);
    const started = await recordRun(tx, scope, classId, now);
    const fresh: NewTap[] = [];
    for (const one of taps) if (await addTap(tx, scope, classId, one)) fresh.push(one);
    for (const incident of incidents) await addIncident(tx, scope, classId, incident);
    const { rounds, done } = await recordRun(tx, scope, classId, now);
    // The injured sit out, whatever becomes of the rest of the plan.
    const people = incidents.map(({ student_id }) => student_id);
    if (people.length > 0) await sitOut(tx, scope, classId, { people, from: rounds });
    await askAbout(tx, scope, classId, { fresh, before: started.rounds, after: rounds });
    for (const mark of marks) await addMark(tx, scope, classId, mark);
    await setRun(tx, scope, classId, done);
  });

/** False where it is there already. */
async function addTap(tx: Db, scope: Scope, classId: string, { id, at, tap, within }: NewTap): Promise<boolean> {
  const rows = await tx.query(
    `insert into floor_taps (school_id, id, class_id, at, tap, within, account_id)
     values ($1, $2, $3, to_timestamp($4::double precision / 1000), $5, $6, $7) on conflict do nothing returning id`,
    [scope.schoolId, id, classId, at, JSON.stringify(tap), within, scope.accountId],
  );
  return rows.length > 0;
}

/**
 * What was seen of somebody; twice the same is once, and nobody of another school is marked. Where the round was run and
 * they did not have that role in it, it is doubtful.
 */
export async function addMark(tx: Db, scope: Scope, classId: string, mark: NewMark): Promise<void> {
  await tx.query(
    `insert into marks (school_id, id, class_id, at, round, student_id, revision_id, role, mark, words, corrects, account_id,
       doubtful)
     select $1, $2, $3, to_timestamp($4::double precision / 1000), $5, s.id,
       (select r.id from revisions r where r.school_id = $1 and r.id = $7), $8, $9, $10, $11, $12,
       exists (select from rounds_standing rs where rs.school_id = $1 and rs.class_id = $3 and rs.round = $5
         and (rs.roles -> s.id::text ->> $8)::int = 0)
     from students s where s.school_id = $1 and s.id = $6 on conflict do nothing`,
    [
      scope.schoolId,
      mark.id,
      classId,
      mark.at,
      mark.round,
      mark.person,
      mark.revision,
      mark.role,
      mark.mark,
      mark.text,
      mark.corrects,
      scope.accountId,
    ],
  );
}

const MS = "(extract(epoch from at) * 1000)::float8";

/** What came in after `since`; 0: all of it. Null where the class is not there. */
export async function floorSince(db: Db, scope: Scope, classId: string, since: number): Promise<FloorNews | null> {
  const [row] = await db.query<{ version: number; taps: FloorNews["taps"]; marks: readonly Mark[]; seq: string }>(
    `with t as (
       select greatest(f.seq, q.seq) as seq, json_build_object('id', f.id, 'at', ${MS}, 'tap', tap) as item
       from floor_taps f left join floor_questions q on q.school_id = $1 and q.tap_id = f.id and q.kind = 'hours'
       where f.school_id = $1 and f.class_id = $2 and greatest(f.seq, q.seq) > $3 and (f.within or q.answer = 'yes')
     ), m as (
       select seq, json_build_object('id', id, 'round', round, 'person', student_id, 'role', role, 'mark', mark,
         'text', words, 'corrects', corrects, 'at', ${MS}) as item
       from marks where school_id = $1 and class_id = $2 and seq > $3
     )
     select c.version,
       coalesce((select json_agg(item order by seq) from t), '[]') as taps,
       coalesce((select json_agg(item order by seq) from m), '[]') as marks,
       greatest((select max(seq) from t), (select max(seq) from m), $3) as seq
     from classes c where c.school_id = $1 and c.id = $2 and c.deleted_at is null`,
    [scope.schoolId, classId, since],
  );
  return row ? { version: row.version, taps: row.taps, marks: row.marks, seq: Number(row.seq) } : null;
}

/**
 * Says in the plan how many of its rounds were run. That time has passed is nobody's change: the version stays, and whoever
 * changes the plan meanwhile is asked about what ran by `changeRounds`.
 */
async function setRun(tx: Db, scope: Scope, classId: string, done: number): Promise<void> {
  const [row] = await tx.query<{ plan: KeptPlan | null }>(
    `select plan from classes where school_id = $1 and id = $2 for update`,
    [scope.schoolId, classId],
  );
  if (!row?.plan || row.plan.done === done) return;
  await tx.query(`update classes set plan = $3 where school_id = $1 and id = $2`, [
    scope.schoolId,
    classId,
    JSON.stringify(withDone(row.plan, done)),
  ]);
}

/** A plan whose first rounds were run. */
function withDone(kept: KeptPlan, done: number): KeptPlan {
  const rounds = kept.plan.rounds.map((round, i) => ({ ...round, done: i < done }));
  return { ...kept, done: Math.min(done, rounds.length), plan: { ...kept.plan, rounds } };
}

/** What an instructor says of the rounds of a plan. */
export type SaidOfRounds =
  { readonly kind: "done"; readonly rounds: number } | { readonly kind: "taken back"; readonly from: number };

/**
 * Writes down what an instructor says was run, or was not. It is believed of a class that is over as well: an evening on
 * paper comes in the next day.
 */
export const sayRun = (
  scope: Scope,
  classId: string,
  baseVersion: number,
  said: SaidOfRounds,
): Promise<RoundsChanged> =>
  transaction(async (tx): Promise<RoundsChanged> => {
    const [row] = await tx.query<{ version: number; plan: KeptPlan | null }>(
      `select version, plan from classes where school_id = $1 and id = $2 for update`,
      [scope.schoolId, classId],
    );
    if (!row?.plan) return { kind: "gone" };
    if (row.version !== baseVersion) return { kind: "stale" };
    await recordRun(tx, scope, classId, Date.now());
    if (said.kind === "done") await writeOnPaper(tx, scope, classId, { rounds: said.rounds, kept: row.plan });
    else await takeBack(tx, scope, classId, { from: said.from });
    const { done } = await recordRun(tx, scope, classId, Date.now());
    await setRun(tx, scope, classId, done);
    const [after] = await tx.query<{ version: number }>(
      `update classes set version = $3 where school_id = $1 and id = $2 returning version`,
      [scope.schoolId, classId, baseVersion + 1],
    );
    return { kind: "saved", version: after!.version };
  });

/** Two people take each other's place in the round under way, whose pairs are given; null where it is not under way. */
export const swapNow = (
  scope: Scope,
  classId: string,
  {
    round,
    one,
    two,
    pairs,
  }: {
    readonly round: number;
    readonly one: string;
    readonly two: string;
    readonly pairs: KeptPlan["plan"]["rounds"][number]["pairs"];
  },
): Promise<"swapped" | null> =>
  transaction(async (tx) => {
    await recordRun(tx, scope, classId, Date.now());
    const [row] = await tx.query<{ plan: KeptPlan | null }>(
      `select plan from classes where school_id = $1 and id = $2 for update`,
      [scope.schoolId, classId],
    );
    if (!row?.plan) return null;
    const rounds = row.plan.plan.rounds.map((planned, i) => (i === round ? { ...planned, pairs } : planned));
    const kept: KeptPlan = { ...row.plan, plan: { ...row.plan.plan, rounds } };
    const seat = (name: string) =>
      `case student_${name} when $4::uuid then $5::uuid when $5 then $4 else student_${name} end`;
    await tx.query(
      `update pairs set student_a = ${seat("a")}, student_b = ${seat("b")}, student_c = ${seat("c")}
       where school_id = $1 and at = $3 and block_id in (select id from blocks where school_id = $1 and class_id = $2)`,
      [scope.schoolId, classId, round, one, two],
    );
    if (!(await swapUnderWay(tx, scope, classId, { round, kept }))) throw new NotUnderWay();
    await tx.query(`update classes set plan = $3, version = version + 1 where school_id = $1 and id = $2`, [
      scope.schoolId,
      classId,
      JSON.stringify(kept),
    ]);
    return "swapped" as const;
  }).catch((error: unknown) => {
    if (error instanceof NotUnderWay) return null;
    throw error;
  });

/** Takes back a swap that was begun. */
class NotUnderWay extends Error {}

/** Writes down what has started and ended in a class by now, and says so in its plan. Gives how many have started. */
export const recordClass = (scope: Scope, classId: string, now: number): Promise<number> =>
  transaction(async (tx) => {
    const { rounds, done } = await recordRun(tx, scope, classId, now);
    await setRun(tx, scope, classId, done);
    return rounds;
  });
