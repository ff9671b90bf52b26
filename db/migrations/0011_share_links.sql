-- Links that show one class on a phone without signing in: each has an end, and can be taken back before it.
create table share_links (
  school_id uuid not null references schools (id),
  id uuid not null unique,
  class_id uuid not null,
  created_at timestamptz not null default now(),
  expires_at timestamptz not null,
  revoked_at timestamptz,
  primary key (school_id, id),
  foreign key (school_id, class_id) references classes (school_id, id) on delete cascade
);
create index share_links_by_class on share_links (school_id, class_id);

-- With what a school signs its links.
create table share_secrets (
  school_id uuid primary key references schools (id),
  secret bytea not null
);
