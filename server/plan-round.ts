/** One round for the people who are here: pairs by matching, a version of the drill for each. */
import { randomUUID } from "node:crypto";
import { check } from "#core/check/check.ts";
import { pairUp, type Person } from "#core/pairs/pairs.ts";
import { parse } from "#core/score/parse.ts";
import type { NewPair } from "#db/classes.ts";
import { getDrill, type DrillRow, type Revision } from "#db/drills.ts";
import type { Student } from "#db/people.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import { schoolOf } from "./school-of.ts";
import { bodiesOf } from "./pair-views.ts";

export interface PlanFailure {
  readonly kind: "refused";
  readonly message: string;
}
export interface Plan {
  readonly kind: "planned";
  readonly blockId: string;
  readonly pairs: readonly NewPair[];
}

const asPerson = (s: Student): Person => ({
  id: s.id,
  name: s.name,
  height: s.height_cm === null ? null : s.height_cm / 100,
  mass: s.mass_kg,
  minor: s.minor,
  lead: s.lead,
  limits: s.limits,
});

/** Pairs everybody and gives each pair the first version that works for its two bodies. */
export async function planRound(
  scope: Scope,
  base: { drill: DrillRow; revision: Revision },
  drills: readonly DrillRow[],
  present: readonly Student[],
  met: ReadonlyMap<string, number>,
): Promise<Plan | PlanFailure> {
  const result = pairUp(present.map(asPerson), met);
  if (result.kind === "too-few") {
    const message =
      result.count === 0
        ? "Nobody is ticked as here yet. Tick at least two people."
        : "One person alone cannot pair. Tick somebody else, or work with the person yourself.";
    return { kind: "refused", message };
  }
  const school = await schoolOf(scope);
  const versions = await versionsOf(scope, base, drills);
  const byId = new Map(present.map((s) => [s.id, s]));
  const pairs = result.pairs.map((pair, i): NewPair => {
    const bodies = bodiesOf(byId.get(pair.a.id)!, byId.get(pair.b.id)!);
    const turned = [...versions.slice(i % versions.length), ...versions.slice(0, i % versions.length)];
    const fits = turned.find((v) => check(parse(v.text), school, bodies).verdict !== "broken") ?? turned[0]!;
    return {
      id: randomUUID(),
      a: pair.a.id,
      b: pair.b.id,
      c: pair.c?.id ?? null,
      revisionId: fits.id,
      why: pair.why.join("; "),
    };
  });
  return { kind: "planned", blockId: randomUUID(), pairs };
}

/** The drill itself and its variations in the library, easiest first. */
async function versionsOf(
  scope: Scope,
  base: { drill: DrillRow; revision: Revision },
  drills: readonly DrillRow[],
): Promise<Revision[]> {
  const children = drills.filter(
    (d) => d.parent_title !== null && d.parent_title === base.drill.title && d.verdict !== "broken",
  );
  const rows = await Promise.all(children.map((child) => getDrill(db, scope, child.id)));
  const all = [
    { load: base.drill.load_total, revision: base.revision },
    ...rows.flatMap((row) => (row ? [{ load: row.drill.load_total, revision: row.revision }] : [])),
  ];
  return all.sort((a, b) => a.load - b.load).map((v) => v.revision);
}
