/**
 * Long work is a generator: it yields the share done, 0 to 1, and returns what was found, so that whoever
 * drives it can show progress, breathe and cancel.
 */

/** Lets work run to its end without a stop and gives what it found. */
export function finished<T>(work: Generator<number, T>): T {
  let step = work.next();
  while (!step.done) step = work.next();
  return step.value;
}
