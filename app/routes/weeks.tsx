import { scopeContext } from "#server/web/context.ts";
import { reading } from "#server/web/respond.ts";
import { weeksPage } from "#server/learning/trained.ts";
import type { Route } from "./+types/weeks.tsx";
import { WeeksScreen } from "../log/weeks-screen.tsx";

export const meta: Route.MetaFunction = () => [{ title: "Over the weeks · Vicissor" }];

export function loader({ request, context }: Route.LoaderArgs) {
  return reading(() => weeksPage(context.get(scopeContext), new URL(request.url).searchParams));
}

export default function Weeks({ loaderData }: Route.ComponentProps) {
  return <WeeksScreen {...loaderData} />;
}
