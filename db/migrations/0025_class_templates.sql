-- Up Migration
-- Evenings as a school usually has them, by a name: when, how long, and how the minutes are shared out.
create table class_templates (
  school_id uuid not null references schools (id) on delete cascade,
  id uuid not null,
  name text not null,
  title text not null,
  theme text not null default '',
  -- ISO 8601: 1 is Monday.
  weekday smallint not null check (weekday between 1 and 7),
  starts_at time not null,
  minutes integer not null check (minutes between 5 and 480),
  ladder_id uuid,
  -- The clock and the blocks of its plan; null where it had none.
  shape jsonb,
  primary key (school_id, id),
  unique (school_id, name),
  foreign key (school_id, ladder_id) references ladders (school_id, id)
);
alter table classes
  add column template_id uuid,
  add foreign key (school_id, template_id) references class_templates (school_id, id) on delete set null (template_id);

-- Down Migration
alter table classes drop column template_id;
drop table class_templates;
