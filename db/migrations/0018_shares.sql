-- Up Migration
-- Links to more than a class: to its wall, to a drill, its card, or a ladder; names only where they were chosen.
alter table share_links
  alter column class_id drop not null,
  add column kind text not null default 'class' check (kind in ('class', 'wall', 'drill', 'card', 'ladder')),
  add column drill_id uuid,
  add column ladder_id uuid,
  add column names boolean not null default true,
  add foreign key (school_id, drill_id) references drills (school_id, id),
  add foreign key (school_id, ladder_id) references ladders (school_id, id),
  add check (num_nonnulls(class_id, drill_id, ladder_id) = 1);
create index share_links_by_drill on share_links (school_id, drill_id);
create index share_links_by_ladder on share_links (school_id, ladder_id);

-- Down Migration
delete from share_links where class_id is null;
alter table share_links drop column kind, drop column drill_id, drop column ladder_id, drop column names;
alter table share_links alter column class_id set not null;
