import { getDrill } from "#db/drills.ts";
import { db } from "#db/pool.ts";
import { scopeContext } from "#server/web/context.ts";
import { notFound, reading } from "#server/web/respond.ts";
import type { Route } from "./+types/calls.ts";
import { CallsScreen } from "../calls/calls-screen.tsx";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Calls for ${loaderData?.title ?? "a drill"} · Vicissor` },
];

export function loader({ params, context }: Route.LoaderArgs) {
  return reading(async () => {
    const found = await getDrill(db, context.get(scopeContext), params.id);
    if (!found) throw notFound("This drill is not here; it may have been deleted.");
    return { id: params.id, title: found.drill.title, text: found.revision.text };
  });
}

export default function Calls({ loaderData }: Route.ComponentProps) {
  return <CallsScreen key={loaderData.id} {...loaderData} />;
}
