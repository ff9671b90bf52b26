-- Drills that the school keeps at hand.
alter table drills add column starred boolean not null default false;
