import { listChanges } from "#db/changes.ts";
import { scopeContext } from "#server/web/context.ts";
import { notFound, reading } from "#server/web/respond.ts";
import type { Route } from "./+types/changes.ts";
import { ChangesScreen } from "../access/changes-screen.tsx";

export const meta: Route.MetaFunction = () => [{ title: "Who changed what · Vicissor" }];

const AT_ONCE = 100;

export function loader({ context, request }: Route.LoaderArgs) {
  return reading(async () => {
    const before = new URL(request.url).searchParams.get("before");
    if (before !== null && !/^\d{1,18}$/.test(before)) throw notFound("This is not here: the address is not whole.");
    const found = await listChanges(context.get(scopeContext), { before, limit: AT_ONCE + 1 });
    const rows = found.slice(0, AT_ONCE);
    return {
      changes: rows.map(({ at, ...one }) => ({ ...one, at: at.toISOString() })),
      next: found.length > AT_ONCE ? rows.at(-1)!.id : null,
      isFirst: before === null,
    };
  });
}

export default function Changes({ loaderData }: Route.ComponentProps) {
  return <ChangesScreen {...loaderData} />;
}
