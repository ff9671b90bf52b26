/** Saves a drill's text. Called by the desk with fetch, so that a lost connection is a state and not a page. */
import { saveDrill } from "#db/drills.ts";
import { compute } from "#server/checks/pool.ts";
import { refusalContext, scopeContext } from "#server/web/context.ts";
import { jsonIn, saveSchema } from "#server/web/forms.ts";
import { explain } from "#server/web/respond.ts";
import { settingsOf } from "#server/school/school-of.ts";
import type { Scope } from "#db/scope.ts";
import type { Route } from "./+types/save.ts";

export async function action({ request, params, context }: Route.ActionArgs) {
  const barred = context.get(refusalContext);
  if (barred) return Response.json({ kind: "failed", message: barred.message }, { status: barred.status });
  try {
    const body = jsonIn(await request.text(), "The text");
    return Response.json(await save(context.get(scopeContext), params.id, body));
  } catch (error) {
    const said = explain(error);
    if (!said) throw error;
    return Response.json({ kind: "failed", message: said.message }, { status: said.status });
  }
}

async function save(scope: Scope, drillId: string, body: unknown) {
  const { revisionId, version, text, auto } = await saveSchema.validate(body);
  const input = await compute("revision", { id: revisionId, text }, await settingsOf(scope));
  const saved = await saveDrill(scope, drillId, { baseVersion: version, input, auto });
  if (saved.kind !== "conflict") return saved;
  const { text: theirText, author, number } = saved.theirs;
  return { kind: "conflict" as const, theirs: { text: theirText, author: author ?? "somebody", version: number } };
}
