import { Bounded, keptFor } from "./bounded.ts";

test("a value is made once and then remembered", () => {
  const cache = new Bounded<string, number>(10);
  let made = 0;
  const of = (key: string) => cache.of(key, () => ++made);
  expect([of("a"), of("b"), of("a"), of("b")]).toEqual([1, 2, 1, 2]);
});

test("null and false are values like others", () => {
  const cache = new Bounded<number, boolean | null>(2);
  cache.set(1, false);
  cache.set(2, null);
  expect([cache.get(1), cache.get(2), cache.get(3)]).toEqual([false, null, undefined]);
});

test("what is asked for again and again survives any number of others, and no more than twice the limit is held", () => {
  const cache = new Bounded<number, number>(100);
  cache.set(-1, 7);
  let held = 0;
  for (let i = 0; i < 10_000; i++) {
    cache.set(i, i);
    expect(cache.get(-1)).toBe(7);
  }
  for (let i = 0; i < 10_000; i++) if (cache.get(i) !== undefined) held++;
  expect(held).toBeGreaterThan(50);
  expect(held).toBeLessThanOrEqual(200);
});

test("what hangs on an object is made once for it", () => {
  const cache = new WeakMap<object, number[]>();
  const one = {};
  expect(keptFor(cache, one, () => [])).toBe(keptFor(cache, one, () => []));
  expect(keptFor(cache, {}, () => [])).not.toBe(keptFor(cache, one, () => []));
});
