/** What the log says of people on the rungs of a ladder. */
import { ageOn } from "#core/people/age.ts";
import type { Learned } from "#core/class/fit.ts";
import {
  CAREFUL,
  chanceText,
  inOrder,
  estimatesFrom,
  suggestRung,
  TARGET,
  type Estimates,
  type Evidence,
} from "#core/learn/estimates.ts";
import { expectedChance } from "#core/learn/rasch.ts";
import { MARKS } from "#core/floor/marks.ts";
import { isFamily, levelIn } from "#core/people/person.ts";
import { seenAnswers, type SeenAnswer } from "#db/log-sums.ts";
import { listLevels, type Student } from "#db/people.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import type { RungChoice } from "../views.ts";

/** Answers that were seen, newest first: older ones say little of today. */
const MOST = 5000;
/** Somebody of this level is new. */
const NEW = 1;

/** Answers that were seen, as the estimates take them. */
export function evidenceIn(
  answers: readonly SeenAnswer[],
  levelOf: (person: string, family: string) => number,
): Evidence[] {
  return answers.map(({ person, revision: rung, kind, load, mark, at }): Evidence => {
    const family = isFamily(kind) ? kind : "feeder";
    const seen = MARKS.answers.some(({ id, good }) => id === mark && good) ? "clean" : "not clean";
    return { person, family, rung, load, seen, level: levelOf(person, family), at };
  });
}

/** What the log says of people and rungs, by the newest answers that were seen. */
export async function estimatesOf(scope: Scope): Promise<Estimates> {
  const answers = await seenAnswers(db, scope, MOST);
  const people = [...new Set(answers.map(({ person }) => person))];
  const known = new Map((await listLevels(db, scope, people)).map((one) => [one.id, one]));
  return estimatesFrom(evidenceIn(answers, (person, family) => levelIn(known.get(person) ?? { levels: {} }, family)));
}

/** Somebody on a ladder; null while too little of them was seen. Who is new, and children, are to be clean nearly always. */
export function learnedOn(
  rungs: readonly Pick<RungChoice, "revisionId" | "load" | "theme">[],
  student: Student,
  { family, estimates, day }: { readonly family: string; readonly estimates: Estimates; readonly day: string },
): Learned | null {
  const level = levelIn(student, family);
  const target = ageOn(student, day) !== "adult" || level === NEW ? CAREFUL : TARGET;
  const ability = estimates.ability(student.id, family, level);
  const difficulties = inOrder(
    rungs.map(({ revisionId, load }) => estimates.difficulty(revisionId, load)),
    rungs.map(({ theme = 0 }) => theme),
  );
  const suggested = suggestRung(ability, difficulties, target);
  return (
    suggested && {
      chances: difficulties.map((one) => expectedChance(ability, one)),
      target,
      why: `wanted is ${chanceText(target)} clean; ${suggested.why}`,
    }
  );
}
