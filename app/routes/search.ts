/** Answers the search that every screen has; no page of its own. */
import { scopeContext } from "#server/context.ts";
import { reading } from "#server/respond.ts";
import { searchEverything } from "#server/search.ts";
import type { Route } from "./+types/search.ts";

export function loader({ request, context }: Route.LoaderArgs) {
  const asked = new URL(request.url).searchParams;
  const wanted = asked.get("drills") === "all" ? "all" : "few";
  return reading(() => searchEverything(context.get(scopeContext), asked.get("q") ?? "", wanted));
}
