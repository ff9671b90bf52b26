import { seeded } from "../random/random.ts";
import {
  circuitCount,
  completeDigraph,
  withoutLoops,
  deBruijnGraph,
  leastDeBruijn,
  randomCircuit,
  randomDeBruijn,
  type Digraph,
} from "./circuits.ts";

/** All circuits from one edge on, by trying everything. */
function countByHand(graph: Digraph): number {
  const edges = graph.reduce((sum, out) => sum + out.length, 0);
  const free = graph.map((out) => out.map(() => true));
  const walk = (v: number, left: number): number => {
    if (left === 0) return v === 0 ? 1 : 0;
    let found = 0;
    graph[v]!.forEach((w, i) => {
      if (!free[v]![i]) return;
      free[v]![i] = false;
      found += walk(w, left - 1);
      free[v]![i] = true;
    });
    return found;
  };
  free[0]![0] = false;
  return walk(graph[0]![0]!, edges - 1);
}
const windows = (cycle: readonly number[], n: number) =>
  cycle.map((_, i) => Array.from({ length: n }, (_, k) => cycle[(i + k) % cycle.length]).join(","));

describe("counts against theory", () => {
  test.each([
    [2, true],
    [3, true],
    [4, true],
    [3, false],
    [4, false],
  ])("circuits of the complete digraph on %i labels (with repeats: %s)", (n, repeats) => {
    const graph = repeats ? completeDigraph(n) : withoutLoops(completeDigraph(n));
    expect(circuitCount(graph)).toBe(countByHand(graph));
  });
  test("with repeats the formula is n^(n-2) ((n-1)!)^n", () => {
    expect([2, 3, 4, 5].map((n) => circuitCount(completeDigraph(n)))).toEqual([1, 24, 20736, 125 * 24 ** 5]);
  });
  // de Bruijn 1946: (k!)^(k^(n-1)) / k^n sequences.
  test.each([
    [2, 3, 2],
    [2, 4, 16],
    [2, 5, 2048],
    [3, 2, 24],
  ])("de Bruijn sequences of %i labels and windows of %i: %i", (k, n, count) => {
    expect(circuitCount(deBruijnGraph(k, n))).toBe(count);
  });
});

describe("published sequences", () => {
  // Smallest de Bruijn sequences as printed in textbooks (from memory).
  test.each([
    [2, 3, "00010111"],
    [2, 4, "0000100110101111"],
    [3, 2, "001021122"],
  ])("the least of %i labels, windows of %i: %s", (k, n, text) => {
    expect(leastDeBruijn(k, n).join("")).toBe(text);
  });
});

test.each([
  [2, 2],
  [3, 2],
  [4, 2],
  [3, 3],
  [5, 2],
  [2, 6],
])("%i labels: every window of %i comes exactly once, whatever the seed", (k, n) => {
  for (let seed = 0; seed < 40; seed++) {
    const cycle = randomDeBruijn(k, n, seeded(seed));
    expect(cycle).toHaveLength(k ** n);
    expect(new Set(windows(cycle, n)).size).toBe(k ** n);
  }
});
test("every ordered pair equally often; without repeats never the same twice", () => {
  for (let seed = 0; seed < 40; seed++) {
    const cycle = randomCircuit(withoutLoops(completeDigraph(5)), 2, seeded(seed))!;
    expect(cycle).toHaveLength(20);
    expect(cycle[0]).toBe(2);
    expect(new Set(windows(cycle, 2)).size).toBe(20);
    cycle.forEach((label, i) => expect(label).not.toBe(cycle[(i + 1) % 20]));
  }
});
test("each circuit is equally likely", () => {
  const counts = new Map<string, number>();
  const random = seeded(11);
  for (let i = 0; i < 4800; i++) {
    const cycle = randomCircuit(completeDigraph(3), 0, random)!;
    // Turned so that it starts with the repeat of the first label: one writing for each circuit.
    const at = cycle.findIndex((label, k) => label === 0 && cycle[(k + 1) % 9] === 0);
    const key = [...cycle.slice(at), ...cycle.slice(0, at)].join("");
    counts.set(key, (counts.get(key) ?? 0) + 1);
  }
  expect(counts.size).toBe(24);
  // Chi-square with 23 degrees of freedom: 49.7 is passed once in a thousand (handbook table, from memory).
  expect([...counts.values()].reduce((sum, c) => sum + (c - 200) ** 2 / 200, 0)).toBeLessThan(49.7);
});
test("a graph without a circuit says so", () => {
  expect(randomCircuit([[1], []], 0, seeded(1))).toBeNull();
  expect(randomCircuit([[0], [1]], 0, seeded(1))).toBeNull();
  expect(circuitCount([[1], []])).toBe(0);
});
