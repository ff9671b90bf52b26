-- Up Migration
-- Devices on which somebody has signed in: of the token that a device carries only the hash is kept.
create table known_devices (
  account_id uuid not null references accounts (id) on delete cascade,
  token_hash bytea not null,
  seen_at timestamptz not null default now(),
  primary key (account_id, token_hash)
);

-- Down Migration
drop table known_devices;
