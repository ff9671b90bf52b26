/** Saves a drill's text. Called by the desk with fetch, so that a lost connection is a state and not a page. */
import { saveDrill } from "#db/drills.ts";
import { scopeContext } from "#server/context.ts";
import { saveSchema } from "#server/forms.ts";
import { schoolOf } from "#server/school-of.ts";
import { writing } from "#server/respond.ts";
import { revisionInput } from "#server/revision-input.ts";
import type { Route } from "./+types/save.ts";

export async function action({ request, params, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const body: unknown = await request.json().catch(() => null);
  const result = await writing(async () => {
    if (!saveSchema.isValidSync(body))
      return { kind: "failed" as const, message: "This text cannot be saved as it is: it is too long or not whole." };
    const { revisionId, version, text, auto } = saveSchema.cast(body);
    const input = revisionInput(revisionId, text, await schoolOf(scope)).input;
    const saved = await saveDrill(scope, params.id, version, input, auto);
    if (saved.kind !== "conflict") return saved;
    const { text: theirText, author, number } = saved.theirs;
    return { kind: "conflict" as const, theirs: { text: theirText, author: author ?? "somebody", version: number } };
  });
  return Response.json(result);
}
