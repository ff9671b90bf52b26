/** Names of the people who are here, for whoever chooses one of them or reads in a table; no page of its own. */
import { listStudents } from "#db/people.ts";
import { db } from "#db/pool.ts";
import { scopeContext } from "#server/web/context.ts";
import { reading } from "#server/web/respond.ts";
import type { Route } from "./+types/people-names.ts";

export function loader({ context }: Route.LoaderArgs) {
  return reading(async () => {
    const people = await listStudents(db, context.get(scopeContext));
    return people.map(({ id, name }) => ({ id, name }));
  });
}
