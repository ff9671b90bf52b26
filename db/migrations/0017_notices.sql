-- Up Migration
-- What whoever looks after the server should know, told to all schools on it: `standby gone`.
create table server_notices (
  kind text primary key,
  since timestamptz not null default now()
);

-- Down Migration
drop table server_notices;
