/** What a school looks at when it pairs people, and how much each thing weighs. */
import data from "./pair-weights.json" with { type: "json" };

/** The reasons that count for a pair. */
export const PAIR_PARTS = ["tonight", "met", "height", "mass", "level", "lead", "minorWithAdult"] as const;
type PairPart = (typeof PAIR_PARTS)[number];
/** Points that each thing takes off. */
export type PairWeights = Readonly<Record<PairPart, number>>;
/** Points of each reason, as shipped. */
export const PAIR_WEIGHTS = Object.fromEntries(
  PAIR_PARTS.map((part) => [part, data.weights[part].points]),
) as PairWeights;
/** Returns the words of a reason. */
export const weightText = (part: PairPart) => data.weights[part];
/** Beyond this ratio of masses a pair works without contact. */
export const MASS_RATIO = data.massRatio.ratio;
/** The same where one of them is a minor, or nobody has said that they are not. */
export const MASS_RATIO_MINORS = data.massRatio.minors;
