/** Who is here, ticked one by one by whoever stands at the door; no page of its own. */
import { setPresent } from "#db/attendance.ts";
import { db } from "#db/pool.ts";
import { scopeContext } from "#server/web/context.ts";
import { idIn } from "#server/web/forms.ts";
import { askBeforeIn } from "#server/classes/head-blows.ts";
import { mustBeHere, writing } from "#server/web/respond.ts";
import type { Route } from "./+types/here.ts";

export async function action({ request, params, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  return writing({ request, context }, async ({ student, on, sure }) => {
    const studentId = idIn(student);
    await mustBeHere(scope, "classes", [idIn(params.id)]);
    await mustBeHere(scope, "students", [studentId]);
    const asked = sure === "yes" ? "sure" : "not asked";
    const barred = on === "yes" ? await askBeforeIn(scope, idIn(params.id), [studentId], asked) : null;
    if (barred) return barred;
    await setPresent(db, scope, params.id, { studentId, here: on === "yes" });
    return { kind: "ok" as const };
  });
}
