/** Finds what to change about the subject of a commit: imperative, under 72 characters. */

const MOST = 72;
/** Verbs in the imperative that end like other forms of verbs. */
const IMPERATIVE =
  /^(?:Address|Access|Bring|Compress|Cross|Discuss|Express|Embed|Exceed|Feed|Focus|Need|Pass|Press|Proceed|Process|Seed|Speed|Stress|String|Suppress|Swing)$/;
/** How a subject begins that is no imperative: an article, a pronoun, a noun in front, another form of a verb. */
const OTHER =
  /^(?:The|A|An|It|This|That|These|What|Who|Whoever|There|No|Nothing|Nobody|Everything|Each|Every|All|Some)$/;

/** Returns what to change about a subject, or null. */
export function subjectFault(subject: string): string | null {
  const [first = ""] = subject.split(" ");
  if (subject.length >= MOST) return `has ${subject.length} characters; write fewer than ${MOST}`;
  if (!/^[A-Z]/.test(first)) return "begins with a capital letter";
  if (/[.:;]$/.test(subject)) return "ends without a full stop";
  if (OTHER.test(first) || (/(?:ed|ing|s)$/.test(first) && !IMPERATIVE.test(first)))
    return `begins with “${first}”; say what the commit does: Add, Keep, Say ...`;
  return null;
}
