/** Two people in each other's place in a round: their pairs as they then work, by the same rules as all others. */
import { shownOfAll } from "../drill/shown.ts";
import type { School } from "../policy/school.ts";
import { apartIn, pairOf } from "../pairs/pairs.ts";
import { NO_FACTS, wishMap } from "../pairs/score.ts";
import { measuresOf, pairPerson } from "../people/measures.ts";
import { apartOf, fitRung } from "./fit.ts";
import { limitsFor, wantsNoCloseTouch } from "./limits.ts";
import type { PlanInput, PlannedPair, PlannedRound } from "./plan-types.ts";

/** The pairs of the round with the two changed, or words where one of them may not work so. */
export function swapped(
  { pairs }: Pick<PlannedRound, "pairs">,
  [one, two]: readonly [string, string],
  { rungs, people, wishes }: Pick<PlanInput, "rungs" | "people" | "wishes">,
  school: School,
): readonly PlannedPair[] | string {
  const byId = new Map(people.map((p) => [p.id, p]));
  const facts = { ...NO_FACTS, wishes: wishMap(wishes) };
  const put = (id: string): string => (id === one ? two : id === two ? one : id);
  const bodyOf = (id: string) => {
    const person = byId.get(id)!;
    return { ...measuresOf(person), noCloseTouch: wantsNoCloseTouch(person.limits) };
  };
  const made: PlannedPair[] = [];
  for (const pair of pairs) {
    const ids = [pair.a, pair.b, ...(pair.c ? [pair.c] : [])];
    if (!ids.includes(one) && !ids.includes(two)) {
      made.push(pair);
      continue;
    }
    const [a, b, c] = ids
      .map(put)
      .map((id) => byId.get(id))
      .map((p) => p && pairPerson(p, p.level, limitsFor(p)));
    if (!a || !b || (pair.c && !c)) return "One of them is not in this class any more. Load the page again.";
    const seated = pairOf(a, b, facts, c ?? null);
    const never = apartIn(seated, facts);
    if (never) return never;
    // The rung of the pair, and no other: nothing new is shown in the middle of a round.
    const fit = fitRung([rungs[pair.rung]!], 0, seated, { bodyOf, school });
    if (fit.forbidden) return `${seated.a.name} and ${seated.b.name} cannot work on this: ${fit.forbidden}`;
    made.push({
      ...pair,
      ...{ a: a.id, b: b.id, c: c?.id ?? null, why: seated.why, notes: fit.notes },
      form: fit.stopped ? ("stopped short" as const) : undefined,
      verdict: shownOfAll(fit.checked),
      distance: Math.round(fit.checked.distance * 100) / 100,
      apart: apartOf(fit.checked),
    });
  }
  return made;
}
