-- Up Migration
-- One version of all that a verdict rests on: data and model are one thing, and what was stored before is judged again.
alter table revisions drop column vocabulary_version;
alter table revisions alter column model_version set default '';

-- Down Migration
alter table revisions add column vocabulary_version text not null default '';
