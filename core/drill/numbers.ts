/** Short numbers for long texts under which results are kept. */

/** Most texts remembered; one that was forgotten gets a new number, never another one's. */
const MOST = 10_000;

/** Gives equal texts the same number and different texts different ones. */
export class Numbers {
  private readonly known = new Map<string, number>();
  private last = 0;

  of(text: string): number {
    let number = this.known.get(text);
    if (number === undefined) {
      if (this.known.size >= MOST) this.known.clear();
      this.known.set(text, (number = ++this.last));
    }
    return number;
  }
}
