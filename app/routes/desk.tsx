import { redirect, type ShouldRevalidateFunctionArgs } from "react-router";
import { getDrill } from "#db/drills.ts";
import { listStudents } from "#db/people.ts";
import { db } from "#db/pool.ts";
import { teaches } from "#server/access/hall.ts";
import { firstView } from "#server/drills/first-view.ts";
import { scopeContext } from "#server/web/context.ts";
import { makeDrill } from "#server/drills/new-drill.ts";
import { notFound, reading, writing } from "#server/web/respond.ts";
import type { Route } from "./+types/desk.ts";
import { KeptDraft } from "../desk/kept-draft.tsx";
import { RouteTrouble } from "../ui/trouble.tsx";
import { DeskScreen } from "../desk/desk-screen.tsx";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.drill.title ?? "Drill"} · Vicissor` },
];

export function loader({ params, context }: Route.LoaderArgs) {
  return reading(async () => {
    const scope = context.get(scopeContext);
    const [found, people] = await Promise.all([
      getDrill(db, scope, params.id),
      teaches(scope) ? listStudents(db, scope) : [],
    ]);
    if (!found)
      throw notFound(
        "This drill is not here; it may have been deleted in another window. It can be brought back from the list of drills right after deleting.",
      );
    const { text } = found.revision;
    return {
      drill: { id: found.drill.id, title: found.drill.title, version: found.drill.version },
      text,
      view: await firstView(scope, text),
      people,
    };
  });
}

/** Keeps a text as a drill of its own. */
export async function action({ request, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  return writing({ request, context }, async (fields) => {
    const made = await makeDrill(scope, fields);
    if (made.kind === "refused") return made;
    throw redirect(`/drills/${made.id}`);
  });
}

/** The desk holds the newest text itself: a save of its own brings nothing new. */
export const shouldRevalidate = (change: ShouldRevalidateFunctionArgs): boolean =>
  change.formMethod !== undefined && change.currentParams.id === change.nextParams.id
    ? false
    : change.defaultShouldRevalidate;

export default function Desk({ loaderData }: Route.ComponentProps) {
  const { drill, text, view, people } = loaderData;
  return <DeskScreen key={drill.id} drill={drill} text={text} first={view} people={people} />;
}

/** The desk cannot be shown; what was typed there can. */
export function ErrorBoundary({ error, params }: Route.ErrorBoundaryProps) {
  return (
    <>
      <RouteTrouble error={error} />
      {params.id && <KeptDraft id={params.id} />}
    </>
  );
}
