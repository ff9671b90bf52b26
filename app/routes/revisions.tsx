import { redirect } from "react-router";
import { randomUUID } from "node:crypto";
import { getDrill, getRevision, listRevisions, saveDrill } from "#db/drills.ts";
import { db } from "#db/pool.ts";
import { scopeContext } from "#server/context.ts";
import { fieldsOf } from "#server/forms.ts";
import { notFound, reading, writing } from "#server/respond.ts";
import { schoolOf } from "#server/school-of.ts";
import { revisionInput } from "#server/revision-input.ts";
import type { Route } from "./+types/revisions.ts";
import { RevisionsScreen } from "../desk/revisions-screen.tsx";

export { keepPageOnFailure as shouldRevalidate } from "../ui/keep-page.ts";
export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Revisions of ${loaderData?.title ?? "a drill"} · Vicissor` },
];

export function loader({ params, context }: Route.LoaderArgs) {
  return reading(async () => {
    const scope = context.get(scopeContext);
    const found = await getDrill(db, scope, params.id);
    if (!found) throw notFound("This drill is not here; it may have been deleted.");
    const revisions = await listRevisions(db, scope, params.id);
    return {
      id: params.id,
      title: found.drill.title,
      revisions: revisions.map((r) => ({
        number: r.number,
        text: r.text,
        verdict: r.verdict,
        author: r.author ?? "",
        at: r.created_at.toISOString(),
        auto: r.auto,
      })),
    };
  });
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const fields = fieldsOf(await request.formData());
  return writing(async () => {
    const old = await getRevision(db, scope, params.id, Number(fields.number));
    const found = await getDrill(db, scope, params.id);
    if (!old || !found) throw notFound("This revision is not here.");
    // Going back is going on: the old text becomes the newest revision, nothing is taken away.
    await saveDrill(
      scope,
      params.id,
      found.drill.version,
      revisionInput(randomUUID(), old.text, await schoolOf(scope)).input,
    );
    throw redirect(`/drills/${params.id}`);
  });
}

export default function Revisions({ loaderData }: Route.ComponentProps) {
  return <RevisionsScreen {...loaderData} />;
}
