import { planFor } from "#server/access/hall.ts";
import { planPage } from "#server/classes/plan-page.ts";
import { scopeContext } from "#server/web/context.ts";
import { notFound, reading } from "#server/web/respond.ts";
import type { Route } from "./+types/cards.ts";
import { CardsScreen } from "../class/cards-screen.tsx";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Cards: ${loaderData?.lesson.title ?? "class"} · Vicissor` },
];

export function loader({ params, context }: Route.LoaderArgs) {
  return reading(async () => {
    const scope = context.get(scopeContext);
    const page = await planPage(scope, params.id, { ladder: null, drill: null });
    if (!page) throw notFound("This class is not here.");
    return planFor(scope, page);
  });
}

export default function Cards({ loaderData }: Route.ComponentProps) {
  return <CardsScreen page={loaderData} />;
}
