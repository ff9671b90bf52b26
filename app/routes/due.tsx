import { scopeContext } from "#server/web/context.ts";
import { dueLadders } from "#server/classes/next-class.ts";
import { reading } from "#server/web/respond.ts";
import { todayOf } from "#server/school/school-of.ts";
import type { Route } from "./+types/due.tsx";
import { DueScreen } from "../log/due-screen.tsx";

export const meta: Route.MetaFunction = () => [{ title: "What is due · Vicissor" }];

export function loader({ context }: Route.LoaderArgs) {
  return reading(async () => ({
    ladders: await dueLadders(context.get(scopeContext)),
    today: await todayOf(context.get(scopeContext)),
  }));
}

export default function Due({ loaderData }: Route.ComponentProps) {
  return <DueScreen {...loaderData} />;
}
