/** What is kept on a device until it has arrived, and the server's clock as the device reckons it. */
import { rolesNow } from "./clock-face.tsx";
import {
  deliver,
  isEmpty,
  NOTHING,
  readKnown,
  readOutbox,
  together,
  without,
  writeKnown,
  writeOutbox,
  type Waiting,
} from "./outbox.ts";
import { offsetOf, readOffset, writeOffset } from "./server-clock.ts";

class Store {
  readonly kept = new Map<string, string>();
  getItem = (key: string) => this.kept.get(key) ?? null;
  setItem = (key: string, value: string) => void this.kept.set(key, value);
  removeItem = (key: string) => void this.kept.delete(key);
}
const tap = (id: string): Waiting => ({ ...NOTHING, taps: [{ id, at: 1, tap: { kind: "start" } }] });

test("what was sent goes, what was tapped meanwhile stays", () => {
  const sent = tap("1");
  const left = without(together(sent, tap("2")), sent);
  expect(left.taps.map(({ id }) => id)).toEqual(["2"]);
  expect(isEmpty(without(sent, sent))).toBe(true);
});
test("that a class is run now is said with the tap that says it, and with what waits beside it", () => {
  const meant: Waiting = { ...tap("1"), sure: true };
  expect(together(tap("2"), meant).sure).toBe(true);
  expect(without(together(tap("2"), meant), tap("2")).sure).toBe(true);
  expect(without(meant, meant)).toEqual(NOTHING);
});
test("it is there again after the page was closed, each class by itself, and gone when it has arrived", () => {
  const store = new Store();
  writeOutbox(store, "a", tap("1"));
  expect(readOutbox(store, "a")).toEqual(tap("1"));
  expect(readOutbox(store, "b")).toEqual(NOTHING);
  writeOutbox(store, "a", NOTHING);
  expect(store.kept.size).toBe(0);
  writeKnown(store, "a", { taps: tap("1").taps as never, marks: [] });
  expect(readKnown(store, "a").taps).toHaveLength(1);
  expect(readOutbox(store, "a")).toEqual(NOTHING);
});
test("a store that holds nonsense, or that is locked, loses nothing else", () => {
  const store = new Store();
  store.setItem("vicissor floor a", "{");
  store.setItem("vicissor floor known a", "[");
  expect(readOutbox(store, "a")).toEqual(NOTHING);
  expect(readKnown(store, "a")).toEqual({ taps: [], marks: [] });
  const locked = {
    ...store,
    setItem: () => {
      throw new Error("full");
    },
    removeItem: () => undefined,
  };
  expect(() => writeOutbox(locked, "a", tap("1"))).not.toThrow();
});
test("the server's clock is taken from the answer that came quickest", () => {
  const asked = (sent: number, took: number, ahead: number) => ({
    sent,
    got: sent + took,
    server: sent + took / 2 + ahead,
  });
  expect(offsetOf([asked(0, 400, 5100), asked(1000, 20, 5000), asked(2000, 90, 4950)])).toBe(5000);
  // An answer that took long one way only is off by half of that at most.
  expect(Math.abs(offsetOf([{ sent: 0, got: 200, server: 5000 }]) - 5000)).toBeLessThanOrEqual(100);
  expect(offsetOf([])).toBe(0);
});
test("what was found of the clocks is there again without a network", () => {
  const store = new Store();
  expect(readOffset(store)).toBeNull();
  writeOffset(store, -1234.4);
  expect(readOffset(store)).toBe(-1234);
  store.setItem("vicissor clock", "soon");
  expect(readOffset(store)).toBeNull();
});
test("who feeds follows the clock; with pads it is one for the whole round", () => {
  const round = { id: "r", kind: "round", block: "b", title: "T", seconds: 180, round: 0 } as const;
  expect(rolesNow({ ...round, change: 30 }, 12_000, 168_000)).toBe("A feeds; change in 0:18");
  expect(rolesNow({ ...round, change: 30 }, 31_000, 149_000)).toBe("B feeds; change in 0:29");
  expect(rolesNow({ ...round, change: null }, 31_000, 149_000)).toMatch(/for the whole round/);
});

describe("what waits, and a server that does not take it", () => {
  const waiting: Waiting = { ...NOTHING, taps: ["a", "b"].flatMap((id) => tap(id).taps) };
  const real = globalThis.fetch;
  afterEach(() => {
    globalThis.fetch = real;
  });
  /** Answers each batch by how it looks. */
  const serverSays = (answer: (items: { readonly taps: readonly { readonly id: string }[] }) => Response): void => {
    globalThis.fetch = ((_address: string, { body }: { readonly body: URLSearchParams }) =>
      Promise.resolve(answer(JSON.parse(body.get("items")!) as never))) as never;
  };

  test.each([401, 403, 408, 429, 500, 503])("answered with %i it stays", async (status) => {
    serverSays(() => Response.json({ message: "No." }, { status }));
    const { arrived, refused, last } = await deliver("c", waiting);
    expect([arrived, refused]).toEqual([NOTHING, null]);
    expect(last.kind).toBe(status === 401 || status === 403 ? "shut out" : "waits");
  });

  test("one thing that is refused takes nothing else with it, and says why", async () => {
    serverSays(({ taps }) =>
      taps.some(({ id }) => id === "b")
        ? Response.json({ message: "No such tap." }, { status: 400 })
        : Response.json({ now: 1, trouble: null }),
    );
    const { arrived, refused } = await deliver("c", waiting);
    expect(arrived.taps.map(({ id }) => id)).toEqual(["a"]);
    expect(refused).toEqual({ why: "No such tap.", items: tap("b") });
  });
});
