/** Who was got through to the head more than once in an evening: the instructor looks at them. */
import { gotThrough } from "#db/log-sums.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import type { PlanPage } from "../views.ts";

/** So many blows to the head that got through in one evening are looked at. Common practice, no source. */
const LOOK_FROM = 2;

/** Their names, for instructors alone. */
export async function whoToLookAt(scope: Scope, classId: string, page: PlanPage): Promise<string[]> {
  const toHead = new Set(page.rungs.flatMap(({ revisionId }, i) => (page.words[i]?.toHead ? [revisionId] : [])));
  const hits = (await gotThrough(db, scope, classId)).filter(
    ({ revision }) => revision !== null && toHead.has(revision),
  );
  const times = new Map<string, number>();
  for (const { person } of hits) times.set(person, (times.get(person) ?? 0) + 1);
  return [...times].flatMap(([id, count]) => (count >= LOOK_FROM ? [page.names[id] ?? "Somebody"] : []));
}
