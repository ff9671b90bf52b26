/** One round for the people who are here: pairs by matching, and the version that fits each pair. */
import { fitRung } from "./fit.ts";
import type { PlanRung } from "./plan-rung.ts";
import { peopleFault, type PlanPerson } from "./plan.ts";
import { pairUp, type Pair } from "../pairs/pairs.ts";
import { limitsFor } from "./limits.ts";
import { termsOf } from "./who-works.ts";
import { NO_FACTS, wishMap, type Wish } from "../pairs/score.ts";
import type { PairIds } from "../pairs/evening.ts";
import { measuresOf, pairPerson } from "../people/measures.ts";
import type { School } from "../policy/school.ts";

/** The people and terms of one round. */
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
/** The pairs of one round, or why there are none. */
export type OneRound =
  /** `left`: who is in no pair, and why. */
  | { readonly ok: true; readonly pairs: readonly RoundPair[]; readonly left: readonly string[] }
  | { readonly ok: false; readonly message: string };

/** Pairs everybody once; the same input gives the same pairs. */
export function planRound({ people, versions, base, met, wishes }: RoundInput, school: School): OneRound {
  const fault = peopleFault(people);
  if (fault) return { ok: false, message: fault };
  const byId = new Map(people.map((p) => [p.id, p]));
  const block = { id: "", kind: "work", title: "", minutes: 0, rung: base, rounds: 1, locked: false } as const;
  const { contactOnly, out } = termsOf(block, versions, people, school);
  const result = pairUp(
    people.filter(({ id }) => !out.has(id)).map((p) => pairPerson(p, p.level, limitsFor(p))),
    { ...NO_FACTS, contactOnly, weights: school.pairing, met: new Map(Object.entries(met)), wishes: wishMap(wishes) },
  );
  const fits = result.pairs.map((pair) => ({
    pair,
    ...fitRung(versions, base, pair, { bodyOf: (id) => measuresOf(byId.get(id)!), school }),
  }));
  const names = ({ a, b, c }: Pair) => [a, b, ...(c ? [c] : [])].map(({ name }) => name).join(" and ");
  return {
    ok: true,
    left: [
      ...[...out].map(([id, why]) => `${byId.get(id)!.name} ${why}.`),
      ...result.alone.map(({ person, why }) => `${person.name}: ${why}.`),
      ...fits.flatMap(({ pair, forbidden }) => (forbidden ? [`${names(pair)}: no pair here, ${forbidden}`] : [])),
    ],
    pairs: fits
      .filter(({ forbidden }) => forbidden === null)
      .map(({ pair, rung, back, stopped }) => ({
        ...{ a: pair.a.id, b: pair.b.id, c: pair.c?.id ?? null },
        // One version for both: that of who needs the easier one.
        version: Math.min(rung, back?.rung ?? rung),
        why: [...(stopped ? ["stopped short: no contact"] : []), ...pair.why].join("; "),
      })),
  };
}
