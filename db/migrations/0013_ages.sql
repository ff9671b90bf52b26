-- Of a minor, where it is known: how long a round is for them, and whom they work with.
alter table students add column ages text check (ages in ('4-6', '7-9', '10-12', '13-17'));
