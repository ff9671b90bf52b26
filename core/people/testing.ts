/** Somebody of whom nothing is known, for tests. */
export const NOBODY = {
  height_cm: null,
  reach_cm: null,
  mass_kg: null,
  lead: "left" as const,
  hand: "right" as const,
  born: null,
  minor: false,
  ages: null,
  levels: {},
  limits: [],
  limits_until: null,
  agreed: "",
  falls: null,
};
