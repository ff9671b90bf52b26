-- Up Migration
-- Each school has one clock: its zone says which day it is there and when its classes begin.
alter table schools add column zone text;
-- Schools from before had the clock of the database server.
update schools set zone = coalesce(
  (select name from pg_timezone_names where name = current_setting('TimeZone') and name ~ '^([A-Z][A-Za-z_]+/|UTC$)'),
  'UTC');
alter table schools alter column zone set default 'UTC', alter column zone set not null;

create function is_zone(zone text) returns boolean language sql stable as
  $$ select exists (select from pg_timezone_names where name = zone) $$;

-- The day that the school's clock shows.
create function school_today(school uuid) returns date language sql stable as
  $$ select (now() at time zone zone)::date from schools where id = school $$;

-- The instant at which a class begins.
create function class_begins(school uuid, day date, begins time) returns timestamptz language sql stable as
  $$ select (day + begins) at time zone zone from schools where id = school $$;

-- Down Migration
drop function class_begins, school_today, is_zone;
alter table schools drop column zone;
