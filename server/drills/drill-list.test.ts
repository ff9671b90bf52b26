/** A long list of drills is filtered, sorted, folded and cut by the server as the screen does with a short one. */
import { randomUUID } from "node:crypto";
import { createDrill } from "#db/drills.ts";
import { closePool, db } from "#db/pool.ts";
import { newSchool } from "#db/testing.ts";
import { defaultSchool } from "#core/policy/school.ts";
import { drillListPage } from "./drill-list.ts";
import { revisionInput } from "./revision-input.ts";

afterAll(closePool);

const asked = (search: string) => new URLSearchParams(search);

test("a short list is sent whole; of a long one a hundred rows, by what is asked for", async () => {
  const scope = await newSchool();
  const id = randomUUID();
  const input = revisionInput(randomUUID(), "title: Zebra\nA jab -> B parry\n", defaultSchool());
  await createDrill(scope, { id, input, lineage: null });
  expect(await drillListPage(scope, asked("q=nothing"))).toMatchObject({ part: null, drills: [{ id }] });
  // Copies of it, made as a large school is (scripts/large-school.sql); every second one is made from the first.
  await db.query(
    `insert into drills (school_id, id, title, version, tags)
     select $1::uuid, md5($1::uuid::text || n)::uuid, 'Copy ' || lpad(n::text, 4, '0'), 1, array['all'] from generate_series(1, 600) n`,
    [scope.schoolId],
  );
  await db.query(
    `insert into revisions (school_id, id, drill_id, number, text, model_version, verdict, load_total, kind, summary)
     select r.school_id, md5('r' || d.id)::uuid, d.id, 1, r.text, r.model_version,
       case when d.title < 'Copy 0004' then 'broken' else r.verdict end, r.load_total, r.kind, r.summary
     from drills d, revisions r where d.school_id = $1 and d.id <> $2 and r.school_id = $1 and r.drill_id = $2`,
    [scope.schoolId, id],
  );
  await db.query(
    `insert into lineage (school_id, drill_id, parent_revision_id, operator, changed)
     select $1::uuid, d.id, $2::uuid, 'start', 'a rung' from drills d where d.school_id = $1 and right(d.title, 1) in ('1', '3', '5', '7', '9')`,
    [scope.schoolId, input.id],
  );
  // As the server does by itself, a minute after so many rows have come at once.
  await db.query("analyze drills, revisions, lineage");
  const first = await drillListPage(scope, asked(""));
  // 300 that stand for themselves, and the first with 300 below it.
  expect(first.part).toMatchObject({ rows: 301, tags: ["all"] });
  expect(first.drills).toHaveLength(100);
  const last = await drillListPage(scope, asked("down=yes"));
  expect(last.drills).toHaveLength(400);
  expect((await drillListPage(scope, asked("shown=200"))).drills).toHaveLength(200);
  const broken = await drillListPage(scope, asked("verdict=broken"));
  expect(broken.drills.map(({ title }) => title).sort()).toEqual(["Copy 0001", "Copy 0002", "Copy 0003"]);
  expect((await drillListPage(scope, asked("q=zebra"))).drills.map((one) => one.id)).toEqual([id]);
  // By a move in their rows all are found.
  expect((await drillListPage(scope, asked("q=parry"))).part!.rows).toBe(601);
  expect((await drillListPage(await newSchool(), asked("q=parry"))).drills).toEqual([]);
});
