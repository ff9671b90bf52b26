import { listClasses } from "#db/classes.ts";
import { db } from "#db/pool.ts";
import { scopeContext } from "#server/web/context.ts";
import { reading } from "#server/web/respond.ts";
import { schoolName } from "#server/school/school-of.ts";
import { calendarOf } from "#server/term/term.ts";
import type { Route } from "./+types/term-calendar.ts";

export function loader({ context }: Route.LoaderArgs) {
  return reading(async () => {
    const scope = context.get(scopeContext);
    const [classes, school] = await Promise.all([listClasses(db, scope), schoolName(scope)]);
    return new Response(calendarOf(classes, school), {
      headers: {
        "Content-Type": "text/calendar; charset=utf-8",
        "Content-Disposition": 'attachment; filename="term.ics"',
      },
    });
  });
}
