import { redirect } from "react-router";
import { createDrill, deleteDrill, listDrills, restoreDrill } from "#db/drills.ts";
import { db } from "#db/pool.ts";
import { scopeContext } from "#server/context.ts";
import { createSchema, fieldsOf } from "#server/forms.ts";
import { reading, writing } from "#server/respond.ts";
import { schoolOf } from "#server/school-of.ts";
import { revisionInput } from "#server/revision-input.ts";
import type { Route } from "./+types/drills.ts";
import { DrillsScreen } from "../drills/drills-screen.tsx";

export { keepPageOnFailure as shouldRevalidate } from "../ui/keep-page.ts";
export const meta: Route.MetaFunction = () => [{ title: "Drills · Vicissor" }];

export function loader({ context }: Route.LoaderArgs) {
  return reading(async () => {
    const drills = await listDrills(db, context.get(scopeContext));
    return { drills: drills.map((drill) => ({ ...drill, updated_at: drill.updated_at.toISOString() })) };
  });
}

export async function action({ request, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const fields = fieldsOf(await request.formData());
  return writing(async () => {
    if (fields.intent === "delete" || fields.intent === "restore") {
      await (fields.intent === "delete" ? deleteDrill : restoreDrill)(db, scope, fields.id ?? "");
      return {
        kind: fields.intent === "delete" ? ("deleted" as const) : ("restored" as const),
        id: fields.id ?? "",
        title: fields.title ?? "",
      };
    }
    const { id, revisionId, text } = await createSchema.validate(fields);
    await createDrill(scope, id, revisionInput(revisionId, text, await schoolOf(scope)).input, null);
    throw redirect(`/drills/${id}`);
  });
}

export default function Drills({ loaderData }: Route.ComponentProps) {
  return <DrillsScreen drills={loaderData.drills} />;
}
