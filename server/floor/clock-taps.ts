/** Taps that move the clock; what else was tapped does not. */
import type { Tapped } from "#core/floor/running.ts";
import type { FloorNews } from "#db/floor.ts";

export const clockTaps = (taps: FloorNews["taps"]): Tapped[] =>
  taps.flatMap(({ tap, ...one }) => (tap.kind === "hurt" ? [] : [{ ...one, tap }]));
