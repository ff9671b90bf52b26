/** A text becomes a drill of the library. */
import { randomUUID } from "node:crypto";
import { parse } from "#core/score/parse.ts";
import { textOf, withHeader } from "#core/score/edit.ts";
import { createDrill, getDrill, type Lineage } from "#db/drills.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import { compute } from "../checks/pool.ts";
import { createSchema, jsonIn, variationSchema, type Fields } from "../web/forms.ts";
import { refused, type Refusal } from "../web/respond.ts";
import { settingsOf } from "../school/school-of.ts";

interface Made {
  readonly kind: "added";
  readonly id: string;
}

/** Makes a drill from the fields of a form. */
export const makeDrill = async (scope: Scope, fields: Fields): Promise<Made | Refusal> =>
  make(scope, await createSchema.validate(fields), null);

/** Makes a drill that is a variation of another. */
export async function makeVariation(scope: Scope, fields: Fields): Promise<Made | Refusal> {
  const form = await variationSchema.validate(fields);
  return make(scope, form, {
    parentRevisionId: form.parentRevisionId,
    operator: form.operator,
    parameters: jsonIn(form.parameters, "The variation"),
    seed: null,
    changed: form.changed,
  });
}

/** A drill of its own with the same text, and a title that says so. */
export async function copyDrill(scope: Scope, id: string): Promise<(Made & { readonly title: string }) | Refusal> {
  const found = await getDrill(db, scope, id);
  if (!found) return refused("This drill is not here any more: it cannot be copied.");
  const { text } = found.revision;
  const score = parse(text);
  const title = `${found.drill.title}, copy`.slice(0, LONGEST_TITLE);
  const copy = textOf(withHeader(score, { title }));
  const made = await make(scope, { id: randomUUID(), revisionId: randomUUID(), text: copy }, null);
  return made.kind === "added" ? { ...made, title } : made;
}
const LONGEST_TITLE = 120;

async function make(
  scope: Scope,
  { id, revisionId, text }: { readonly id: string; readonly revisionId: string; readonly text: string },
  lineage: Lineage | null,
): Promise<Made | Refusal> {
  const input = await compute("revision", { id: revisionId, text }, await settingsOf(scope));
  const made = await createDrill(scope, { id, input, lineage });
  return made === "made"
    ? { kind: "added", id }
    : refused("There is a drill with another text in this place already. Yours is kept here; load the page again.");
}
