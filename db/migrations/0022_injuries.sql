-- Up Migration
-- After a blow to the head: who said that they may have contact again, and on which day; and the evening itself.
alter table incidents
  add column doctor text not null default '' check (length(doctor) <= 120),
  add column guardian text not null default '' check (length(guardian) <= 120),
  add column said_on date,
  -- Who stays with them, and who they go home with: nobody is left or sent home alone after a blow to the head.
  add column stays_with text not null default '' check (length(stays_with) <= 120),
  add column home_with text not null default '' check (length(home_with) <= 120);
create index incidents_not_cleared on incidents (school_id, student_id) where place = 'head' and cleared_at is null;

-- What whoever runs a class has on their card, and the adults of a class with minors.
alter table schools
  add column first_aid text not null default '' check (length(first_aid) <= 200),
  add column address text not null default '' check (length(address) <= 300);
create table class_adults (
  school_id uuid not null,
  class_id uuid not null,
  -- Names: not everybody who helps has an account.
  first text not null check (length(first) between 1 and 80),
  -- Empty: the first one is alone, which somebody has said and confirmed.
  second text not null default '' check (length(second) <= 80),
  first_aider text not null default '' check (length(first_aider) <= 80),
  collects text not null default '' check (length(collects) <= 200),
  said_by uuid,
  said_at timestamptz not null default now(),
  version integer not null default 1,
  primary key (school_id, class_id),
  foreign key (school_id, class_id) references classes (school_id, id)
);
-- Who may run a class of minors, by local rules: others are not offered as its adults.
alter table memberships add column minors_cleared boolean not null default false;

-- Down Migration
alter table memberships drop column minors_cleared;
drop table class_adults;
alter table schools drop column first_aid, drop column address;
drop index incidents_not_cleared;
alter table incidents drop column doctor, drop column guardian, drop column said_on, drop column stays_with, drop column home_with;
