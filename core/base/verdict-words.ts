/** One scale of words for drills and for answers, on screens and in sentences; data say `valid` and `invalid` of an answer. */
export const VERDICT_WORDS = {
  valid: "sound",
  risky: "risky",
  invalid: "broken",
  unread: "not understood",
  sound: "sound",
  broken: "broken",
  asDrill: "holds as a drill",
} as const;

/** A verdict as it is shown. */
export type VerdictName = keyof typeof VERDICT_WORDS;

/** Returns a verdict as it is shown: `bare`, a bare hand against a blade holds as a drill and is never called sound. */
export const shownVerdict = (verdict: VerdictName, bare: boolean | undefined): VerdictName =>
  bare && (verdict === "valid" || verdict === "sound") ? "asDrill" : verdict;
