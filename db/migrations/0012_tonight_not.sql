-- What somebody leaves out on one evening, said at arrival without a reason; gone with the person.
alter table attendance add column tonight_not text[] not null default '{}';
