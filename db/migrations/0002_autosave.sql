-- Up Migration
-- A revision saved by itself while somebody typed: the next save of the same person takes its place.
alter table revisions add column auto boolean not null default false;

-- Down Migration
alter table revisions drop column auto;
