/** One round: who with whom, so that the sum of what makes good pairs is greatest. */
import blossom from "edmonds-blossom-fixed";
import { NO_FACTS, scorePair, type PairFacts, type Person } from "./score.ts";

/** Two people by id. */
export interface Pair {
  readonly a: Person;
  readonly b: Person;
  /** Third person where the number is odd; the three work in turn. */
  readonly c: Person | null;
  readonly score: number;
  /** Why they work without contact; null: as the drill is. */
  readonly noContact: string | null;
  readonly locked: boolean;
  /** What speaks for and against it, in plain words. */
  readonly why: readonly string[];
}

/** The pairs of a round and who is left. */
export interface Round {
  readonly pairs: readonly Pair[];
  /** Nobody could be put with them: the instructor works with them, or they watch. */
  readonly alone: readonly { readonly person: Person; readonly why: string }[];
  readonly total: number;
  /** Who was put together by hand and may not meet, in words. */
  readonly refused?: readonly string[];
}

/** Why the only one who is here has no partner. */
export const NOBODY_ELSE = "nobody else is here";

/** Who has been third tonight, by id: it goes round. */
type Thirds = ReadonlyMap<string, number>;

/** A third person is worth less for each time they were third already; a weak pair takes them rather than a good one. */
const THIRD_AGAIN = 300;
const THIRD = 500;
/** Left over only where nobody else can be. */
const NO_THIRD = -5000;

/**
 * Pairs everybody for one round by maximum-weight matching (Edmonds' blossom algorithm, package
 * `edmonds-blossom-fixed`). Where the number is odd one more place, the third's, is matched as well.
 * `locked`: ids of pairs and trios that stay together.
 */
export function pairUp(
  people: readonly Person[],
  facts: PairFacts = NO_FACTS,
  locked: readonly { readonly a: string; readonly b: string; readonly c: string | null }[] = [],
  thirds: Thirds = new Map(),
): Round {
  const byId = new Map(people.map((p) => [p.id, p]));
  const held = new Set<Person>();
  const refused: string[] = [];
  const fixed = locked.flatMap((ids): Pair[] => {
    const [a, b] = [byId.get(ids.a), byId.get(ids.b)];
    // Somebody who has left, or is locked elsewhere already, frees the others.
    if (!a || !b || a === b || held.has(a) || held.has(b)) return [];
    const c = ids.c === null ? null : (byId.get(ids.c) ?? null);
    const third = c && c !== a && c !== b && !held.has(c) ? c : null;
    const pair = pairOf(a, b, facts, third);
    // No hand puts together who may not meet.
    const never = apartIn(pair, facts);
    if (never) return (refused.push(never), []);
    for (const person of [a, b, third]) if (person) held.add(person);
    return [{ ...pair, locked: true }];
  });
  const free = people.filter((p) => !held.has(p));
  const matched = matching(free, facts, thirds);
  const pairs = [...fixed, ...matched.pairs.map(([a, b]) => pairOf(a, b, facts))];
  const round = seatRest(pairs, matched.left, facts);
  return refused.length > 0 ? { ...round, refused } : round;
}

/** Everybody of a pair or three with everybody else of it. */
const twos = ({ a, b, c }: Pick<Pair, "a" | "b" | "c">): readonly (readonly [Person, Person])[] =>
  c === null
    ? [[a, b]]
    : [
        [a, b],
        [a, c],
        [b, c],
      ];

/** Two people as a pair, or three, with what speaks for and against it. Two without contact are so in a three as well. */
export function pairOf(a: Person, b: Person, facts: PairFacts, c: Person | null = null): Pair {
  const { score, why } = scorePair(a, b, facts);
  const noContact = twos({ a, b, c }).map(([one, two]) => scorePair(one, two, facts).noContact);
  const pair: Pair = {
    a,
    b,
    c: null,
    score,
    noContact: noContact.find((one) => one !== null) ?? null,
    locked: false,
    why,
  };
  return c ? { ...pair, c, why: [...why, `${c.name} is third: they work in turn`] } : pair;
}

/** Why two of a pair or three may not meet, with their names; null: they may. */
export function apartIn(pair: Pick<Pair, "a" | "b" | "c">, facts: PairFacts): string | null {
  const found = twos(pair).find(([one, two]) => scorePair(one, two, facts).apart);
  if (!found) return null;
  const { why } = scorePair(...found, facts);
  return `${found[0].name} and ${found[1].name} were put together by hand and are no pair: ${why[why.length - 1]!}.`;
}

/** Who may work with no two people that may work together is no third. */
const canBeThird = (one: number, may: readonly ReadonlySet<number>[]): boolean =>
  [...may[one]!].some((a) => [...may[a]!].some((b) => b !== one && may[one]!.has(b)));

function matching(
  people: readonly Person[],
  facts: PairFacts,
  thirds: Thirds,
): { pairs: (readonly [Person, Person])[]; left: Person[] } {
  const odd = people.length % 2 === 1;
  const edges: [number, number, number][] = [];
  const may = people.map(() => new Set<number>());
  for (let i = 0; i < people.length; i++)
    for (let j = i + 1; j < people.length; j++) {
      const { score, apart } = scorePair(people[i]!, people[j]!, facts);
      if (apart) continue;
      edges.push([i, j, score]);
      may[i]!.add(j);
      may[j]!.add(i);
    }
  if (odd)
    people.forEach((person, i) => {
      const points = THIRD - THIRD_AGAIN * (thirds.get(person.id) ?? 0);
      edges.push([i, people.length, canBeThird(i, may) ? points : NO_THIRD]);
    });
  if (edges.length === 0) return { pairs: [], left: [...people] };
  const mates = blossom(edges, true);
  const pairs: (readonly [Person, Person])[] = [];
  const left: Person[] = [];
  people.forEach((person, i) => {
    const mate = mates[i] ?? -1;
    if (mate > i && mate < people.length) pairs.push([person, people[mate]!]);
    else if (mate < 0 || mate === people.length) left.push(person);
  });
  return { pairs, left };
}

/** Those who are left join the pair where a third costs least; where none may take them they stay alone. */
export function seatRest(pairs: readonly Pair[], left: readonly Person[], facts: PairFacts): Round {
  const seated = [...pairs];
  const alone: Round["alone"][number][] = [];
  for (const person of left) {
    let place = -1;
    let best = -Infinity;
    seated.forEach((pair, i) => {
      if (pair.c || pair.locked) return;
      const scores = [scorePair(pair.a, person, facts), scorePair(pair.b, person, facts)];
      const least = Math.min(...scores.map((s) => s.score));
      if (!scores.some((s) => s.apart) && least > best) {
        best = least;
        place = i;
      }
    });
    const pair = seated[place];
    if (pair)
      seated[place] = {
        ...pairOf(pair.a, pair.b, facts, person),
        why: [...pair.why, `${person.name} is third: they work in turn`],
      };
    else
      alone.push({
        person,
        why:
          seated.length === 0
            ? NOBODY_ELSE
            : "nobody who is free may work with this person: the instructor works along",
      });
  }
  return { pairs: seated, alone, total: seated.reduce((sum, p) => sum + p.score, 0) };
}
