/** Builders for tests of classes: a person in the hall, and a plan run to its end. */
import { NOTHING_FROZEN } from "./frozen.ts";
import { CLOCK } from "./timetable.ts";
import { planClass, type ClassPlan, type PlanInput, type PlanPerson } from "./plan.ts";
import { PAIR_WEIGHTS } from "../policy/pair-weights.ts";
import { defaultSchool } from "../policy/school.ts";
import { finished } from "../base/work.ts";

/** Somebody of no particular measures, here from the first round to the last. */
export const someone = (id: string, more: Partial<PlanPerson> = {}): PlanPerson => ({
  ...{ id, name: id, height_cm: 170, reach_cm: null, mass_kg: 70, lead: "left", hand: "right" },
  ...{ age: "adult" as const, ages: null, level: 3, limits: [], from: 0, until: null },
  ...more,
});

/** The plan of a class in which nothing is asked for but what is given. */
export function planOf(given: Pick<PlanInput, "people" | "rungs"> & Partial<PlanInput>): ClassPlan {
  const work = planClass(
    {
      minutes: 90,
      clock: CLOCK,
      blocks: null,
      weights: PAIR_WEIGHTS,
      wishes: [],
      met: {},
      gear: {},
      frozen: NOTHING_FROZEN,
      locked: [],
      ...given,
    },
    defaultSchool(),
  );
  return finished(work);
}

/** A plan that was made; anything else fails the test with what was said. */
export function goodPlan(plan: ClassPlan): ClassPlan & { readonly ok: true } {
  if (!plan.ok) throw new Error(plan.message);
  return plan;
}
