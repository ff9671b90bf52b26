/** Keeps an evening under a name, to begin other classes with. */
import { randomUUID } from "node:crypto";
import { shapeOfEvening, templateSchema } from "#core/class/template.ts";
import { keepTemplate } from "#db/class-templates.ts";
import { getPlan } from "#db/classes.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import { idIn, type Fields } from "../web/forms.ts";
import { refused } from "../web/respond.ts";

export async function keepAsTemplate(scope: Scope, fields: Fields) {
  const { name } = await templateSchema.validate(fields);
  const from = idIn(fields.from);
  const kept = await getPlan(db, scope, from);
  const shape = kept && shapeOfEvening(kept.clock, kept.plan.blocks);
  return (await keepTemplate(db, scope, { id: randomUUID(), name, from, shape }))
    ? { kind: "kept" as const, name }
    : refused(
        "It was not kept: the class is gone, or there are thirty templates already. Delete one under Add a class.",
      );
}
