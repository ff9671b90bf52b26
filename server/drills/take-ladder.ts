/** A whole ladder goes into the library: a drill for each rung, and the ladder over them. */
import { createLadder, type NewRung } from "#db/ladders.ts";
import type { Scope } from "#db/scope.ts";
import { compute } from "../checks/pool.ts";
import { jsonIn, ladderSchema } from "../web/forms.ts";
import { refused, type Refusal } from "../web/respond.ts";
import { settingsOf } from "../school/school-of.ts";

interface Taken {
  readonly kind: "taken";
  readonly ladder: string;
  readonly rungs: number;
}

export async function takeLadder(scope: Scope, drillId: string, json: string): Promise<Taken | Refusal> {
  const form = await ladderSchema.validate(jsonIn(json, "The ladder"));
  const settings = await settingsOf(scope);
  const rungs = await Promise.all(
    form.rungs.map(async (rung): Promise<NewRung> => ({
      id: rung.id,
      input: await compute("revision", { id: rung.revisionId, text: rung.text }, settings),
      lineage: {
        parentRevisionId: form.parentRevisionId,
        operator: rung.operator,
        parameters: {},
        seed: form.seed,
        changed: rung.changed,
      },
    })),
  );
  const made = await createLadder(scope, { id: form.id, drillId, title: form.title }, rungs);
  if (made === "taken")
    return refused(
      "These drills are in the library already, in another ladder. Make the ladder again to take it once more.",
    );
  return { kind: "taken", ladder: form.id, rungs: rungs.length };
}
