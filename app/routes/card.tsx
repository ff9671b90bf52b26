import { getClass, listPairs } from "#db/classes.ts";
import { listEverybody } from "#db/people.ts";
import { db } from "#db/pool.ts";
import { pairsFor } from "#server/access/hall.ts";
import { scopeContext } from "#server/web/context.ts";
import { notFound, reading } from "#server/web/respond.ts";
import { schoolName, settingsOf } from "#server/school/school-of.ts";
import { personViews } from "#server/people/person-views.ts";
import { pairViews } from "#server/classes/pair-views.ts";
import type { Route } from "./+types/card.ts";
import { CardScreen } from "../class/card-screen.tsx";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Card: ${loaderData?.lesson.title ?? "class"} · Vicissor` },
];

export function loader({ params, context }: Route.LoaderArgs) {
  return reading(async () => {
    const scope = context.get(scopeContext);
    const lesson = await getClass(db, scope, params.id);
    if (!lesson) throw notFound("This class is not here.");
    const [school, students, pairs] = await Promise.all([
      schoolName(scope),
      listEverybody(db, scope),
      listPairs(db, scope, params.id),
    ]);
    return {
      lesson,
      school,
      pairs: pairsFor(scope, await pairViews(pairs, personViews(students, lesson.held_on), await settingsOf(scope))),
    };
  });
}

export default function Card({ loaderData }: Route.ComponentProps) {
  return <CardScreen {...loaderData} />;
}
