/** The next class in one click, against a database. */
import { randomUUID } from "node:crypto";
import { NOBODY } from "#core/people/testing.ts";
import { defaultSchool } from "#core/policy/school.ts";
import { ladderFor } from "#server/drills/grow-ladder.ts";
import { dueLadders, nextClass, weekAfter } from "#server/classes/next-class.ts";
import { revisionInput } from "#server/drills/revision-input.ts";
import { listPresence, setPresence } from "./attendance.ts";
import { createClass, getClass } from "./classes.ts";
import { createDrill } from "./drills.ts";
import { listRungs } from "./ladders.ts";
import { insertStudents } from "./people.ts";
import { closePool, db } from "./pool.ts";
import { newSchool, trainBlock } from "./testing.ts";
import type { Scope } from "./scope.ts";

let scope: Scope;
beforeEach(async () => {
  scope = await newSchool();
});
afterAll(closePool);

async function ladder(title: string, row: string): Promise<string> {
  const id = randomUUID();
  const text = `title: ${title}\ntempo: 40%\n\n${row}\n`;
  await createDrill(scope, { id, input: revisionInput(randomUUID(), text, defaultSchool()), lineage: null });
  const made = await ladderFor(scope, id);
  if (!("id" in made)) throw new Error(made.message);
  return made.id;
}
async function trained(day: string, ladderId: string, people: readonly string[]): Promise<string> {
  const [rung] = await listRungs(db, scope, ladderId);
  const id = randomUUID();
  await createClass(db, scope, { id, held_on: day, title: "Thursday", minutes: 75 });
  for (const student_id of people) await setPresence(db, scope, id, { student_id, from_round: 1, until_round: 3 });
  const pair = { id: randomUUID(), round: 1, a: people[0]!, b: people[1]!, c: null, revisionId: rung!.revision_id };
  await trainBlock(scope, id, {
    ...{ id: randomUUID(), position: 1, drillId: rung!.drill_id, minutes: 10 },
    pairs: [{ ...pair, why: "", side: "left" }],
  });
  return id;
}

test("a week is added until the day is not past", () => {
  expect(weekAfter("2026-11-26", "2026-11-28")).toBe("2026-12-03");
  expect(weekAfter("2026-11-05", "2026-11-28")).toBe("2026-12-03");
  expect(weekAfter("2026-12-31", "2026-12-31")).toBe("2027-01-07");
  // A week later may be today.
  expect(weekAfter("2026-11-21", "2026-11-28")).toBe("2026-11-28");
});
test("takes the theme that was not trained for longest, the same people, and says why", async () => {
  const people = [randomUUID(), randomUUID()];
  await insertStudents(
    scope,
    people.map((id, i) => ({ ...NOBODY, id, name: `P${i}` })),
  );
  const [jab, hook] = [
    await ladder("Jab", "A jab -> B slip out, cross"),
    await ladder("Hook", "A lead hook -> B weave, cross"),
  ];
  await trained("2026-01-08", hook, people);
  const last = await trained("2026-03-05", jab, people);
  const made = await nextClass(scope, null);
  if (!("id" in made)) throw new Error(made.message);
  const found = (await getClass(db, scope, made.id))!;
  expect(found).toMatchObject({ title: "Thursday", minutes: 75, ladder_id: hook });
  expect(found.theme).toMatch(
    /^Hook, for an evening: due on 2026-01-\d\d: last on 2026-01-08, nobody noted how it went$/,
  );
  expect(new Date(found.held_on).getUTCDay()).toBe(new Date("2026-03-05").getUTCDay());
  const here = await listPresence(db, scope, made.id);
  expect(here.map(({ student_id, from_round }) => [student_id, from_round]).sort()).toEqual(
    people.map((id) => [id, 0]).sort(),
  );
  expect(last).not.toBe(made.id);
});
test("without any class there is nothing to follow, and that is said", async () => {
  expect(await nextClass(scope, null)).toMatchObject({ message: expect.stringMatching(/Add the first one/) as string });
});
test("what is due comes in order, what was never trained last, and any of them can be taken instead", async () => {
  const people = [randomUUID()];
  await insertStudents(
    scope,
    people.map((id) => ({ ...NOBODY, id, name: "P" })),
  );
  const [jab, hook, kick] = [
    await ladder("Jab", "A jab -> B slip out, cross"),
    await ladder("Hook", "A lead hook -> B weave, cross"),
    await ladder("Kick", "A rear low kick -> B shin check"),
  ];
  await trained("2026-03-05", jab, [people[0]!, people[0]!]);
  await trained("2026-01-08", hook, [people[0]!, people[0]!]);
  expect((await dueLadders(scope)).map(({ id, last }) => [id, last])).toEqual([
    [hook, "2026-01-08"],
    [jab, "2026-03-05"],
    [kick, null],
  ]);
  const made = await nextClass(scope, kick);
  if (!("id" in made)) throw new Error(made.message);
  expect(await getClass(db, scope, made.id)).toMatchObject({
    ladder_id: kick,
    theme: expect.stringMatching(/: nothing of it was trained yet$/) as string,
  });
  expect(await nextClass(scope, randomUUID())).toMatchObject({ kind: "refused" });
});
