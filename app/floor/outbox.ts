/**
 * What was tapped on this device and has not arrived yet: kept in the browser until the server says that it has it, so
 * that nothing is lost without a network, and each thing is taken in once, by its id.
 */
import type { FloorItems, FloorNews } from "#server/views.ts";

/** `raw`: what the device's own clock showed, ms, where it had not been compared with the server's yet. */
type Stamped<Item> = Item & { readonly raw?: number };

export interface Waiting {
  readonly taps: readonly Stamped<FloorItems["taps"][number]>[];
  readonly marks: readonly Stamped<FloorItems["marks"][number]>[];
  readonly incidents: readonly Stamped<FloorItems["incidents"][number]>[];
  /** Somebody has said that this class is run now, whatever its hours are. */
  readonly sure?: true;
}
export const NOTHING: Waiting = { taps: [], marks: [], incidents: [] };

/** What the server did not take in, and why: it stays on the device until somebody has seen it. */
export interface Refused {
  readonly items: Waiting;
  readonly why: string;
}

const keyOf = (classId: string): string => `vicissor floor ${classId}`;
const refusedKey = (classId: string): string => `vicissor floor refused ${classId}`;

export const isEmpty = ({ taps, marks, incidents }: Waiting): boolean =>
  taps.length + marks.length + incidents.length === 0;

export const together = (one: Waiting, two: Waiting): Waiting => ({
  taps: [...one.taps, ...two.taps],
  marks: [...one.marks, ...two.marks],
  incidents: [...one.incidents, ...two.incidents],
  ...((one.sure ?? two.sure) && { sure: true }),
});

/** What is left when those that were sent have arrived. */
export function without(all: Waiting, sent: Waiting): Waiting {
  const ids = new Set([...sent.taps, ...sent.marks, ...sent.incidents].map(({ id }) => id));
  const left = <T extends { readonly id: string }>(items: readonly T[]) => items.filter(({ id }) => !ids.has(id));
  const rest = { taps: left(all.taps), marks: left(all.marks), incidents: left(all.incidents) };
  return all.sure && !isEmpty(rest) ? { ...rest, sure: true } : rest;
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

export function readRefused(store: Pick<Storage, "getItem">, classId: string): Refused | null {
  try {
    const kept = JSON.parse(store.getItem(refusedKey(classId)) ?? "null") as Refused | null;
    return kept && { why: String(kept.why), items: { ...NOTHING, ...kept.items } };
  } catch {
    return null;
  }
}

export function writeRefused(
  store: Pick<Storage, "setItem" | "removeItem">,
  classId: string,
  refused: Refused | null,
): void {
  try {
    if (refused) store.setItem(refusedKey(classId), JSON.stringify(refused));
    else store.removeItem(refusedKey(classId));
  } catch {
    // It is still on the page, which says so.
  }
}

/** What is waiting as batches of one thing each. */
function oneByOne({ taps, marks, incidents, ...said }: Waiting): Waiting[] {
  const none = { ...NOTHING, ...said };
  return [
    ...incidents.map((one) => ({ ...none, incidents: [one] })),
    ...taps.map((one) => ({ ...none, taps: [one] })),
    ...marks.map((one) => ({ ...none, marks: [one] })),
  ];
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

type Sent =
  /** `trouble`: it was taken in, but what follows from it could not be done. */
  | { readonly kind: "taken"; readonly now: number; readonly trouble: string | null }
  /** It did not arrive, and is tried again. */
  | { readonly kind: "waits" }
  /** This device is not signed in any more, or not for this: what waits stays until it is. */
  | { readonly kind: "shut out"; readonly message: string }
  | { readonly kind: "refused"; readonly message: string };

/** Nothing of it was looked at: the same can be sent again. */
const LATER: ReadonlySet<number> = new Set([408, 409, 425, 429]);

/** Sends what waits. */
export async function send(classId: string, waiting: Waiting): Promise<Sent> {
  try {
    const response = await fetch(`/class/${classId}/floor/items`, {
      method: "POST",
      redirect: "manual",
      body: new URLSearchParams({
        items: JSON.stringify({ ...waiting, device: Date.now() }),
      }),
    });
    if (response.status >= 500 || LATER.has(response.status)) return { kind: "waits" };
    // Where somebody is sent to sign in there is no answer to read.
    if (response.type === "opaqueredirect") return { kind: "shut out", message: SIGN_IN };
    const answer = (await response.json()) as {
      readonly now?: number;
      readonly trouble?: string | null;
      readonly message?: string;
    };
    if (response.status === 401 || response.status === 403)
      return { kind: "shut out", message: response.status === 401 ? SIGN_IN : (answer.message ?? SIGN_IN) };
    return response.ok && answer.now !== undefined
      ? { kind: "taken", now: answer.now, trouble: answer.trouble ?? null }
      : { kind: "refused", message: answer.message ?? "The server did not take what was tapped." };
  } catch {
    return { kind: "waits" };
  }
}
const SIGN_IN = "This device is not signed in any more.";

/** Sends what waits; where the server does not take all of it together, each thing alone. */
export async function deliver(
  classId: string,
  waiting: Waiting,
): Promise<{ readonly arrived: Waiting; readonly refused: Refused | null; readonly last: Sent }> {
  const whole = await send(classId, waiting);
  if (whole.kind === "taken") return { arrived: waiting, refused: null, last: whole };
  if (whole.kind !== "refused") return { arrived: NOTHING, refused: null, last: whole };
  let arrived = NOTHING;
  let items = NOTHING;
  let why = "";
  let last: Sent = whole;
  for (const one of oneByOne(waiting)) {
    last = await send(classId, one);
    if (last.kind === "taken") arrived = together(arrived, one);
    else if (last.kind === "refused") [items, why] = [together(items, one), last.message];
    else break;
  }
  return { arrived, refused: isEmpty(items) ? null : { items, why }, last };
}
