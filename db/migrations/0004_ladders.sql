-- Up Migration
-- A ladder that was taken into the library: its rungs in order, each a revision of a drill of its own.
create table ladders (
  school_id uuid not null references schools (id),
  id uuid not null,
  drill_id uuid not null,
  title text not null,
  created_at timestamptz not null default now(),
  primary key (school_id, id),
  foreign key (school_id, drill_id) references drills (school_id, id)
);

create table ladder_rungs (
  school_id uuid not null,
  ladder_id uuid not null,
  position integer not null,
  revision_id uuid not null,
  changed text not null,
  primary key (school_id, ladder_id, position),
  foreign key (school_id, ladder_id) references ladders (school_id, id),
  foreign key (school_id, revision_id) references revisions (school_id, id)
);

create index ladders_by_drill on ladders (school_id, drill_id, created_at desc);

-- Down Migration
drop table ladder_rungs, ladders;
