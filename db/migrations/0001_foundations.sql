-- Up Migration
-- Every row belongs to a school; foreign keys carry (school_id, id), so rows of two schools can never be joined.

create table schools (
  id uuid primary key,
  name text not null,
  settings jsonb not null default '{}',
  version integer not null default 1,
  created_at timestamptz not null default now()
);

create table accounts (
  id uuid primary key,
  name text not null,
  email text not null unique,
  created_at timestamptz not null default now()
);

create table memberships (
  school_id uuid not null references schools (id),
  account_id uuid not null references accounts (id),
  role text not null check (role in ('owner', 'instructor', 'assistant', 'student')),
  primary key (school_id, account_id)
);

create table students (
  school_id uuid not null references schools (id),
  id uuid not null,
  name text not null,
  height_cm numeric(5, 1) check (height_cm between 90 and 230),
  reach_cm numeric(5, 1) check (reach_cm between 80 and 240),
  mass_kg numeric(5, 1) check (mass_kg between 15 and 220),
  lead text not null default 'left' check (lead in ('left', 'right')),
  hand text not null default 'right' check (hand in ('left', 'right')),
  minor boolean not null default false,
  limits text[] not null default '{}',
  archived_at timestamptz,
  version integer not null default 1,
  primary key (school_id, id)
);

create table gear (
  school_id uuid not null references schools (id),
  kind text not null,
  count integer not null check (count >= 0),
  primary key (school_id, kind)
);

create table drills (
  school_id uuid not null references schools (id),
  id uuid not null,
  title text not null,
  -- Number of the newest revision; the version column that guards against silent overwrites.
  version integer not null,
  author_id uuid references accounts (id),
  created_at timestamptz not null default now(),
  updated_at timestamptz not null default now(),
  deleted_at timestamptz,
  primary key (school_id, id)
);

create table revisions (
  school_id uuid not null,
  id uuid not null,
  drill_id uuid not null,
  number integer not null,
  text text not null,
  author_id uuid references accounts (id),
  created_at timestamptz not null default now(),
  -- What the checker made of it, and which vocabulary and model it was.
  vocabulary_version text not null,
  model_version text not null,
  verdict text not null check (verdict in ('sound', 'risky', 'broken')),
  load_total numeric(8, 2) not null,
  kind text not null,
  summary jsonb not null default '{}',
  primary key (school_id, id),
  foreign key (school_id, drill_id) references drills (school_id, id),
  unique (school_id, drill_id, number)
);

-- Identity of the lines of a revision, carried over by a diff of the lines: a log entry
-- (revision + exchange id) stays true after edits.
create table revision_exchanges (
  school_id uuid not null,
  revision_id uuid not null,
  exchange_id uuid not null,
  row_index integer not null,
  row_text text not null,
  primary key (school_id, revision_id, exchange_id),
  foreign key (school_id, revision_id) references revisions (school_id, id)
);

create table lineage (
  school_id uuid not null,
  drill_id uuid not null,
  parent_revision_id uuid not null,
  operator text not null,
  parameters jsonb not null default '{}',
  seed bigint,
  changed text not null,
  primary key (school_id, drill_id),
  foreign key (school_id, drill_id) references drills (school_id, id),
  foreign key (school_id, parent_revision_id) references revisions (school_id, id)
);

create table classes (
  school_id uuid not null references schools (id),
  id uuid not null,
  held_on date not null,
  title text not null,
  minutes integer not null check (minutes between 5 and 480),
  version integer not null default 1,
  primary key (school_id, id)
);

create table attendance (
  school_id uuid not null,
  class_id uuid not null,
  student_id uuid not null,
  primary key (school_id, class_id, student_id),
  foreign key (school_id, class_id) references classes (school_id, id),
  foreign key (school_id, student_id) references students (school_id, id)
);

create table blocks (
  school_id uuid not null,
  id uuid not null,
  class_id uuid not null,
  position integer not null,
  minutes integer not null check (minutes between 1 and 120),
  drill_id uuid not null,
  primary key (school_id, id),
  foreign key (school_id, class_id) references classes (school_id, id),
  foreign key (school_id, drill_id) references drills (school_id, id)
);

create table pairs (
  school_id uuid not null,
  id uuid not null,
  block_id uuid not null,
  round integer not null,
  position integer not null,
  student_a uuid not null,
  student_b uuid not null,
  student_c uuid,
  -- Which revision this pair had.
  revision_id uuid not null,
  why text not null default '',
  primary key (school_id, id),
  foreign key (school_id, block_id) references blocks (school_id, id),
  foreign key (school_id, student_a) references students (school_id, id),
  foreign key (school_id, student_b) references students (school_id, id),
  foreign key (school_id, student_c) references students (school_id, id),
  foreign key (school_id, revision_id) references revisions (school_id, id)
);

create index revisions_by_drill on revisions (school_id, drill_id, number desc);
create index pairs_by_block on pairs (school_id, block_id, round, position);
create index blocks_by_class on blocks (school_id, class_id, position);
create index classes_by_date on classes (school_id, held_on desc);

-- Down Migration
drop table pairs, blocks, attendance, classes, lineage, revision_exchanges, revisions, drills, gear, students, memberships, accounts, schools;
