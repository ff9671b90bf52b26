/** What an evening needs by who comes and by what is held: its clock, and how its blocks have to be. */
import { youngest } from "../pairs/ages.ts";
import { CHILDREN_GAMES } from "./games.ts";
import type { PlanInput } from "./plan-types.ts";
import { rolesIn } from "./roles.ts";
import { CLOCK, holdsWholeRound, partsOf, type Clock } from "./timetable.ts";

/** The clock for who is here: shorter rounds for the young. */
export function clockFor(people: PlanInput["people"]): Clock {
  const ages = youngest(people);
  return ages ? { round: ages.round, change: ages.change, rest: ages.rest, explain: ages.explain } : CLOCK;
}

/** The youngest are children. */
export const isForChildren = ({ people }: Pick<PlanInput, "people">): boolean => youngest(people)?.child === true;

/** How the blocks of a class have to be: by what is held, by themes, by age. */
export const blockNeeds = (input: Pick<PlanInput, "rungs" | "clock" | "people" | "begin">) => ({
  begin: input.begin ?? 0,
  even: input.rungs.some(({ text }) => holdsWholeRound(rolesIn(text), input.clock)),
  parts: partsOf(input.rungs),
  ...(isForChildren(input) ? { games: CHILDREN_GAMES, drink: "Drink, toilet" } : {}),
});
