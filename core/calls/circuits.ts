/**
 * Circuits through every edge of a small directed graph, each equally likely. By the BEST theorem
 * (van Aardenne-Ehrenfest and de Bruijn 1951; Smith and Tutte 1941) a circuit is a spanning tree
 * towards the start and, for each vertex, an order of its other edges: the tree comes from a random
 * walk whose loops are erased (Wilson 1996), the orders by shuffling.
 */
import { shuffled, type Random } from "../random/random.ts";

/** Edges by vertex: `graph[v]` are the vertices that edges lead to; the same one twice is two edges. */
export type Digraph = readonly (readonly number[])[];

/** Every ordered pair of `n` labels once, with pairs of the same label. */
export const completeDigraph = (n: number): number[][] =>
  Array.from({ length: n }, () => Array.from({ length: n }, (_, w) => w));

/** The same without edges from a vertex to itself: every ordered pair of two different labels once. */
export const withoutLoops = (graph: Digraph): number[][] => graph.map((out, v) => out.filter((w) => w !== v));

/** The vertices of a random circuit from `start`, without coming back at the end; null where there is none. */
export function randomCircuit(graph: Digraph, start: number, random: Random): number[] | null {
  const edges = graph.reduce((sum, out) => sum + out.length, 0);
  if (edges === 0 || !balanced(graph)) return null;
  const last = treeTowards(graph, start, random);
  if (!last) return null;
  const order = graph.map((out, v) => {
    const exit = last[v];
    if (exit === undefined) return shuffled(out, random);
    const others = [...out];
    others.splice(others.indexOf(exit), 1);
    return [...shuffled(others, random), exit];
  });
  const used = graph.map(() => 0);
  const path: number[] = [];
  for (let v = start; path.length < edges;) {
    path.push(v);
    const next = order[v]![used[v]!++];
    if (next === undefined) return null;
    v = next;
  }
  return path;
}

function balanced(graph: Digraph): boolean {
  const into = graph.map(() => 0);
  for (const out of graph) for (const w of out) into[w]!++;
  return graph.every((out, v) => out.length === into[v]);
}

/** The edge by which each vertex leaves for the last time, all leading to `root`; null where one cannot reach it. */
function treeTowards(graph: Digraph, root: number, random: Random): (number | undefined)[] | null {
  const next: (number | undefined)[] = graph.map(() => undefined);
  const inTree = graph.map((out, v) => v === root || out.length === 0);
  const most = 1000 * graph.length * graph.length;
  let steps = 0;
  for (let v = 0; v < graph.length; v++) {
    for (let u = v; !inTree[u]; u = next[u]!) {
      // A vertex left again forgets where it went before: its loop is erased.
      next[u] = graph[u]![Math.floor(random() * graph[u]!.length)];
      if (++steps > most) return null;
    }
    for (let u = v; !inTree[u]; u = next[u]!) inTree[u] = true;
  }
  return graph.map((out, v) => (v === root || out.length === 0 ? undefined : next[v]));
}

/** How many circuits there are, from any one edge on: the BEST theorem with Kirchhoff's count of trees. */
export function circuitCount(graph: Digraph): number {
  if (!balanced(graph)) return 0;
  const vertices = graph.map((_, v) => v).filter((v) => graph[v]!.length > 0);
  const laplacian = vertices.map((v) =>
    vertices.map((w) => {
      const parallel = graph[v]!.filter((x) => x === w).length;
      return v === w ? graph[v]!.length - parallel : -parallel;
    }),
  );
  const trees = determinant(laplacian.slice(1).map((row) => row.slice(1)));
  const factorial = (n: number): number => (n <= 1 ? 1 : n * factorial(n - 1));
  return Math.round(trees) * vertices.reduce((product, v) => product * factorial(graph[v]!.length - 1), 1);
}

function determinant(rows: readonly (readonly number[])[]): number {
  const m = rows.map((row) => [...row]);
  let value = 1;
  for (let i = 0; i < m.length; i++) {
    const pivot = m.findIndex((row, r) => r >= i && Math.abs(row[i]!) > 1e-9);
    if (pivot < 0) return 0;
    if (pivot !== i) {
      [m[i], m[pivot]] = [m[pivot]!, m[i]!];
      value = -value;
    }
    value *= m[i]![i]!;
    for (let r = i + 1; r < m.length; r++) {
      const factor = m[r]![i]! / m[i]![i]!;
      for (let c = i; c < m.length; c++) m[r]![c]! -= factor * m[i]![c]!;
    }
  }
  return value;
}

/** The graph whose circuits are the de Bruijn sequences: vertices are windows of `order - 1` labels. */
export function deBruijnGraph(labels: number, order: number): number[][] {
  const size = labels ** (order - 1);
  return Array.from({ length: size }, (_, v) => Array.from({ length: labels }, (_, w) => (v * labels + w) % size));
}

/** A cyclic sequence in which every window of `order` labels comes exactly once, each such sequence equally likely. */
export function randomDeBruijn(labels: number, order: number, random: Random): number[] {
  if (order === 1) return shuffled([...Array(labels).keys()], random);
  const graph = deBruijnGraph(labels, order);
  return randomCircuit(graph, Math.floor(random() * graph.length), random)!.map((v) => v % labels);
}

/** The smallest de Bruijn sequence in the order of words: Lyndon words one after another (Fredricksen and Maiorana 1978). */
export function leastDeBruijn(labels: number, order: number): number[] {
  const sequence: number[] = [];
  const word = Array<number>(order + 1).fill(0);
  const extend = (t: number, p: number) => {
    if (t > order) {
      if (order % p === 0) sequence.push(...word.slice(1, p + 1));
      return;
    }
    word[t] = word[t - p]!;
    extend(t + 1, p);
    for (let w = word[t - p]! + 1; w < labels; w++) {
      word[t] = w;
      extend(t + 1, t);
    }
  };
  extend(1, 1);
  return sequence;
}
