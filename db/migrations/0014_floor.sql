-- The running class: what was tapped, what was seen, and who was hurt. Rows are only ever added: what was run is never
-- changed in silence, and what is sent twice is kept once.
create sequence floor_seq;

create table floor_taps (
  school_id uuid not null,
  id uuid not null,
  class_id uuid not null,
  -- In the order in which rows of a class were committed: whoever has seen one has seen all before it.
  seq bigint not null default nextval('floor_seq'),
  -- The moment of the tap by the server's clock, as the device reckoned it.
  at timestamptz not null,
  tap jsonb not null,
  account_id uuid,
  received_at timestamptz not null default now(),
  primary key (school_id, id),
  foreign key (school_id, class_id) references classes (school_id, id)
);
create index floor_taps_by_class on floor_taps (school_id, class_id, seq);

create table marks (
  school_id uuid not null,
  id uuid not null,
  class_id uuid not null,
  seq bigint not null default nextval('floor_seq'),
  at timestamptz not null,
  -- Place among the rounds of the evening, from 0.
  round integer not null check (round >= 0),
  student_id uuid not null,
  -- What they worked on; null where it is not known any more.
  revision_id uuid,
  role text not null check (role in ('answers', 'feeds')),
  mark text not null check (length(mark) between 1 and 40),
  words text not null default '' check (length(words) <= 200),
  -- The mark that this one puts right.
  corrects uuid,
  account_id uuid,
  primary key (school_id, id),
  foreign key (school_id, class_id) references classes (school_id, id),
  foreign key (school_id, student_id) references students (school_id, id),
  foreign key (school_id, revision_id) references revisions (school_id, id),
  foreign key (school_id, corrects) references marks (school_id, id)
);
create index marks_by_class on marks (school_id, class_id, seq);
create index marks_by_student on marks (school_id, student_id, at);

-- Seen by instructors alone.
create table incidents (
  school_id uuid not null,
  id uuid not null,
  class_id uuid not null,
  student_id uuid not null,
  at timestamptz not null,
  place text not null check (place in ('head', 'blood', 'other')),
  round integer,
  what text not null default '' check (length(what) <= 1000),
  done text not null default '' check (length(done) <= 1000),
  told text not null default '' check (length(told) <= 200),
  parents boolean not null default false,
  -- After a blow to the head: until an adult in charge says so there is no contact.
  cleared_at timestamptz,
  cleared_by text not null default '' check (length(cleared_by) <= 120),
  version integer not null default 1,
  account_id uuid,
  primary key (school_id, id),
  foreign key (school_id, class_id) references classes (school_id, id),
  foreign key (school_id, student_id) references students (school_id, id)
);
create index incidents_by_student on incidents (school_id, student_id, at);

-- Whoever watches a class, on any server, is told that there is something new.
create function tell_floor() returns trigger language plpgsql as $$
begin
  perform pg_notify('floor', coalesce(to_jsonb(new) ->> 'class_id', to_jsonb(new) ->> 'id'));
  return null;
end
$$;
create trigger floor_taps_told after insert on floor_taps for each row execute function tell_floor();
create trigger marks_told after insert on marks for each row execute function tell_floor();
create trigger classes_told after update of plan, version on classes for each row execute function tell_floor();
