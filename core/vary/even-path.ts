/** The path through layers whose steps are as even as can be: exact, by dynamic programming. */

export interface PathNode {
  readonly load: number;
  /** Places in the layer before from which this node is reached; empty in the first layer. */
  readonly from: readonly number[];
}

/** A place in each layer, or null where no path rises all the way. */
export interface EvenPath {
  readonly places: readonly number[];
  /** Sum of the squared differences of the steps from the even step. */
  readonly unevenness: number;
}

/**
 * Finds, over all starts and ends, the rising path with the least unevenness. The even step depends
 * on where a path starts and ends, so the program runs once for each such pair.
 */
export function evenPath(layers: readonly (readonly PathNode[])[]): EvenPath | null {
  const last = layers.length - 1;
  if (last < 0 || layers.some((layer) => layer.length === 0)) return null;
  let best: EvenPath | null = null;
  layers[0]!.forEach((start, s) => {
    for (const [e, end] of layers[last]!.entries()) {
      if (last > 0 && end.load <= start.load) continue;
      const path = between(layers, s, e, last === 0 ? 0 : (end.load - start.load) / last);
      if (path && (!best || path.unevenness < best.unevenness - 1e-12)) best = path;
    }
  });
  return best;
}

function between(layers: readonly (readonly PathNode[])[], start: number, end: number, step: number): EvenPath | null {
  let cost = layers[0]!.map((_, i) => (i === start ? 0 : Infinity));
  const back: number[][] = [[]];
  for (let l = 1; l < layers.length; l++) {
    const before = layers[l - 1]!;
    const from: number[] = [];
    const next = layers[l]!.map((node, i) => {
      let least = Infinity;
      for (const b of node.from) {
        const rise = node.load - before[b]!.load;
        if (rise <= 0) continue;
        const sum = cost[b]! + (rise - step) ** 2;
        if (sum < least) {
          least = sum;
          from[i] = b;
        }
      }
      return least;
    });
    back.push(from);
    cost = next;
  }
  if (!Number.isFinite(cost[end]!)) return null;
  const places = [end];
  for (let l = layers.length - 1; l > 0; l--) places.unshift(back[l]![places[0]!]!);
  return { places, unevenness: cost[end]! };
}
