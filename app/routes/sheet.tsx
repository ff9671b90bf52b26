import { planFor } from "#server/access/hall.ts";
import { planPage } from "#server/classes/plan-page.ts";
import { scopeContext } from "#server/web/context.ts";
import { shareLink } from "#server/share/links.ts";
import { notFound, reading } from "#server/web/respond.ts";
import { schoolName } from "#server/school/school-of.ts";
import type { Route } from "./+types/sheet.ts";
import { SheetScreen } from "../class/sheet-screen.tsx";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Sheet: ${loaderData?.page.lesson.title ?? "class"} · Vicissor` },
];

export function loader({ params, context, request }: Route.LoaderArgs) {
  return reading(async () => {
    const scope = context.get(scopeContext);
    const page = await planPage(scope, params.id, { ladder: null, drill: null });
    if (!page) throw notFound("This class is not here.");
    const [school, link] = await Promise.all([schoolName(scope), shareLink(scope, "class", params.id, request)]);
    return { page: planFor(scope, page), link, school };
  });
}

export default function Sheet({ loaderData }: Route.ComponentProps) {
  return <SheetScreen {...loaderData} />;
}
