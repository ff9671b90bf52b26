-- A made-up school of a size: 10,000 drills (copies of those of the demo club), 5,000 people, ten years of classes with
-- their rounds and what was seen. Its id is the setting large.school; the demo club must be loaded.
-- Random, but the same each time.
select setseed(0.5);

insert into schools (id, name) values (current_setting('large.school')::uuid, 'A large school');

insert into students (school_id, id, name, height_cm, mass_kg, minor, ages, levels)
select current_setting('large.school')::uuid, md5('student ' || n)::uuid, 'Person ' || n, 140 + n % 60, 40 + n % 70,
  n % 4 = 0, case when n % 4 = 0 then '13-17' end, jsonb_build_object('feeder', 1 + n % 5)
from generate_series(1, 5000) n;
-- Most have left over the years.
update students set archived_at = now() where school_id = current_setting('large.school')::uuid and random() < 0.9;

create temporary table demo on commit drop as
select row_number() over (order by d.id) - 1 as place, d.title, v.text, v.verdict, v.load_total, v.kind, v.summary, v.model_version
from drills d join revisions v on v.school_id = d.school_id and v.drill_id = d.id and v.number = d.version
where d.school_id = current_setting('large.demo')::uuid;

insert into drills (school_id, id, title, version, tags)
select current_setting('large.school')::uuid, md5('drill ' || n)::uuid, demo.title || ' ' || n, 1, array['year ' || n % 10]
from generate_series(1, 10000) n join demo on demo.place = n % (select count(*) from demo);
insert into revisions (school_id, id, drill_id, number, text, model_version, verdict, load_total, kind, summary)
select current_setting('large.school')::uuid, md5('revision ' || n)::uuid, md5('drill ' || n)::uuid, 1, demo.text,
  demo.model_version, demo.verdict, demo.load_total, demo.kind, demo.summary
from generate_series(1, 10000) n join demo on demo.place = n % (select count(*) from demo);
-- Two of three are rungs of the others.
insert into lineage (school_id, drill_id, parent_revision_id, operator, changed)
select current_setting('large.school')::uuid, md5('drill ' || n)::uuid, md5('revision ' || (n - n % 3))::uuid, 'start', 'a rung'
from generate_series(4, 10000) n where n % 3 <> 0;
insert into ladders (school_id, id, drill_id, title)
select current_setting('large.school')::uuid, md5('ladder ' || n)::uuid, md5('drill ' || n * 3)::uuid, 'Ladder ' || n
from generate_series(1, 400) n;
insert into ladder_rungs (school_id, ladder_id, position, revision_id, changed)
select current_setting('large.school')::uuid, md5('ladder ' || n)::uuid, place, md5('revision ' || (n * 3 + place))::uuid, 'a rung'
from generate_series(1, 400) n cross join generate_series(0, 2) place;

-- Two evenings a week for ten years, 24 people each, three blocks of three rounds.
insert into classes (school_id, id, held_on, title, minutes, theme)
select current_setting('large.school')::uuid, md5('class ' || n)::uuid, current_date - 7 * (n / 2) - 3 * (n % 2), 'Evening ' || n, 90,
  'Theme ' || n % 40
from generate_series(0, 1039) n;
create temporary table here on commit drop as
select n, p, md5('student ' || (1 + (n * 7 + p * 13) % 5000))::uuid as student
from generate_series(0, 1039) n cross join generate_series(0, 23) p;
insert into attendance (school_id, class_id, student_id)
select distinct current_setting('large.school')::uuid, md5('class ' || n)::uuid, student from here;
insert into blocks (school_id, id, class_id, position, minutes, drill_id)
select current_setting('large.school')::uuid, md5('block ' || n || ' ' || b)::uuid, md5('class ' || n)::uuid, b, 20,
  md5('drill ' || (1 + (n + b) % 1200))::uuid
from generate_series(0, 1039) n cross join generate_series(1, 3) b;
insert into pairs (school_id, id, block_id, round, position, student_a, student_b, revision_id, side)
select current_setting('large.school')::uuid, md5('pair ' || one.n || ' ' || b || ' ' || r || ' ' || one.p)::uuid,
  md5('block ' || one.n || ' ' || b)::uuid, r, one.p, one.student, two.student, md5('revision ' || (1 + (one.n + b) % 1200))::uuid,
  case when (one.n + r) % 2 = 0 then 'left' else 'right' end
from here one cross join generate_series(1, 3) b cross join generate_series(1, 3) r
  join here two on two.n = one.n and two.p = 12 + (one.p + b + r) % 12
where one.p < 12;
insert into marks (school_id, id, class_id, at, round, student_id, revision_id, role, mark)
select current_setting('large.school')::uuid, md5('mark ' || n || ' ' || b || ' ' || r || ' ' || p)::uuid, md5('class ' || n)::uuid,
  current_date - 7 * (n / 2) + interval '20 hours', (b - 1) * 3 + r - 1, student, md5('revision ' || (1 + (n + b) % 1200))::uuid,
  'answers', case when random() < 0.8 then 'clean' else 'late' end
from here cross join generate_series(1, 3) b cross join generate_series(1, 3) r
where random() < 0.5;
