import { getClass } from "#db/classes.ts";
import { db } from "#db/pool.ts";
import { scopeContext } from "#server/context.ts";
import { idIn } from "#server/forms.ts";
import { notFound, reading, writing } from "#server/respond.ts";
import { endLinks, phoneLink, renewLink } from "#server/share/links.ts";
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
    return { lesson: { id: lesson.id, title: lesson.title }, link: await phoneLink(scope, params.id, request) };
  });
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  return writing({ request, context }, async (fields) => {
    await (fields.intent === "end" ? endLinks : renewLink)(scope, idIn(params.id));
    return { kind: "ok" as const };
  });
}

export default function Phones({ loaderData }: Route.ComponentProps) {
  return <PhonesScreen {...loaderData} />;
}
