/** Pairs for one round: a maximum-weight matching over what makes two people a good pair. */
import blossom from "edmonds-blossom";

export interface Person {
  readonly id: string;
  readonly name: string;
  /** m; null where it was never measured. */
  readonly height: number | null;
  /** kg. */
  readonly mass: number | null;
  readonly minor: boolean;
  readonly lead: "left" | "right";
  readonly limits: readonly string[];
}

export interface PairWeights {
  /** Points lost for each earlier meeting. */
  readonly met: number;
  /** Points lost for each 10 cm of height between them. */
  readonly height: number;
  /** Points lost for a mass ratio above `massRatio`. */
  readonly mass: number;
  readonly massRatio: number;
  /** Points lost for a minor with an adult. */
  readonly minorWithAdult: number;
}

/** Starting values, judgements from memory; a school may tune them. */
export const PAIR_WEIGHTS: PairWeights = { met: 30, height: 8, mass: 40, massRatio: 1.4, minorWithAdult: 120 };

/** A pair may score at most this; penalties are taken off. */
const BEST = 1000;

export interface Pair {
  readonly a: Person;
  readonly b: Person;
  /** Third person where the number is odd. */
  readonly c: Person | null;
  readonly score: number;
  /** What speaks for and against it, in plain words. */
  readonly why: readonly string[];
}

export type PairResult =
  | { readonly kind: "pairs"; readonly pairs: readonly Pair[]; readonly total: number }
  | { readonly kind: "too-few"; readonly count: number };

const key = (a: Person, b: Person): string => (a.id < b.id ? `${a.id}|${b.id}` : `${b.id}|${a.id}`);

/** Score of two people together, with the reasons. `met`: earlier meetings by `key`. */
export function scorePair(
  a: Person,
  b: Person,
  met: ReadonlyMap<string, number>,
  weights: PairWeights,
): { score: number; why: string[] } {
  let score = BEST;
  const why: string[] = [];
  const times = met.get(key(a, b)) ?? 0;
  if (times > 0) {
    score -= weights.met * times;
    why.push(`met ${times === 1 ? "once" : `${times} times`} before`);
  } else why.push("not met before");
  if (a.height !== null && b.height !== null) {
    const gap = Math.abs(a.height - b.height) * 100;
    score -= (weights.height * gap) / 10;
    why.push(gap < 1 ? "same height" : `${Math.round(gap)} cm apart in height`);
  } else why.push("height not known");
  if (a.mass !== null && b.mass !== null) {
    const ratio = Math.max(a.mass, b.mass) / Math.min(a.mass, b.mass);
    if (ratio > weights.massRatio) {
      score -= weights.mass * (ratio / weights.massRatio);
      why.push("large weight gap: no contact");
    }
  }
  if (a.minor !== b.minor) {
    score -= weights.minorWithAdult;
    why.push("a minor with an adult: only as agreed");
  } else if (a.minor) why.push("both minors");
  return { score: Math.max(1, Math.round(score)), why };
}

/**
 * Pairs everybody for one round so that the sum of scores is greatest (Edmonds' blossom algorithm
 * from the package `edmonds-blossom`). An odd one out joins the pair where a third costs least.
 */
export function pairUp(
  people: readonly Person[],
  met: ReadonlyMap<string, number> = new Map(),
  weights: PairWeights = PAIR_WEIGHTS,
): PairResult {
  if (people.length < 2) return { kind: "too-few", count: people.length };
  const odd = people.length % 2 === 1;
  if (!odd) return collect(matched(people, met, weights), met, weights);
  let best: (PairResult & { kind: "pairs" }) | null = null;
  for (const third of people) {
    const rest = people.filter((person) => person !== third);
    const pairs = rest.length === 2 ? [[rest[0]!, rest[1]!] as const] : matched(rest, met, weights);
    const result = withThird(collect(pairs, met, weights), third, met, weights);
    if (!best || result.total > best.total) best = result;
  }
  return best!;
}

function matched(
  people: readonly Person[],
  met: ReadonlyMap<string, number>,
  weights: PairWeights,
): (readonly [Person, Person])[] {
  const edges: [number, number, number][] = [];
  for (let i = 0; i < people.length; i++)
    for (let j = i + 1; j < people.length; j++)
      edges.push([i, j, scorePair(people[i]!, people[j]!, met, weights).score]);
  const mates = blossom(edges, true);
  const pairs: (readonly [Person, Person])[] = [];
  mates.forEach((mate, i) => {
    if (mate > i) pairs.push([people[i]!, people[mate]!]);
  });
  return pairs;
}

function collect(
  pairs: readonly (readonly [Person, Person])[],
  met: ReadonlyMap<string, number>,
  weights: PairWeights,
): PairResult & { kind: "pairs" } {
  let total = 0;
  const list = pairs.map(([a, b]): Pair => {
    const { score, why } = scorePair(a, b, met, weights);
    total += score;
    return { a, b, c: null, score, why };
  });
  return { kind: "pairs", pairs: list, total };
}

function withThird(
  result: PairResult & { kind: "pairs" },
  third: Person,
  met: ReadonlyMap<string, number>,
  weights: PairWeights,
): PairResult & { kind: "pairs" } {
  let place = 0;
  let most = -Infinity;
  result.pairs.forEach((pair, i) => {
    const gain = Math.min(scorePair(pair.a, third, met, weights).score, scorePair(pair.b, third, met, weights).score);
    if (gain > most) {
      most = gain;
      place = i;
    }
  });
  const pairs = result.pairs.map((pair, i) =>
    i === place ? { ...pair, c: third, why: [...pair.why, "three work in turn"] } : pair,
  );
  return { kind: "pairs", pairs, total: result.total + most };
}
