import { keysOf } from "../base/keys.ts";

/** Here for the first time: they watch a round, then work with a steady partner on the first rung, without contact. */
export const TRIAL = "trial guest";

/** What somebody can leave out tonight with one tap, and the limit that it is. Common practice, no source. */
const TONIGHT = {
  [TRIAL]: "no contact",
  head: "no head contact",
  contact: "no contact",
  falls: "no falls",
  kicks: "no kicks",
  "close touch": "no close touch",
  neck: "spare the neck",
  shoulder: "spare the shoulder",
  wrist: "spare the wrist",
  back: "spare the back",
  knee: "spare the knee",
  turns: "no turns on one foot",
  kneeling: "no kneeling",
} as const;
/** The ids of all limits for tonight. */
export const TONIGHT_IDS = keysOf(TONIGHT);

/** The limits of what was tapped; anything else that is stored says nothing. */
export const tonightLimits = (tapped: readonly string[]): string[] =>
  TONIGHT_IDS.filter((id) => tapped.includes(id)).map((id) => TONIGHT[id]);
