/** Sums of the log against a database: what was trained, how it went, and whose answers count. */
import { randomUUID } from "node:crypto";
import { NOBODY } from "#core/people/testing.ts";
import { defaultSchool } from "#core/policy/school.ts";
import { revisionInput } from "#server/drills/revision-input.ts";
import { createClass } from "./classes.ts";
import { createDrill } from "./drills.ts";
import { addFloor } from "./floor.ts";
import { logSums, seenAnswers } from "./log-sums.ts";
import { personPage } from "#server/learning/trained.ts";
import { insertStudents } from "./people.ts";
import { closePool, db } from "./pool.ts";
import { newSchool, trainBlock } from "./testing.ts";
import type { Scope } from "./scope.ts";

const [ANN, BO, CY] = Array.from({ length: 3 }, () => randomUUID()) as [string, string, string];
const EVERYTHING = { person: null, from: null, to: null };
let scope: Scope;
const lessons: Record<string, string> = {};
const drills: Record<string, string> = {};

/** Two evenings of two weeks: jabs twice on the left, then kicks on the right; ANN with BO, then with CY. */
beforeEach(async () => {
  scope = await newSchool();
  const named = { [ANN]: "Ann", [BO]: "Bo", [CY]: "Cy" };
  await insertStudents(
    scope,
    Object.entries(named).map(([id, name]) => ({ ...NOBODY, id, name })),
  );
  const evening = async (day: string, text: string, side: "left" | "right", pairs: readonly [string, string][]) => {
    const [drill, revision, lesson] = [randomUUID(), randomUUID(), randomUUID()];
    drills[day] = revision;
    lessons[day] = lesson;
    await createDrill(scope, { id: drill, input: revisionInput(revision, text, defaultSchool()), lineage: null });
    await createClass(db, scope, { id: lesson, held_on: day, title: "Evening", minutes: 60 });
    await trainBlock(scope, lesson, {
      ...{ id: randomUUID(), position: 1, drillId: drill, minutes: 10 },
      pairs: pairs.map(([a, b], i) => ({
        ...{ id: randomUUID(), round: i + 1, a, b, c: null, revisionId: revision, why: "", side },
      })),
    });
  };
  await evening("2026-03-04", "title: Jabs\n\nA jab -> B catch\n", "left", [
    [ANN, BO],
    [ANN, BO],
  ]);
  await evening("2026-03-11", "title: Kicks\n\nA rear low kick -> B shin check\n", "right", [[ANN, CY]]);
});
afterAll(closePool);

const see = (day: string, round: number, person: string, mark: string, more: object = {}) =>
  addFloor(
    scope,
    lessons[day]!,
    {
      taps: [],
      incidents: [],
      marks: [
        {
          ...{ id: randomUUID(), at: Date.parse(`${day}T19:00:00Z`) + round, round, person, mark, text: "" },
          ...{ role: "answers" as const, corrects: null, revision: drills[day]!, ...more },
        },
      ],
    },
    Date.now(),
  );

test("rounds are counted for each of a pair, by week, theme with side, and person", async () => {
  const sums = await logSums(db, scope, EVERYTHING);
  expect(sums.evenings).toBe(2);
  expect(sums.weeks).toEqual([
    { week: "2026-03-02", rounds: 4, clean: 0, open: 0 },
    { week: "2026-03-09", rounds: 2, clean: 0, open: 0 },
  ]);
  expect(sums.themes.map(({ theme, side, last, rounds }) => [theme, side, last, rounds])).toEqual([
    ["Jabs", "left", "2026-03-04", 4],
    ["Kicks", "right", "2026-03-11", 2],
  ]);
  expect(Object.fromEntries(sums.people.map(({ person, rounds }) => [person, rounds]))).toEqual({
    ...{ [ANN]: 3, [BO]: 2, [CY]: 1 },
  });
  expect(sums.partners).toEqual([]);
});
test("a round is clean when all that was seen in it was, not clean with one thing that was not, and unknown otherwise", async () => {
  await see("2026-03-04", 0, ANN, "clean");
  await see("2026-03-04", 1, ANN, "clean");
  await see("2026-03-04", 1, ANN, "late");
  // What the feed was like is no answer.
  await see("2026-03-11", 0, CY, "hard", { role: "feeds" });
  const { themes, faults } = await logSums(db, scope, { ...EVERYTHING, person: ANN });
  expect(themes.map(({ theme, rounds, clean, open }) => [theme, rounds, clean, open])).toEqual([
    ["Jabs", 2, 1, 1],
    ["Kicks", 1, 0, 0],
  ]);
  expect(faults).toEqual([{ mark: "late", words: "", times: 1 }]);
});
test("one person has their partners; days outside are not counted; another school sees nothing", async () => {
  const { partners } = await logSums(db, scope, { ...EVERYTHING, person: ANN });
  expect(partners.map(({ partner, rounds }) => [partner, rounds])).toEqual([
    [BO, 2],
    [CY, 1],
  ]);
  const late = await logSums(db, scope, { person: ANN, from: "2026-03-05", to: null });
  expect([late.evenings, late.partners.length]).toEqual([1, 1]);
  const other = await newSchool();
  expect(await logSums(db, other, { ...EVERYTHING, person: ANN })).toMatchObject({
    evenings: 0,
    weeks: [],
    people: [],
  });
});
test("answers that were seen: corrections hold, and who was fed badly is not judged, but who fed badly is", async () => {
  const id = randomUUID();
  await see("2026-03-04", 0, ANN, "late", { id });
  await see("2026-03-04", 0, ANN, "clean", { corrects: id });
  const of = async () => (await seenAnswers(db, scope, 10)).map(({ person, mark }) => [person, mark]);
  expect(await of()).toEqual([[ANN, "clean"]]);
  await see("2026-03-04", 1, BO, "hard", { role: "feeds" });
  await see("2026-03-04", 1, ANN, "hit");
  await see("2026-03-04", 1, BO, "late");
  expect(await of()).toEqual([
    [BO, "late"],
    [ANN, "clean"],
  ]);
  // Of the two newest one met a bad feed.
  expect(await seenAnswers(db, scope, 2)).toHaveLength(1);
  expect(await seenAnswers(db, await newSchool(), 10)).toEqual([]);
});
test("the page of a person: what they trained, where they stand, when they were hurt; nobody of another school", async () => {
  await see("2026-03-04", 0, ANN, "clean");
  await addFloor(
    scope,
    lessons["2026-03-04"]!,
    {
      ...{ taps: [], marks: [] },
      incidents: [{ id: randomUUID(), student_id: ANN, at: 1_772_000_000_000, place: "head", round: 1 }],
    },
    Date.now(),
  );
  const page = (await personPage(scope, ANN))!;
  expect(page).toMatchObject({ person: { name: "Ann", age: "adult" }, minorsPage: "trained" });
  expect(page.sums.evenings).toBe(2);
  expect(page.families).toEqual([{ family: "feeder", text: expect.stringMatching(/ clean$/) as string, times: 1 }]);
  expect(page.incidents.map(({ place }) => place)).toEqual(["head"]);
  expect((await personPage(scope, BO))!.incidents).toEqual([]);
  expect(await personPage(await newSchool(), ANN)).toBeNull();
});
