import { planPage } from "#server/classes/plan-page.ts";
import { forTheHall } from "#server/access/hall.ts";
import { scopeContext } from "#server/web/context.ts";
import { shareLink } from "#server/share/links.ts";
import { notFound, reading } from "#server/web/respond.ts";
import type { Route } from "./+types/wall.ts";
import { useEffect } from "react";
import { idIn } from "#server/web/forms.ts";
import { floorSince } from "#db/floor.ts";
import { db } from "#db/pool.ts";
import { RunningWall } from "../floor/running-wall.tsx";
import { keeps } from "../ui/keep-page.ts";
import { WITHOUT_FRAME } from "../ui/frame.tsx";
import { RouteTrouble } from "../ui/trouble.tsx";

export const handle = WITHOUT_FRAME;

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Wall: ${loaderData?.page.lesson.title ?? "class"} · Vicissor` },
];

export function loader({ params, context, request }: Route.LoaderArgs) {
  return reading(async () => {
    const scope = context.get(scopeContext);
    const id = idIn(params.id);
    const [page, news, link] = await Promise.all([
      planPage(scope, id, { ladder: null, drill: null }),
      floorSince(db, scope, id, 0),
      shareLink(scope, "class", id, request),
    ]);
    if (!page || !news) throw notFound("This class is not here.");
    return { page: forTheHall(page), news: { ...news, now: Date.now() }, link };
  });
}

type Shown = Awaited<ReturnType<Route.ClientLoaderArgs["serverLoader"]>>;
const keeper = keeps<Shown>();

export const clientLoader = ({ serverLoader, params }: Route.ClientLoaderArgs): Promise<Shown> =>
  keeper.load(params.id, serverLoader);

export default function Wall({ loaderData, params }: Route.ComponentProps) {
  useEffect(() => keeper.keep(params.id, loaderData), [params.id, loaderData]);
  return <RunningWall {...loaderData} />;
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <RouteTrouble error={error} />;
}
