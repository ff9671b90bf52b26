import { listDeleted } from "#db/deleted.ts";
import { db } from "#db/pool.ts";
import { scopeContext } from "#server/web/context.ts";
import { reading } from "#server/web/respond.ts";
import type { Route } from "./+types/deleted.ts";
import { DeletedScreen } from "../drills/deleted-screen.tsx";

export { keepPageOnFailure as shouldRevalidate } from "../ui/keep-page.ts";
export const meta: Route.MetaFunction = () => [{ title: "Deleted · Vicissor" }];

export function loader({ context }: Route.LoaderArgs) {
  return reading(async () => {
    const deleted = await listDeleted(db, context.get(scopeContext));
    return { deleted: deleted.map((one) => ({ ...one, deleted_at: one.deleted_at.toISOString() })) };
  });
}

export default function Deleted({ loaderData }: Route.ComponentProps) {
  return <DeletedScreen {...loaderData} />;
}
