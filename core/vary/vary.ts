/** Candidates of all operators, each checked; broken ones are told apart. */
import type { School } from "../policy/school.ts";
import { countExchanges } from "../drill/exchange-count.ts";
import type { Checked } from "../drill/types.ts";
import { CHANGES } from "./change-words.ts";
import { spokenRange } from "../score/ranges.ts";
import { assessRows, validSubset, type Assessment } from "../answers/check-text.ts";
import { textOf, withHeader } from "../score/edit.ts";
import { fitsDrill } from "./operator-fits.ts";
import { OPERATORS, type OperatorId } from "./operator-names.ts";
import { isClosed, keepsTradition } from "../trade/art.ts";
import type { Candidate } from "./operators/shared.ts";
import { OPERATOR_TABLE } from "./operators/table.ts";

/** A changed drill that was checked. */
export interface Variation extends Omit<Candidate, "rows">, Assessment {}

/** The changed drills that hold, and how many do not. */
export interface Variations {
  /** Sound or risky, easiest first. */
  readonly good: readonly Variation[];
  /** Broken, with the reason in their findings. */
  readonly broken: readonly Variation[];
}

/**
 * Makes and checks the variations of a checked drill; a drill with errors is varied from its sound
 * part. No two are equal under formatting.
 */
export function vary(drill: Checked, school: School, operators: readonly OperatorId[] = OPERATORS): Variations {
  const base = validSubset(drill, school);
  if (!base) return { good: [], broken: [] };
  const good: Variation[] = [];
  const broken: Variation[] = [];
  for (const variation of distinct([...candidates(base, school, operators, oneTempo)], base))
    (variation.verdict === "broken" ? broken : good).push(variation);
  good.sort((a, b) => a.load.total - b.load.total);
  return { good, broken };
}

/** Changes that are said alike are told apart by the exchange they are in. */
function distinct(all: readonly Variation[], base: Checked): Variation[] {
  const { of } = countExchanges(base);
  const times = new Map<string, number>();
  for (const { changed } of all) times.set(changed, (times.get(changed) ?? 0) + 1);
  return all.map((one) => {
    const { row } = one.parameters;
    const exchange = times.get(one.changed) !== 1 && typeof row === "number" ? of({ line: row }) : null;
    return exchange === null ? one : { ...one, changed: CHANGES.inExchange(one.changed, exchange) };
  });
}

/** One step of tempo that is felt, not several that lie close together. */
const oneTempo = (all: readonly Candidate[]): readonly Candidate[] =>
  all.filter(({ operator }, i) => operator !== "tempo-up" || i === 0);

/**
 * Candidates of a sound drill one after the other, each checked when it is asked for. `order` puts
 * those of one operator in order before any is checked.
 */
export function* candidates(
  base: Checked,
  school: School,
  operators: readonly OperatorId[],
  order: (all: readonly Candidate[]) => readonly Candidate[] = (all) => all,
): Generator<Variation> {
  const seen = new Set([playOf(textOf(withHeader(base.score, {})))]);
  const closed = isClosed(base);
  for (const id of operators) {
    if (!fitsDrill(id, base)) continue;
    for (const candidate of order(OPERATOR_TABLE[id](base, school))) {
      const text = textOf(candidate.rows);
      const play = playOf(text);
      if (seen.has(play)) continue;
      seen.add(play);
      const { operator, parameters, changed } = candidate;
      const found = assessRows(candidate.rows, school, text);
      if (closed && !keepsTradition(found.checked(), base)) continue;
      yield { operator, parameters, changed: spokenRange(changed), ...found };
    }
  }
}

/** A score without its title: two that differ only there are the same drill. */
export const playOf = (text: string): string =>
  text.startsWith("title:") ? text.slice(text.indexOf("\n") + 1) : text.replace(/^title:.*\n/im, "");
