/**
 * Segment lengths as shares of stature H.
 * Source: Drillis and Contini (1966), as tabled in Winter, Biomechanics and Motor Control of
 * Human Movement.
 */
export const SEGMENTS = {
  upperArm: 0.186,
  forearm: 0.146,
  hand: 0.108,
  thigh: 0.245,
  shank: 0.246,
  footHeight: 0.039,
  shoulderHeight: 0.818,
  hipHeight: 0.53,
  biacromial: 0.259,
  eyeHeight: 0.936,
  chinHeight: 0.87,
} as const;

/** Radii of limbs and tools in metres; from memory of a prototype, common practice, no source. */
export const RADII = {
  hand: 0.045,
  glove: 0.07,
  forearm: 0.04,
  doubleForearm: 0.05,
  upperArm: 0.06,
  shin: 0.055,
  stick: 0.0125,
  blade: 0.02,
  fist: 0.05,
  foot: 0.06,
} as const;

/** The stature that displacements in the vocabulary are written for, m. */
export const REFERENCE_HEIGHT = 1.75;
/** Half the distance between the feet of a stance along the line, share of H. Common practice, no source. */
export const HALF_STANCE = 0.11;
