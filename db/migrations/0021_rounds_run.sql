-- Up Migration
-- What was run: a row for each pair of a round that has started. Rows are only ever added. The pairs of a plan are its
-- draft; planning again replaces them and touches nothing here.
create table rounds_run (
  school_id uuid not null,
  id uuid not null,
  -- All pairs of one start of a round share it.
  run uuid not null,
  class_id uuid not null,
  -- Place among the rounds of the evening, from 0, and how often the clock had begun it by then.
  round integer not null check (round >= 0),
  times integer not null default 1 check (times >= 1),
  -- Of the pair among those of its round, from 1.
  place integer not null check (place >= 1),
  -- What B answered, and what A answered where that was another rung.
  revision_id uuid not null,
  back_revision_id uuid,
  text text not null,
  side text check (side in ('left', 'right')),
  -- A, B and C in this order.
  people uuid[] not null check (cardinality(people) between 2 and 3),
  -- Seconds of each by id: {"ID": {"feeds": 90, "answers": 90}}; null: not known.
  roles jsonb,
  -- Null: not known.
  started timestamptz,
  -- clock: it ran by the floor's clock; paper: an instructor wrote it down (their account, where it is of this machine);
  -- before: from before this table.
  source text not null check (source in ('clock', 'paper', 'before')),
  account_id uuid,
  written_at timestamptz not null default now(),
  primary key (school_id, id),
  foreign key (school_id, class_id) references classes (school_id, id),
  foreign key (school_id, revision_id) references revisions (school_id, id),
  foreign key (school_id, back_revision_id) references revisions (school_id, id)
);
create index rounds_run_by_class on rounds_run (school_id, class_id, round, place);
create index rounds_run_by_revision on rounds_run (school_id, revision_id);
create index rounds_run_by_person on rounds_run using gin (people);

create table round_ends (
  school_id uuid not null,
  run uuid not null,
  class_id uuid not null,
  ended timestamptz not null,
  -- At work, without pauses.
  seconds integer not null check (seconds >= 0),
  primary key (school_id, run),
  foreign key (school_id, class_id) references classes (school_id, id)
);

-- A start that does not stand any more, with the reason: the clock went back, two changed places in the middle of it and
-- it stands again with them, or somebody says that it was not run.
create table round_corrections (
  school_id uuid not null,
  run uuid not null,
  class_id uuid not null,
  why text not null check (why in ('back', 'swap', 'taken back')),
  at timestamptz not null default now(),
  account_id uuid,
  primary key (school_id, run),
  foreign key (school_id, class_id) references classes (school_id, id)
);

create function refuse_rewriting() returns trigger language plpgsql as $$
begin
  if current_setting('vicissor.erasing', true) = 'on' then
    return case when tg_op = 'UPDATE' then new else old end;
  end if;
  raise exception '% is only added to: what was run is corrected by new rows', tg_table_name using errcode = '42501';
end
$$;
create trigger rounds_run_stay before update or delete on rounds_run for each row execute function refuse_rewriting();
create trigger round_ends_stay before update or delete on round_ends for each row execute function refuse_rewriting();
create trigger round_corrections_stay before update or delete on round_corrections
  for each row execute function refuse_rewriting();
create trigger rounds_run_whole before truncate on rounds_run for each statement execute function refuse_rewriting();
create trigger round_ends_whole before truncate on round_ends for each statement execute function refuse_rewriting();
create trigger round_corrections_whole before truncate on round_corrections
  for each statement execute function refuse_rewriting();

-- The starts that stand.
create view rounds_standing as
  select r.*, e.ended, e.seconds
  from rounds_run r left join round_ends e on e.school_id = r.school_id and e.run = r.run
  where not exists (select from round_corrections c where c.school_id = r.school_id and c.run = r.run);

-- Of the draft: what A answers where that is another rung, and the place of the round in the evening, from 0.
alter table pairs add column back_revision_id uuid, add column at integer check (at >= 0), alter column ran set default false,
  add foreign key (school_id, back_revision_id) references revisions (school_id, id);

-- An answer of somebody who only held or fed in that round, and the like: kept and shown, but nothing is reckoned from
-- it. Null: not looked at yet.
alter table marks add column doubtful boolean;

-- A tap from outside the hours of its class is kept and asked about; it moves no clock until somebody says it is right.
alter table floor_taps add column within boolean not null default true;

-- What an instructor is asked of the floor: a tap from outside the hours, several rounds that one tap wrote at once.
create table floor_questions (
  school_id uuid not null,
  id uuid not null,
  class_id uuid not null,
  kind text not null check (kind in ('hours', 'rounds')),
  tap_id uuid not null,
  -- Of several rounds the first and the last, from 0.
  from_round integer,
  to_round integer,
  asked_at timestamptz not null default now(),
  answer text check (answer in ('yes', 'no')),
  answered_at timestamptz,
  answered_by uuid,
  -- Of the answer, among the taps and marks of the class: devices hear of it like of these.
  seq bigint,
  primary key (school_id, id),
  unique (school_id, tap_id, kind),
  foreign key (school_id, class_id) references classes (school_id, id),
  foreign key (school_id, tap_id) references floor_taps (school_id, id),
  check ((kind = 'rounds') = (from_round is not null and to_round is not null))
);
create index floor_questions_by_class on floor_questions (school_id, class_id);
create trigger floor_questions_told after insert or update on floor_questions for each row execute function tell_floor();

-- Takes what was run before there was this table out of the draft, for one school. What was lost stays unknown: when, for
-- how long, and who did what. Archives of those days come in by it too.
create function take_over_rounds(school uuid) returns void language sql as $$
  insert into rounds_run (school_id, id, run, class_id, round, place, revision_id, text, side, people, source)
  select school, id, md5(class_id::text || ' ' || round)::uuid, class_id, round, place, revision_id, text, side, people, 'before'
  from (
    select p.id, b.class_id, p.revision_id, v.text, p.side, p.ran,
      array_remove(array[p.student_a, p.student_b, p.student_c], null) as people,
      (dense_rank() over (partition by b.class_id order by b.position, p.round) - 1)::int as round,
      row_number() over (partition by b.id, p.round order by p.position, p.id) as place
    from pairs p
      join blocks b on b.school_id = p.school_id and b.id = p.block_id
      join revisions v on v.school_id = p.school_id and v.id = p.revision_id
    where p.school_id = school
  ) known
  where ran
$$;
select take_over_rounds(id) from schools;

-- Down Migration
drop table floor_questions;
alter table floor_taps drop column within;
alter table marks drop column doubtful;
alter table pairs drop column back_revision_id, drop column at, alter column ran set default true;
drop view rounds_standing;
drop table round_corrections, round_ends, rounds_run;
drop function take_over_rounds, refuse_rewriting;
