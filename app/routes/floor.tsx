import { planPage } from "#server/plan-page.ts";
import { forTheHall } from "#server/access/hall.ts";
import { scopeContext } from "#server/context.ts";
import { withLateComer, withSwap } from "#server/floor/again.ts";
import { idIn, roundIn } from "#server/forms.ts";
import { notFound, reading, refused, writing } from "#server/respond.ts";
import { floorSince } from "#db/floor.ts";
import { listStudents } from "#db/people.ts";
import { db } from "#db/pool.ts";
import { useEffect } from "react";
import { isRouteErrorResponse } from "react-router";
import type { Route } from "./+types/floor.tsx";
import { FloorScreen } from "../floor/floor-screen.tsx";
import { keeps } from "../ui/keep-page.ts";
import { WITHOUT_FRAME } from "../ui/frame.tsx";
import { RouteTrouble } from "../ui/trouble.tsx";

export const handle = WITHOUT_FRAME;

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Running: ${loaderData?.page.lesson.title ?? "class"} · Vicissor` },
];

export function loader({ params, context }: Route.LoaderArgs) {
  return reading(async () => {
    const scope = context.get(scopeContext);
    const id = idIn(params.id);
    const [page, news, everybody] = await Promise.all([
      planPage(scope, id, { ladder: null, drill: null }),
      floorSince(db, scope, id, 0),
      listStudents(db, scope),
    ]);
    if (!page || !news) throw notFound("This class is not here.");
    const here = new Set(page.people.filter(({ until }) => until === null).map((one) => one.id));
    const away = everybody.filter((one) => !here.has(one.id)).map(({ id: who, name }) => ({ id: who, name }));
    return { page: forTheHall(page), news: { ...news, now: Date.now() }, away };
  });
}

export async function action({ request, params, context }: Route.ActionArgs) {
  return writing({ request, context }, async (fields) => {
    const scope = context.get(scopeContext);
    const id = idIn(params.id);
    if (fields.intent === "late")
      return (await withLateComer(scope, id, idIn(fields.student))) ?? { kind: "ok" as const };
    if (fields.intent === "swap") {
      const change = { round: roundIn(fields.round), one: idIn(fields.one), two: idIn(fields.two) };
      return (await withSwap(scope, id, change)) ?? { kind: "ok" as const };
    }
    return refused("This page is older than the application. Load it again.");
  });
}

type Shown = Awaited<ReturnType<Route.ClientLoaderArgs["serverLoader"]>>;
const keeper = keeps<Shown>();

export const clientLoader = ({ serverLoader, params }: Route.ClientLoaderArgs): Promise<Shown> =>
  keeper.load(params.id, serverLoader);

export async function clientAction({ serverAction }: Route.ClientActionArgs) {
  try {
    return await serverAction();
  } catch (error) {
    if (isRouteErrorResponse(error)) throw error;
    return {
      kind: "failed" as const,
      message: "The server does not answer. Nothing was changed; try again in a moment.",
    };
  }
}

export default function Floor({ loaderData, params }: Route.ComponentProps) {
  useEffect(() => keeper.keep(params.id, loaderData), [params.id, loaderData]);
  return <FloorScreen {...loaderData} />;
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <RouteTrouble error={error} />;
}
