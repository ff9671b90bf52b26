/** Seeded chance: the same seed gives the same numbers on every machine. */

/** Numbers from 0 (included) to 1 (left out). */
export type Random = () => number;

/**
 * Park and Miller's minimal standard generator with the multiplier of their 1993 revision
 * ("Random number generators: good ones are hard to find", CACM 31, 1988; 36, 1993).
 */
export function seeded(seed: number): Random {
  let state = (Math.abs(Math.trunc(seed)) % 2147483646) + 1;
  const next = () => {
    state = (state * 48271) % 2147483647;
    return (state - 1) / 2147483646;
  };
  // Seeds that lie side by side give their first numbers side by side.
  for (let i = 0; i < 8; i++) next();
  return next;
}

/** A whole number from 0 to `count - 1`. */
export const below = (random: Random, count: number): number => Math.floor(random() * count);

/** The same things in an order by chance (Fisher and Yates). */
export function shuffled<T>(items: readonly T[], random: Random): T[] {
  const order = [...items];
  for (let i = order.length - 1; i > 0; i--) {
    const j = below(random, i + 1);
    [order[i], order[j]] = [order[j]!, order[i]!];
  }
  return order;
}
