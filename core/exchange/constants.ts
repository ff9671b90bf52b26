/**
 * Numbers of the model that belong to no single move. Lengths in m, times in ms, angles in degrees.
 * Starting values that reproduced common practice on a prototype; no source unless one is named.
 */
export const MODEL = {
  /** What a feed goes past the surface it lands on. */
  spare: 0.09,
  /**
   * What `!` and `?` change of a blow: its commitment (0 probing to 1 all in), by so much. A committed blow
   * goes deeper and is home later, a probing one the other way round. Common practice, no source.
   */
  commitmentStep: 0.35,
  /** How much deeper a blow goes for a whole unit of commitment more. */
  depthOfCommitment: 0.15,
  /** The feeder's own step that a solved distance leaves to be taken, for 1.75 m. */
  solvedStep: 0.25,
  /** The step that a later blow of a combination may take by itself, for 1.75 m. */
  shortStep: 0.25,
  /** Time of a step of `solvedStep`. */
  stepTime: 200,
  runUp: 0.7,
  runUpRising: 0.25,
  followThrough: 0.4,
  /** Fixed distances of two people of 1.75 m. */
  clinch: 0.5,
  trap: 0.75,
  /** Each front foot level with the other's back foot. */
  interlocked: 0.6,
  /** No two bodies come nearer than this, centre to centre. */
  nearest: 0.35,
  /** `out` lies this far beyond the longest tool. */
  beyond: 0.3,
  /** "On the line": nearer than this to the arm's line is neither inside nor outside. */
  onLine: 0.05,
  /** Below this margin a verdict depends on small things. */
  tight: 0.03,
  tightRobust: 0.9,
  /** Less than this is luck. */
  hair: 0.01,
  marginCap: 0.15,
  /** What a return may gain: carry of a slip, weave or parry; push off the rear or the lead foot. */
  carry: 0.1,
  pushOffRear: 0.15,
  pushOffLead: 0.15,
  /** How far a striker lowers the shoulder for a low target (knees and waist), share of H. */
  dip: 0.2,
  /** Up to this far above the shoulder a hand goes without more ado; beyond, they rise on the toes so much. Share of H. */
  easyAbove: 0.12,
  toes: 0.05,
  /** Needed push is taken at this distance before the target. */
  parryAhead: 0.3,
  /** Longest way a parrying hand reaches in front. */
  parryReach: 0.6,
  /** How far outside a retreat stays: of fist and foot, stick, blade. Common practice, no source. */
  outside: { limb: 0.08, stick: 0.2, blade: 0.3 } as const,
  /** A mitt is a forearm from the holder's own face, share of H (as tabled in Winter). */
  padAhead: 0.146,
  /** The surface of a body, or of a pad at it, in front of its centre, m. */
  atBody: 0.12,
  /** How far in front of the body the hands of a guard are, share of H. Common practice, no source. */
  guardAhead: 0.2,
  /** Kicks put less than this into it may go onto a mitt. */
  lightKick: 0.3,
  stepIn: 0.45,
  /** A written step without anything to reach. */
  plainStep: 0.3,
  yieldCapacity: 0.25,
  yieldUse: 0.08,
  yieldAngle: 60,
  resistAngle: 135,
  /** What stays open is said from this threat on (0 to 1). */
  openThreat: 0.6,
  /** Share of its mean speed that is left at the end of a lean. Judgement from memory. */
  leanLeft: 0.25,
  /** A head that has come down further than this is over bent knees, m for 1.75 m. */
  bent: 0.1,
  /** What a push gives, N s. Starting values, no source. */
  impulse: { light: 15, firm: 30, hard: 60 } as const,
  /** Share of a push that the body takes on, by what is done about it. Judgement from memory. */
  takenOn: { yields: 0.3, redirects: 0.4, follows: 0.3, receives: 1 } as const,
  sector: [-10, 100] as const,
  /** Reaction to a known feed, by sense (textbook values). */
  reaction: { sight: 190, sound: 160, touch: 150 } as const,
  /** Slope of Hick's law per bit (Hick 1952, Hyman 1953). */
  perBit: 125,
  /** How long a movement takes where its data say nothing, ms. */
  moveTime: 150,
  /** Share of the usual way that a hand has to go from contact, or at trapping distance. Judgement from memory. */
  nearTime: 0.7,
  /** The same where the answer goes with what pushes or pulls. Judgement from memory. */
  feltTime: 0.5,
  ceilingCap: 1.5,
  /** How much earlier a known answer begins, while the own blow is still on its way home. Judgement from memory. */
  beginsEarly: 200,
  /** Share of full speed at which an answerer may move faster than the drill. Judgement from memory. */
  slow: 0.25,
  /** How far somebody comes from their corner where three stand, m for 1.75 m. Common practice, no source. */
  fromCorner: 0.9,
  /** How far above the hip a trained foot gets, share of H. Common practice, no source. */
  legRise: 0.52,
  /** How much more room a foot or shin needs the higher it goes, m for 1.75 m. Common practice, no source. */
  kickRoom: { head: 0.35, trunk: 0.1, leg: 0 } as const,
  /** How far a blow that drives sends the one who is hit, m for 1.75 m. Judgement from memory. */
  sentAway: 0.6,
  /** Largest ratio of masses in contact work. */
  weightRatio: 1.4,
  /** Sticks: eye protection above this tempo. */
  fastTempo: 0.7,
} as const;
