/** Makes a ladder for a screen: plain views in place of checked scores. */
import type { Checked } from "#core/drill/types.ts";
import { scoreView } from "#core/formats/desk-view.ts";
import type { School } from "#core/policy/school.ts";
import { makeLadder } from "#core/ladder/ladder.ts";
import { LADDER_DEFAULTS, type LadderOptions } from "#core/ladder/ladder-options.ts";
import type { Variation } from "#core/vary/vary.ts";
import { bridge } from "#core/search/bridge.ts";
import { headerRows } from "#core/score/edit.ts";
import { flowSearch } from "#core/search/flow-search.ts";
import { FLOW_DEFAULTS } from "#core/search/flow-options.ts";
import type { BridgeView, FlowView, LadderView, VariationView } from "./questions/ladder.ts";
import type { Work } from "./protocol.ts";

export const variationView = <Operator>(
  v: Omit<Variation, "operator"> & { readonly operator: Operator },
): Omit<VariationView, "operator"> & { readonly operator: Operator } => ({
  operator: v.operator,
  parameters: v.parameters,
  text: v.text,
  changed: v.changed,
  view: scoreView(v.checked()),
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
    top: result.top,
    rungs: result.rungs.map((r) => ({
      operator: r.operator,
      parameters: {},
      text: r.text,
      changed: r.changed,
      rows: r.rows,
      view: scoreView(r.checked),
      coaching: r.coaching,
      alternatives: r.alternatives.map((v) => ({ ...variationView(v), rows: v.rows })),
    })),
  };
}

export function* flowWork(drill: Checked, school: School, wishes: Work["flow"]["ask"]): Generator<number, FlowView> {
  const { moves, counts, known } = wishes;
  const result = yield* flowSearch(headerRows(drill.score), school, { ...FLOW_DEFAULTS, moves, counts, known });
  if (!result.ok) return result;
  return {
    ...result,
    cycles: result.cycles.map((c) => ({
      text: `title: ${c.rows.length} counts\n${c.text}`,
      changed: c.rows.map(short).join(", "),
      evenness: c.evenness,
      fresh: c.fresh,
      view: scoreView(c.checked),
    })),
  };
}

/** Two that do the same are named once. */
const short = (row: string): string => {
  const [one, two] = row.split(" <> ").map((half) => half.replace(/^[ABC] /, ""));
  return two !== undefined && one === two ? one! : row;
};

export function* bridgeWork(one: Checked, two: Checked, school: School): Generator<number, BridgeView> {
  const result = yield* bridge(one, two, school);
  if (!result.ok) return result;
  return {
    ok: true,
    ways: result.bridges.map(({ text, rows, checked }) => ({
      text,
      rows: rows.length,
      changed: rows.length === 0 ? "The other drill can begin at once" : rows.join(", then "),
      view: scoreView(checked),
    })),
  };
}
