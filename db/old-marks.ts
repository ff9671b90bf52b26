/** Marks from before roles were kept with what ran: which of them can be what they say. */
import type { Db } from "./pool.ts";

/** An answer that was marked, with what is known of the round that it is about. */
export interface OldMark {
  readonly school_id: string;
  readonly id: string;
  /** The one who fed or held first in that round: A. */
  readonly is_first: boolean;
  readonly text: string;
  readonly people: number;
  /** Length of the round and of a role in it as the plan had them, s; null: there was no plan. */
  readonly round: number | null;
  readonly change: number | null;
}

/** Answers that nobody has looked at yet and whose round is known from before; at most so many. */
export const listOldAnswers = (db: Db, most: number): Promise<OldMark[]> =>
  db.query<OldMark>(
    `select m.school_id, m.id, r.people[1] = m.student_id as is_first, r.text, cardinality(r.people) as people,
       (c.plan -> 'clock' ->> 'round')::int as round,
       coalesce(c.plan -> 'plan' -> 'rounds' -> m.round ->> 'change', c.plan -> 'clock' ->> 'change')::int as change
     from marks m
       join rounds_run r on r.school_id = m.school_id and r.class_id = m.class_id and r.round = m.round
         and r.source = 'before' and m.student_id = any (r.people)
       join classes c on c.school_id = m.school_id and c.id = m.class_id
     where m.doubtful is null and m.role = 'answers' order by m.school_id, m.id limit $1`,
    [most],
  );

/** Says of some marks whether they are doubtful. */
export const setDoubtful = (
  db: Db,
  marks: readonly Pick<OldMark, "school_id" | "id">[],
  is: "doubtful" | "as they say",
): Promise<unknown> =>
  db.query(
    `update marks m set doubtful = $3 from unnest($1::uuid[], $2::uuid[]) as one (school_id, id)
     where m.school_id = one.school_id and m.id = one.id`,
    [marks.map(({ school_id }) => school_id), marks.map(({ id }) => id), is === "doubtful"],
  );

/** All others of before: nothing speaks against them. */
export const leaveTheRest = (db: Db): Promise<unknown> =>
  db.query(`update marks set doubtful = false where doubtful is null`);

/** What the taking over of rounds has come to. */
interface TakenOver {
  readonly pairs: number;
  readonly rounds: number;
  /** Pairs that were planned for classes of the past, and of which nobody ever said that they were run. */
  readonly never: number;
}
export async function takenOver(db: Db): Promise<TakenOver> {
  const [row] = await db.query<TakenOver & Record<string, unknown>>(
    `select (select count(*)::int from rounds_run where source = 'before') as pairs,
       (select count(distinct (school_id, run))::int from rounds_run where source = 'before') as rounds,
       (select count(*)::int from pairs p join blocks b on b.school_id = p.school_id and b.id = p.block_id
          join classes c on c.school_id = b.school_id and c.id = b.class_id
        where not p.ran and p.at is null and c.held_on < school_today(c.school_id)) as never`,
  );
  return row!;
}
