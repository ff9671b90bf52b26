/** A whole ladder goes into the library: a drill for each rung, and the ladder over them. */
import { createLadder } from "#db/ladders.ts";
import type { Scope } from "#db/scope.ts";
import { ladderSchema } from "./forms.ts";
import { revisionInput } from "./revision-input.ts";
import { schoolOf } from "./school-of.ts";

export type Taken =
  | { readonly kind: "taken"; readonly ladder: string; readonly rungs: number }
  | { readonly kind: "refused"; readonly message: string };

export async function takeLadder(scope: Scope, drillId: string, json: string): Promise<Taken> {
  let sent: unknown;
  try {
    sent = JSON.parse(json);
  } catch {
    return { kind: "refused", message: "The ladder did not arrive whole. Take it again." };
  }
  const form = await ladderSchema.validate(sent);
  const school = await schoolOf(scope);
  const rungs = form.rungs.map((rung) => ({
    drillId: rung.id,
    input: revisionInput(rung.revisionId, rung.text, school).input,
    lineage: {
      parentRevisionId: form.parentRevisionId,
      operator: rung.operator,
      parameters: {},
      seed: form.seed,
      changed: rung.changed,
    },
  }));
  await createLadder(scope, { id: form.id, drillId, title: form.title }, rungs);
  return { kind: "taken", ladder: form.id, rungs: rungs.length };
}
