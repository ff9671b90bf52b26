/** Reads the facts of the trade in own-facts.txt: headers, score, what is expected of the first exchange and of the rules. */
export interface OwnFact {
  readonly group: string;
  readonly headers: readonly string[];
  readonly score: string;
  readonly verdict: string | null;
  readonly present: readonly string[];
  readonly absent: readonly string[];
  readonly why: string;
}

const SHORT: Readonly<Record<string, readonly string[]>> = {
  "@S": ["A: holds stick 71 cm", "B: holds stick 71 cm"],
  "@s": ["A: holds stick 71 cm", "B: holds nothing"],
  "@K": ["A: holds training knife 28 cm", "B: holds training knife 28 cm"],
  "@k": ["A: holds training knife 28 cm", "B: holds nothing"],
  "@P": ["A: wears mitts", "B: wears gloves"],
  "@F": ["kind: sensitivity", "range: trap"],
};

export function ownFacts(text: string): readonly OwnFact[] {
  let group = "";
  const facts: OwnFact[] = [];
  for (const line of text.split("\n")) {
    if (line.startsWith("## ")) group = line.slice(3);
    if (line.startsWith("#") || line.trim() === "") continue;
    // A choice between answers is written with the same sign: what is expected and why come last.
    const parts = line.split("|").map((part) => part.trim());
    const [head, why, expected] = [parts[0]!, parts.at(-1)!, parts.at(-2)!];
    const [verdict, ...rules] = expected.split(/\s+/);
    facts.push({
      group,
      headers: head.split(";").flatMap((one) => SHORT[one.trim()] ?? (one.trim() ? [one.trim()] : [])),
      score: parts.slice(1, -2).join(" | ").replaceAll("\\n", "\n"),
      verdict: verdict === "-" ? null : verdict!,
      present: rules.filter((rule) => rule.startsWith("+")).map((rule) => rule.slice(1)),
      absent: rules.filter((rule) => rule.startsWith("-")).map((rule) => rule.slice(1)),
      why,
    });
  }
  return facts;
}
