/** Loads the demo club once; a school that is there already is left as it is. */
import { checkFor } from "#core/policy/judge.ts";
import { readFileSync } from "node:fs";
import { createClass, savePairs, setPresent } from "#db/classes.ts";
import { createDrill } from "#db/drills.ts";
import { insertStudent, setGear, setWish } from "#db/people.ts";
import { getSchool, insertSchool } from "#db/school.ts";
import { closePool, db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import { CLUB_NAME, DEMO_ACCOUNT, DEMO_SCHOOL, drillFiles, gear, INSTRUCTOR, students, wishes } from "#demo/club.ts";
import { parse } from "#core/score/parse.ts";
import { makeLadder } from "#core/ladder/ladder.ts";
import { GOALS, LADDER_DEFAULTS } from "#core/ladder/ladder-options.ts";
import { createLadder } from "#db/ladders.ts";
import { defaultSchool } from "#core/policy/school.ts";
import { revisionInput } from "#server/revision-input.ts";
import { finished } from "#core/base/work.ts";

const scope: Scope = { schoolId: DEMO_SCHOOL, accountId: DEMO_ACCOUNT, role: "instructor" };
const id = (group: string, n: number): string => `5b3c7c1e-0d52-4a4e-9b10-7d6a51f${group}${String(n).padStart(3, "0")}`;
const day = (offset: number): string => new Date(Date.now() + offset * 86_400_000).toISOString().slice(0, 10);

async function seed(): Promise<void> {
  if (await getSchool(db, scope)) return;
  await insertSchool(db, scope, CLUB_NAME, INSTRUCTOR);
  for (const student of students) await insertStudent(db, scope, student);
  for (const wish of wishes) await setWish(db, scope, wish, true);
  for (const { kind, count } of gear) await setGear(db, scope, kind, count);
  for (const [i, name] of drillFiles.entries()) {
    const text = readFileSync(`demo/drills/${name}.vics`, "utf8");
    await createDrill(scope, id("c0", i), revisionInput(id("d0", i), text, defaultSchool()).input, null);
  }
  await term();
}

/** What the term was about, two evenings each. */
const THEMES = ["Straight blows", "Round blows", "Distance"];

/** The ladder that tonight works on. */
async function seedLadder(): Promise<string> {
  const school = defaultSchool();
  const text = readFileSync(`demo/drills/${drillFiles[0]}.vics`, "utf8");
  const options = { ...LADDER_DEFAULTS, goal: GOALS.quarter.goal, rungs: 6 };
  const result = finished(makeLadder(checkFor(parse(text), school), school, options));
  if (!result.ok) throw new Error(result.message);
  const rungs = result.rungs.map((rung, i) => ({
    drillId: id("c1", i),
    input: revisionInput(id("d1", i), rung.text, school).input,
    lineage: {
      parentRevisionId: id("d0", 0),
      operator: rung.operator ?? "start",
      parameters: {},
      seed: LADDER_DEFAULTS.seed,
      changed: rung.changed,
    },
  }));
  const title = `${result.rungs[0]!.checked.header.title?.replace(/, rung 1$|: .*$/, "") ?? "Ladder"}, six rungs`;
  await createLadder(scope, { id: id("a1", 1), drillId: id("c0", 0), title }, rungs);
  return id("a1", 1);
}

/** Six evenings of the term so far, and tonight's class with most of the club here. */
async function term(): Promise<void> {
  for (let week = 6; week >= 1; week--) {
    const classId = id("e0", week);
    const drill = 6 - week;
    await createClass(db, scope, {
      id: classId,
      held_on: day(-7 * week),
      title: `Evening ${7 - week}`,
      minutes: 90,
      theme: THEMES[Math.floor((6 - week) / 2)],
    });
    const here = students.filter((_, i) => (i + week) % 5 !== 0);
    for (const s of here) await setPresent(db, scope, classId, s.id, true);
    const pairs = [];
    // Each evening everybody moves on by one place against the half that stays.
    for (let i = 0; i < Math.floor(here.length / 2); i++) {
      const a = here[i]!;
      const b = here[here.length - 1 - ((i + week) % Math.floor(here.length / 2))]!;
      if (a !== b)
        pairs.push({
          id: id("f0", week * 20 + i),
          a: a.id,
          b: b.id,
          c: null,
          revisionId: id("d0", drill),
          why: "term so far",
        });
    }
    await savePairs(scope, classId, { id: id("f1", week), drillId: id("c0", drill), minutes: 20 }, pairs);
  }
  const tonight = id("e0", 0);
  await createClass(db, scope, {
    id: tonight,
    held_on: day(0),
    title: "Tonight at the Ropewalk",
    minutes: 90,
    theme: "One answer, one return",
    ladder_id: await seedLadder(),
  });
  for (const s of students.slice(0, 13)) await setPresent(db, scope, tonight, s.id, true);
}

await seed();
await closePool();
