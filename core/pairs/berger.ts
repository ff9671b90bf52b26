/** Everybody with everybody once: the rounds of Berger's tables. */

/**
 * Pairs of places (from 0) in `round` (from 0) for `n` places, n even. Round 1 pairs 1 with n, 2 with
 * n - 1 and so on; in each next round all but the last place move on by n/2 (Berger's tables, as
 * printed for tournaments since 1886).
 */
export function bergerRound(n: number, round: number): (readonly [number, number])[] {
  const shift = (place: number) => (place + (round * n) / 2) % (n - 1);
  const pairs: (readonly [number, number])[] = [[shift(0), n - 1]];
  for (let i = 1; i < n / 2; i++) pairs.push([shift(i), shift(n - 1 - i)]);
  return pairs;
}
