/** The whole school as a file to keep or to take along. */
import { exportSchool } from "#server/keeping/archive.ts";
import { scopeContext } from "#server/web/context.ts";
import { reading } from "#server/web/respond.ts";
import type { Route } from "./+types/school-archive.ts";

export function loader({ context }: Route.LoaderArgs) {
  return reading(async () => {
    const bytes = await exportSchool(context.get(scopeContext));
    return new Response(Buffer.from(bytes), {
      headers: {
        "Content-Type": "application/zip",
        "Content-Disposition": 'attachment; filename="school.zip"',
        "Cache-Control": "no-store",
      },
    });
  });
}
