/** Threes out of pairs: for drills in which a third person has a part of their own. */
import { pairOf, pairUp, type Pair, type Round } from "./pairs.ts";
import { scorePair, type PairFacts, type Person } from "./score.ts";

/** Where three cannot be made of all, so many pairs are left: one of four people more than threes hold, two of five. */
const pairsLeft = (people: number): number => (people % 3 === 0 ? 0 : people % 3 === 1 ? 2 : 1);

/**
 * Takes the pairs that cost least apart and puts each of the two with another pair, so that all but four people at
 * most stand in threes. Pairs that were put together by hand stay; nobody comes to somebody they may not work with.
 */
export function inThrees(round: Round, facts: PairFacts): Round {
  const locked = round.pairs.filter((pair) => pair.locked);
  const free = round.pairs.filter((pair) => !pair.locked).sort((one, two) => two.score - one.score);
  const people = free.reduce((sum, { c }) => sum + (c ? 3 : 2), 0);
  const threes = Math.max(0, Math.floor((people - 2 * pairsLeft(people)) / 3));
  const bases: Pair[] = free.slice(0, threes).map((pair) => ({ ...pair, c: null }));
  const loose = [...free.slice(0, threes).flatMap(({ c }) => c ?? []), ...free.slice(threes).flatMap(membersOf)];
  const rest = [...loose];
  const made = bases.map((pair): Pair => {
    const third = best(rest, pair, facts);
    if (!third) return pair;
    rest.splice(rest.indexOf(third), 1);
    return { ...pairOf(pair.a, pair.b, facts, third), why: [...pair.why, "three by the drill"] };
  });
  return asPairs({ ...round, pairs: [...locked, ...made] }, rest, facts);
}

const membersOf = ({ a, b, c }: Pair): Person[] => (c ? [a, b, c] : [a, b]);

/** Who fits best as a third; null where nobody may. */
function best(people: readonly Person[], { a, b }: Pair, facts: PairFacts): Person | null {
  let found: Person | null = null;
  let most = -Infinity;
  for (const person of people) {
    const scores = [scorePair(a, person, facts), scorePair(b, person, facts)];
    if (scores.some(({ apart }) => apart)) continue;
    const points = Math.min(...scores.map(({ score }) => score));
    if (points > most) [found, most] = [person, points];
  }
  return found;
}

/** Those who are in no three, two by two where they may meet. */
function asPairs(round: Round, people: readonly Person[], facts: PairFacts): Round {
  const { pairs, alone } = pairUp(people, facts);
  const why = "no three has room: the instructor works along";
  return {
    ...round,
    pairs: [...round.pairs, ...pairs],
    alone: [...round.alone, ...alone.map(({ person }) => ({ person, why }))],
  };
}
