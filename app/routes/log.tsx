import { noteIncident } from "#db/incidents.ts";
import { db } from "#db/pool.ts";
import { scopeContext } from "#server/web/context.ts";
import { clearingFromForm, incidentFromForm } from "#server/web/forms.ts";
import { clearHead } from "#server/classes/head-blows.ts";
import { logPage } from "#server/learning/log.ts";
import { reading, refused, writing } from "#server/web/respond.ts";
import type { Route } from "./+types/log.tsx";
import { LogScreen } from "../log/log-screen.tsx";

export { keepPageOnFailure as shouldRevalidate } from "../ui/keep-page.ts";
export const meta: Route.MetaFunction = () => [{ title: "Log · Vicissor" }];

export function loader({ request, context }: Route.LoaderArgs) {
  return reading(() => logPage(context.get(scopeContext), new URL(request.url).searchParams));
}

export async function action({ request, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  return writing({ request, context }, async (fields) => {
    if (fields.intent === "note") {
      const kept = await noteIncident(db, scope, incidentFromForm(fields));
      return kept
        ? { kind: "saved" as const }
        : refused("Somebody else wrote on this note meanwhile. Load the page again; copy your words first.");
    }
    if (fields.intent === "clear") {
      return clearHead(scope, clearingFromForm(fields));
    }
    return refused("This page is older than the application. Load it again.");
  });
}

export default function Log({ loaderData }: Route.ComponentProps) {
  return <LogScreen {...loaderData} />;
}
