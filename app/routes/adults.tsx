import { getAdults, getHelp, listClearedForMinors, setAdults, setHelp } from "#db/class-adults.ts";
import { getClass } from "#db/classes.ts";
import { db } from "#db/pool.ts";
import { scopeContext } from "#server/web/context.ts";
import { adultsFromForm, helpFromForm, idIn } from "#server/web/forms.ts";
import { hasMinors } from "#server/classes/head-blows.ts";
import { notFound, reading, refused, writing } from "#server/web/respond.ts";
import { schoolName } from "#server/school/school-of.ts";
import type { Route } from "./+types/adults.ts";
import { AdultsScreen } from "../class/adults-screen.tsx";

export { keepPageOnFailure as shouldRevalidate } from "../ui/keep-page.ts";
export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Card of ${loaderData?.lesson.title ?? "a class"} · Vicissor` },
];

export function loader({ params, context }: Route.LoaderArgs) {
  return reading(async () => {
    const scope = context.get(scopeContext);
    const lesson = await getClass(db, scope, params.id);
    if (!lesson) throw notFound("This class is not here.");
    const [adults, help, cleared, minors, school] = await Promise.all([
      getAdults(db, scope, params.id),
      getHelp(db, scope),
      listClearedForMinors(db, scope),
      hasMinors(scope, lesson),
      schoolName(scope),
    ]);
    return {
      lesson: { id: lesson.id, title: lesson.title, held_on: lesson.held_on },
      adults,
      help,
      cleared,
      minors,
      school,
    };
  });
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  return writing({ request, context }, async (fields) => {
    if (fields.intent === "help") {
      await setHelp(db, scope, helpFromForm(fields));
      return { kind: "saved" as const };
    }
    const saved = await setAdults(db, scope, idIn(params.id), adultsFromForm(fields));
    return saved
      ? { kind: "saved" as const }
      : refused("Somebody else named the adults meanwhile. They are shown as they are now; make your change again.");
  });
}

export default function Adults({ loaderData }: Route.ComponentProps) {
  return <AdultsScreen key={loaderData.adults?.version ?? 0} {...loaderData} />;
}
