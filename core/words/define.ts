import type { MoveData } from "./types.ts";

type MoveEntry<K extends keyof MoveData> = Partial<Pick<MoveData, K>> & Omit<MoveData, K>;

/** A list of moves with what they have in common said once; a move's own fields win. */
export function defineMoves<D extends Partial<MoveData>>(
  common: D,
  moves: readonly MoveEntry<Extract<keyof D, keyof MoveData>>[],
): readonly MoveData[] {
  return moves.map((move) => ({ ...common, ...move }) as unknown as MoveData);
}
