/** What differs between two checks of the same drill, as `vicissor check --json` writes them: a line for each change. */

export interface CheckJson {
  readonly verdict: string;
  readonly exchanges: readonly {
    readonly line: number;
    readonly column: number;
    readonly pass?: number | null;
    readonly feed: string;
    readonly answer: readonly string[];
    readonly verdict: string;
  }[];
  readonly findings: readonly { readonly rule: string; readonly severity: string; readonly line: number }[];
}

type Exchange = CheckJson["exchanges"][number];

const placeOf = ({ line, column, pass }: Exchange): string => `${line}:${column}${pass ? ` pass ${pass}` : ""}`;
const wordsOf = ({ feed, answer }: Exchange): string => `${feed} -> ${answer.join(" + ") || "no answer"}`;

/** Findings counted by line, severity and rule: their words may change without a verdict doing so. */
function tally({ findings }: CheckJson): Map<string, number> {
  const times = new Map<string, number>();
  for (const { line, severity, rule } of findings) {
    const key = `${line} ${severity} ${rule}`;
    times.set(key, (times.get(key) ?? 0) + 1);
  }
  return times;
}

/** Returns the changes from one check to the other, in the order of the text; empty where nothing changed. */
export function changesBetween(before: CheckJson, after: CheckJson): string[] {
  const changes: string[] = [];
  if (before.verdict !== after.verdict) changes.push(`${before.verdict}, now ${after.verdict}`);
  const were = new Map(before.exchanges.map((one) => [placeOf(one), one]));
  const are = new Map(after.exchanges.map((one) => [placeOf(one), one]));
  for (const [place, now] of are) {
    const was = were.get(place);
    if (!was) changes.push(`${place} ${wordsOf(now)}: new, ${now.verdict}`);
    else if (was.verdict !== now.verdict) changes.push(`${place} ${wordsOf(now)}: ${was.verdict}, now ${now.verdict}`);
  }
  for (const [place, was] of were)
    if (!are.has(place)) changes.push(`${place} ${wordsOf(was)}: gone, was ${was.verdict}`);
  const [old, fresh] = [tally(before), tally(after)];
  for (const key of new Set([...old.keys(), ...fresh.keys()])) {
    const difference = (fresh.get(key) ?? 0) - (old.get(key) ?? 0);
    if (difference !== 0) changes.push(`line ${key}: ${difference > 0 ? "more" : "fewer"} by ${Math.abs(difference)}`);
  }
  return changes;
}
