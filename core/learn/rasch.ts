/**
 * The Rasch model: the chance that somebody answers cleanly is 1 / (1 + exp(difficulty - ability)), in logits. Rasch,
 * Probabilistic models for some intelligence and attainment tests, 1960; conditional likelihood by the elementary
 * symmetric functions as in Fischer and Molenaar, Rasch models, 1995, chapter 3 (from memory).
 */

export const chanceOf = (ability: number, difficulty: number): number => 1 / (1 + Math.exp(difficulty - ability));

/** Elementary symmetric functions of easinesses, from the sum of none to the product of all. */
function symmetric(easiness: readonly number[]): number[] {
  const sums = [1];
  for (const e of easiness) {
    sums.push(0);
    for (let r = sums.length - 1; r > 0; r--) sums[r]! += sums[r - 1]! * e;
  }
  return sums;
}

const CLOSE = 1e-10;
const MOST_STEPS = 200;

/**
 * Difficulties by conditional maximum likelihood, with a sum of nought; `answers`: a row a person, clean (1) or not (0)
 * for each item. Rows in which all or nothing was clean say nothing about difficulties. Null where an item was always
 * or never clean: its difficulty has no bound.
 */
export function conditionalDifficulties(answers: readonly (readonly number[])[]): number[] | null {
  const items = answers[0]?.length ?? 0;
  const rows = answers.filter((row) => {
    const sum = total(row);
    return sum > 0 && sum < items;
  });
  const clean = Array.from({ length: items }, (_, i) => total(rows.map((row) => row[i]!)));
  if (items < 2 || clean.some((count) => count === 0 || count === rows.length)) return null;
  const scores = new Map<number, number>();
  for (const row of rows) scores.set(total(row), (scores.get(total(row)) ?? 0) + 1);
  let difficulties = clean.map((count) => -Math.log(count / (rows.length - count)));
  for (let step = 0; step < MOST_STEPS; step++) {
    const easiness = difficulties.map((d) => Math.exp(-d));
    const all = symmetric(easiness);
    const without = easiness.map((_, i) => symmetric(easiness.filter((__, j) => j !== i)));
    // What is expected of an item, and how much that moves with its difficulty: the diagonal of the information.
    const next = difficulties.map((d, i) => {
      let expected = 0;
      let information = 0;
      for (const [score, count] of scores) {
        const p = (easiness[i]! * without[i]![score - 1]!) / all[score]!;
        expected += count * p;
        information += count * p * (1 - p);
      }
      return d + (expected - clean[i]!) / information;
    });
    const mean = total(next) / items;
    const centred = next.map((d) => d - mean);
    const moved = Math.max(...centred.map((d, i) => Math.abs(d - difficulties[i]!)));
    difficulties = centred;
    if (moved < CLOSE) break;
  }
  return difficulties;
}

/** The conditional log-likelihood of answers for difficulties; rows in which all or nothing was clean add nothing. */
export function conditionalLikelihood(
  answers: readonly (readonly number[])[],
  difficulties: readonly number[],
): number {
  const sums = symmetric(difficulties.map((d) => Math.exp(-d)));
  return total(
    answers.map((row) => total(row.map((clean, i) => -clean * difficulties[i]!)) - Math.log(sums[total(row)]!)),
  );
}

const total = (numbers: readonly number[]): number => numbers.reduce((sum, one) => sum + one, 0);

/** A value with its standard error, logits. */
export interface Estimate {
  /** Logits. */
  readonly mean: number;
  /** Standard error, logits. */
  readonly error: number;
}

/** One answer to something of a known difficulty. */
export interface Tried {
  readonly difficulty: Estimate;
  readonly clean: boolean;
}

/**
 * The ability that is likeliest after some answers, with a normal prior (mode of the posterior, by Newton's method); the
 * error is that of the curvature there. Without a prior (`null`) it is the maximum likelihood, which has no bound where
 * all or nothing was clean.
 */
export function abilityFrom(tried: readonly Tried[], prior: Estimate | null): Estimate {
  const weight = prior ? 1 / prior.error ** 2 : 0;
  let ability = prior?.mean ?? 0;
  let information = weight;
  for (let step = 0; step < MOST_STEPS; step++) {
    let slope = prior ? (prior.mean - ability) * weight : 0;
    information = weight;
    for (const { difficulty, clean } of tried) {
      const p = chanceOf(ability, difficulty.mean);
      slope += (clean ? 1 : 0) - p;
      information += p * (1 - p);
    }
    // A step of more than a logit goes too far where the curve is flat.
    const move = Math.max(-1, Math.min(1, slope / information));
    ability += move;
    if (Math.abs(move) < CLOSE) break;
  }
  return { mean: ability, error: 1 / Math.sqrt(information) };
}

/** How an answer came out. */
export type Seen = "clean" | "not clean";

/**
 * One answer taken in by both sides: the ability and the difficulty that met move towards what was seen, each by as much
 * as it is uncertain (a Newton step on the two posteriors from their prior means).
 */
export function met(ability: Estimate, difficulty: Estimate, seen: Seen): readonly [Estimate, Estimate] {
  const p = chanceOf(ability.mean, difficulty.mean);
  const surprise = (seen === "clean" ? 1 : 0) - p;
  const moved = ({ mean, error }: Estimate, by: number): Estimate => {
    const precision = 1 / error ** 2 + p * (1 - p);
    return { mean: mean + by / precision, error: 1 / Math.sqrt(precision) };
  };
  return [moved(ability, surprise), moved(difficulty, -surprise)];
}

/** The chance of a clean answer where neither is known for certain: the logit is flattened by what is not known. */
export function expectedChance(ability: Estimate, difficulty: Estimate): number {
  const spread = ability.error ** 2 + difficulty.error ** 2;
  // The logistic of a normal by the approximation of MacKay, 1992: it is as if the distance were shorter.
  return chanceOf((ability.mean - difficulty.mean) / Math.sqrt(1 + (Math.PI * spread) / 8), 0);
}
