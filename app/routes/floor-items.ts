/** Where devices send what was tapped and seen in a running class. */
import { refusalContext, scopeContext } from "#server/web/context.ts";
import { takeItems } from "#server/floor/items.ts";
import { idIn } from "#server/web/forms.ts";
import { explain } from "#server/web/respond.ts";
import type { Route } from "./+types/floor-items.ts";

/** The server's clock, for devices that set theirs by it. */
export const loader = () => Response.json({ now: Date.now() }, { headers: { "Cache-Control": "no-store" } });

export async function action({ request, params, context }: Route.ActionArgs) {
  const barred = context.get(refusalContext);
  if (barred) return Response.json({ message: barred.message }, { status: barred.status });
  try {
    const form = await request.formData();
    const items = form.get("items");
    return Response.json(
      await takeItems(context.get(scopeContext), idIn(params.id), typeof items === "string" ? items : undefined),
    );
  } catch (error) {
    if (error instanceof Response) return error;
    const said = explain(error);
    if (!said) throw error;
    return Response.json({ message: said.message }, { status: said.status });
  }
}
