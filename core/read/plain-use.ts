/** A move as it is done with nothing said about it. */
import type { MoveUse } from "./types.ts";
import type { Move } from "../words/types.ts";

export const plainUse = (move: Move): MoveUse => ({
  move,
  text: move.name,
  from: 0,
  to: 0,
  side: null,
  hand: null,
  height: null,
  way: null,
  degrees: null,
  target: null,
  on: null,
  at: null,
  feint: false,
  pad: null,
  commitment: null,
  intercept: false,
  length: 1,
});
