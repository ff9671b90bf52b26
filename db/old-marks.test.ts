/** A school from before what ran was kept by itself: what is taken over, what is not, and what is doubtful. */
import { randomUUID } from "node:crypto";
import { defaultSchool } from "#core/policy/school.ts";
import { NOBODY } from "#core/people/testing.ts";
import { isDoubtful } from "#server/learning/old-marks.ts";
import { revisionInput } from "#server/drills/revision-input.ts";
import { createClass, insertBlock } from "./classes.ts";
import { createDrill } from "./drills.ts";
import { EVERYTHING, listLog } from "./log.ts";
import { logSums, seenAnswers } from "./log-sums.ts";
import { listOldAnswers, setDoubtful } from "./old-marks.ts";
import { insertStudents } from "./people.ts";
import { closePool, db } from "./pool.ts";
import { newSchool } from "./testing.ts";

afterAll(closePool);
const PADS = "A: wears mitts\nB: wears gloves\n\nA hold pads -> B jab\n";
const BARE = "A jab -> B slip out\n";

test("who held pads for a whole round answered nothing; where roles changed within it both did", () => {
  const mark = { is_first: true, text: PADS, people: 2, round: 120, change: 120 };
  expect(isDoubtful(mark)).toBe(true);
  expect(isDoubtful({ ...mark, round: null, change: null })).toBe(true);
  expect(isDoubtful({ ...mark, change: 60 })).toBe(false);
  expect(isDoubtful({ ...mark, is_first: false })).toBe(false);
  expect(isDoubtful({ ...mark, people: 3 })).toBe(false);
  expect(isDoubtful({ ...mark, text: BARE, round: null, change: null })).toBe(false);
  expect(isDoubtful({ ...mark, text: "kind: sensitivity\n\nA push left chest -> B turn left\n" })).toBe(false);
});

test("rounds that were run are taken over with what is known of them, planned ones are not; doubtful answers count nowhere", async () => {
  const scope = await newSchool();
  const [ann, bo] = [randomUUID(), randomUUID()];
  await insertStudents(scope, [
    { ...NOBODY, id: ann, name: "Ann" },
    { ...NOBODY, id: bo, name: "Bo" },
  ]);
  const [drill, revision, lesson] = [randomUUID(), randomUUID(), randomUUID()];
  await createDrill(scope, { id: drill, input: revisionInput(revision, PADS, defaultSchool()), lineage: null });
  await createClass(db, scope, { id: lesson, held_on: "2026-03-04", title: "Evening", minutes: 60 });
  const pair = (round: number) => ({
    ...{ id: randomUUID(), round, a: ann, b: bo, c: null, revisionId: revision, why: "", side: "left" as const },
  });
  await insertBlock(db, scope, lesson, {
    ...{ id: randomUUID(), position: 1, drillId: drill, minutes: 10 },
    pairs: [pair(1), pair(2)],
  });
  await db.query(`update pairs set ran = true where school_id = $1 and round = 1`, [scope.schoolId]);
  for (const person of [ann, bo])
    await db.query(
      `insert into marks (school_id, id, class_id, at, round, student_id, revision_id, role, mark)
       values ($1, $2, $3, now(), 0, $4, $5, 'answers', 'clean')`,
      [scope.schoolId, randomUUID(), lesson, person, revision],
    );
  await db.query(`select take_over_rounds($1)`, [scope.schoolId]);
  const own = (await listOldAnswers(db, 5000)).filter(({ school_id }) => school_id === scope.schoolId);
  expect(own).toHaveLength(2);
  await setDoubtful(db, own.filter(isDoubtful), "doubtful");
  const rows = await listLog(db, scope, EVERYTHING, { limit: 10, offset: 0 });
  // When, for how long and who did what is not known, and not guessed.
  expect(rows).toEqual([
    expect.objectContaining({ round: 0, source: "before", roles: null, started: null, seconds: null }),
  ]);
  expect(rows[0]!.marks.map(({ person, doubtful }) => [person, doubtful]).sort()).toEqual(
    [
      [ann, true],
      [bo, false],
    ].sort(),
  );
  const sums = await logSums(db, scope, { person: null, from: null, to: null });
  expect(sums.people.map(({ person, rounds, clean }) => [person, rounds, clean]).sort()).toEqual(
    [
      [ann, 1, 0],
      [bo, 1, 1],
    ].sort(),
  );
  expect((await seenAnswers(db, scope, 10)).map(({ person }) => person)).toEqual([bo]);
});
