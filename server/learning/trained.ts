/** What was trained and how it went, over the weeks and of one person. */
import { ageOn, bandOn } from "#core/people/age.ts";
import type { Age, Ages } from "#core/pairs/ages.ts";
import { chanceText, usualChance } from "#core/learn/estimates.ts";
import { FAMILIES } from "#core/people/families.ts";
import { levelIn } from "#core/people/person.ts";
import type { SchoolCustoms } from "#core/policy/settings.ts";
import { incidentsOf, type Incident } from "#db/incidents.ts";
import { logSums, type LogSums, type SumsAsked } from "#db/log-sums.ts";
import { listEverybody, type Student } from "#db/people.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import { todayOf, schoolName, schoolOf } from "../school/school-of.ts";
import { estimatesOf } from "./learned.ts";
import { filterFrom } from "./log.ts";

export interface WeeksPage {
  readonly sums: LogSums;
  readonly names: Readonly<Record<string, string>>;
  readonly asked: SumsAsked;
}

const namesOf = (people: readonly Student[]) => Object.fromEntries(people.map(({ id, name }) => [id, name]));

/** The same day of the year before, `2025-11-30`. */
const yearBefore = (day: string): string => `${Number(day.slice(0, 4)) - 1}${day.slice(4)}`;

export async function weeksPage(scope: Scope, search: URLSearchParams): Promise<WeeksPage> {
  const { person, from, to } = filterFrom(search);
  // Years of log are added up where somebody asks for them.
  const asked = { person, from: from ?? (to || person ? null : yearBefore(await todayOf(scope))), to };
  const [sums, people] = await Promise.all([logSums(db, scope, asked), listEverybody(db, scope)]);
  return { sums, names: namesOf(people), asked };
}

/** How somebody does in a family of drills, by what was seen of them. */
interface FamilyText {
  readonly family: string;
  /** Such as “mostly clean”. */
  readonly text: string;
  readonly times: number;
}
export interface PersonPage {
  readonly school: string;
  readonly person: Pick<Student, "id" | "name" | "archived"> & { readonly age: Age; readonly ages: Ages | null };
  readonly sums: LogSums;
  readonly names: Readonly<Record<string, string>>;
  readonly families: readonly FamilyText[];
  readonly incidents: readonly Incident[];
  /** What the page to hand over may say of a minor. */
  readonly minorsPage: SchoolCustoms["minorsPage"];
}

/** Null where nobody of that id is known. */
export async function personPage(scope: Scope, id: string): Promise<PersonPage | null> {
  const people = await listEverybody(db, scope);
  const person = people.find((one) => one.id === id);
  if (!person) return null;
  const [sums, estimates, incidents, school, named] = await Promise.all([
    logSums(db, scope, { person: id, from: null, to: null }),
    estimatesOf(scope),
    incidentsOf(db, scope, id),
    schoolOf(scope),
    schoolName(scope),
  ]);
  const families = FAMILIES.flatMap((family): FamilyText[] => {
    const ability = estimates.ability(id, family, levelIn(person, family));
    return ability.times === 0
      ? []
      : [{ family, text: `${chanceText(usualChance(ability))} clean`, times: ability.times }];
  });
  const { name, archived } = person;
  const today = await todayOf(scope);
  return {
    school: named,
    ...{
      person: { id, name, age: ageOn(person, today), ages: bandOn(person, today), archived },
      sums,
      names: namesOf(people),
      families,
      incidents,
    },
    minorsPage: school.customs.minorsPage,
  };
}
