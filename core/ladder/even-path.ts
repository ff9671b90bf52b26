/** The path through layers whose steps are as even as can be: exact, by dynamic programming. */

export interface PathNode {
  readonly load: number;
  /** Places in the layer before from which this node is reached; empty in the first layer. */
  readonly from: readonly number[];
}

/** A place in each layer, and how far the path is from even. */
interface EvenPath {
  readonly places: readonly number[];
  /** The largest difference of a step from the even step, as a share of it. */
  readonly unevenness: number;
}

type Layers = readonly (readonly PathNode[])[];

/** Two differences nearer than this are the same. */
const SAME = 1e-9;

/**
 * Finds, over all starts and ends, the rising path whose step furthest from the even step is the nearest
 * to it; of several the one whose steps differ least in all (sum of squares). The even step depends on
 * where a path starts and ends, so the program runs for each such pair.
 */
export function evenPath(layers: Layers): EvenPath | null {
  const last = layers.length - 1;
  if (last < 0 || layers.some((layer) => layer.length === 0)) return null;
  if (last === 0) return { places: [0], unevenness: 0 };
  let best: (EvenPath & { readonly sum: number }) | null = null;
  layers[0]!.forEach((start, s) => {
    for (const [e, end] of layers[last]!.entries()) {
      const step = (end.load - start.load) / last;
      if (step <= 0) continue;
      const off = (rise: number) => Math.abs(rise - step) / step;
      // First how near to even it can be at all, then the evenest of those that are as near.
      const least = cheapest(layers, s, e, (rise) => off(rise), Math.max);
      if (!least || (best && least.cost > best.unevenness + SAME)) continue;
      const within = (rise: number) => (off(rise) > least.cost + SAME ? Infinity : off(rise) ** 2);
      const path = cheapest(layers, s, e, within, (a, b) => a + b)!;
      if (!best || least.cost < best.unevenness - SAME || path.cost < best.sum - SAME)
        best = { places: path.places, unevenness: least.cost, sum: path.cost };
    }
  });
  return best && { places: (best as EvenPath).places, unevenness: (best as EvenPath).unevenness };
}

/** The cheapest rising path from one place to another; `cost` is that of a rise, `both` puts two together. */
function cheapest(
  layers: Layers,
  start: number,
  end: number,
  cost: (rise: number) => number,
  both: (a: number, b: number) => number,
): { readonly places: readonly number[]; readonly cost: number } | null {
  let costs = layers[0]!.map((_, i) => (i === start ? 0 : Infinity));
  const back: number[][] = [[]];
  for (let l = 1; l < layers.length; l++) {
    const before = layers[l - 1]!;
    const from: number[] = [];
    const next = layers[l]!.map((node, i) => {
      let least = Infinity;
      for (const b of node.from) {
        const rise = node.load - before[b]!.load;
        if (rise <= 0 || costs[b] === Infinity) continue;
        const whole = both(costs[b]!, cost(rise));
        if (whole < least) {
          least = whole;
          from[i] = b;
        }
      }
      return least;
    });
    back.push(from);
    costs = next;
  }
  if (!Number.isFinite(costs[end]!)) return null;
  const places = [end];
  for (let l = layers.length - 1; l > 0; l--) places.unshift(back[l]![places[0]!]!);
  return { places, cost: costs[end]! };
}
