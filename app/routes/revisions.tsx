import { redirect } from "react-router";
import { randomUUID } from "node:crypto";
import { getDrill, getRevision, listRevisions, saveDrill } from "#db/drills.ts";
import { db } from "#db/pool.ts";
import { scopeContext } from "#server/web/context.ts";
import { compute } from "#server/checks/pool.ts";
import { notFound, reading, refused, writing } from "#server/web/respond.ts";
import { settingsOf } from "#server/school/school-of.ts";
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
      version: found.drill.version,
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
  return writing({ request, context }, async (fields) => {
    const number = Number(fields.number);
    const old = Number.isInteger(number) ? await getRevision(db, scope, params.id, number) : null;
    const found = await getDrill(db, scope, params.id);
    if (!old || !found) throw notFound("This revision is not here.");
    // Going back is going on: the old text becomes the newest revision, nothing is taken away.
    const input = await compute("revision", { id: randomUUID(), text: old.text }, await settingsOf(scope));
    const saved = await saveDrill(scope, params.id, { baseVersion: Number(fields.version), input, auto: false });
    if (saved.kind !== "saved")
      return refused("Somebody saved this drill meanwhile. Load the page again, look, and go back once more.");
    throw redirect(`/drills/${params.id}`);
  });
}

export default function Revisions({ loaderData }: Route.ComponentProps) {
  return <RevisionsScreen {...loaderData} />;
}
