/**
 * What was tapped on this device and has not arrived yet: kept in the browser until the server says that it has it, so
 * that nothing is lost without a network, and each thing is taken in once, by its id.
 */
import type { FloorItems, FloorNews } from "#db/floor.ts";

export interface Waiting {
  readonly taps: FloorItems["taps"];
  readonly marks: FloorItems["marks"];
  readonly incidents: FloorItems["incidents"];
}
export const NOTHING: Waiting = { taps: [], marks: [], incidents: [] };

const keyOf = (classId: string): string => `vicissor floor ${classId}`;

export const isEmpty = ({ taps, marks, incidents }: Waiting): boolean =>
  taps.length + marks.length + incidents.length === 0;

export const together = (one: Waiting, two: Waiting): Waiting => ({
  taps: [...one.taps, ...two.taps],
  marks: [...one.marks, ...two.marks],
  incidents: [...one.incidents, ...two.incidents],
});

/** What is left when those that were sent have arrived. */
export function without(all: Waiting, sent: Waiting): Waiting {
  const ids = new Set([...sent.taps, ...sent.marks, ...sent.incidents].map(({ id }) => id));
  const left = <T extends { readonly id: string }>(items: readonly T[]) => items.filter(({ id }) => !ids.has(id));
  return { taps: left(all.taps), marks: left(all.marks), incidents: left(all.incidents) };
}

/** What is kept of a class; anything that cannot be read is nothing. */
export function readOutbox(store: Pick<Storage, "getItem">, classId: string): Waiting {
  try {
    const kept = JSON.parse(store.getItem(keyOf(classId)) ?? "null") as Partial<Waiting> | null;
    return { ...NOTHING, ...kept };
  } catch {
    return NOTHING;
  }
}

/** Keeps it; a browser that is full or locked keeps it in the page alone. */
export function writeOutbox(store: Pick<Storage, "setItem" | "removeItem">, classId: string, waiting: Waiting): void {
  try {
    if (isEmpty(waiting)) store.removeItem(keyOf(classId));
    else store.setItem(keyOf(classId), JSON.stringify(waiting));
  } catch {
    // What waits is still in the page, and is sent from there.
  }
}

/** What every device has tapped as far as this one knows: the clock goes by it when the page comes out of the cache. */
export interface Known {
  readonly taps: FloorNews["taps"];
  readonly marks: FloorNews["marks"];
}
const knownKey = (classId: string): string => `vicissor floor known ${classId}`;

export function readKnown(store: Pick<Storage, "getItem">, classId: string): Known {
  try {
    return {
      taps: [],
      marks: [],
      ...(JSON.parse(store.getItem(knownKey(classId)) ?? "null") as Partial<Known> | null),
    };
  } catch {
    return { taps: [], marks: [] };
  }
}

export function writeKnown(store: Pick<Storage, "setItem">, classId: string, known: Known): void {
  try {
    store.setItem(knownKey(classId), JSON.stringify(known));
  } catch {
    // A browser that is full or locked knows it from the server alone.
  }
}

export type Sent =
  { readonly kind: "taken"; readonly now: number } | { readonly kind: "refused"; readonly message: string };

/** Sends what waits; null: it did not arrive, and is tried again. What the server refuses is not sent a second time. */
export async function send(classId: string, waiting: Waiting): Promise<Sent | null> {
  try {
    const response = await fetch(`/class/${classId}/floor/items`, {
      method: "POST",
      body: new URLSearchParams({ items: JSON.stringify(waiting) }),
    });
    if (response.status >= 500 || response.status === 429 || response.status === 409) return null;
    const answer = (await response.json()) as { readonly now?: number; readonly message?: string };
    return response.ok && answer.now !== undefined
      ? { kind: "taken", now: answer.now }
      : { kind: "refused", message: answer.message ?? "The server did not take what was tapped." };
  } catch {
    return null;
  }
}
