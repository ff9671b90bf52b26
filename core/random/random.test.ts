import { below, seeded, shuffled } from "./random.ts";

test("the generator gives the values of its definition", () => {
  // Park and Miller 1993: from state 1 the 10,000th state is 399268537.
  let state = 1;
  for (let i = 0; i < 10_000; i++) state = (state * 48271) % 2147483647;
  expect(state).toBe(399268537);
  const random = seeded(0);
  let same = 1;
  for (let i = 0; i < 9; i++) same = (same * 48271) % 2147483647;
  expect(random()).toBeCloseTo((same - 1) / 2147483646, 12);
});
test("the same seed, the same numbers; another seed, others", () => {
  const ten = (seed: number) => Array.from({ length: 10 }, seeded(seed));
  expect(ten(7)).toEqual(ten(7));
  expect(ten(7)).not.toEqual(ten(8));
});
test("numbers are spread evenly and orders come equally often", () => {
  const random = seeded(3);
  const counts = Array<number>(6).fill(0);
  for (let i = 0; i < 6000; i++) counts[below(random, 6)]!++;
  // Chi-square with 5 degrees of freedom: 20.5 is passed once in a thousand (handbook table, from memory).
  expect(counts.reduce((sum, c) => sum + (c - 1000) ** 2 / 1000, 0)).toBeLessThan(20.5);
  const orders = new Map<string, number>();
  for (let i = 0; i < 6000; i++) {
    const order = shuffled(["a", "b", "c"], random).join("");
    orders.set(order, (orders.get(order) ?? 0) + 1);
  }
  expect([...orders.values()].reduce((sum, c) => sum + (c - 1000) ** 2 / 1000, 0)).toBeLessThan(20.5);
});
