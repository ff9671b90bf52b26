import { scopeContext } from "#server/web/context.ts";
import { idIn } from "#server/web/forms.ts";
import { notFound, reading } from "#server/web/respond.ts";
import { personPage } from "#server/learning/trained.ts";
import type { Route } from "./+types/person.tsx";
import { PersonScreen } from "../log/person-screen.tsx";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.person.name ?? "Somebody"} · Vicissor` },
];

export function loader({ params, context }: Route.LoaderArgs) {
  return reading(async () => {
    const page = await personPage(context.get(scopeContext), idIn(params.id));
    if (!page) throw notFound("This person is not here; they may have been erased.");
    return page;
  });
}

export default function Person({ loaderData }: Route.ComponentProps) {
  return <PersonScreen {...loaderData} />;
}
