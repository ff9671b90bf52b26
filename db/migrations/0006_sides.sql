-- Up Migration
-- Which lead was in front in a planned round, and whether the round was run.
alter table pairs
  add column side text check (side in ('left', 'right')),
  add column ran boolean not null default true;

-- Down Migration
alter table pairs drop column side, drop column ran;
