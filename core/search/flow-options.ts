/** The wishes for a search of cycles. */

/** The wishes for cycles. */
export interface FlowOptions {
  readonly counts: number;
  /** As they are written: strokes, feeds, answers. */
  readonly moves: readonly string[];
  readonly seed: number;
  /** Most cycles that are checked. */
  readonly nodes: number;
  /** How many are given. */
  readonly best: number;
  /** Texts of cycles that the school has already. */
  readonly known: readonly string[];
}
/** The usual wishes for cycles. */
export const FLOW_DEFAULTS: Omit<FlowOptions, "moves"> = { counts: 4, seed: 1, nodes: 3000, best: 12, known: [] };
/** The lengths of cycles, counts. */
export const FLOW_COUNTS = [2, 3, 4, 5, 6, 8, 10, 12] as const;
