/** Answers the search that every screen has; no page of its own. */
import { scopeContext } from "#server/web/context.ts";
import { reading } from "#server/web/respond.ts";
import { searchEverything } from "#server/drills/search.ts";
import type { Route } from "./+types/search.ts";

export function loader({ request, context }: Route.LoaderArgs) {
  const asked = new URL(request.url).searchParams;
  const wanted = asked.get("drills") === "all" ? "all" : "few";
  return reading(() => searchEverything(context.get(scopeContext), asked.get("q") ?? "", wanted));
}
