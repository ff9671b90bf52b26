-- Up Migration
-- Who signs in, on which device, and who let them in. Of tokens and codes only hashes are kept.

alter table accounts
  add column password_hash text,
  -- The password of an account of the demo club, which the sign-in page shows on the machine itself.
  add column shown_password text,
  -- Wrong passwords since the last right one, and until when none is tried any more.
  add column wrong_in_a_row integer not null default 0,
  add column closed_until timestamptz;

alter table memberships
  add column student_id uuid,
  add column created_at timestamptz not null default now(),
  add foreign key (school_id, student_id) references students (school_id, id);

-- Schools from before there was sign-in: whoever joined first is the owner.
update memberships m set role = 'owner'
where m.account_id = (select min(a.account_id::text)::uuid from memberships a where a.school_id = m.school_id)
  and not exists (select from memberships o where o.school_id = m.school_id and o.role = 'owner');

create table passkeys (
  -- The id of the credential as the browser says it, base64url.
  id text primary key,
  account_id uuid not null references accounts (id) on delete cascade,
  public_key bytea not null,
  counter bigint not null,
  transports text[] not null default '{}',
  name text not null,
  created_at timestamptz not null default now(),
  used_at timestamptz
);
create index passkeys_by_account on passkeys (account_id);

-- What a device must sign with its passkey next; each is asked once.
create table challenges (
  id uuid primary key,
  challenge text not null,
  account_id uuid references accounts (id) on delete cascade,
  ends_at timestamptz not null default now() + interval '5 minutes'
);

create table sessions (
  id uuid primary key,
  token_hash bytea not null unique,
  school_id uuid not null references schools (id),
  account_id uuid not null references accounts (id) on delete cascade,
  -- A tablet in the hall sees the floor and the wall of this class and nothing else.
  class_id uuid,
  device text not null,
  created_at timestamptz not null default now(),
  seen_at timestamptz not null default now(),
  -- Ends at this moment whatever happens, and after so long without a request.
  ends_at timestamptz not null,
  idle interval not null,
  foreign key (school_id, class_id) references classes (school_id, id) on delete cascade
);
create index sessions_by_account on sessions (account_id);
create index sessions_by_class on sessions (school_id, class_id);

-- Whoever holds one comes in once: by invitation, with a new password, as a tablet, as the owner from the terminal.
create table tickets (
  id uuid primary key,
  token_hash bytea not null unique,
  kind text not null check (kind in ('sign-in', 'invitation', 'password', 'tablet', 'school')),
  school_id uuid references schools (id),
  account_id uuid references accounts (id) on delete cascade,
  email text,
  role text check (role in ('owner', 'instructor', 'assistant', 'student')),
  student_id uuid,
  class_id uuid,
  created_at timestamptz not null default now(),
  ends_at timestamptz not null,
  used_at timestamptz,
  foreign key (school_id, student_id) references students (school_id, id),
  foreign key (school_id, class_id) references classes (school_id, id) on delete cascade,
  check (kind = 'school' or school_id is not null or kind = 'password')
);
create index tickets_by_school on tickets (school_id, kind, created_at desc);

-- What is or would be mailed.
create table letters (
  id uuid primary key,
  school_id uuid references schools (id),
  recipient text not null,
  subject text not null,
  body text not null,
  created_at timestamptz not null default now(),
  sent_at timestamptz
);
create index letters_by_school on letters (school_id, created_at desc);

-- Who changed what: the place and the kind of change, never what was typed.
create table changes (
  school_id uuid not null references schools (id),
  id bigint generated always as identity,
  at timestamptz not null default now(),
  account_id uuid,
  tablet boolean not null default false,
  place text not null,
  what text not null,
  subject uuid,
  primary key (school_id, id)
);
create index changes_by_time on changes (school_id, at desc);

-- Down Migration
drop table changes, letters, tickets, sessions, challenges, passkeys;
alter table memberships drop column student_id, drop column created_at;
alter table accounts drop column password_hash, drop column shown_password, drop column wrong_in_a_row, drop column closed_until;
