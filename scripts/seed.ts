/** Loads the demo club once; a club that is there already is left as it is. */
import { checkFor } from "#core/policy/judge.ts";
import { readFileSync } from "node:fs";
import { setAdults, setClearedForMinors, setHelp } from "#db/class-adults.ts";
import { insertAccount, setMembership } from "#db/accounts.ts";
import { createClass, insertBlock } from "#db/classes.ts";
import { setPresent } from "#db/attendance.ts";
import { addMark } from "#db/floor.ts";
import { writeOnPaper } from "#db/rounds-run.ts";
import { levelIn } from "#core/people/person.ts";
import { seeded } from "#core/random/random.ts";
import { insertDrill } from "#db/drills.ts";
import { insertStudent, setGear, setWish } from "#db/people.ts";
import { getSchool, insertSchool, serverZone } from "#db/school.ts";
import { dayIn, daysAfter } from "#core/base/days.ts";
import { closePool, transaction, type Db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import {
  accounts,
  ADULTS,
  CLUB_NAME,
  DEMO_ACCOUNT,
  DEMO_PASSWORD,
  DEMO_SCHOOL,
  drillFiles,
  gear,
  HELP,
  students,
  wishes,
} from "#demo/club.ts";
import { parse } from "#core/score/parse.ts";
import { makeLadder } from "#core/ladder/ladder.ts";
import { GOALS, LADDER_DEFAULTS } from "#core/ladder/ladder-options.ts";
import { insertLadder } from "#db/ladders.ts";
import { defaultSchool } from "#core/policy/school.ts";
import { revisionInput } from "#server/drills/revision-input.ts";
import { hashPassword } from "#server/access/password.ts";
import { finished } from "#core/base/work.ts";

const scope: Scope = { schoolId: DEMO_SCHOOL, accountId: DEMO_ACCOUNT, role: "owner" };
const id = (group: string, n: number): string => `5b3c7c1e-0d52-4a4e-9b10-7d6a51f${group}${String(n).padStart(3, "0")}`;
/** Days of the club's clock, which is that of the machine it is loaded on. */
const TODAY = dayIn(serverZone(), Date.now());
const day = (offset: number): string => daysAfter(TODAY, offset);

async function seed(tx: Db): Promise<void> {
  if (await getSchool(tx, scope)) {
    // A club from before there was sign-in.
    if (await nobodySignsIn(tx)) await seedAccounts(tx);
    return;
  }
  await insertSchool(tx, scope, CLUB_NAME, accounts[0]);
  for (const student of students) await insertStudent(tx, scope, student);
  await seedAccounts(tx);
  for (const wish of wishes) await setWish(tx, scope, wish, "set");
  for (const { kind, count } of gear) await setGear(tx, scope, { kind, count, was: null });
  for (const [i, name] of drillFiles.entries()) {
    const text = readFileSync(`demo/drills/${name}.vics`, "utf8");
    const input = revisionInput(id("d0", i), text, defaultSchool());
    await insertDrill(tx, scope, { id: id("c0", i), input, lineage: null });
  }
  await term(tx);
}

/** True where nobody of the club has a password or a passkey. */
async function nobodySignsIn(tx: Db): Promise<boolean> {
  const [found] = await tx.query<{ can: boolean }>(
    `select exists (
       select from memberships m join accounts a on a.id = m.account_id left join passkeys p on p.account_id = a.id
       where m.school_id = $1 and (a.password_hash is not null or p.id is not null)) as can`,
    [DEMO_SCHOOL],
  );
  return !found!.can;
}

/** Who signs in to the club; their password is shown at the machine, so that it may be hashed once for all. */
async function seedAccounts(tx: Db): Promise<void> {
  const hash = await hashPassword(DEMO_PASSWORD);
  for (const { person, role, ...account } of accounts) {
    await insertAccount(tx, account, hash);
    await tx.query(`update accounts set password_hash = $2, shown_password = $3 where id = $1`, [
      account.id,
      hash,
      DEMO_PASSWORD,
    ]);
    await setMembership(tx, { schoolId: DEMO_SCHOOL, accountId: account.id, role, studentId: person });
    if (role !== "student") await setClearedForMinors(tx, scope, { accountId: account.id, cleared: true });
  }
}

/** What the term was about, two evenings each. */
const THEMES = ["Straight blows", "Round blows", "Distance"];

/** What the evenings so far worked on: the first rung of the ladder, then a drill each. All of it is sound. */
const TRAINED = [
  { group: "1", drill: 0 },
  ...["one-two-three", "low-line", "long-and-short", "shot-and-sprawl", "pads-by-name"].map((name) => ({
    group: "0",
    drill: drillFiles.findIndex((file) => file === name),
  })),
] as const;

/** The ladder that tonight works on. */
async function seedLadder(tx: Db): Promise<string> {
  const school = defaultSchool();
  const text = readFileSync(`demo/drills/${drillFiles[0]}.vics`, "utf8");
  const options = { ...LADDER_DEFAULTS, goal: GOALS.quarter.goal, rungs: 6 };
  const result = finished(makeLadder(checkFor(parse(text), school), school, options));
  if (!result.ok) throw new Error(result.message);
  const rungs = result.rungs.map((rung, i) => ({
    id: id("c1", i),
    input: revisionInput(id("d1", i), rung.text, school),
    lineage: {
      parentRevisionId: id("d0", 0),
      operator: rung.operator ?? "start",
      parameters: {},
      seed: LADDER_DEFAULTS.seed,
      changed: rung.changed,
    },
  }));
  const title = `${result.rungs[0]!.checked.header.title?.replace(/, rung 1$|: .*$/, "") ?? "Ladder"}, six rungs`;
  await insertLadder(tx, scope, { id: id("a1", 1), drillId: id("c0", 0), title }, rungs);
  return id("a1", 1);
}

/** What Maren Holt noted of an evening: of most, clean the more often the more they know; the others they did not look at. */
function marksOf(week: number, pairs: readonly { readonly a: string; readonly b: string }[]) {
  const random = seeded(week);
  return pairs
    .flatMap(({ a, b }) => [a, b])
    .flatMap((person) => {
      const [looked, clean, which] = [random(), random(), random()];
      const level = levelIn(
        students.find((one) => one.id === person)!,
        "feeder",
      );
      if (looked > 0.7) return [];
      return [{ person, mark: clean < 0.35 + 0.13 * level ? "clean" : which < 0.6 ? "late" : "wrong" }];
    });
}

/** Six evenings of the term so far, and tonight's class with most of the club here. */
async function term(tx: Db): Promise<void> {
  const ladder = await seedLadder(tx);
  for (let week = 6; week >= 1; week--) {
    const classId = id("e0", week);
    const { group, drill } = TRAINED[6 - week]!;
    await createClass(tx, scope, {
      id: classId,
      held_on: day(-7 * week),
      title: `Evening ${7 - week}`,
      minutes: 90,
      theme: THEMES[Math.floor((6 - week) / 2)],
    });
    const here = students.filter((_, i) => (i + week) % 5 !== 0);
    for (const s of here) await setPresent(tx, scope, classId, { studentId: s.id, here: true });
    const pairs = [];
    // Each evening everybody moves on by one place against the half that stays.
    for (let i = 0; i < Math.floor(here.length / 2); i++) {
      const a = here[i]!;
      const b = here[here.length - 1 - ((i + week) % Math.floor(here.length / 2))]!;
      if (a !== b)
        pairs.push({
          id: id("f0", week * 20 + i),
          round: 1,
          side: week % 3 === 0 ? ("right" as const) : ("left" as const),
          a: a.id,
          b: b.id,
          c: null,
          revisionId: id(`d${group}`, drill),
          why: "term so far",
        });
    }
    const block = { id: id("f1", week), drillId: id(`c${group}`, drill), minutes: 20, pairs };
    await insertBlock(tx, scope, classId, { position: 1, ...block });
    await writeOnPaper(tx, scope, classId, { rounds: 1, kept: null });
    for (const [i, mark] of marksOf(week, pairs).entries())
      await addMark(tx, scope, classId, {
        ...{ id: id("a2", week * 40 + i), at: Date.parse(`${day(-7 * week)}T19:40:00Z`), round: 0, text: "" },
        ...{ role: "answers", corrects: null, revision: id(`d${group}`, drill), ...mark },
      });
  }
  const tonight = id("e0", 0);
  await createClass(tx, scope, {
    id: tonight,
    held_on: day(0),
    title: "Tonight at the Ropewalk",
    minutes: 90,
    theme: "One answer, one return",
    ladder_id: ladder,
  });
  for (const s of students.slice(0, 13)) await setPresent(tx, scope, tonight, { studentId: s.id, here: true });
  await setHelp(tx, scope, HELP);
  await setAdults(tx, scope, tonight, { ...ADULTS, version: 0 });
}

// All of the club or nothing: a start that is stopped in the middle leaves no half of it.
await transaction(seed);
await closePool();
