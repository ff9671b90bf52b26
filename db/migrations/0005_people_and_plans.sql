-- Up Migration
-- Level by family of drill (1 new to 5), what was agreed in as few words as are needed, and a day
-- after which a limit no longer holds.
alter table students
  add column levels jsonb not null default '{}',
  add column agreed text not null default '' check (length(agreed) <= 400),
  add column limits_until date,
  add column erased_at timestamptz;

-- Who should work together, be kept apart, or is a minor who may work with that adult.
create table wishes (
  school_id uuid not null,
  one uuid not null,
  two uuid not null,
  kind text not null check (kind in ('apart', 'together', 'agreed')),
  primary key (school_id, one, two, kind),
  check (one < two),
  foreign key (school_id, one) references students (school_id, id),
  foreign key (school_id, two) references students (school_id, id)
);

-- Rounds of the evening, from 0: who comes late, who leaves early.
alter table attendance
  add column from_round integer not null default 0 check (from_round >= 0),
  add column until_round integer check (until_round > from_round);

alter table classes
  add column theme text not null default '',
  add column starts_at time not null default '19:00',
  add column ladder_id uuid,
  add column plan jsonb,
  add foreign key (school_id, ladder_id) references ladders (school_id, id);

-- Down Migration
alter table classes drop column theme, drop column starts_at, drop column ladder_id, drop column plan;
alter table attendance drop column from_round, drop column until_round;
drop table wishes;
alter table students drop column levels, drop column agreed, drop column limits_until, drop column erased_at;
