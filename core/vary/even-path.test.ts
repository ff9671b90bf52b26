import { below, seeded } from "../random/random.ts";
import { evenPath, type PathNode } from "./even-path.ts";

/** Every path, tried one after another. */
function byHand(layers: readonly (readonly PathNode[])[]): number {
  let best = Infinity;
  const walk = (l: number, place: number, loads: number[]) => {
    if (l === layers.length) {
      const step = (loads[loads.length - 1]! - loads[0]!) / (loads.length - 1);
      const steps = loads.slice(1).map((x, i) => x - loads[i]!);
      if (steps.every((s) => s > 0))
        best = Math.min(
          best,
          steps.reduce((sum, s) => sum + (s - step) ** 2, 0),
        );
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
      expect(path.unevenness).toBeCloseTo(hand, 9);
      path.places.slice(1).forEach((place, i) => {
        const node = layers[i + 1]![place]!;
        expect(node.from).toContain(path.places[i]!);
        expect(node.load).toBeGreaterThan(layers[i]![path.places[i]!]!.load);
      });
    } else expect(hand).toBe(Infinity);
  }
  expect(found).toBeGreaterThan(100);
});
test("no layers, an empty layer, nothing that rises: no path", () => {
  expect(evenPath([])).toBeNull();
  expect(evenPath([[{ load: 1, from: [] }], []])).toBeNull();
  expect(evenPath([[{ load: 2, from: [] }], [{ load: 1, from: [0] }]])).toBeNull();
  expect(evenPath([[{ load: 2, from: [] }]])).toEqual({ places: [0], unevenness: 0 });
});
