-- Words by which a school finds its drills again.
alter table drills add column tags text[] not null default '{}';
create index drills_by_tag on drills using gin (tags);
