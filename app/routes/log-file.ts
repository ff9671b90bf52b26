/** The log as a file: the same rounds as on the page, all pages of them. */
import { scopeContext } from "#server/web/context.ts";
import { logFile } from "#server/learning/log.ts";
import { reading } from "#server/web/respond.ts";
import type { Route } from "./+types/log-file.ts";

export function loader({ request, context }: Route.LoaderArgs) {
  return reading(async () => {
    const { type, name, text } = await logFile(context.get(scopeContext), new URL(request.url).searchParams);
    return new Response(text, {
      headers: {
        "Content-Type": type,
        "Content-Disposition": `attachment; filename="${name}"`,
        "Cache-Control": "no-store",
      },
    });
  });
}
