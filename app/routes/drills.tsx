import { redirect } from "react-router";
import { countDeleted } from "#db/deleted.ts";
import { deleteDrills, restoreDrills, setStars, setTag } from "#db/drills.ts";
import { db } from "#db/pool.ts";
import { scopeContext } from "#server/web/context.ts";
import { drillListPage } from "#server/drills/drill-list.ts";
import { idIn, idsIn, tagIn } from "#server/web/forms.ts";
import { judgingOf } from "#server/drills/judging.ts";
import { copyDrill, makeDrill } from "#server/drills/new-drill.ts";
import { mustBeHere, reading, writing } from "#server/web/respond.ts";
import type { Route } from "./+types/drills.ts";
import { TOUR_COOKIE } from "../drills/tour.tsx";
import { DrillsScreen } from "../drills/drills-screen.tsx";

export { keepPageOnFailure as shouldRevalidate } from "../ui/keep-page.ts";
export const meta: Route.MetaFunction = () => [{ title: "Drills · Vicissor" }];

export function loader({ request, context }: Route.LoaderArgs) {
  return reading(async () => {
    const scope = context.get(scopeContext);
    const search = new URL(request.url).searchParams;
    const [page, deleted] = await Promise.all([drillListPage(scope, search), countDeleted(db, scope)]);
    return {
      deleted,
      ...page,
      judging: judgingOf(scope),
      tour: !request.headers.get("cookie")?.includes(`${TOUR_COOKIE}=closed`),
    };
  });
}

export async function action({ request, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  return writing({ request, context }, async (fields) => {
    if (fields.ids !== undefined) await mustBeHere(scope, "drills", idsIn(fields.ids));
    switch (fields.intent) {
      case "star":
      case "unstar":
        await setStars(db, scope, idsIn(fields.ids), fields.intent === "star" ? "on" : "off");
        return { kind: "changed" as const };
      case "tag":
      case "untag": {
        const put = fields.intent === "tag" ? ("on" as const) : ("off" as const);
        await setTag(db, scope, idsIn(fields.ids), { tag: tagIn(fields.tag), put });
        return { kind: "changed" as const };
      }
      case "copy": {
        const copy = await copyDrill(scope, idIn(fields.ids));
        return copy.kind === "refused" ? copy : { kind: "copied" as const, id: copy.id, title: copy.title };
      }
      case "delete":
      case "restore":
        await (fields.intent === "delete" ? deleteDrills : restoreDrills)(db, scope, idsIn(fields.ids));
        return {
          kind: fields.intent === "delete" ? ("deleted" as const) : ("restored" as const),
          id: fields.ids!,
          title: fields.title ?? "",
          several: fields.ids!.includes(","),
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
