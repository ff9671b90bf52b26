/** Cycles found by search: all of them, sound, closed, each once. */
import { defaultSchool } from "../policy/school.ts";
import { flowSearch, type FlowResult } from "./flow-search.ts";
import { FLOW_COUNTS, FLOW_DEFAULTS, type FlowOptions } from "./flow-options.ts";
import { finished } from "../base/work.ts";

const STICKS = ["A: holds stick 71 cm", "B: holds stick 71 cm"];
const SIX = ["forehand high", "backhand high", "forehand low", "backhand low", "forehand mid", "backhand mid"];
function search(head: readonly string[], more: Partial<FlowOptions>): FlowResult {
  return finished(flowSearch(head, defaultSchool(), { ...FLOW_DEFAULTS, moves: SIX, ...more }));
}
const found = (result: FlowResult) => {
  if (!result.ok) throw new Error(result.message);
  return result;
};

/**
 * Cycles of n different-looking counts in k strokes, no count twice running, rotations counted once:
 * closed walks of length n on the complete graph of k points are (k-1)^n + (-1)^n (k-1) (trace of the
 * n-th power of its adjacency matrix); Möbius inversion leaves those of no shorter period, and each
 * has n rotations. Source: Harary and Schwenk, "The spectral approach to determining the number of
 * walks in a graph" (1979), and the count of primitive necklaces (Moreau 1872).
 */
function theory(k: number, n: number): number {
  const walks = (m: number) => (m === 1 ? 0 : (k - 1) ** m + (-1) ** m * (k - 1));
  let sum = 0;
  for (let d = 1; d <= n; d++) if (n % d === 0) sum += moebius(n / d) * walks(d);
  return sum / n;
}
function moebius(n: number): number {
  let sign = 1;
  for (let p = 2; p <= n; p++)
    if (n % p === 0) {
      n /= p;
      if (n % p === 0) return 0;
      sign = -sign;
    }
  return sign;
}

test.each([
  [6, 2, 15],
  [6, 3, 40],
  [6, 4, 150],
  [4, 5, 48],
  [3, 6, 9],
])("of %i strokes in %i counts there are %i cycles, as theory says", (k, n, count) => {
  expect(theory(k, n)).toBe(count);
  const result = found(search(STICKS, { moves: SIX.slice(0, k), counts: n, best: 1000 }));
  expect(result.tried).toBe(count);
  expect(result.whole).toBe(true);
  // With one stick each and the same strokes all of them meet and close.
  expect(result.cycles).toHaveLength(count);
});
test("every cycle is sound, closes, and is ranked: even sides first", () => {
  const { cycles } = found(search(STICKS, { counts: 4 }));
  for (const c of cycles) {
    expect(c.checked.verdict).toBe("sound");
    expect(c.checked.closure?.closes).toBe(true);
  }
  const even = cycles.map((c) => c.evenness);
  expect([...even].sort((a, b) => b - a)).toEqual(even);
  expect(even[0]).toBe(1);
});
// The weave of the trade meets high, low, high, low: common practice, no source.
test("the four-count weave of the trade is among them", () => {
  const weave = ["forehand high", "backhand low", "backhand high", "forehand low"].map((s) => `A ${s} <> B ${s}`);
  const { cycles } = found(search(STICKS, { counts: 4, best: 1000 }));
  const turned = weave.map((_, i) => [...weave.slice(i), ...weave.slice(0, i)].join("\n"));
  expect(cycles.filter((c) => turned.includes(c.rows.join("\n")))).toHaveLength(1);
});
test("a cycle that the school has is not new, wherever it begins", () => {
  const rows = ["A backhand high <> B backhand high", "A forehand low <> B forehand low"];
  const known = [`kind: flow\n${STICKS.join("\n")}\n\nloop x4:\n  ${rows[1]}\n  ${rows[0]}\nend`];
  const { cycles } = found(search(STICKS, { counts: 2, best: 100, known }));
  expect(cycles.filter((c) => !c.fresh).map((c) => [...c.rows].sort())).toEqual([[...rows].sort()]);
});
test("with empty hands feeds are answered in turn, and both feed", () => {
  const moves = ["jab", "cross", "parry", "slip out"];
  const { cycles } = found(search([], { moves, counts: 4 }));
  expect(cycles.length).toBeGreaterThan(0);
  for (const c of cycles) {
    expect(c.rows.map((row) => row[0])).toEqual(["A", "B", "A", "B"]);
    expect(c.checked.closure?.closes).toBe(true);
  }
});
test("many counts are searched by chance: same seed, same cycles", () => {
  const texts = (seed: number) => found(search(STICKS, { counts: 8, nodes: 200, seed })).cycles.map((c) => c.text);
  expect(texts(4)).toEqual(texts(4));
  expect(found(search(STICKS, { counts: 8, nodes: 200 })).whole).toBe(false);
});
test.each([
  [{ moves: [] }, /No move is chosen/],
  [{ moves: ["jab"] }, /None of these moves meets or answers/],
  [{ counts: 7 }, new RegExp(`has ${FLOW_COUNTS.join(", ")} counts`)],
] as [Partial<FlowOptions>, RegExp][])("%j is refused with what to do", (more, words) => {
  const result = search(STICKS, more);
  expect(result.ok ? "" : result.message).toMatch(words);
});
test("an odd number of counts does not come round where feeds go back and forth", () => {
  const result = search([], { moves: ["jab", "parry"], counts: 3 });
  expect(result.ok ? "" : result.message).toMatch(/even number of counts/);
});
