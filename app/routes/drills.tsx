import { redirect } from "react-router";
import { deleteDrill, listDeletedDrills, listDrills, restoreDrill, setStar } from "#db/drills.ts";
import { db } from "#db/pool.ts";
import { scopeContext } from "#server/context.ts";
import { idIn } from "#server/forms.ts";
import { judgingOf } from "#server/judging.ts";
import { copyDrill, makeDrill } from "#server/new-drill.ts";
import { reading, writing } from "#server/respond.ts";
import type { Route } from "./+types/drills.ts";
import { TOUR_COOKIE } from "../drills/tour.tsx";
import { DrillsScreen } from "../drills/drills-screen.tsx";

export { keepPageOnFailure as shouldRevalidate } from "../ui/keep-page.ts";
export const meta: Route.MetaFunction = () => [{ title: "Drills · Vicissor" }];

export function loader({ request, context }: Route.LoaderArgs) {
  return reading(async () => {
    const scope = context.get(scopeContext);
    const [drills, deleted] = await Promise.all([listDrills(db, scope), listDeletedDrills(db, scope)]);
    return {
      deleted: deleted.map((drill) => ({ ...drill, deleted_at: drill.deleted_at.toISOString() })),
      drills: drills.map((drill) => ({ ...drill, updated_at: drill.updated_at.toISOString() })),
      judging: judgingOf(scope),
      tour: !request.headers.get("cookie")?.includes(`${TOUR_COOKIE}=closed`),
    };
  });
}

export async function action({ request, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  return writing(request, async (fields) => {
    if (fields.intent === "star" || fields.intent === "unstar") {
      await setStar(db, scope, idIn(fields.id), fields.intent === "star" ? "on" : "off");
      return { kind: "starred" as const };
    }
    if (fields.intent === "copy") {
      const copy = await copyDrill(scope, idIn(fields.id));
      return copy.kind === "refused" ? copy : { kind: "copied" as const, id: copy.id, title: copy.title };
    }
    if (fields.intent === "delete" || fields.intent === "restore") {
      const id = idIn(fields.id);
      await (fields.intent === "delete" ? deleteDrill : restoreDrill)(db, scope, id);
      return {
        kind: fields.intent === "delete" ? ("deleted" as const) : ("restored" as const),
        id,
        title: fields.title ?? "",
      };
    }
    const made = await makeDrill(scope, fields);
    if (made.kind === "refused") return made;
    throw redirect(`/drills/${made.id}`);
  });
}

export default function Drills({ loaderData }: Route.ComponentProps) {
  return <DrillsScreen {...loaderData} />;
}
