/** What the log says of people on the rungs of a ladder. */
import type { Learned } from "#core/class/fit.ts";
import {
  CAREFUL,
  chanceText,
  estimatesFrom,
  suggestRung,
  TARGET,
  type Estimates,
  type Evidence,
} from "#core/learn/estimates.ts";
import { expectedChance } from "#core/learn/rasch.ts";
import { MARKS } from "#core/floor/marks.ts";
import { isFamily, levelIn } from "#core/people/person.ts";
import { EVERYTHING, listLog, type LogRow } from "#db/log.ts";
import type { Student } from "#db/people.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import type { RungChoice } from "./views.ts";

/** Rounds that were looked at, newest first: older ones say little of today. */
const MOST = 5000;
/** Somebody of this level is new. */
const NEW = 1;

/** Answers that were seen; those that met a bad feed say nothing of who answered. */
export function evidenceIn(rows: readonly LogRow[], levelOf: (person: string, family: string) => number): Evidence[] {
  return rows.flatMap(({ marks, revision_id: rung, kind, load }) => {
    const family = isFamily(kind) ? kind : "feeder";
    const badFeeders = new Set(marks.flatMap(({ role, person }) => (role === "feeds" ? [person] : [])));
    return marks.flatMap(({ role, person, mark, at }): Evidence[] => {
      const met = [...badFeeders].some((feeder) => feeder !== person);
      if (role !== "answers" || met) return [];
      const seen = MARKS.answers.some(({ id, good }) => id === mark && good) ? "clean" : "not clean";
      return [{ person, family, rung, load, seen, level: levelOf(person, family), at }];
    });
  });
}

export async function estimatesOf(scope: Scope, students: readonly Student[]): Promise<Estimates> {
  const rows = await listLog(db, scope, { ...EVERYTHING, marks: "seen" }, { limit: MOST, offset: 0 });
  const byId = new Map(students.map((one) => [one.id, one]));
  return estimatesFrom(
    evidenceIn(rows, (person, family) => {
      const student = byId.get(person);
      return student ? levelIn(student, family) : levelIn({ levels: {} }, family);
    }),
  );
}

/** Somebody on a ladder; null while too little of them was seen. Who is new, and children, are to be clean nearly always. */
export function learnedOn(
  rungs: readonly RungChoice[],
  student: Student,
  { family, estimates }: { readonly family: string; readonly estimates: Estimates },
): Learned | null {
  const level = levelIn(student, family);
  const target = student.minor || level === NEW ? CAREFUL : TARGET;
  const ability = estimates.ability(student.id, family, level);
  const difficulties = rungs.map(({ revisionId, load }) => estimates.difficulty(revisionId, load));
  const suggested = suggestRung(ability, difficulties, target);
  return (
    suggested && {
      chances: difficulties.map((one) => expectedChance(ability, one)),
      target,
      why: `wanted is ${chanceText(target)} clean; ${suggested.why}`,
    }
  );
}
