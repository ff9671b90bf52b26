-- A class that is deleted goes out of all lists and can be brought back.
alter table classes add column deleted_at timestamptz;
