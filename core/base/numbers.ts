/** Short numbers for long texts under which results are kept. */
import { Bounded } from "./bounded.ts";

/** Gives equal texts the same number and different texts different ones. */
export class Numbers {
  // One that was forgotten gets a new number, never another one's.
  private readonly known = new Bounded<string, number>(10_000);
  private last = 0;

  of(text: string): number {
    return this.known.of(text, () => ++this.last);
  }
}
