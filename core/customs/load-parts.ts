/** The parts of a drill's load, and what each adds. */
import data from "./load-weights.json" with { type: "json" };

/** The parts of a load. */
export const LOAD_PARTS = [
  "choice",
  "length",
  "coordination",
  "footwork",
  "cue",
  "pressure",
  "consequence",
  "restriction",
] as const;
/** A part of a load. */
export type LoadPart = (typeof LOAD_PARTS)[number];
/** What one unit of each part of a drill's load adds. */
export type LoadWeights = Readonly<Record<LoadPart, number>>;

/** How much each part adds to a load, as shipped. */
export const LOAD_WEIGHTS = Object.fromEntries(
  LOAD_PARTS.map((part) => [part, data.weights[part].adds]),
) as LoadWeights;
/** What a unit of a part is, in words. */
export const loadUnit = (part: LoadPart): string => data.weights[part].for;
