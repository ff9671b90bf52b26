/** The log: every round that was run, with who, what, side and what was seen. */
import { FINE, type MarkRole } from "#core/floor/marks.ts";
import { TODAY } from "./classes.ts";
import { SAYS } from "./floor.ts";
import type { Db } from "./pool.ts";
import type { RunPair } from "./rounds-run.ts";
import type { Scope } from "./scope.ts";

export interface LogMark {
  readonly id: string;
  readonly person: string;
  readonly role: MarkRole;
  readonly mark: string;
  readonly words: string;
  /** It cannot be what it says: they did not have that role in the round. Nothing is reckoned from it. */
  readonly doubtful: boolean;
  /** ms. */
  readonly at: number;
}
export interface LogRow {
  readonly class_id: string;
  /** `2026-11-25` */
  readonly day: string;
  readonly class: string;
  /** Place among the rounds of the evening, from 0. */
  readonly round: number;
  readonly drill_id: string;
  readonly drill: string;
  readonly revision_id: string;
  /** Family of the drill, and its load. */
  readonly kind: string;
  readonly load: number;
  /** The lead that was in front; null in rounds of before it was kept. */
  readonly side: "left" | "right" | null;
  /** A, B and C in this order. */
  readonly people: readonly string[];
  /** Seconds of each as feeder and as answerer; null: not known. */
  readonly roles: RunPair["roles"];
  /** ms; null: not known. */
  readonly started: number | null;
  /** At work without pauses; null: not known, or still under way. */
  readonly seconds: number | null;
  /** clock: by the floor's clock; paper: written down by an instructor; before: from before that was kept. */
  readonly source: RunPair["source"];
  readonly marks: readonly LogMark[];
}

export interface LogFilter {
  /** Words that the name of the drill or of the class holds. */
  readonly words: string;
  readonly person: string | null;
  /** Days, both included; null: no bound. */
  readonly from: string | null;
  readonly to: string | null;
  /** all; `seen`: with a mark; `open`: with a mark that is not clean. */
  readonly marks: "all" | "seen" | "open";
}
export const EVERYTHING: LogFilter = { words: "", person: null, from: null, to: null, marks: "all" };

/** Rounds newest first; as many as asked for, from a place on. */
export const listLog = (
  db: Db,
  scope: Scope,
  filter: LogFilter,
  { limit, offset }: { readonly limit: number; readonly offset: number },
): Promise<LogRow[]> =>
  db.query<LogRow>(
    `with rounds as (
       select c.id as class_id, c.held_on as day, c.title as class, r.side, r.revision_id, r.people, r.round,
         r.place as position, r.roles, r.started, r.seconds, r.source
       from classes c join rounds_standing r on r.school_id = c.school_id and r.class_id = c.id
       where c.school_id = $1 and c.deleted_at is null and c.held_on <= ${TODAY}
         and ($4::date is null or c.held_on >= $4) and ($5::date is null or c.held_on <= $5)
         and ($9::int is null or c.id in (
           select k.id from classes k where k.school_id = $1 and k.deleted_at is null and k.held_on <= ${TODAY}
             and exists (select 1 from rounds_run kr where kr.school_id = $1 and kr.class_id = k.id)
           order by k.held_on desc, k.id limit $9))
     ), standing as (
       select m.* from marks m where m.school_id = $1 and m.mark <> 'none'
         and not exists (select 1 from marks later where later.school_id = $1 and later.corrects = m.id)
     ), seen as (
       select r.*, coalesce((
         select jsonb_agg(jsonb_build_object('id', m.id, 'person', m.student_id, 'role', m.role, 'mark', m.mark, 'words', m.words, 'doubtful', coalesce(m.doubtful, false),
           'at', (extract(epoch from m.at) * 1000)::float8) order by m.seq)
         from standing m where m.class_id = r.class_id and m.round = r.round and m.student_id = any(r.people)), '[]') as marks
       from rounds r where $3::uuid is null or $3 = any(r.people)
     )
     select s.class_id, s.day, s.class, s.round, d.id as drill_id, d.title as drill, s.revision_id, v.kind, v.load_total as load, s.side, s.people, s.roles,
       (extract(epoch from s.started) * 1000)::float8 as started, s.seconds, s.source, s.marks
     from seen s join revisions v on v.school_id = $1 and v.id = s.revision_id
       join drills d on d.school_id = $1 and d.id = v.drill_id
     where ($2 = '' or d.title ilike '%' || $2 || '%' or s.class ilike '%' || $2 || '%')
       and ($6 = 'all' or ($6 = 'seen' and s.marks <> '[]')
         or ($6 = 'open' and s.marks @? '$[*] ? (@.mark != "clean" && @.mark != "${FINE}" && @.doubtful == false)'))
     order by s.day desc, s.class_id, s.round desc, s.position limit $7 offset $8`,
    [
      scope.schoolId,
      likeText(filter.words),
      filter.person,
      filter.from,
      filter.to,
      filter.marks,
      limit,
      offset,
      classesFor(filter, limit + offset),
    ],
  );

/** Classes without a round that was run, among the newest. */
const SPARE = 50;

/** Of a log that is not filtered the newest classes are enough: each with something in it has a row; null: all are looked at. */
const classesFor = ({ words, person, from, to, marks }: LogFilter, rows: number): number | null =>
  words === "" && person === null && from === null && to === null && marks === "all" ? rows + SPARE : null;

/** Signs that mean something in a pattern stand for themselves. */
const likeText = (text: string): string => text.replace(/[\\%_]/g, (sign) => `\\${sign}`);

/** A ladder on a day on which it was trained, and what was seen of its answers. */
interface LadderDay {
  readonly ladder_id: string;
  readonly title: string;
  readonly day: string;
  readonly clean: number;
  readonly seen: number;
}

export const ladderDays = (db: Db, scope: Scope): Promise<LadderDay[]> =>
  db.query<LadderDay>(
    `with seen as (
       select m.class_id, m.revision_id, count(*) filter (where m.mark = 'clean') as clean, count(*) as seen
       from marks m where m.school_id = $1 and m.role = 'answers' and ${SAYS}
         and not exists (select 1 from marks later where later.school_id = $1 and later.corrects = m.id)
       group by 1, 2
     ), days as (
       select distinct lr.ladder_id, c.id as class_id, c.held_on as day, r.revision_id
       from ladder_rungs lr join rounds_standing r on r.school_id = $1 and r.revision_id = lr.revision_id
         join classes c on c.school_id = $1 and c.id = r.class_id and c.deleted_at is null
       where lr.school_id = $1 and c.held_on <= ${TODAY}
     )
     select l.id as ladder_id, l.title, d.day, coalesce(sum(s.clean), 0)::int as clean, coalesce(sum(s.seen), 0)::int as seen
     from days d join ladders l on l.school_id = $1 and l.id = d.ladder_id
       left join seen s on s.class_id = d.class_id and s.revision_id = d.revision_id
     group by l.id, l.title, d.day order by d.day, l.id limit 5000`,
    [scope.schoolId],
  );
