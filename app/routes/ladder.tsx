import { listClasses } from "#db/classes.ts";
import { getDrill, listNewestTexts } from "#db/drills.ts";
import { listGear } from "#db/people.ts";
import { db } from "#db/pool.ts";
import { scopeContext } from "#server/web/context.ts";
import { makeVariation } from "#server/drills/new-drill.ts";
import { notFound, reading, writing } from "#server/web/respond.ts";
import { todayOf } from "#server/school/school-of.ts";
import { takeLadder } from "#server/drills/take-ladder.ts";
import type { Route } from "./+types/ladder.ts";
import { LadderScreen } from "../ladder/ladder-screen.tsx";

export { keepPageOnFailure as shouldRevalidate } from "../ui/keep-page.ts";
export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Ladder of ${loaderData?.title ?? "a drill"} · Vicissor` },
];

export function loader({ params, context }: Route.LoaderArgs) {
  return reading(async () => {
    const scope = context.get(scopeContext);
    const found = await getDrill(db, scope, params.id);
    if (!found) throw notFound("This drill is not here; it may have been deleted.");
    const [gear, texts, classes] = await Promise.all([
      listGear(db, scope),
      listNewestTexts(db, scope),
      listClasses(db, scope),
    ]);
    return {
      id: params.id,
      title: found.drill.title,
      text: found.revision.text,
      revisionId: found.revision.id,
      gear,
      others: texts.filter((t) => t.id !== params.id).map(({ id, title, text }) => ({ id, title, text })),
      classes: classes.map(({ id, title, held_on }) => ({ id, title, date: held_on })),
      today: await todayOf(scope),
    };
  });
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  return writing({ request, context }, async (fields) =>
    fields.ladder === undefined ? makeVariation(scope, fields) : takeLadder(scope, params.id, fields.ladder),
  );
}

export default function Ladder({ loaderData }: Route.ComponentProps) {
  return <LadderScreen {...loaderData} />;
}
