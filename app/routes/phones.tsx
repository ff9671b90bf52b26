import { getClass } from "#db/classes.ts";
import { db } from "#db/pool.ts";
import { scopeContext } from "#server/web/context.ts";
import { idIn } from "#server/web/forms.ts";
import { mustBeHere, notFound, reading, refused, writing } from "#server/web/respond.ts";
import { tabletAddress } from "#server/access/tickets.ts";
import { authority, CLASS_HOURS, endLinks, outsideOf, renewLink, shareLink } from "#server/share/links.ts";
import { qrOf } from "#server/share/token.ts";
import type { Route } from "./+types/phones.ts";
import { PhonesScreen } from "../class/phones-screen.tsx";

export { keepPageOnFailure as shouldRevalidate } from "../ui/keep-page.ts";
export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Phones: ${loaderData?.lesson.title ?? "class"} · Vicissor` },
];

export function loader({ params, context, request }: Route.LoaderArgs) {
  return reading(async () => {
    const scope = context.get(scopeContext);
    const lesson = await getClass(db, scope, params.id);
    if (!lesson) throw notFound("This class is not here.");
    return {
      lesson: { id: lesson.id, title: lesson.title },
      link: await shareLink(scope, "class", params.id, request),
      trust: authority(),
      wall: await shareLink(scope, "wall", params.id, request),
    };
  });
}

const kindIn = ({ share }: Readonly<Record<string, string>>) => (share === "wall" ? "wall" : "class");

export async function action({ request, params, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  return writing({ request, context }, async (fields) => {
    const id = idIn(params.id);
    await mustBeHere(scope, "classes", [id]);
    switch (fields.intent) {
      case "tablet": {
        const address = await tabletAddress(scope, id, outsideOf(request));
        return { kind: "tablet" as const, address, qr: qrOf(address) };
      }
      case "end":
        await endLinks(scope, kindIn(fields), id);
        return { kind: "ok" as const };
      case "new":
        await renewLink(scope, { kind: kindIn(fields), id, names: fields.names === "yes" }, CLASS_HOURS);
        return { kind: "ok" as const };
      default:
        return refused("This page is older than the application. Load it again.");
    }
  });
}

export default function Phones({ loaderData }: Route.ComponentProps) {
  return <PhonesScreen {...loaderData} />;
}
