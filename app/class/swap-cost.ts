/** What changing two people between two pairs of a planned round costs. */
import type { PlannedRound } from "#core/class/plan.ts";
import { swapCost, twoByTwo } from "#core/pairs/evening.ts";
import { pairKey, wishMap } from "#core/pairs/score.ts";
import type { PairWeights } from "#core/policy/pair-weights.ts";
import { pairPerson } from "#core/people/measures.ts";
import type { PlanPage } from "#server/views.ts";

/** Points; negative is a gain, null where the two cannot change places. */
export function swapCostIn(
  { people, met, wishes }: Pick<PlanPage, "people" | "met" | "wishes">,
  { rounds, at }: { readonly rounds: readonly PlannedRound[]; readonly at: number },
  weights: PairWeights,
  [one, two]: readonly [string, string],
): number | null {
  const byId = new Map(people.map((p) => [p.id, pairPerson(p, p.level, p.limits)]));
  const tonight = new Map<string, number>();
  for (const round of rounds.slice(0, at))
    for (const [a, b] of round.pairs.flatMap((p) => twoByTwo<string>(p)))
      tonight.set(pairKey(a, b), (tonight.get(pairKey(a, b)) ?? 0) + 1);
  const pairs = (rounds[at]?.pairs ?? []).flatMap((p) => {
    const [a, b] = [byId.get(p.a), byId.get(p.b)];
    const c = p.c ? (byId.get(p.c) ?? null) : null;
    return a && b ? [{ a, b, c, score: 0, noContact: null, locked: p.locked, why: p.why }] : [];
  });
  return swapCost(pairs, one, two, { weights, met: new Map(Object.entries(met)), tonight, wishes: wishMap(wishes) });
}
