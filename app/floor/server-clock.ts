/** The server's clock on this device: what is between the two, by the quickest of a few questions. */

export interface Asked {
  /** Sent and answered, ms of this device; the server's clock in the answer. */
  readonly sent: number;
  readonly got: number;
  readonly server: number;
}

/** What is to be added to this device's clock, ms: half way there is taken for the moment of the answer. */
export function offsetOf(asked: readonly Asked[]): number {
  const [quickest] = [...asked].sort((a, b) => a.got - a.sent - (b.got - b.sent));
  return quickest ? quickest.server - (quickest.sent + quickest.got) / 2 : 0;
}

const QUESTIONS = 5;

/** Asks the server what time it is; null where it does not answer. */
export async function askOffset(address: string): Promise<number | null> {
  const asked: Asked[] = [];
  for (let i = 0; i < QUESTIONS; i++) {
    const sent = Date.now();
    try {
      const { now } = (await (await fetch(address, { cache: "no-store" })).json()) as { readonly now: number };
      asked.push({ sent, got: Date.now(), server: now });
    } catch {
      if (asked.length === 0) return null;
    }
  }
  return offsetOf(asked);
}

const KEY = "vicissor clock";

/** What was between the two clocks when it was last found, ms; null: never. */
export function readOffset(store: Pick<Storage, "getItem">): number | null {
  const kept = Number(store.getItem(KEY) ?? Number.NaN);
  return Number.isFinite(kept) ? kept : null;
}

export function writeOffset(store: Pick<Storage, "setItem">, offset: number): void {
  try {
    store.setItem(KEY, String(Math.round(offset)));
  } catch {
    // A browser that is full or locked asks again the next time.
  }
}
