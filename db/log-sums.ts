/** The log added up: by week, by theme and side, by person, by partner; and what was seen of answers, for the estimates. */
import { TODAY } from "./classes.ts";
import { SAYS } from "./floor.ts";
import type { Db } from "./pool.ts";
import type { Scope } from "./scope.ts";

/** Rounds of one person: how many, how many of them were seen clean, and how many not clean; the others nobody saw. */
export interface Tally {
  readonly rounds: number;
  readonly clean: number;
  readonly open: number;
}
interface WeekTally extends Tally {
  /** Monday of the week, `2026-11-23`. */
  readonly week: string;
}
export interface ThemeTally extends Tally {
  /** Drill that they come from, or the ladder they are a rung of. */
  readonly theme: string;
  readonly side: "left" | "right" | null;
  /** The last day, `2026-11-25`. */
  readonly last: string;
}
interface PersonTally extends Tally {
  readonly person: string;
}
interface PartnerTally extends Tally {
  readonly partner: string;
}
export interface LogSums {
  readonly weeks: readonly WeekTally[];
  readonly themes: readonly ThemeTally[];
  readonly people: readonly PersonTally[];
  readonly partners: readonly PartnerTally[];
  /** What was not clean, and how often, the most frequent first. */
  readonly faults: readonly { readonly mark: string; readonly words: string; readonly times: number }[];
  readonly evenings: number;
}

export interface SumsAsked {
  /** One person alone; null: everybody. */
  readonly person: string | null;
  /** Days, both included; null: no bound. */
  readonly from: string | null;
  readonly to: string | null;
}

/** Every round of every person: what it was on, and what stands of what was seen of their answers. */
const WORKED = `rounds as (
    select c.id as class_id, c.held_on as day, r.side, r.revision_id, r.people, r.round
    from classes c join rounds_standing r on r.school_id = c.school_id and r.class_id = c.id
    where c.school_id = $1 and c.deleted_at is null and c.held_on <= ${TODAY}
      and ($3::date is null or c.held_on >= $3) and ($4::date is null or c.held_on <= $4)
      and ($2::uuid is null or r.people @> array[$2::uuid])
  ), standing as (
    select m.class_id, m.round, m.student_id, m.mark, m.words from marks m
    where m.school_id = $1 and m.role = 'answers' and ${SAYS} and m.class_id in (select class_id from rounds)
      and not exists (select 1 from marks later where later.school_id = $1 and later.corrects = m.id)
  ), worked as (
    select r.class_id, r.day, r.round, r.side, r.people, r.revision_id, who.person
    from rounds r cross join unnest(r.people) as who (person)
    where $2::uuid is null or who.person = $2
  ), said as (
    select class_id, round, student_id as person, count(*) as seen, count(*) filter (where mark <> 'clean') as open
    from standing where $2::uuid is null or student_id = $2 group by 1, 2, 3
  ), told as (
    select w.*, coalesce(s.seen, 0) > 0 and s.open = 0 as clean, coalesce(s.open, 0) > 0 as open
    from worked w left join said s on s.class_id = w.class_id and s.round = w.round and s.person = w.person
  )`;
const TALLY = `count(*)::int as rounds, (count(*) filter (where clean))::int as clean, (count(*) filter (where open))::int as open`;
/** A rung is of the theme of the first ladder that it came into, any other drill is of its own. */
const THEMES = `themes as (
    select v.id as revision_id, coalesce(first.title, d.title) as theme
    from revisions v join drills d on d.school_id = $1 and d.id = v.drill_id
      left join (
        select distinct on (lr.revision_id) lr.revision_id, l.title
        from ladder_rungs lr join ladders l on l.school_id = $1 and l.id = lr.ladder_id
        where lr.school_id = $1 order by lr.revision_id, l.created_at, l.id
      ) first on first.revision_id = v.id
    where v.school_id = $1 and v.id in (select revision_id from rounds)
  )`;

type Row = Tally & {
  readonly week: string | null;
  readonly theme: string | null;
  readonly side: "left" | "right" | null;
  readonly person: string | null;
  readonly last: string;
  /** Which of the groups it is. */
  readonly of: number;
  readonly evenings: number;
};
/** Bits of `grouping(week, theme, person)`: those that are not grouped by are set. */
const GROUP = { week: 0b011, theme: 0b101, person: 0b110, all: 0b111 } as const;

export async function logSums(db: Db, scope: Scope, { person, from, to }: SumsAsked): Promise<LogSums> {
  const given = [scope.schoolId, person, from, to];
  const [rows, partners, faults] = await Promise.all([
    db.query<Row>(
      `with ${WORKED}, ${THEMES}, themed as (
         select told.*, date_trunc('week', told.day)::date::text as week, themes.theme
         from told join themes using (revision_id)
       )
       select week, theme, side, person, max(day)::text as last, ${TALLY}, count(distinct class_id)::int as evenings,
         grouping(week, theme, person) as of
       from themed group by grouping sets ((week), (theme, side), (person), ())
       order by of, week, theme, side, rounds desc`,
      given,
    ),
    person === null
      ? []
      : db.query<PartnerTally>(
          `with ${WORKED}
           select other.partner, ${TALLY} from told cross join unnest(told.people) as other (partner)
           where other.partner <> told.person group by 1 order by rounds desc, partner limit 200`,
          given,
        ),
    db.query<{ mark: string; words: string; times: number }>(
      `with ${WORKED}
       select s.mark, s.words, count(*)::int as times from told t
         join standing s on s.class_id = t.class_id and s.round = t.round and s.student_id = t.person
       where s.mark <> 'clean' group by 1, 2 order by times desc, s.mark, s.words limit 40`,
      given,
    ),
  ]);
  const group = (of: number) => rows.filter((row) => row.of === of);
  const tally = ({ rounds, clean, open }: Row): Tally => ({ rounds, clean, open });
  return {
    weeks: group(GROUP.week).map((row) => ({ week: row.week!, ...tally(row) })),
    themes: group(GROUP.theme).map((row) => ({ theme: row.theme!, side: row.side, last: row.last, ...tally(row) })),
    people: group(GROUP.person).map((row) => ({ person: row.person!, ...tally(row) })),
    partners,
    faults,
    evenings: group(GROUP.all)[0]?.evenings ?? 0,
  };
}

/** An answer that was seen on a rung. */
export interface SeenAnswer {
  readonly person: string;
  readonly revision: string;
  /** Family of the drill, and its load. */
  readonly kind: string;
  readonly load: number;
  readonly mark: string;
  /** ms. */
  readonly at: number;
}

/** The newest answers that were seen, newest first; those that met a bad feed say nothing of who answered. */
export const seenAnswers = (db: Db, scope: Scope, most: number): Promise<SeenAnswer[]> =>
  db.query<SeenAnswer>(
    `with newest as (
       select m.* from marks m where m.school_id = $1 and m.role = 'answers' and ${SAYS}
         and m.revision_id is not null
         and not exists (select 1 from marks later where later.school_id = $1 and later.corrects = m.id)
       order by m.at desc, m.id limit $2
     ), feeds as (
       select f.class_id, f.round, f.student_id from marks f
       where f.school_id = $1 and f.role = 'feeds' and f.mark <> 'none' and f.doubtful is not true
         and not exists (select 1 from marks later where later.school_id = $1 and later.corrects = f.id)
     ), rounds as (
       select r.class_id, r.people, r.round from rounds_standing r
       where r.school_id = $1 and r.class_id in (select class_id from feeds)
     ), spoilt as (
       select r.class_id, r.round, who.person from feeds f
         join rounds r on r.class_id = f.class_id and r.round = f.round and f.student_id = any (r.people)
         cross join unnest(r.people) as who (person) where who.person <> f.student_id
     )
     select m.student_id as person, m.revision_id as revision, v.kind, v.load_total as load, m.mark,
       (extract(epoch from m.at) * 1000)::float8 as at
     from newest m join revisions v on v.school_id = $1 and v.id = m.revision_id
       join classes c on c.school_id = $1 and c.id = m.class_id and c.deleted_at is null
     where not exists (select 1 from spoilt s where s.class_id = m.class_id and s.round = m.round and s.person = m.student_id)
     order by m.at desc, m.id`,
    [scope.schoolId, most],
  );

/** The drills that somebody has trained, the latest first, at most fifty. */
export const drillsOf = (
  db: Db,
  scope: Scope,
  person: string,
): Promise<{ id: string; title: string; last: string }[]> =>
  db.query(
    `select d.id, d.title, max(c.held_on) as last
     from rounds_standing t join classes c on c.school_id = t.school_id and c.id = t.class_id and c.deleted_at is null
       join revisions r on r.school_id = t.school_id and r.id = t.revision_id
       join drills d on d.school_id = r.school_id and d.id = r.drill_id
     where t.school_id = $1 and t.people @> array[$2::uuid] and d.deleted_at is null and c.held_on <= ${TODAY}
     group by d.id, d.title order by last desc, d.title limit 50`,
    [scope.schoolId, person],
  );

/** What got through in a class: whom, and on what they worked; null: not known. */
export const gotThrough = (
  db: Db,
  scope: Scope,
  classId: string,
): Promise<{ person: string; revision: string | null }[]> =>
  db.query(
    `select m.student_id as person, m.revision_id as revision from marks m
     where m.school_id = $1 and m.class_id = $2 and m.role = 'answers' and m.mark = 'hit' and m.doubtful is not true
       and not exists (select 1 from marks later where later.school_id = $1 and later.corrects = m.id)`,
    [scope.schoolId, classId],
  );
