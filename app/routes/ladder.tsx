import { listClasses } from "#db/classes.ts";
import { createDrill, getDrill, listNewestTexts } from "#db/drills.ts";
import { listGear } from "#db/people.ts";
import { db } from "#db/pool.ts";
import { scopeContext } from "#server/context.ts";
import { fieldsOf, variationSchema } from "#server/forms.ts";
import { notFound, reading, writing } from "#server/respond.ts";
import { takeLadder } from "#server/take-ladder.ts";
import { schoolOf } from "#server/school-of.ts";
import { revisionInput } from "#server/revision-input.ts";
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
      today: new Date().toISOString().slice(0, 10),
    };
  });
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const fields = fieldsOf(await request.formData());
  if (fields.ladder !== undefined) return writing(() => takeLadder(scope, params.id, fields.ladder!));
  return writing(async () => {
    const form = await variationSchema.validate(fields);
    const lineage = {
      parentRevisionId: form.parentRevisionId,
      operator: form.operator,
      parameters: JSON.parse(form.parameters) as unknown,
      seed: null,
      changed: form.changed,
    };
    await createDrill(scope, form.id, revisionInput(form.revisionId, form.text, await schoolOf(scope)).input, lineage);
    return { kind: "added" as const, id: form.id };
  });
}

export default function Ladder({ loaderData }: Route.ComponentProps) {
  return <LadderScreen {...loaderData} />;
}
