import { dropDraft, keepDraft, readDraft } from "./drafts.ts";

/** A store as browsers have it, in memory. */
function memoryStore(full = false): Storage {
  const values = new Map<string, string>();
  return {
    get length() {
      return values.size;
    },
    clear: () => values.clear(),
    key: (i) => [...values.keys()][i] ?? null,
    getItem: (key) => values.get(key) ?? null,
    removeItem: (key) => void values.delete(key),
    setItem: (key, value) => {
      if (full) throw new DOMException("full", "QuotaExceededError");
      values.set(key, value);
    },
  };
}
const use = (store: Storage | undefined) =>
  Object.defineProperty(globalThis, "localStorage", { value: store, configurable: true });

test("a draft is kept by drill until it is dropped", () => {
  use(memoryStore());
  keepDraft("one", "A jab -> B slip");
  keepDraft("two", "A cross -> B catch");
  expect(readDraft("one")).toBe("A jab -> B slip");
  dropDraft("one");
  expect(readDraft("one")).toBeNull();
  expect(readDraft("two")).toBe("A cross -> B catch");
});
test("a full store or none at all stops nobody from working", () => {
  use(memoryStore(true));
  expect(() => keepDraft("one", "text")).not.toThrow();
  expect(readDraft("one")).toBeNull();
  use(undefined);
  expect(() => keepDraft("one", "text")).not.toThrow();
  expect(() => dropDraft("one")).not.toThrow();
  expect(readDraft("one")).toBeNull();
});
