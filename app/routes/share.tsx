import { getDrill } from "#db/drills.ts";
import { listLadders } from "#db/ladders.ts";
import { db } from "#db/pool.ts";
import type { ShareKind } from "#db/share-links.ts";
import type { Scope } from "#db/scope.ts";
import { scopeContext } from "#server/web/context.ts";
import { BadInput, idIn, type Fields } from "#server/web/forms.ts";
import { notFound, reading, refused, writing } from "#server/web/respond.ts";
import { endLinks, renewLink, shareLink } from "#server/share/links.ts";
import type { Route } from "./+types/share.ts";
import { SHARE_HOURS, ShareScreen } from "../share/share-screen.tsx";

export { keepPageOnFailure as shouldRevalidate } from "../ui/keep-page.ts";
export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Share ${loaderData?.title ?? "a drill"} · Vicissor` },
];

export function loader({ params, context, request }: Route.LoaderArgs) {
  return reading(async () => {
    const scope = context.get(scopeContext);
    const id = idIn(params.id);
    const found = await getDrill(db, scope, id);
    if (!found) throw notFound("This drill is not here; it may have been deleted.");
    const ladders = (await listLadders(db, scope)).filter((one) => one.drill_id === id);
    return {
      id,
      title: found.drill.title,
      isBroken: found.revision.verdict === "broken",
      drill: await shareLink(scope, "drill", id, request),
      card: await shareLink(scope, "card", id, request),
      ladders: await Promise.all(
        ladders.map(async (one) => ({
          id: one.id,
          title: one.title,
          link: await shareLink(scope, "ladder", one.id, request),
        })),
      ),
    };
  });
}

/** What a form is about: the drill of the page, its card, or one of its ladders. */
async function sharedBy(scope: Scope, drillId: string, fields: Fields): Promise<{ kind: ShareKind; id: string }> {
  if (fields.share === "drill" || fields.share === "card") return { kind: fields.share, id: drillId };
  const id = idIn(fields.ladder);
  const ladders = await listLadders(db, scope);
  if (!ladders.some((one) => one.id === id && one.drill_id === drillId))
    throw new BadInput("This ladder is not one of this drill. Load the page again.");
  return { kind: "ladder", id };
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  return writing({ request, context }, async (fields) => {
    const drillId = idIn(params.id);
    if (!(await getDrill(db, scope, drillId))) return refused("This drill is not here any more.");
    if (fields.intent !== "new" && fields.intent !== "end")
      return refused("This page is older than the application. Load it again.");
    const { kind, id } = await sharedBy(scope, drillId, fields);
    if (fields.intent === "end") {
      await endLinks(scope, kind, id);
      return { kind: "ok" as const };
    }
    const hours = SHARE_HOURS.find(([one]) => String(one) === fields.hours)?.[0];
    if (hours === undefined) return refused("Choose for how long.");
    await renewLink(scope, { kind, id, names: false }, hours);
    return { kind: "ok" as const };
  });
}

export default function Share({ loaderData }: Route.ComponentProps) {
  return <ShareScreen {...loaderData} />;
}
