/**
 * What was run. A round is written down when it has started, with its pairs, rungs, side and roles as they were then, and
 * stays so: rows are only added, and a correction is a row as well. The pairs of a plan (`pairs`) are its draft.
 */
import { randomUUID } from "node:crypto";
import { roleSeconds, type RoleSeconds } from "#core/class/role-seconds.ts";
import { playedAt, type Played, type Tapped } from "#core/floor/running.ts";
import { timeline } from "#core/floor/timeline.ts";
import type { KeptPlan } from "./classes.ts";
import type { Db } from "./pool.ts";
import type { Scope } from "./scope.ts";

/** Why a start does not stand any more. */
type Why = "back" | "swap" | "taken back";

/** One start of a round, with whether and why it does not stand any more. */
interface Run {
  readonly run: string;
  readonly round: number;
  readonly times: number;
  readonly source: "clock" | "paper" | "before";
  readonly corrected: Why | null;
  readonly ended: boolean;
}

const runsOf = (db: Db, scope: Scope, classId: string): Promise<Run[]> =>
  db.query<Run>(
    `select distinct r.run, r.round, r.times, r.source, c.why as corrected, e.run is not null as ended
     from rounds_run r
       left join round_corrections c on c.school_id = r.school_id and c.run = r.run
       left join round_ends e on e.school_id = r.school_id and e.run = r.run
     where r.school_id = $1 and r.class_id = $2 order by r.round, r.times`,
    [scope.schoolId, classId],
  );

/** How far a class has come: rounds that have started, and those of them that are over. */
interface Far {
  readonly rounds: number;
  readonly done: number;
}

async function farOf(db: Db, scope: Scope, classId: string): Promise<Far> {
  const [row] = await db.query<{ rounds: number; done: number }>(
    `select coalesce(max(round) + 1, 0)::int as rounds,
       coalesce(max(round) filter (where ended is not null or source <> 'clock') + 1, 0)::int as done
     from rounds_standing where school_id = $1 and class_id = $2`,
    [scope.schoolId, classId],
  );
  return row!;
}

/** A pair of a round that was run. */
export interface RunPair {
  readonly round: number;
  readonly people: readonly string[];
  readonly revision_id: string | null;
  readonly back_revision_id: string | null;
  readonly side: "left" | "right" | null;
  readonly roles: Readonly<Record<string, RoleSeconds>> | null;
  readonly source: Run["source"];
}

/** The pairs of the rounds of a class that stand, in order. */
export const listRunPairs = (db: Db, scope: Scope, classId: string): Promise<RunPair[]> =>
  db.query<RunPair>(
    `select round, people, revision_id, back_revision_id, side, roles, source
     from rounds_standing where school_id = $1 and class_id = $2 order by round, place`,
    [scope.schoolId, classId],
  );

/** A start that is to be written: of which round, when, and what is known of the roles in it. */
interface NewRun {
  readonly run: string;
  readonly round: number;
  readonly times: number;
  /** ms; null: not known. */
  readonly started: number | null;
  readonly source: "clock" | "paper";
  /** By A's id and B's: a pair is known by the two. */
  readonly roles: Readonly<Record<string, Readonly<Record<string, RoleSeconds>>>>;
}

/** Writes the pairs of the draft of a round as run. */
async function insertRun(tx: Db, scope: Scope, classId: string, one: NewRun): Promise<void> {
  await tx.query(
    `with draft as (
       select p.student_a, p.student_b, p.student_c, p.revision_id, p.back_revision_id, p.side,
         coalesce(p.at, dense_rank() over (order by b.position, p.round) - 1)::int as round,
         row_number() over (partition by b.id, p.round order by p.position, p.id) as place
       from pairs p join blocks b on b.school_id = p.school_id and b.id = p.block_id
       where p.school_id = $1 and b.class_id = $2
     )
     insert into rounds_run (school_id, id, run, class_id, round, times, place, revision_id, back_revision_id, text, side,
       people, roles, started, source, account_id)
     select $1, gen_random_uuid(), $3, $2, d.round, $5, d.place, d.revision_id, d.back_revision_id, v.text, d.side,
       array_remove(array[d.student_a, d.student_b, d.student_c], null), $6::jsonb -> (d.student_a || ' ' || d.student_b),
       to_timestamp($7::double precision / 1000), $8, $9
     from draft d join revisions v on v.school_id = $1 and v.id = d.revision_id
     where d.round = $4`,
    [
      scope.schoolId,
      classId,
      one.run,
      one.round,
      one.times,
      JSON.stringify(one.roles),
      one.started,
      one.source,
      scope.accountId,
    ],
  );
}

const insertEnd = (
  tx: Db,
  scope: Scope,
  classId: string,
  { run, ended, worked }: { readonly run: string; readonly ended: number; readonly worked: number },
): Promise<unknown> =>
  tx.query(
    `insert into round_ends (school_id, run, class_id, ended, seconds)
     values ($1, $2, $3, to_timestamp($4::double precision / 1000), $5) on conflict do nothing`,
    [scope.schoolId, run, classId, ended, Math.round(worked / 1000)],
  );

const insertCorrection = (
  tx: Db,
  scope: Scope,
  classId: string,
  { run, why }: { readonly run: string; readonly why: Why },
): Promise<unknown> =>
  tx.query(
    `insert into round_corrections (school_id, run, class_id, why, account_id) values ($1, $2, $3, $4, $5)
     on conflict do nothing`,
    [scope.schoolId, run, classId, why, scope.accountId],
  );

/** Who did what for how long in a round of a plan, by the two of each pair. */
function rolesIn({ plan, clock }: KeptPlan, round: number): NewRun["roles"] {
  const planned = plan.rounds[round];
  const own = plan.blocks.find(({ id }) => id === planned?.block)?.clock ?? clock;
  const times = { round: own.round, change: planned?.change ?? own.change };
  return Object.fromEntries((planned?.pairs ?? []).map((pair) => [`${pair.a} ${pair.b}`, roleSeconds(pair, times)]));
}

/** The taps that move the clock of a class: those of its hours, and others that somebody says are right. */
export const clockTapsOf = (db: Db, scope: Scope, classId: string): Promise<Tapped[]> =>
  db.query<Tapped & Record<string, unknown>>(
    `select t.id, (extract(epoch from t.at) * 1000)::float8 as at, t.tap
     from floor_taps t
       left join floor_questions q on q.school_id = t.school_id and q.tap_id = t.id and q.kind = 'hours'
     where t.school_id = $1 and t.class_id = $2 and t.tap ->> 'kind' <> 'hurt' and (t.within or q.answer = 'yes')`,
    [scope.schoolId, classId],
  );

/**
 * Writes down which rounds of a class have started and ended by `now` (ms), in a transaction that holds the class. Gives
 * how far it has come. Called before anything of the plan is replaced: a round can start while nobody taps.
 */
export async function recordRun(tx: Db, scope: Scope, classId: string, now: number): Promise<Far> {
  const [row] = await tx.query<{ plan: KeptPlan | null }>(
    `select plan from classes where school_id = $1 and id = $2 for update`,
    [scope.schoolId, classId],
  );
  const taps = row?.plan ? await clockTapsOf(tx, scope, classId) : [];
  if (!row?.plan || taps.length === 0) return farOf(tx, scope, classId);
  const played = playedAt(timeline(row.plan.plan, row.plan.clock), taps, now);
  const runs = await runsOf(tx, scope, classId);
  await takeOutGoneBack(tx, scope, classId, { runs, played });
  for (const one of played) {
    const known = runs.find(
      ({ round, times, corrected }) =>
        round === one.round && times >= one.times && (corrected ?? "taken back") === "taken back",
    );
    // Somebody said that it was not run: the clock does not know better.
    if (known?.corrected) continue;
    const run = known?.run ?? randomUUID();
    if (!known)
      await insertRun(tx, scope, classId, {
        ...{ run, round: one.round, times: one.times, started: one.started, source: "clock" },
        roles: rolesIn(row.plan, one.round),
      });
    if (one.ended !== null && !known?.ended)
      await insertEnd(tx, scope, classId, { run, ended: one.ended, worked: one.worked ?? 0 });
  }
  return farOf(tx, scope, classId);
}

/** Rounds that the clock went back behind, or begins again, do not stand any more. */
async function takeOutGoneBack(
  tx: Db,
  scope: Scope,
  classId: string,
  { runs, played }: { readonly runs: readonly Run[]; readonly played: readonly Played[] },
): Promise<void> {
  for (const { run, round, times, source, corrected } of runs) {
    if (source !== "clock" || corrected) continue;
    const now = played.find((one) => one.round === round);
    if (!now || now.times > times) await insertCorrection(tx, scope, classId, { run, why: "back" });
  }
}

/** An instructor says that the rounds of a plan were run up to `rounds`; those that stand already stay as they are. */
export async function writeOnPaper(
  tx: Db,
  scope: Scope,
  classId: string,
  { rounds, kept }: { readonly rounds: number; readonly kept: KeptPlan | null },
): Promise<void> {
  const runs = await runsOf(tx, scope, classId);
  for (let round = 0; round < rounds; round++) {
    const own = runs.filter((one) => one.round === round);
    if (own.some(({ corrected }) => corrected === null)) continue;
    await insertRun(tx, scope, classId, {
      ...{ run: randomUUID(), round, times: own.length + 1, started: null, source: "paper" },
      roles: kept ? rolesIn(kept, round) : {},
    });
  }
}

/** An instructor says that the rounds from one on, to another one or the last, were not run after all. */
export async function takeBack(
  tx: Db,
  scope: Scope,
  classId: string,
  { from, to = Infinity }: { readonly from: number; readonly to?: number },
): Promise<void> {
  for (const { run, round, corrected } of await runsOf(tx, scope, classId))
    if (round >= from && round <= to && corrected === null)
      await insertCorrection(tx, scope, classId, { run, why: "taken back" });
}

/**
 * Two change places in the round that is under way: its start is corrected, and stands again with the pairs of the draft as
 * they are now. False where that round is not under way.
 */
export async function swapUnderWay(
  tx: Db,
  scope: Scope,
  classId: string,
  { round, kept }: { readonly round: number; readonly kept: KeptPlan },
): Promise<boolean> {
  const [now] = await tx.query<{ run: string; times: number; started: number }>(
    `select run, times, (extract(epoch from started) * 1000)::float8 as started from rounds_standing
     where school_id = $1 and class_id = $2 and round = $3 and ended is null and source = 'clock' limit 1`,
    [scope.schoolId, classId, round],
  );
  if (!now) return false;
  await insertCorrection(tx, scope, classId, { run: now.run, why: "swap" });
  await insertRun(tx, scope, classId, {
    ...now,
    run: randomUUID(),
    round,
    source: "clock",
    roles: rolesIn(kept, round),
  });
  return true;
}
