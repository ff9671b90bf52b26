/** For how long each of a pair feeds and answers in a round. */
import type { PairIds } from "../pairs/evening.ts";
import { stretches } from "./timetable.ts";

/** Seconds of one person in one round. Who holds pads feeds. */
export interface RoleSeconds {
  readonly feeds: number;
  readonly answers: number;
}

/** By id. `change`: roles change after so many seconds; as long as the round: A feeds for all of it. In a three they go round. */
export function roleSeconds(
  { a, b, c }: PairIds,
  { round, change }: { readonly round: number; readonly change: number },
): Record<string, RoleSeconds> {
  if (c !== null) {
    const feeds = Math.round(change >= round ? round / 3 : round / 2);
    return Object.fromEntries([a, b, c].map((id) => [id, { feeds, answers: round - feeds }]));
  }
  const first = stretches({ round, change, rest: 0 })
    .filter(({ feeder }) => feeder === "A")
    .reduce((sum, { seconds }) => sum + seconds, 0);
  return { [a]: { feeds: first, answers: round - first }, [b]: { feeds: round - first, answers: first } };
}
