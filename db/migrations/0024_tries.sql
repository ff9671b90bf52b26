-- Up Migration
-- Tries at a door, each counted before it is looked at: by a hash of who is asked for and of where it comes from, whether
-- there is such an account or not.
create table tries (
  key bytea primary key,
  count integer not null,
  since timestamptz not null default now(),
  -- Until when nothing more is tried.
  closed_until timestamptz,
  touched_at timestamptz not null default now()
);
create index tries_by_age on tries (touched_at);

alter table accounts drop column wrong_in_a_row, drop column closed_until;

-- The address in a letter that waits is not readable in the database: what stands here is encrypted with a key that is
-- kept beside it. Letters of before lose theirs.
alter table letters add column secret bytea;
update letters set body = regexp_replace(body, 'https?://\S+/in/\S+', '(this address is over; ask for a new one)');
update tickets set used_at = now() where used_at is null and kind in ('password', 'invitation');

-- Down Migration
alter table letters drop column secret;
alter table accounts add column wrong_in_a_row integer not null default 0, add column closed_until timestamptz;
drop table tries;
