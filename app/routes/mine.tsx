import { visitorContext, scopeContext } from "#server/web/context.ts";
import { ownPage } from "#server/classes/handed-over.ts";
import { notFound, reading } from "#server/web/respond.ts";
import type { Route } from "./+types/mine.ts";
import { MineScreen } from "../log/mine-screen.tsx";

export const meta: Route.MetaFunction = () => [{ title: "My page · Vicissor" }];

export function loader({ context }: Route.LoaderArgs) {
  return reading(async () => {
    const visitor = context.get(visitorContext);
    if (typeof visitor === "string" || !visitor.studentId)
      throw notFound("Nobody of the school is connected with this account yet. Ask its owner.");
    return ownPage(context.get(scopeContext), visitor.studentId, visitor.name);
  });
}

export default function Mine({ loaderData }: Route.ComponentProps) {
  return <MineScreen {...loaderData} />;
}
