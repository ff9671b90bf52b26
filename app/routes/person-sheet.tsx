import { scopeContext } from "#server/context.ts";
import { idIn } from "#server/forms.ts";
import { notFound, reading } from "#server/respond.ts";
import { personPage } from "#server/trained.ts";
import type { Route } from "./+types/person-sheet.tsx";
import { PersonSheetScreen } from "../log/person-sheet-screen.tsx";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `What ${loaderData?.page.person.name ?? "somebody"} trained · Vicissor` },
];

export function loader({ params, context }: Route.LoaderArgs) {
  return reading(async () => {
    const page = await personPage(context.get(scopeContext), idIn(params.id));
    if (!page) throw notFound("This person is not here; they may have been erased.");
    const says = page.person.minor ? page.minorsPage : "marks";
    if (says === "nothing")
      throw notFound("The school hands out no page about minors. It can be set under Words, How this school does it.");
    return { page, says, today: new Date().toISOString().slice(0, 10) };
  });
}

export default function PersonSheet({ loaderData }: Route.ComponentProps) {
  return <PersonSheetScreen {...loaderData} />;
}
