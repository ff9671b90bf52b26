-- Up Migration
-- Of age or not: by date of birth, by what somebody has said, or by a band. What nobody has said is not known.
alter table students rename column minor to minor_said;
alter table students alter column minor_said drop default, alter column minor_said drop not null;
alter table students add column born date check (born > '1900-01-01'), add column falls boolean;
-- True stays true. False is kept where somebody has had that person's card in hand since: the others came in by a table
-- that may have said nothing of it.
update students set minor_said = null
where not minor_said and ages is null and version = 1
  and not exists (
    select from changes c where c.school_id = students.school_id and c.subject = students.id and c.place = '/people'
  );

-- Down Migration
update students set minor_said = false where minor_said is null;
alter table students drop column born, drop column falls;
alter table students alter column minor_said set default false, alter column minor_said set not null;
alter table students rename column minor_said to minor;
