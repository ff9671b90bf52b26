import { redirect } from "react-router";
import { copyClass, createClass, deleteClass, listTrainedTexts, restoreClass, updateClass } from "#db/classes.ts";
import { applyTemplate, deleteTemplate } from "#db/class-templates.ts";
import { db, transaction } from "#db/pool.ts";
import { scopeContext } from "#server/web/context.ts";
import { idIn } from "#server/web/forms.ts";
import { nextClass } from "#server/classes/next-class.ts";
import { mustBeHere, reading, refused, writing } from "#server/web/respond.ts";
import { keepAsTemplate } from "#server/term/keep-template.ts";
import { classFromForm, dayFromForm, termPage } from "#server/term/term.ts";
import type { Route } from "./+types/term.ts";
import { TermScreen } from "../term/term-screen.tsx";

export { keepPageOnFailure as shouldRevalidate } from "../ui/keep-page.ts";
export const meta: Route.MetaFunction = () => [{ title: "Term · Vicissor" }];

export function loader({ context }: Route.LoaderArgs) {
  return reading(async () => {
    const scope = context.get(scopeContext);
    const [page, trained] = await Promise.all([termPage(scope), listTrainedTexts(db, scope)]);
    return { ...page, trained };
  });
}

export async function action({ request, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  return writing({ request, context }, async (fields) => {
    if (fields.intent === "copy") {
      await copyClass(db, scope, {
        from: idIn(fields.from),
        id: idIn(fields.id),
        day: await dayFromForm(fields),
      });
      return { kind: "saved" as const };
    }
    if (fields.intent === "keep") return keepAsTemplate(scope, fields);
    if (fields.intent === "drop") {
      await deleteTemplate(db, scope, idIn(fields.id));
      return { kind: "dropped" as const };
    }
    if (fields.intent === "next") {
      const made = await nextClass(scope, fields.ladder ? idIn(fields.ladder) : null);
      if ("kind" in made) return made;
      throw redirect(`/class/${made.id}/plan`);
    }
    if (fields.intent === "delete" || fields.intent === "restore") {
      const id = idIn(fields.id);
      await mustBeHere(scope, "classes", [id]);
      await (fields.intent === "delete" ? deleteClass : restoreClass)(db, scope, id);
      return {
        kind: fields.intent === "delete" ? ("deleted" as const) : ("restored" as const),
        id,
        title: fields.title ?? "",
      };
    }
    const form = await classFromForm(fields);
    if (fields.intent === "add") {
      const template = fields.template ? idIn(fields.template) : null;
      await transaction(async (tx) => {
        await createClass(tx, scope, form);
        if (template !== null) await applyTemplate(tx, scope, { classId: form.id, template });
      });
      return { kind: "saved" as const };
    }
    return (await updateClass(db, scope, form, Number(fields.version)))
      ? { kind: "saved" as const }
      : refused("Somebody else changed this class meanwhile. Look, and change it again.");
  });
}

export default function Term({ loaderData }: Route.ComponentProps) {
  return <TermScreen {...loaderData} />;
}
