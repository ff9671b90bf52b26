/** The parts of an answering beat as they are shown: what each is worth, and what it is there for. */
import type { CheckedExchange, Layer } from "../exchange/types.ts";

/** `works`: it covers; `fails`: nothing of the beat does; `goes along`: its body moves for what covers; `idle`: it adds nothing. */
type LayerPart = "works" | "fails" | "goes along" | "idle";

/** A part of an answer as it is shown. */
export interface LayerView {
  readonly layer: Layer;
  readonly part: LayerPart;
  /** Spare room, cm to a tenth; null where it is not what saves anybody. */
  readonly marginCm: number | null;
}

const cm = (metres: number): number => Math.round(metres * 1000) / 10;

/**
 * Returns what each part of an answer is worth, once for each move: where one covers, another that does not is no harm
 * and has no figure.
 */
export function layerViews({ layers }: CheckedExchange): readonly LayerView[] {
  const covers = layers.some(({ fails }) => fails === null);
  return layers.flatMap((layer): readonly LayerView[] => {
    if (layer.fails === null) return [{ layer, part: "works", marginCm: cm(layer.margin) }];
    if (!covers) return [{ layer, part: "fails", marginCm: cm(layer.margin) }];
    // Another mechanism of the same move covers: it works, and that is said.
    if (layers.some(({ use, fails }) => use === layer.use && fails === null)) return [];
    return [{ layer, part: layer.by === "displace" ? "goes along" : "idle", marginCm: null }];
  });
}
