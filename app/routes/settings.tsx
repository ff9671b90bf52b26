/** Saves a part of the school's settings. Any screen may post here; it has no page of its own. */
import { redirect } from "react-router";
import { scopeContext } from "#server/context.ts";
import { fieldsOf } from "#server/forms.ts";
import { writing } from "#server/respond.ts";
import { patchSettings } from "#server/save-settings.ts";
import type { Route } from "./+types/settings.ts";

export const loader = () => redirect("/words/school");

export async function action({ request, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const fields = fieldsOf(await request.formData());
  let patch: unknown = null;
  try {
    patch = JSON.parse(fields.patch ?? "");
  } catch {
    // What cannot be read is refused below, in words.
  }
  return writing(() => patchSettings(scope, Number(fields.version), patch));
}
