import { planPage } from "#server/class-plan.ts";
import { scopeContext } from "#server/context.ts";
import { phoneLink } from "#server/share/links.ts";
import { notFound, reading } from "#server/respond.ts";
import type { Route } from "./+types/wall.ts";
import { WallScreen } from "../class/wall-screen.tsx";
import { WITHOUT_FRAME } from "../ui/frame.tsx";
import { RouteTrouble } from "../ui/trouble.tsx";

export const handle = WITHOUT_FRAME;

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Wall: ${loaderData?.page.lesson.title ?? "class"} · Vicissor` },
];

export function loader({ params, context, request }: Route.LoaderArgs) {
  return reading(async () => {
    const scope = context.get(scopeContext);
    const page = await planPage(scope, params.id, { ladder: null, drill: null });
    if (!page) throw notFound("This class is not here.");
    return { page, link: await phoneLink(scope, params.id, request) };
  });
}

export default function Wall({ loaderData }: Route.ComponentProps) {
  return <WallScreen {...loaderData} />;
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <RouteTrouble error={error} />;
}
