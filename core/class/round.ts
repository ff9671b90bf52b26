/** One round for the people who are here: pairs by matching, and the version that fits each pair. */
import { fitRung, type PlanRung } from "./fit.ts";
import { peopleFault, type PlanPerson } from "./plan.ts";
import { pairUp } from "../pairs/pairs.ts";
import { NO_FACTS, wishMap, type Wish } from "../pairs/score.ts";
import type { PairIds } from "../pairs/evening.ts";
import { measuresOf, pairPerson } from "../people/measures.ts";
import type { School } from "../policy/school.ts";

export interface RoundInput {
  readonly people: readonly PlanPerson[];
  /** The drill and its variations, easiest first, and the place of the drill itself among them. */
  readonly versions: readonly PlanRung[];
  readonly base: number;
  /** Meetings of earlier classes by `a|b`, the smaller id first. */
  readonly met: Readonly<Record<string, number>>;
  readonly wishes: readonly Wish[];
}
interface RoundPair extends PairIds {
  /** Place of the version this pair works on. */
  readonly version: number;
  readonly why: string;
}
export type OneRound =
  { readonly ok: true; readonly pairs: readonly RoundPair[] } | { readonly ok: false; readonly message: string };

/** Pairs everybody once; the same input gives the same pairs. */
export function planRound({ people, versions, base, met, wishes }: RoundInput, school: School): OneRound {
  const fault = peopleFault(people);
  if (fault) return { ok: false, message: fault };
  const byId = new Map(people.map((p) => [p.id, p]));
  const result = pairUp(
    people.map((p) => pairPerson(p, p.level, p.limits)),
    { ...NO_FACTS, weights: school.pairing, met: new Map(Object.entries(met)), wishes: wishMap(wishes) },
  );
  return {
    ok: true,
    pairs: result.pairs.map((pair) => {
      const { rung, back } = fitRung(versions, base, pair, { bodyOf: (id) => measuresOf(byId.get(id)!), school });
      const ids = { a: pair.a.id, b: pair.b.id, c: pair.c?.id ?? null };
      // One version for both: that of who needs the easier one.
      return { ...ids, version: Math.min(rung, back?.rung ?? rung), why: pair.why.join("; ") };
    }),
  };
}
