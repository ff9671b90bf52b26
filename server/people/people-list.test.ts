/** A long list of people is filtered, sorted and cut by the server as the screen does with a short one. */
import { randomUUID } from "node:crypto";
import { insertStudents, setArchived } from "#db/people.ts";
import { closePool, db } from "#db/pool.ts";
import { member, newSchool } from "#db/testing.ts";
import { peopleListPage } from "./people-list.ts";

afterAll(closePool);

const asked = (search: string) => new URLSearchParams(search);

test("a short list is sent whole, and who is archived only where they are asked for", async () => {
  const scope = await newSchool();
  const [here, gone] = [member("Here"), member("Gone")];
  await insertStudents(scope, [here, gone]);
  await setArchived(db, scope, { id: gone.id, archived: true });
  expect(await peopleListPage(scope, asked("q=nothing"))).toMatchObject({
    ...{ part: "people", rows: null, asked: null },
    people: [{ name: "Here" }],
  });
  expect(await peopleListPage(scope, asked("part=archived"))).toMatchObject({ people: [{ name: "Gone" }] });
  expect(await peopleListPage(scope, asked(`person=${here.id}`))).toMatchObject({ asked: { name: "Here" } });
  // Another school's person, an id of nobody, and what is no id at all.
  const other = await newSchool();
  for (const id of [here.id, randomUUID(), "%27--"])
    expect(await peopleListPage(other, asked(`person=${id}`))).toMatchObject({ people: [], asked: null });
});

test("of a long one a hundred rows, by what is asked for, and whose card is asked for beside them", async () => {
  const scope = await newSchool();
  const people = Array.from({ length: 600 }, (_, i) => member(`Person ${String(i).padStart(3, "0")}`));
  await insertStudents(scope, people);
  const first = await peopleListPage(scope, asked(`person=${people[599]!.id}`));
  expect(first).toMatchObject({ rows: 600, asked: { name: "Person 599" } });
  expect(first.people).toHaveLength(100);
  expect((await peopleListPage(scope, asked("down=yes"))).people[0]!.name).toBe("Person 599");
  expect((await peopleListPage(scope, asked("shown=300"))).people).toHaveLength(300);
  expect(await peopleListPage(scope, asked("q=son+12"))).toMatchObject({ rows: 10, people: { length: 10 } });
});
