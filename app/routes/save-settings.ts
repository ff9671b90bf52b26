/** Saves a part of the school's settings. Any screen may post here; it has no page of its own. */
import { redirect } from "react-router";
import { scopeContext } from "#server/web/context.ts";
import { jsonIn } from "#server/web/forms.ts";
import { writing } from "#server/web/respond.ts";
import { patchSettings, setClock } from "#server/school/save-settings.ts";
import type { Route } from "./+types/save-settings.ts";

export const loader = () => redirect("/settings");

export async function action({ request, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  return writing({ request, context }, async (fields) =>
    fields.zone === undefined
      ? patchSettings(scope, Number(fields.version), jsonIn(fields.patch, "The settings"))
      : setClock(scope, fields.zone),
  );
}
