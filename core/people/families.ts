/** Families of drill in which a level is kept; apart from the forms, so that a list needs no more than this. */
export const FAMILIES = ["feeder", "flow", "sensitivity"] as const;
