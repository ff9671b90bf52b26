/** One scale of words for drills and for answers, on screens and in sentences; data say `valid` and `invalid` of an answer. */
export const VERDICT_WORDS = {
  valid: "sound",
  risky: "risky",
  invalid: "broken",
  unread: "not understood",
  sound: "sound",
  broken: "broken",
} as const;
