import { scopeContext } from "#server/web/context.ts";
import { idIn } from "#server/web/forms.ts";
import { notFound, reading } from "#server/web/respond.ts";
import { todayOf } from "#server/school/school-of.ts";
import { sheetPage } from "#server/classes/handed-over.ts";
import type { Route } from "./+types/person-sheet.tsx";
import { PersonSheetScreen } from "../log/person-sheet-screen.tsx";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `What ${loaderData?.page.person.name ?? "somebody"} trained · Vicissor` },
];

export function loader({ params, context }: Route.LoaderArgs) {
  return reading(async () => {
    const scope = context.get(scopeContext);
    const page = await sheetPage(scope, idIn(params.id));
    if (!page) throw notFound("This person is not here; they may have been erased.");
    if (page === "closed") throw notFound("The school hands out no page about minors. It can be set under Settings.");
    const back = scope.role === "student" ? "/mine" : `/people/${page.person.id}`;
    return { page, back, today: await todayOf(scope) };
  });
}

export default function PersonSheet({ loaderData }: Route.ComponentProps) {
  return <PersonSheetScreen {...loaderData} />;
}
