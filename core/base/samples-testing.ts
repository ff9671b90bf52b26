/** How much of a property a run of the tests tries: a normal run a part, another each day; the long run all of it. */

/** The day of the run, as a number: whatever is drawn by chance is drawn from it. */
export const SEED = Number(process.env.TEST_SEED ?? 20260101);

const isLong = process.env.TEST_LONG !== undefined;

/** Returns all of a list in the long run, else one of every `every`, others each day. */
export const todays = <T>(list: readonly T[], every: number): readonly T[] =>
  isLong ? list : list.filter((_, i) => (i + SEED) % every === 0);
