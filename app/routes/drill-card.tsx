import { getDrill } from "#db/drills.ts";
import { db } from "#db/pool.ts";
import { scopeContext } from "#server/web/context.ts";
import { notFound, reading } from "#server/web/respond.ts";
import { schoolName } from "#server/school/school-of.ts";
import type { Route } from "./+types/drill-card.ts";
import { DrillCard } from "../paper/drill-card.tsx";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Card of ${loaderData?.title ?? "a drill"} · Vicissor` },
];

export function loader({ params, context }: Route.LoaderArgs) {
  return reading(async () => {
    const scope = context.get(scopeContext);
    const [found, school] = await Promise.all([getDrill(db, scope, params.id), schoolName(scope)]);
    if (!found) throw notFound("This drill is not here; it may have been deleted.");
    return { id: params.id, title: found.drill.title, text: found.revision.text, school };
  });
}

export default function Card({ loaderData }: Route.ComponentProps) {
  return <DrillCard {...loaderData} />;
}
