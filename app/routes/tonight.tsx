import { redirect } from "react-router";
import { randomUUID } from "node:crypto";
import { createClass, getTonight } from "#db/classes.ts";
import { db } from "#db/pool.ts";
import { scopeContext } from "#server/web/context.ts";
import { reading } from "#server/web/respond.ts";
import { todayOf } from "#server/school/school-of.ts";
import type { Route } from "./+types/tonight.ts";

/** `Class` leads to tonight's class; a school without one gets its first. */
export function loader({ context }: Route.LoaderArgs) {
  return reading(async () => {
    const scope = context.get(scopeContext);
    const tonight = await getTonight(db, scope);
    if (tonight) return redirect(`/class/${tonight.id}`);
    const id = randomUUID();
    await createClass(db, scope, { id, held_on: await todayOf(scope), title: "Tonight", minutes: 90 });
    return redirect(`/class/${id}`);
  });
}

/** Never drawn, but its place: who may not come here is told so among the places, with a way back. */
export default function Tonight() {
  return null;
}
