/** What happens in a running class, as it happens. */
import { getClass } from "#db/classes.ts";
import { db } from "#db/pool.ts";
import { scopeContext, visitorContext } from "#server/web/context.ts";
import { liveStream } from "#server/floor/live.ts";
import { idIn } from "#server/web/forms.ts";
import { notFound, reading } from "#server/web/respond.ts";
import type { Route } from "./+types/floor-live.ts";

export function loader({ request, params, context }: Route.LoaderArgs) {
  return reading(async () => {
    const asked = request.headers.get("last-event-id") ?? new URL(request.url).searchParams.get("since");
    const since = Math.max(0, Math.floor(Number(asked)) || 0);
    const scope = context.get(scopeContext);
    const id = idIn(params.id);
    if (!(await getClass(db, scope, id))) throw notFound("This class is not here.");
    const visitor = context.get(visitorContext);
    const session = typeof visitor === "string" ? visitor : visitor.id;
    const stream = liveStream({ scope, classId: id, since, session }, request.signal);
    if (!stream)
      throw new Response("Too many devices or pages watch this class at once. Close some of them.", { status: 429 });
    return new Response(stream, {
      headers: { "Content-Type": "text/event-stream", "Cache-Control": "no-cache, no-transform" },
    });
  });
}
