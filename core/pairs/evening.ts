/** All rounds of an evening: partners change, arrivals and leavers are taken in, what was done stays. */
import { bergerRound } from "./berger.ts";
import { apartIn, pairOf, pairUp, type Pair, type Round } from "./pairs.ts";
import { lineRound, linesFor, linesWith, type Line } from "./lines.ts";
import { inThrees } from "./threes.ts";
import { meetingOf } from "./meet.ts";
import { pairKey, scorePair, wishMap, type PairFacts, type Person, type Wish } from "./score.ts";
import type { PairWeights } from "../policy/pair-weights.ts";

/** Somebody who is here for some of the rounds. */
export interface Attendee {
  readonly person: Person;
  /** First round here, from 0, and the round before which they leave; null: to the end. */
  readonly from: number;
  readonly until: number | null;
}

/** A pair as it is kept: ids alone. */
export interface PairIds {
  readonly a: string;
  readonly b: string;
  readonly c: string | null;
}

/** A pair or trio that stays together in a round. */
export interface LockedPair extends PairIds {
  readonly round: number;
}

/** The wishes for all rounds of an evening. */
export interface EveningOptions {
  readonly rounds: number;
  readonly weights: PairWeights;
  readonly wishes: readonly Wish[];
  /** Meetings of earlier classes of the term, by `pairKey`. */
  readonly met: ReadonlyMap<string, number>;
  /** Rounds that were run already, as they were. */
  readonly done: readonly (readonly PairIds[])[];
  readonly locked: readonly LockedPair[];
  /** Rounds in which three work together, from 0. */
  readonly threes?: ReadonlySet<number>;
  /** Rounds in which partners stay from the round before and change roles. */
  readonly again?: ReadonlySet<number>;
  /** Partners change in two lines: one stays, the other moves on by a place. */
  readonly lines?: boolean;
  /** Rounds in which nothing can be done without contact. */
  readonly contactOnly?: ReadonlySet<number>;
  /** Who has nothing to do in a round that they may, by id, and why. */
  readonly sitOut?: (round: number) => ReadonlyMap<string, string>;
}
/** Most rounds of an evening. */
export const MOST_ROUNDS = 48;

/** The rounds of an evening with their points. */
export interface Evening {
  readonly rounds: readonly Round[];
  /** How the lines stand at the start; empty where pairs are called by name. */
  readonly lines: readonly Line[];
  /** Wishes that were not met, and what else should be known, in words. */
  readonly notes: readonly string[];
}

/** Plans the rounds one after the other; yields the share done. */
export function* planEvening(attendees: readonly Attendee[], options: EveningOptions): Generator<number, Evening> {
  const byId = new Map(attendees.map((a) => [a.person.id, a.person]));
  const tonight = new Map<string, number>();
  const thirds = new Map<string, number>();
  const facts: PairFacts = {
    weights: options.weights,
    met: options.met,
    tonight,
    wishes: wishMap(options.wishes),
  };
  const count = Math.min(MOST_ROUNDS, options.rounds);
  const berger = onlyMeetings(attendees, options, count);
  const rounds: Round[] = [];
  const start = options.lines ? linesFor(hereIn(attendees, 0), count, facts) : [];
  let lines = start;
  let shift = 0;
  for (let r = 0; r < count; r++) {
    yield r / count;
    const sits = options.sitOut?.(r) ?? NOBODY_SITS;
    const everybody = hereIn(attendees, r);
    const here = everybody.filter(({ id }) => !sits.has(id));
    const contactOnly = options.contactOnly?.has(r) ?? false;
    const now = contactOnly ? { ...facts, contactOnly } : facts;
    if (options.lines) lines = linesWith(lines, here, now);
    const done = options.done[r];
    const same = !done && options.again?.has(r) ? rolesChanged(rounds[r - 1], here, options.locked, r) : null;
    const locked = options.locked.filter((l) => l.round === r);
    const pair = () => {
      const inThree = options.threes?.has(r);
      // Who is put together by hand is called by name for that round, and so are three.
      if (options.lines && !inThree && locked.length === 0) return lineRound(lines, shift, now);
      const pairs = pairUp(here, now, locked, thirds);
      return inThree ? inThrees(pairs, now) : pairs;
    };
    const round = done ? asDone(done, byId, facts) : (same ?? (berger ? inOrder(here, r, facts) : pair()));
    rounds.push(done ? round : withThoseWhoSit(round, everybody, sits));
    // Who stays has not met anybody new.
    if (same) continue;
    shift++;
    for (const pair of round.pairs) {
      for (const [x, y] of twoByTwo<Person>(pair)) add(tonight, pairKey(x.id, y.id));
      if (pair.c) add(thirds, pair.c.id);
    }
  }
  return { rounds, lines: start, notes: notesOf(rounds, options, byId) };
}

const NOBODY_SITS: ReadonlyMap<string, string> = new Map();

/** A round with those who have no part in it, and why. */
const withThoseWhoSit = (round: Round, here: readonly Person[], sits: ReadonlyMap<string, string>): Round => ({
  ...round,
  alone: [
    ...round.alone.filter(({ person }) => !sits.has(person.id)),
    ...here.flatMap((person) => (sits.has(person.id) ? [{ person, why: sits.get(person.id)! }] : [])),
  ],
});

const hereIn = (attendees: readonly Attendee[], round: number): Person[] =>
  attendees.filter((a) => a.from <= round && (a.until === null || round < a.until)).map((a) => a.person);

/** What is said of a pair that stays for another round. */
export const ROLES_CHANGED = "same partner, roles changed";

/** The pairs of the round before with their roles changed; null where somebody came, left or was put elsewhere. */
function rolesChanged(
  before: Round | undefined,
  here: readonly Person[],
  locked: readonly LockedPair[],
  round: number,
): Round | null {
  if (!before || locked.some((one) => one.round === round)) return null;
  const ids = new Set(here.map(({ id }) => id));
  const were = before.pairs
    .flatMap(({ a, b, c }) => (c ? [a, b, c] : [a, b]))
    .concat(before.alone.map((x) => x.person));
  if (were.length !== ids.size || were.some(({ id }) => !ids.has(id))) return null;
  const pairs = before.pairs.map((pair): Pair => {
    const { a, b, c } = pair;
    return { ...pair, a: b, b: c ?? a, c: c && a, locked: false, why: [ROLES_CHANGED] };
  });
  return { ...before, pairs };
}

/** Who meets whom in a pair or trio. */
export const twoByTwo = <T>({
  a,
  b,
  c,
}: {
  readonly a: T;
  readonly b: T;
  readonly c: T | null;
}): (readonly [T, T])[] =>
  c === null
    ? [[a, b]]
    : [
        [a, b],
        [a, c],
        [b, c],
      ];

const add = (counts: Map<string, number>, key: string): void => void counts.set(key, (counts.get(key) ?? 0) + 1);

/**
 * Round by round the best pairs can run into a dead end before everybody has met everybody; where
 * nothing but meetings counts and all stay, the rounds of Berger's tables cannot.
 */
function onlyMeetings(attendees: readonly Attendee[], o: EveningOptions, count: number): boolean {
  const { weights } = o;
  const plain = weights.height + weights.mass + weights.level + weights.lead + weights.minorWithAdult === 0;
  const all = attendees.every((a) => a.from === 0 && (a.until === null || a.until >= count));
  const free =
    !o.lines &&
    !o.threes?.size &&
    !o.again?.size &&
    o.wishes.length === 0 &&
    o.locked.length === 0 &&
    o.done.length === 0 &&
    o.met.size === 0 &&
    !o.contactOnly?.size;
  return plain && all && free && attendees.length % 2 === 0 && attendees.length > 1 && everybodyMayMeet(attendees);
}

const everybodyMayMeet = (attendees: readonly Attendee[]): boolean =>
  attendees.every(({ person: a }, i) =>
    attendees.slice(i + 1).every(({ person: b }) => meetingOf(a, b, undefined).apart === null),
  );

function inOrder(people: readonly Person[], round: number, facts: PairFacts): Round {
  const places = bergerRound(people.length, round % (people.length - 1));
  const pairs = places.map(([i, j]) => seated(people[i]!, people[j]!, null, facts));
  return { pairs, alone: [], total: pairs.reduce((sum, p) => sum + p.score, 0) };
}

function asDone(done: readonly PairIds[], byId: ReadonlyMap<string, Person>, facts: PairFacts): Round {
  const pairs = done.flatMap(({ a, b, c }) => {
    const one = byId.get(a);
    const two = byId.get(b);
    return one && two ? [seated(one, two, c ? (byId.get(c) ?? null) : null, facts)] : [];
  });
  return { pairs, alone: [], total: pairs.reduce((sum, p) => sum + p.score, 0) };
}

function seated(a: Person, b: Person, c: Person | null, facts: PairFacts): Pair {
  return pairOf(a, b, facts, c);
}

/** What changing two people between two pairs of a round would cost, in points; negative is a gain. */
export function swapCost(round: readonly Pair[], one: string, two: string, facts: PairFacts): number | null {
  const swapped = withSwapped(round, one, two);
  if (!swapped) return null;
  if (swapped.some((pair) => apartIn(pair, facts))) return null;
  const total = (pairs: readonly Pair[]) =>
    pairs.flatMap((pair) => twoByTwo<Person>(pair)).reduce((sum, [a, b]) => sum + scorePair(a, b, facts).score, 0);
  return total(round) - total(swapped);
}

/** The round with two people in each other's place; null where they are in one pair or not there. */
export function withSwapped(round: readonly Pair[], one: string, two: string): Pair[] | null {
  const of = (id: string) => round.findIndex((p) => p.a.id === id || p.b.id === id || p.c?.id === id);
  const [i, j] = [of(one), of(two)];
  if (i < 0 || j < 0 || i === j) return null;
  const people = new Map(round.flatMap((p) => [p.a, p.b, ...(p.c ? [p.c] : [])]).map((p) => [p.id, p]));
  const put = (p: Person): Person => (p.id === one ? people.get(two)! : p.id === two ? people.get(one)! : p);
  return round.map((p) => ({ ...p, a: put(p.a), b: put(p.b), c: p.c && put(p.c) }));
}

function notesOf(rounds: readonly Round[], o: EveningOptions, byId: ReadonlyMap<string, Person>): string[] {
  const notes: string[] = [];
  const together = new Set(rounds.flatMap((r) => r.pairs.map((p) => pairKey(p.a.id, p.b.id))));
  for (const { a, b, kind } of o.wishes) {
    const [one, two] = [byId.get(a), byId.get(b)];
    if (!one || !two) continue;
    if (kind === "together" && !together.has(pairKey(a, b)))
      notes.push(`${one.name} and ${two.name} wished to work together: no round had room for it. Lock them in one.`);
  }
  const apart = new Set(o.wishes.filter((w) => w.kind === "apart").map((w) => pairKey(w.a, w.b)));
  const both = o.wishes.filter((w) => w.kind === "together" && apart.has(pairKey(w.a, w.b)));
  for (const { a, b } of both)
    notes.push(
      `${byId.get(a)?.name ?? a} and ${byId.get(b)?.name ?? b} are wished both together and apart: they are kept apart. Take one wish out.`,
    );
  notes.push(...new Set(rounds.flatMap(({ refused = [] }) => refused)));
  const without = new Set(
    rounds.flatMap((r) =>
      r.pairs.flatMap(({ a, b, c, noContact }) =>
        noContact === null ? [] : [`${[a, b, ...(c ? [c] : [])].map(({ name }) => name).join(" and ")} (${noContact})`],
      ),
    ),
  );
  if (without.size > 0) notes.push(`Without contact: ${[...without].join("; ")}.`);
  const unknown = [...byId.values()].filter(({ age }) => age === "unknown").map(({ name }) => name);
  if (unknown.length > 0)
    notes.push(
      `Of age? Nobody has said so of ${unknown.join(", ")}: no contact, and no minor as a partner. Say it on the list of people.`,
    );
  const waiting = new Set(rounds.flatMap((r) => r.alone.map((x) => `${x.person.name}: ${x.why}`)));
  notes.push(...waiting);
  return notes;
}
