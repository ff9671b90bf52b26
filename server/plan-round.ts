/** One round for the people who are here: pairs by matching, a version of the drill for each. */
import { checkFor } from "#core/policy/judge.ts";
import { randomUUID } from "node:crypto";
import { peopleFault } from "#core/class/plan.ts";
import { pairUp } from "#core/pairs/pairs.ts";
import { NO_FACTS, wishMap, type Wish } from "#core/pairs/score.ts";
import { pairPerson } from "#core/people/measures.ts";
import { levelIn, limitsOn } from "#core/people/person.ts";
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

/** Pairs everybody and gives each pair the first version that works for its two bodies. */
export async function planRound(
  scope: Scope,
  base: { drill: DrillRow; revision: Revision },
  drills: readonly DrillRow[],
  present: readonly Student[],
  met: ReadonlyMap<string, number>,
  wishes: readonly Wish[],
): Promise<Plan | PlanFailure> {
  const fault = peopleFault(present);
  if (fault) return { kind: "refused", message: fault };
  const school = await schoolOf(scope);
  const family = base.drill.kind;
  const day = new Date().toISOString().slice(0, 10);
  const people = present.map((s) => pairPerson(s, levelIn(s, family), limitsOn(s, day)));
  const result = pairUp(people, { ...NO_FACTS, weights: school.pairing, met, wishes: wishMap(wishes) });
  const versions = (await versionsOf(scope, base, drills)).map((v) => v.revision);
  const byId = new Map(present.map((s) => [s.id, s]));
  const pairs = result.pairs.map((pair, i): NewPair => {
    const bodies = bodiesOf(byId.get(pair.a.id)!, byId.get(pair.b.id)!);
    const turned = [...versions.slice(i % versions.length), ...versions.slice(0, i % versions.length)];
    const fits = turned.find((v) => checkFor(parse(v.text), school, bodies).verdict !== "broken") ?? turned[0]!;
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

export interface Version {
  readonly revision: Revision;
  readonly title: string;
  readonly load: number;
}

/** The drill itself and its variations in the library, easiest first. */
export async function versionsOf(
  scope: Scope,
  base: { drill: DrillRow; revision: Revision },
  drills: readonly DrillRow[],
): Promise<Version[]> {
  const children = drills.filter(
    (d) => d.parent_title !== null && d.parent_title === base.drill.title && d.verdict !== "broken",
  );
  const rows = await Promise.all(children.map((child) => getDrill(db, scope, child.id)));
  return [base, ...rows.flatMap((row) => row ?? [])]
    .map(({ drill, revision }) => ({ revision, title: drill.title, load: drill.load_total }))
    .sort((a, b) => a.load - b.load);
}
