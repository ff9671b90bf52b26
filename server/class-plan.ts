/** What the plan of a class is made from, and how it is kept. */
import { randomUUID } from "node:crypto";
import { array, mixed, number, object, string } from "yup";
import type { ClassPlan, PlanInput, PlanPerson } from "#core/class/plan.ts";
import type { PlanRung } from "#core/class/fit.ts";
import { isFamily, levelIn, limitsOn } from "#core/people/person.ts";
import { getClass, meetings, type ClassRow } from "#db/classes.ts";
import { getDrill, listDrills } from "#db/drills.ts";
import { listLadders, listRungs, type LadderRow } from "#db/ladders.ts";
import { listEverybody, listGear, listWishes, type Student } from "#db/people.ts";
import { getPlan, listPresence, savePlan, type KeptPlan, type PlanBlock } from "#db/plans.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import { versionsOf } from "./plan-round.ts";

/** A rung with what the log needs to know of it. */
export interface RungChoice extends PlanRung {
  readonly revisionId: string;
  readonly drillId: string;
}
export interface PlanPage {
  readonly lesson: ClassRow;
  readonly people: readonly PlanPerson[];
  readonly ladders: readonly LadderRow[];
  readonly drills: readonly { readonly id: string; readonly title: string }[];
  /** What is trained: a ladder, or a drill with its variations. */
  readonly chosen: { readonly ladder: string | null; readonly drill: string };
  readonly rungs: readonly RungChoice[];
  readonly kept: KeptPlan | null;
  readonly wishes: PlanInput["wishes"];
  readonly met: Readonly<Record<string, number>>;
  readonly gear: Readonly<Record<string, number>>;
  /** Its day is past: what was trained then stays as it was. */
  readonly over: boolean;
  /** Everybody of the school, for names of people who have left. */
  readonly names: Readonly<Record<string, string>>;
}

const whoRan = ({ plan, done }: KeptPlan): string[] =>
  plan.rounds.slice(0, done).flatMap((r) => r.pairs.flatMap(({ a, b, c }) => (c ? [a, b, c] : [a, b])));

const isOver = ({ held_on }: ClassRow): boolean => held_on < new Date().toISOString().slice(0, 10);

/** Everything that a plan rests on; null where the class is not there. */
export async function planPage(
  scope: Scope,
  classId: string,
  asked: { readonly ladder: string | null; readonly drill: string | null },
): Promise<PlanPage | null> {
  const lesson = await getClass(db, scope, classId);
  if (!lesson) return null;
  const [students, presence, ladders, drills, kept, wishes, met, gear] = await Promise.all([
    listEverybody(db, scope),
    listPresence(db, scope, classId),
    listLadders(db, scope),
    listDrills(db, scope),
    getPlan(db, scope, classId),
    listWishes(db, scope),
    meetings(db, scope, classId),
    listGear(db, scope),
  ]);
  const plain = drills.filter((d) => d.parent_title === null && d.verdict !== "broken");
  const ladderId = asked.drill ? null : (asked.ladder ?? kept?.ladder ?? lesson.ladder_id);
  const ladder = ladders.find((l) => l.id === ladderId) ?? null;
  const drillId = ladder?.drill_id ?? asked.drill ?? kept?.drill ?? plain[0]?.id ?? "";
  const rungs = ladder ? await ladderRungs(scope, ladder.id) : await drillRungs(scope, drillId);
  const family = drills.find((d) => d.id === drillId)?.kind ?? "feeder";
  const here = new Map(presence.map((p) => [p.student_id, p]));
  // Who was unticked after some rounds were run stays in those.
  for (const student_id of kept ? whoRan(kept) : [])
    if (!here.has(student_id)) here.set(student_id, { student_id, from_round: 0, until_round: kept!.done });
  return {
    lesson,
    over: isOver(lesson),
    people: students.flatMap((s) => {
      const p = here.get(s.id);
      return p ? [planPerson(s, family, lesson.held_on, p.from_round, p.until_round)] : [];
    }),
    ladders,
    drills: plain.map(({ id, title }) => ({ id, title })),
    chosen: { ladder: ladder?.id ?? null, drill: drillId },
    rungs,
    kept,
    wishes,
    met: Object.fromEntries(met),
    gear: Object.fromEntries(gear.map((g) => [g.kind, g.count])),
    names: Object.fromEntries(students.map((s) => [s.id, s.name])),
  };
}

const planPerson = (s: Student, family: string, day: string, from: number, until: number | null): PlanPerson => ({
  id: s.id,
  name: s.name,
  height_cm: s.height_cm,
  reach_cm: s.reach_cm,
  mass_kg: s.mass_kg,
  lead: s.lead,
  hand: s.hand,
  minor: s.minor,
  level: levelIn(s, isFamily(family) ? family : "feeder"),
  limits: limitsOn(s, day),
  from,
  until,
});

const ladderRungs = async (scope: Scope, id: string): Promise<RungChoice[]> =>
  (await listRungs(db, scope, id)).map((r) => ({
    text: r.text,
    title: r.changed,
    load: r.load_total,
    revisionId: r.revision_id,
    drillId: r.drill_id,
  }));

async function drillRungs(scope: Scope, drillId: string): Promise<RungChoice[]> {
  const base = drillId ? await getDrill(db, scope, drillId) : null;
  if (!base) return [];
  const versions = await versionsOf(scope, base, await listDrills(db, scope));
  return versions.map(({ revision, title, load }) => ({
    text: revision.text,
    title,
    load,
    revisionId: revision.id,
    drillId: revision.drill_id,
  }));
}

const id = string().uuid().required();
const planSchema = object({
  version: number().integer().min(1).required(),
  ladder: string().uuid().nullable().defined(),
  drill: id,
  done: number().integer().min(0).max(30).required(),
  clock: object({
    round: number().integer().min(30).max(900).required(),
    change: number().integer().min(10).max(900).required(),
    rest: number().integer().min(0).max(600).required(),
  }).required(),
  locked: array(
    object({ round: number().integer().min(0).required(), a: id, b: id, c: string().uuid().nullable().default(null) }),
  )
    .max(200)
    .required(),
  plan: mixed<ClassPlan & { readonly ok: true }>()
    .required()
    .test("plan", "the plan cannot be read", (plan) => Array.isArray(plan?.rounds) && Array.isArray(plan.blocks)),
});

export type PlanSaved =
  | { readonly kind: "saved"; readonly version: number }
  | { readonly kind: "stale" | "refused"; readonly message: string };

/** Keeps a plan, and its rounds as pairs for the log. */
export async function keepPlan(scope: Scope, classId: string, json: string): Promise<PlanSaved> {
  let sent: unknown;
  try {
    sent = JSON.parse(json);
  } catch {
    return { kind: "refused", message: "The plan did not arrive whole. Change something and it is sent again." };
  }
  const { version, plan, ...rest } = await planSchema.validate(sent);
  const lesson = await getClass(db, scope, classId);
  if (!lesson || isOver(lesson))
    return { kind: "refused", message: "This class is over, or gone: what was trained stays in the log as it was." };
  const rungs = rest.ladder ? await ladderRungs(scope, rest.ladder) : await drillRungs(scope, rest.drill);
  const blocks = plan.blocks.flatMap((block): PlanBlock[] => {
    if (block.rung === null) return [];
    const drillId = rungs[block.rung]?.drillId;
    if (!drillId) return [];
    const pairs = plan.rounds
      .filter((r) => r.block === block.id)
      .flatMap((round) =>
        round.pairs.flatMap((p) => {
          const revisionId = rungs[p.rung]?.revisionId;
          const { a, b, c } = p;
          return revisionId
            ? [
                {
                  id: randomUUID(),
                  round: round.turn + 1,
                  a,
                  b,
                  c,
                  revisionId,
                  why: p.why.join("; "),
                  side: round.side,
                  ran: round.done,
                },
              ]
            : [];
        }),
      );
    return [{ id: randomUUID(), drillId, minutes: Math.max(1, Math.round(block.minutes)), pairs }];
  });
  const kept: KeptPlan = { ...rest, ladder: rest.ladder ?? null, plan };
  const next = await savePlan(scope, classId, version, kept, blocks);
  return next === null
    ? {
        kind: "stale",
        message: "Somebody else changed this class meanwhile. Load the page anew to see it; your plan is not kept.",
      }
    : { kind: "saved", version: next };
}
