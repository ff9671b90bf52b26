import { listNewestTexts } from "#db/drills.ts";
import { db } from "#db/pool.ts";
import { scopeContext } from "#server/web/context.ts";
import { newestBackup } from "#server/keeping/backups.ts";
import { reading } from "#server/web/respond.ts";
import type { Route } from "./+types/settings.ts";
import { SchoolScreen } from "../words/school-screen.tsx";

export { keepPageOnFailure as shouldRevalidate } from "../ui/keep-page.ts";
export const meta: Route.MetaFunction = () => [{ title: "How this school does it · Vicissor" }];

export function loader({ context }: Route.LoaderArgs) {
  return reading(async () => {
    const scope = context.get(scopeContext);
    const rows = await listNewestTexts(db, scope);
    return {
      drills: rows.map(({ id, title, text }) => ({ id, title, text })),
      backup: newestBackup(),
      isOwner: scope.role === "owner",
      now: Date.now(),
    };
  });
}

export default function School({ loaderData }: Route.ComponentProps) {
  return <SchoolScreen {...loaderData} />;
}
