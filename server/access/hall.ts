/** What hangs on a wall or lies on a bench says nothing of anybody's health or body. */
import type { PlanPage } from "../views.ts";

/** A plan without limits, measures, wishes and what the log says of people; all of that was reckoned with before. */
export const forTheHall = (page: PlanPage): PlanPage => ({
  ...page,
  people: page.people.map((one) => ({
    ...one,
    limits: [],
    height_cm: null,
    reach_cm: null,
    mass_kg: null,
    learned: null,
  })),
  wishes: [],
  met: {},
});
