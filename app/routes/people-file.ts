import { listStudents } from "#db/people.ts";
import { db } from "#db/pool.ts";
import { scopeContext } from "#server/web/context.ts";
import { peopleTable } from "#server/people/people-forms.ts";
import { reading } from "#server/web/respond.ts";
import type { Route } from "./+types/people-file.ts";

export function loader({ context }: Route.LoaderArgs) {
  return reading(async () => {
    const people = await listStudents(db, context.get(scopeContext));
    return new Response(peopleTable(people), {
      headers: {
        "Content-Type": "text/csv; charset=utf-8",
        "Content-Disposition": 'attachment; filename="people.csv"',
      },
    });
  });
}
