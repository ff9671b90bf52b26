/** All moves of a line that was read. */
import type { MoveUse, ReadLine } from "./types.ts";

/** Returns the moves of a line in all its alternatives, as their words mean them before anybody has a stance. */
export const usesIn = ({ plays }: ReadLine): MoveUse[] =>
  plays
    .flatMap(({ turns }) => turns.flatMap(({ alternatives }) => alternatives.flat()))
    .flatMap(({ beats }) => beats.flatMap(({ parts }) => parts.flatMap(({ meaning }) => meaning?.use ?? [])));
