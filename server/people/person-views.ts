/** People as screens show them on a day. */
import { ageOn } from "#core/people/age.ts";
import type { Student } from "#db/people.ts";
import type { PersonView } from "../views.ts";

export const personViews = (people: readonly Student[], day: string): PersonView[] =>
  people.map((one) => ({ ...one, age: ageOn(one, day) }));
