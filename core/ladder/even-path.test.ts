import { below, seeded } from "../random/random.ts";
import { evenPath, type PathNode } from "./even-path.ts";

interface Tried {
  readonly unevenness: number;
  readonly sum: number;
}
/** How far loads are from rising evenly: the largest difference, and all of them together, as shares of the even step. */
function offEven(loads: readonly number[]): Tried {
  const step = (loads[loads.length - 1]! - loads[0]!) / (loads.length - 1);
  const off = loads.slice(1).map((x, i) => Math.abs(x - loads[i]! - step) / step);
  return { unevenness: Math.max(...off), sum: off.reduce((sum, x) => sum + x ** 2, 0) };
}

/** Every path, tried one after another: the best, or null where none rises. */
function byHand(layers: readonly (readonly PathNode[])[]): Tried | null {
  let best: Tried | null = null;
  const walk = (l: number, place: number, loads: number[]) => {
    if (l === layers.length) {
      if (loads.slice(1).some((x, i) => x <= loads[i]!)) return;
      const now = offEven(loads);
      const nearer = best === null || now.unevenness < best.unevenness - 1e-9;
      if (nearer || (now.unevenness < best!.unevenness + 1e-9 && now.sum < best!.sum)) best = now;
      return;
    }
    layers[l]!.forEach((node, i) => {
      if (l === 0 || node.from.includes(place)) walk(l + 1, i, [...loads, node.load]);
    });
  };
  walk(0, 0, []);
  return best;
}

test("finds what trying everything finds, on two hundred random graphs", () => {
  const random = seeded(5);
  let found = 0;
  for (let n = 0; n < 200; n++) {
    const sizes = Array.from({ length: 2 + below(random, 4) }, () => 1 + below(random, 5));
    const layers = sizes.map((size, l) =>
      Array.from({ length: size }, () => ({
        load: Math.round((l * 2 + random() * 5) * 100) / 100,
        from: l === 0 ? [] : Array.from({ length: sizes[l - 1]! }, (_, i) => i).filter(() => random() < 0.6),
      })),
    );
    const path = evenPath(layers);
    const hand = byHand(layers);
    if (path) {
      found++;
      expect(path.unevenness).toBeCloseTo(hand!.unevenness, 9);
      const loads = path.places.map((place, l) => layers[l]![place]!.load);
      expect(offEven(loads).unevenness).toBeCloseTo(path.unevenness, 9);
      expect(offEven(loads).sum).toBeCloseTo(hand!.sum, 9);
      path.places.slice(1).forEach((place, i) => {
        const node = layers[i + 1]![place]!;
        expect(node.from).toContain(path.places[i]!);
        expect(node.load).toBeGreaterThan(layers[i]![path.places[i]!]!.load);
      });
    } else expect(hand).toBeNull();
  }
  expect(found).toBeGreaterThan(100);
});
test("the step that is furthest off counts before the sum of all", () => {
  // Over 2 and 4 of 9: steps 2, 2, 5; over 1 and 5: 1, 4, 4; over 2 and 5.5: 2, 3.5, 3.5.
  const one = (load: number, ...from: number[]): PathNode => ({ load, from });
  const path = evenPath([[one(0)], [one(1, 0), one(2, 0)], [one(4, 1), one(5, 0), one(5.5, 1)], [one(9, 0, 1, 2)]])!;
  expect(path.places).toEqual([0, 1, 2, 0]);
  expect(path.unevenness).toBeCloseTo(1 / 3, 9);
});
test("no layers, an empty layer, nothing that rises: no path", () => {
  expect(evenPath([])).toBeNull();
  expect(evenPath([[{ load: 1, from: [] }], []])).toBeNull();
  expect(evenPath([[{ load: 2, from: [] }], [{ load: 1, from: [0] }]])).toBeNull();
  expect(evenPath([[{ load: 2, from: [] }]])).toEqual({ places: [0], unevenness: 0 });
});
