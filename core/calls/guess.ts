/** What a partner who tries to guess the next call would score. */

export interface Guesses {
  /** Share of right guesses of one who knows only how often each comes. */
  readonly chance: number;
  /** Who has learned from twenty other rounds what usually follows one call, or two. */
  readonly afterOne: number;
  readonly afterTwo: number;
  /** Who remembers this round without a mistake and guesses what is left over. */
  readonly counting: number;
}

type Order = readonly number[];
/** The likeliest next call after each window of calls. */
type Habits = ReadonlyMap<string, number>;

/** What somebody learns from rounds: what usually follows each window of `length` calls. */
export function learn(orders: readonly Order[], length: 1 | 2): Habits {
  const counts = new Map<string, Map<number, number>>();
  for (const order of orders)
    for (let i = length; i < order.length; i++) {
      const window = order.slice(i - length, i).join(",");
      const after = counts.get(window) ?? new Map<number, number>();
      after.set(order[i]!, (after.get(order[i]!) ?? 0) + 1);
      counts.set(window, after);
    }
  return new Map([...counts].map(([window, after]) => [window, most(after)]));
}

const most = (counts: ReadonlyMap<number, number>): number =>
  [...counts].reduce((best, entry) => (entry[1] > best[1] ? entry : best), [-1, 0])[0];

/** Share of calls that one guesses who goes by habits. */
export function scoreOf(order: Order, habits: Habits, length: 1 | 2): number {
  let right = 0;
  for (let i = length; i < order.length; i++)
    if (habits.get(order.slice(i - length, i).join(",")) === order[i]) right++;
  return order.length > length ? right / (order.length - length) : 0;
}

/** Share of calls that one guesses who takes the pair that came least often so far. */
function countingScore(order: Order, labels: number): number {
  const seen = Array.from({ length: labels }, () => Array<number>(labels).fill(0));
  let right = 0;
  for (let i = 1; i < order.length; i++) {
    const row = seen[order[i - 1]!]!;
    const least = Math.min(...row);
    const options = row.filter((n) => n === least).length;
    if (row[order[i]!] === least) right += 1 / options;
    row[order[i]!]!++;
  }
  return order.length > 1 ? right / (order.length - 1) : 0;
}

/** Returns guessers that learn an order of calls, to test how well it can be foreseen. */
export function guessers(order: Order, trained: readonly Order[], labels: number): Guesses {
  const counts = new Map<number, number>();
  for (const x of trained.flat()) counts.set(x, (counts.get(x) ?? 0) + 1);
  const total = trained.flat().length || 1;
  const share = (x: number) => Math.round(x * 1000) / 1000;
  return {
    chance: share(Math.max(...counts.values(), 0) / total),
    afterOne: share(scoreOf(order, learn(trained, 1), 1)),
    afterTwo: share(scoreOf(order, learn(trained, 2), 2)),
    counting: share(countingScore(order, labels)),
  };
}
