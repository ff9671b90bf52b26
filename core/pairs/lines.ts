/**
 * Two lines: one stays, the other moves on by a place at each change. It needs no names to be called, so it is how
 * a large class changes partners. The starting order is chosen so that the rounds to come make good pairs.
 */
import { pairOf, seatRest, type Pair, type Round } from "./pairs.ts";
import { scorePair, type PairFacts, type Person } from "./score.ts";
import { below, seeded } from "../random/random.ts";

/** Who stays, and who moves on by a place; the first stands before the first. */
export interface Line {
  readonly stays: readonly Person[];
  readonly moves: readonly Person[];
}

/** From so many people on, lines are what a room can do; below, pairs are called by name. Common practice, no source. */
export const LINES_FROM = 13;

/** What two who may not work together cost against a good pair. */
const APART = -5000;
const TRIES = 4000;

/** Minors stand in lines of their own: nobody moves from one to the other. */
const GROUPS: readonly ((person: Person) => boolean)[] = [({ age }) => age === "minor", ({ age }) => age !== "minor"];

/** The starting order for so many rounds; the same people and facts give the same lines. */
export const linesFor = (people: readonly Person[], rounds: number, facts: PairFacts): Line[] =>
  GROUPS.map((belongs) => people.filter(belongs))
    .filter((group) => group.length > 0)
    .map((group) => ordered(group, rounds, facts));

/** Who faces whom when the moving line has gone on; somebody of an odd number faces nobody, another one each time. */
const facingAt = (at: number, shift: number, places: number): number => (at + shift) % places;

/** Improves an order of people by changing two places as long as the rounds get better by it. */
function ordered(group: readonly Person[], rounds: number, facts: PairFacts): Line {
  const places = Math.ceil(group.length / 2);
  const order: (Person | null)[] = group.length % 2 === 0 ? [...group] : [...group, null];
  const points = new Map(group.map((one) => [one, new Map(group.map((two) => [two, pointsOf(one, two, facts)]))]));
  const turns = Math.min(rounds, places);
  /** What somebody's place is worth over all rounds. */
  const worth = (at: number): number => {
    const one = order[at];
    if (!one) return 0;
    let sum = 0;
    for (let r = 0; r < turns; r++) {
      const other =
        order[at < places ? places + facingAt(at, r, places) : facingAt(at - places, places * turns - r, places)];
      if (other) sum += points.get(one)!.get(other)!;
    }
    return sum;
  };
  const random = seeded(group.length);
  for (let i = 0; i < TRIES && places > 1; i++) {
    // The empty place stays the last of the moving line.
    const [one, two] = [below(random, group.length), below(random, group.length)];
    if (one === two) continue;
    const swap = () => ([order[one], order[two]] = [order[two]!, order[one]!]);
    const before = worth(one) + worth(two);
    swap();
    if (worth(one) + worth(two) <= before) swap();
  }
  const people = order.filter((one) => one !== null);
  return { stays: people.slice(0, places), moves: people.slice(places) };
}

function pointsOf(one: Person, two: Person, facts: PairFacts): number {
  const { score, apart } = scorePair(one, two, facts);
  return apart ? APART : score;
}

/** Those who have left go out of their line, who has come stands at its end; the lines stay alike in length. */
export function linesWith(lines: readonly Line[], here: readonly Person[], facts: PairFacts): Line[] {
  const ids = new Map(here.map((person) => [person.id, person]));
  const known = new Set(lines.flatMap(({ stays, moves }) => [...stays, ...moves]).map(({ id }) => id));
  const fresh = here.filter(({ id }) => !known.has(id));
  if (fresh.length === 0 && known.size === here.length) return [...lines];
  return GROUPS.flatMap((belongs) => {
    const old = lines.find(({ stays, moves }) => [...stays, ...moves].some(belongs));
    const still = (line: readonly Person[] = []) => line.flatMap(({ id }) => ids.get(id) ?? []);
    const [stays, moves] = [still(old?.stays), still(old?.moves)];
    for (const person of fresh.filter(belongs)) (stays.length > moves.length ? moves : stays).push(person);
    while (stays.length > moves.length + 1) moves.push(stays.pop()!);
    while (moves.length > stays.length) stays.push(moves.pop()!);
    if (stays.length === 0) return [];
    return old ? [{ stays, moves }] : [ordered(stays.concat(moves), here.length, facts)];
  });
}

/** What is said of a pair that does not stand where the lines would put it. */
export const OUT_OF_LINE = "out of line";

/** The pairs when the moving line has gone on by `shift` places; who is left over joins as a third. */
export function lineRound(lines: readonly Line[], shift: number, facts: PairFacts): Round {
  const pairs: Pair[] = [];
  const left: Person[] = [];
  for (const { stays, moves } of lines) {
    const facing = stays.flatMap((a, i): [Person, Person][] => {
      const b = moves[facingAt(i, shift, stays.length)];
      if (!b) left.push(a);
      return b ? [[a, b]] : [];
    });
    const changed = withExceptions(facing, facts);
    for (const [i, [a, b]] of changed.entries()) {
      const pair = pairOf(a, b, facts);
      if (scorePair(a, b, facts).apart) left.push(a, b);
      else pairs.push(b === facing[i]![1] ? pair : { ...pair, why: [OUT_OF_LINE, ...pair.why] });
    }
  }
  return seatRest(pairs, left, facts);
}

/** Two who may not work together change with the nearest pair with whom that works. */
function withExceptions(facing: readonly (readonly [Person, Person])[], facts: PairFacts): [Person, Person][] {
  const made = facing.map(([a, b]): [Person, Person] => [a, b]);
  const apart = (a: Person, b: Person) => scorePair(a, b, facts).apart;
  for (const [i, pair] of made.entries()) {
    if (!apart(...pair)) continue;
    const near = [...made.keys()].filter((j) => j !== i).sort((j, k) => Math.abs(j - i) - Math.abs(k - i));
    const other = near.find((j) => !apart(pair[0], made[j]![1]) && !apart(made[j]![0], pair[1]));
    if (other === undefined) continue;
    [pair[1], made[other]![1]] = [made[other]![1], pair[1]];
  }
  return made;
}
