/** Makes a ladder for a screen: plain views in place of checked scores. */
import type { Checked } from "#core/check/types.ts";
import { scoreView } from "#core/formats/desk-view.ts";
import type { School } from "#core/school/school.ts";
import { makeLadder } from "#core/vary/ladder.ts";
import { LADDER_DEFAULTS, type LadderOptions } from "#core/vary/ladder-options.ts";
import type { Variation } from "#core/vary/vary.ts";
import type { LadderView, VariationView } from "./protocol.ts";

export const variationView = <Operator>(
  v: Omit<Variation, "operator"> & { readonly operator: Operator },
): Omit<VariationView, "operator"> & { readonly operator: Operator } => ({
  operator: v.operator,
  parameters: v.parameters,
  text: v.text,
  changed: v.changed,
  view: scoreView(v.checked),
});

export function* ladderWork(
  drill: Checked,
  school: School,
  wishes: Partial<LadderOptions>,
): Generator<number, LadderView> {
  const result = yield* makeLadder(drill, school, { ...LADDER_DEFAULTS, order: school.customs.stages, ...wishes });
  if (!result.ok) return result;
  return {
    ok: true,
    partial: result.partial,
    notes: result.notes,
    rungs: result.rungs.map((r) => ({
      operator: r.operator,
      parameters: {},
      text: r.text,
      changed: r.changed,
      rows: r.rows,
      view: scoreView(r.checked),
      alternatives: r.alternatives.map((v) => ({ ...variationView(v), rows: v.rows })),
    })),
  };
}
