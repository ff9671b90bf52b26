/** What each rule looks for, in words for a school that decides how grave it finds it. */
import { SEVERITY, type RuleId } from "./finding.ts";

/** Rules that a school can grade; faults of the text itself always stay errors, and slipping inside is a question of its own. */
export const GRADED_RULES: Readonly<Partial<Record<RuleId, string>>> = {
  "line-open": "The answer does not clear or stop the attack",
  "no-answer": "Nobody answers a feed",
  "wrong-material": "A bare limb goes to an edge, a point or the fast end of a stick",
  "limb-busy": "One hand does two things at once",
  "limb-pinned": "A held hand works all the same",
  "not-recovered": "The next move comes before balance is back",
  "out-of-reach": "A blow cannot land",
  "too-close": "There is no room for the blow",
  "no-meet": "Two blows do not meet",
  resisting: "The answer goes against the push",
  "rule-broken": "The drill’s own rule is broken",
  "loop-open": "A cycle does not come back to its start",
  "off-balance": "The head goes beyond the feet",
  tight: "It works only just",
  late: "Too late at the tempo of the drill",
  "ambiguous-cue": "Two feeds look alike until it is too late",
  "gear-missing": "Gear for the tempo and the contact is missing",
  "unsafe-target": "An unsafe target",
  "weight-gap": "A large gap of weight in contact",
  "blade-arm": "A bare hand works near an edge",
  minor: "Contact beyond light with a minor",
  reload: "A blow without weight behind it",
  "follow-up": "What stays open for the feeder",
  "no-step": "A feed lands without a step",
};

/** What a rule counts as when the school says nothing. */
export const usualSeverity = (rule: RuleId) => SEVERITY[rule];
