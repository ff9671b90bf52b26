/** Ladders in the library: which of them is made of a drill as it is now. */
import { randomUUID } from "node:crypto";
import { defaultSchool } from "#core/policy/school.ts";
import { revisionInput } from "#server/drills/revision-input.ts";
import { createDrill, getDrill, saveDrill } from "./drills.ts";
import { createLadder, listLadders, listRungs } from "./ladders.ts";
import { closePool, db } from "./pool.ts";
import { newSchool } from "./testing.ts";

afterAll(closePool);
const input = (text: string) => revisionInput(randomUUID(), text, defaultSchool());

test("a ladder is current until its drill is written otherwise; its rungs say what made them", async () => {
  const scope = await newSchool();
  const drillId = randomUUID();
  await createDrill(scope, { id: drillId, input: input("A jab -> B slip out, cross"), lineage: null });
  const { revision } = (await getDrill(db, scope, drillId))!;
  const rungs = ["start", "rows"].map((operator, i) => ({
    id: randomUUID(),
    input: input(`title: Rung ${i}\n\nA jab -> B slip out`),
    lineage: { parentRevisionId: revision.id, operator, parameters: {}, seed: null, changed: `Step ${i}` },
  }));
  const id = randomUUID();
  expect(await createLadder(scope, { id, drillId, title: "L" }, rungs)).toBe("made");
  expect(await listLadders(db, scope)).toEqual([{ id, drill_id: drillId, title: "L", rungs: 2, current: true }]);
  expect((await listRungs(db, scope, id)).map(({ operator, changed }) => [operator, changed])).toEqual([
    ["start", "Step 0"],
    ["rows", "Step 1"],
  ]);
  await saveDrill(scope, drillId, { baseVersion: 1, input: input("A jab -> B catch"), auto: false });
  expect((await listLadders(db, scope))[0]).toMatchObject({ id, rungs: 2, current: false });
  expect(await listLadders(db, await newSchool())).toEqual([]);
});
