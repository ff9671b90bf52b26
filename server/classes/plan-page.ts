/** The page of a plan: everything that an evening is planned from, and what of it has been run. */
import { NOTHING_FROZEN } from "#core/class/frozen.ts";
import { isOver } from "#core/class/hours.ts";
import type { PlanPerson } from "#core/class/plan.ts";
import { rolesIn } from "#core/class/roles.ts";
import { frozenOf, type Under } from "#core/floor/frozen.ts";
import { runningAt } from "#core/floor/running.ts";
import { timeline } from "#core/floor/timeline.ts";
import { AFTER_HEAD_BLOW } from "#core/class/limits.ts";
import { ageOn, bandOn } from "#core/people/age.ts";
import { GUEST_LEVEL } from "#core/pairs/score.ts";
import { isFamily, levelIn, limitsOn } from "#core/people/person.ts";
import { tonightLimits, TRIAL } from "#core/people/tonight.ts";
import { sectionsOf } from "#core/score/edit.ts";
import { parse } from "#core/score/parse.ts";
import { getClass, getPlan, meetings, planBefore, type ClassRow, type KeptPlan } from "#db/classes.ts";
import { shapeOfClass } from "#db/class-templates.ts";
import { listPresence, type PresentTonight } from "#db/attendance.ts";
import { getDrill, listDrillHeads } from "#db/drills.ts";
import { recordClass } from "#db/floor.ts";
import { notCleared, type HeadBlow } from "#db/incidents.ts";
import { listLadders, listRungsOf } from "#db/ladders.ts";
import { listGear, listPeople, listWishes, type Student } from "#db/people.ts";
import { db } from "#db/pool.ts";
import { clockTapsOf } from "#db/rounds-run.ts";
import type { Scope } from "#db/scope.ts";
import { compute } from "../checks/pool.ts";
import { eveningTitle } from "../drills/grow-ladder.ts";
import { estimatesOf, learnedOn } from "../learning/learned.ts";
import { settingsOf } from "../school/school-of.ts";
import { rungsOf } from "../drills/versions.ts";
import type { PlanPage, RungChoice } from "../views.ts";

/** Who was in the rounds that have started. */
const whoRan = ({ plan }: KeptPlan, started: number): string[] =>
  plan.rounds.slice(0, started).flatMap((r) => r.pairs.flatMap(({ a, b, c }) => (c ? [a, b, c] : [a, b])));

/** An evening has so many rungs before it at least. Common practice, no source. */
const FEW_RUNGS = 3;

/** The furthest rung of an evening, among what was run: what was only planned was not reached. */
function reached({ plan, done }: KeptPlan): number {
  const rungOf = new Map(plan.blocks.map(({ id, rung }) => [id, rung ?? 0]));
  return Math.max(0, ...plan.rounds.slice(0, done).map(({ block }) => rungOf.get(block) ?? 0));
}

interface Asked {
  readonly ladder: string | null;
  readonly drill: string | null;
  readonly second?: string | null;
}

/** The ladder of a second theme beside the first: as asked for, else as kept; null where there is none. */
function secondOf<L extends { readonly id: string }>(
  ladders: readonly L[],
  first: L,
  asked: Asked,
  kept: KeptPlan | null,
): L | null {
  const isAsked = asked.ladder !== null || asked.drill !== null;
  const id = isAsked ? asked.second : kept?.second;
  return ladders.find((one) => one.id === id && one.id !== first.id) ?? null;
}

/** The rungs of one theme or two, with what is said with each. */
async function workOf(
  scope: Scope,
  first: Parameters<typeof rungsOf>[1],
  second: { readonly id: string; readonly drill_id: string } | null,
  stored: KeptPlan | null,
) {
  const more = second ? await rungsOf(scope, { ladder: second.id, drill: second.drill_id }) : [];
  const chosen: RungChoice[] = [
    ...(await rungsOf(scope, first)),
    ...more.map((rung) => ({ ...rung, theme: 1 as const })),
  ];
  const { kept, past } = await onRungs(scope, stored, chosen);
  const rungs = [...chosen, ...past];
  const words = await compute(
    "words",
    rungs.map(({ text, operator, theme }) => ({ text, operator, ...(theme ? { theme } : {}) })),
    await settingsOf(scope),
  );
  return { rungs, words, kept };
}

/** Whoever is in a round of the evening, or was. */
const inRounds = (presence: readonly PresentTonight[], kept: KeptPlan | null, started: number): string[] => [
  ...presence.map(({ student_id }) => student_id),
  ...(kept ? whoRan(kept, started) : []),
];

/**
 * A plan with its rungs by their places in the list of today: that may be another one than it was planned on, after a
 * change of theme or of the ladder. Rungs that are not in the list stand behind it, as past.
 */
async function onRungs(
  scope: Scope,
  kept: KeptPlan | null,
  rungs: readonly RungChoice[],
): Promise<{ readonly kept: KeptPlan | null; readonly past: readonly RungChoice[] }> {
  if (!kept?.revisions) return { kept, past: [] };
  const { plan, revisions } = kept;
  const used = new Set([
    ...plan.blocks.flatMap(({ rung, stations = [] }) => (rung === null ? [] : [rung, ...stations])),
    ...plan.rounds.flatMap(({ pairs }) => pairs.flatMap(({ rung, back }) => [rung, back ?? rung])),
  ]);
  const known = new Map(rungs.map(({ revisionId }, i) => [revisionId, i]));
  const missing = [...new Set([...used].flatMap((rung) => revisions[rung] ?? []))].filter((id) => !known.has(id));
  const past = (await listRungsOf(db, scope, missing)).map((row): RungChoice => ({
    ...{ text: row.text, title: row.changed, load: row.load_total, operator: row.operator },
    ...{ revisionId: row.revision_id, drillId: row.drill_id, past: true },
    ...rolesIn(row.text),
  }));
  for (const [i, { revisionId }] of past.entries()) known.set(revisionId, rungs.length + i);
  const now = (rung: number) => known.get(revisions[rung] ?? "") ?? rung;
  const blocks = plan.blocks.map((block) => ({
    ...block,
    rung: block.rung === null ? null : now(block.rung),
    ...(block.stations ? { stations: block.stations.map(now) } : {}),
  }));
  const rounds = plan.rounds.map((round) => ({
    ...round,
    pairs: round.pairs.map((pair) => ({
      ...pair,
      rung: now(pair.rung),
      ...(pair.back === undefined ? {} : { back: now(pair.back) }),
    })),
  }));
  return { kept: { ...kept, plan: { ...plan, blocks, rounds } }, past };
}

/** Where the clock of a class is; null where nobody has started it. */
async function underWay(scope: Scope, classId: string, kept: KeptPlan | null): Promise<Under | null> {
  if (!kept) return null;
  const segments = timeline(kept.plan, kept.clock);
  const { started, at, elapsed } = runningAt(segments, await clockTapsOf(db, scope, classId), Date.now());
  const segment = segments[Math.min(at, segments.length - 1)];
  return started && segment ? { segment, elapsed } : null;
}

/** Whoever stands in a plan, as here or not. */
const planned = (kept: KeptPlan | null): string[] =>
  (kept?.plan.rounds ?? []).flatMap((r) => r.pairs.flatMap(({ a, b, c }) => (c ? [a, b, c] : [a, b])));

/** Drills to choose from, with the one that is chosen. */
function offered(
  roots: readonly { readonly id: string; readonly title: string }[],
  chosen: { readonly id: string; readonly title: string; readonly parent_id: string | null } | null,
): { readonly id: string; readonly title: string }[] {
  const isMissing = chosen !== null && chosen.parent_id === null && !roots.some(({ id }) => id === chosen.id);
  return [...roots, ...(isMissing ? [chosen] : [])].map(({ id, title }) => ({ id, title }));
}

/** The theme of an evening as it is asked for, or as it is kept, with its rungs. */
async function whatIsTrained(
  scope: Scope,
  asked: Asked,
  {
    lesson,
    ladders,
    drills,
    stored,
  }: {
    readonly lesson: ClassRow;
    readonly ladders: Awaited<ReturnType<typeof listLadders>>;
    readonly drills: Awaited<ReturnType<typeof listDrillHeads>>;
    readonly stored: KeptPlan | null;
  },
) {
  // The ladder of a drill with errors is made of its sound rows; where it has none that is said then.
  const plain = drills.filter((d) => d.parent_id === null && d.verdict !== "broken");
  const ladderId = asked.drill ? null : (asked.ladder ?? stored?.ladder ?? lesson.ladder_id);
  const ladder = ladders.find((l) => l.id === ladderId) ?? null;
  const drillId = ladder?.drill_id ?? asked.drill ?? stored?.drill ?? plain[0]?.id ?? "";
  const second = ladder && secondOf(ladders, ladder, asked, stored);
  const { rungs, words, kept } = await workOf(scope, { ladder: ladder?.id ?? null, drill: drillId }, second, stored);
  const before = ladder && !second ? await planBefore(db, scope, { day: lesson.held_on, ladder: ladder.id }) : null;
  const base = drillId ? await getDrill(db, scope, drillId) : null;
  const parts = base ? sectionsOf(parse(base.revision.text)) : [];
  const kind = base?.drill.kind ?? "feeder";
  const family = isFamily(kind) ? kind : "feeder";
  const chosen = {
    ...{ ladder: ladder?.id ?? null, drill: drillId, second: second?.id ?? null },
    part: parts.find((part) => ladder?.title === eveningTitle(base!.drill.title, part)) ?? null,
  };
  return { chosen, base, parts, family, rungs, words, kept, before };
}

/** Where another evening got to on the same ladder. */
const carriedFrom = (
  before: Awaited<ReturnType<typeof planBefore>>,
  rungs: readonly RungChoice[],
): PlanPage["carried"] =>
  before && {
    day: before.held_on,
    rung: Math.min(reached(before.plan), Math.max(0, rungs.filter(({ past }) => !past).length - FEW_RUNGS)),
    steps: before.plan.steps ?? [],
  };

/** Everything that a plan rests on; null where the class is not there. */
export async function planPage(scope: Scope, classId: string, asked: Asked): Promise<PlanPage | null> {
  // Rounds that began while nobody looked are written down first.
  const started = await recordClass(scope, classId, Date.now());
  const lesson = await getClass(db, scope, classId);
  if (!lesson) return null;
  const [hurt, presence, ladders, drills, stored, wishes, gear, shape] = await Promise.all([
    notCleared(db, scope),
    listPresence(db, scope, classId),
    listLadders(db, scope),
    listDrillHeads(db, scope),
    getPlan(db, scope, classId),
    listWishes(db, scope),
    listGear(db, scope),
    shapeOfClass(db, scope, classId),
  ]);
  const among = inRounds(presence, stored, started);
  const [met, students] = await Promise.all([
    meetings(db, scope, classId, { among, since: null }),
    listPeople(db, scope, [...among, ...planned(stored)]),
  ]);
  const { chosen, base, parts, family, rungs, words, kept, before } = await whatIsTrained(scope, asked, {
    ...{ lesson, ladders, drills, stored },
  });
  const here = peopleHere(students, presence, {
    ran: kept ? whoRan(kept, started) : [],
    started,
    family,
    day: lesson.held_on,
  });
  return {
    lesson,
    shape,
    over: isOver(lesson, Date.now()),
    people: seenSoFar(here, students, {
      rungs,
      hurt,
      family,
      day: lesson.held_on,
      estimates: await estimatesOf(scope),
    }),
    ladders,
    drills: offered(
      drills.filter((d) => d.parent_id === null),
      base?.drill ?? null,
    ),
    chosen,
    parts,
    carried: carriedFrom(before, rungs),
    rungs,
    words,
    kept,
    started,
    frozen: kept ? frozenOf(kept.plan, kept.clock, started, await underWay(scope, classId, kept)) : NOTHING_FROZEN,
    wishes,
    met: Object.fromEntries(met),
    gear: Object.fromEntries(gear.map((g) => [g.kind, g.count])),
    names: Object.fromEntries(students.map((s) => [s.id, s.name])),
  };
}

/** People with what the log says of them on these rungs, and what holds for whoever was hurt. */
function seenSoFar(
  here: readonly PlanPerson[],
  students: readonly Student[],
  {
    rungs,
    hurt,
    ...more
  }: {
    readonly rungs: readonly RungChoice[];
    readonly hurt: ReadonlyMap<string, HeadBlow>;
  } & Parameters<typeof learnedOn>[2],
): PlanPerson[] {
  const byId = new Map(students.map((one) => [one.id, one]));
  return here.map((one) => ({
    ...one,
    learned: learnedOn(rungs, byId.get(one.id)!, more),
    limits: hurt.has(one.id) ? [...new Set([...one.limits, ...AFTER_HEAD_BLOW])] : one.limits,
  }));
}

/** Everybody who is here, for the rounds for which they are. */
function peopleHere(
  students: readonly Student[],
  presence: readonly PresentTonight[],
  {
    ran,
    started,
    family,
    day,
  }: { readonly ran: readonly string[]; readonly started: number; readonly family: string; readonly day: string },
): PlanPerson[] {
  const here = new Map(presence.map((p) => [p.student_id, p]));
  // Who was unticked after some rounds were run stays in those.
  for (const student_id of ran)
    if (!here.has(student_id))
      here.set(student_id, { student_id, from_round: 0, until_round: started, tonight_not: [] });
  return students.flatMap((s) => {
    const p = here.get(s.id);
    return p ? [planPerson(s, { family, day, from: p.from_round, until: p.until_round, not: p.tonight_not })] : [];
  });
}

/** Somebody who is here, as a plan takes them. */
export const planPerson = (
  s: Student,
  {
    family,
    day,
    from,
    until,
    not,
  }: Pick<PlanPerson, "from" | "until"> & {
    readonly family: string;
    readonly day: string;
    /** What they leave out tonight. */
    readonly not: readonly string[];
  },
): PlanPerson => ({
  id: s.id,
  name: s.name,
  height_cm: s.height_cm,
  reach_cm: s.reach_cm,
  mass_kg: s.mass_kg,
  lead: s.lead,
  hand: s.hand,
  age: ageOn(s, day),
  ages: bandOn(s, day),
  level: not.includes(TRIAL) ? GUEST_LEVEL : levelIn(s, isFamily(family) ? family : "feeder"),
  limits: [...new Set([...limitsOn(s, day), ...tonightLimits(not)])],
  falls: s.falls === true,
  // A guest watches one round first.
  from: not.includes(TRIAL) ? from + 1 : from,
  until,
});
