/** The stages of a ladder. */

/** What a class goes through on the way up; in which order is the school's choice. */
export const STAGES = ["parts", "pairs", "chains", "variety", "uncertainty", "tempo", "force"] as const;
/** A stage of a ladder. */
export type Stage = (typeof STAGES)[number];
