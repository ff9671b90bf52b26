/** What the log says of people and rungs: abilities by family and difficulties, with how sure they are, mark by mark. */
import { type Estimate, type Seen, expectedChance, met } from "./rasch.ts";

/** Somebody answered on a rung, and it was seen. */
export interface Evidence {
  readonly person: string;
  readonly family: string;
  /** What they worked on, and its load. */
  readonly rung: string;
  readonly load: number;
  readonly seen: Seen;
  /** Level of the person in the family, from 1 to 5: where nothing is known yet they begin from it. */
  readonly level: number;
  /** ms. */
  readonly at: number;
}

/** An estimate with how much it rests on. */
export interface Known extends Estimate {
  /** How often it was seen. */
  readonly times: number;
}
/** The estimates of people and rungs. */
export interface Estimates {
  readonly ability: (person: string, family: string, level: number) => Known;
  readonly difficulty: (rung: string, load: number) => Known;
}

/** Where nothing was seen. A level is worth so much, and a point of load so much, logits. Common practice, no source. */
const LEVEL = 0.7;
const MIDDLE = 3;
const LOAD = 0.35;
const USUAL_LOAD = 6;
/** At the usual load the middle level is clean in 84 of 100, and so sure is that, logits. */
const AT_EASE = Math.log(0.84 / 0.16);
const PERSON_ERROR = 0.9;
const RUNG_ERROR = 0.7;
/** People change: so much is less certain for each week since it was seen, logits squared. */
const FORGETS = 0.03;
/** Who trains gets better: so much a week, for the two weeks after they were seen, logits. Common practice, no source. */
const LEARNS = 0.08;
const LEARNS_FOR = 2;
const WEEK = 7 * 24 * 3600 * 1000;

const abilityPrior = (level: number): Known => ({
  mean: AT_EASE + LEVEL * (level - MIDDLE),
  error: PERSON_ERROR,
  times: 0,
});
const difficultyPrior = (load: number): Known => ({ mean: LOAD * (load - USUAL_LOAD), error: RUNG_ERROR, times: 0 });

/** Takes the evidence in, oldest first. */
export function estimatesFrom(evidence: readonly Evidence[]): Estimates {
  const abilities = new Map<string, Known & { readonly at: number }>();
  const rungs = new Map<string, Known>();
  const key = (person: string, family: string) => `${person} ${family}`;
  for (const one of [...evidence].sort((a, b) => a.at - b.at || (a.person < b.person ? -1 : 1))) {
    const known = abilities.get(key(one.person, one.family));
    const person = known ? later(known, one.at) : abilityPrior(one.level);
    const rung = rungs.get(one.rung) ?? difficultyPrior(one.load);
    const [ability, difficulty] = met(person, rung, one.seen);
    abilities.set(key(one.person, one.family), { ...ability, times: person.times + 1, at: one.at });
    rungs.set(one.rung, { ...difficulty, times: rung.times + 1 });
  }
  return {
    ability: (person, family, level) => abilities.get(key(person, family)) ?? abilityPrior(level),
    difficulty: (rung, load) => rungs.get(rung) ?? difficultyPrior(load),
  };
}

/** The chance of a clean answer on a drill of the usual load that nobody of them has seen yet. */
export const usualChance = (ability: Estimate): number => expectedChance(ability, difficultyPrior(USUAL_LOAD));

function later({ at, error, mean, times }: Known & { readonly at: number }, now: number): Known {
  const weeks = Math.max(0, now - at) / WEEK;
  return {
    times,
    mean: mean + LEARNS * Math.min(LEARNS_FOR, weeks),
    error: Math.min(PERSON_ERROR, Math.sqrt(error ** 2 + FORGETS * weeks)),
  };
}

/**
 * The chance of a clean answer that one learns most from: .84 (Wilson, Shenhav, Straccia and Cohen, The Eighty Five
 * Percent Rule for optimal learning, 2019: from tasks without partners, so a start), and .95 for whoever is new, for
 * children, and where a miss lands on somebody unprotected.
 */
export const TARGET = 0.84;
/** How sure the estimate is that somebody can do a rung before they are given it. */
export const CAREFUL = 0.95;

/** A chance as it is said. */
export function chanceText(chance: number): string {
  if (chance >= 0.93) return "nearly always";
  if (chance >= 0.72) return "mostly";
  if (chance >= 0.42) return "half the time";
  return "seldom";
}

/**
 * Difficulties of the rungs of a ladder: no rung is easier than the one before it, though what few did on that one may
 * say so. `ladders`: of which ladder each rung is, where there are several.
 */
export function inOrder<Rung extends Estimate>(rungs: readonly Rung[], ladders: readonly number[] = []): Rung[] {
  const hardest = new Map<number, number>();
  return rungs.map((rung, i) => {
    const ladder = ladders[i] ?? 0;
    const mean = Math.max(rung.mean, hardest.get(ladder) ?? -Infinity);
    hardest.set(ladder, mean);
    return { ...rung, mean };
  });
}

/** So much must have been seen before the log says more than the level does. */
const ENOUGH = 4;

interface Suggestion {
  /** Place of the rung on the ladder, from 0. */
  readonly rung: number;
  readonly chance: number;
  /** Why, in a sentence. */
  readonly why: string;
}

/** The rung that is nearest to the target for somebody; null while too little of them was seen. */
export function suggestRung(ability: Known, rungs: readonly Estimate[], target: number): Suggestion | null {
  if (ability.times < ENOUGH || rungs.length === 0) return null;
  const chances = rungs.map((rung) => expectedChance(ability, rung));
  const rung = chances.reduce(
    (best, chance, i) => (Math.abs(chance - target) < Math.abs(chances[best]! - target) ? i : best),
    0,
  );
  const chance = chances[rung]!;
  return { rung, chance, why: `${chanceText(chance)} clean by what was seen ${ability.times} times` };
}
