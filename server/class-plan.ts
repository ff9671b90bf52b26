/** What the plan of a class is made from, and how it is kept. */
import { randomUUID } from "node:crypto";
import { array, boolean, number, object, string } from "yup";
import { isOver } from "#core/class/hours.ts";
import type { PlanInput, PlannedPair, PlannedRound, PlanPerson } from "#core/class/plan.ts";
import { BLOCK_KINDS, MOST_STATIONS } from "#core/class/timetable.ts";
import { MOST_ROUNDS } from "#core/pairs/evening.ts";
import { GUEST_LEVEL } from "#core/pairs/score.ts";
import { isFamily, levelIn, limitsOn } from "#core/people/person.ts";
import { tonightLimits, TRIAL } from "#core/people/tonight.ts";
import { sectionsOf } from "#core/score/edit.ts";
import { parse } from "#core/score/parse.ts";
import type { School } from "#core/policy/school.ts";
import {
  getClass,
  getPlan,
  meetings,
  planBefore,
  savePlan,
  type KeptPlan,
  type NewBlock,
  type NewPair,
  type RoundsChanged,
} from "#db/classes.ts";
import { listPresence, type PresentTonight } from "#db/attendance.ts";
import { getDrill, listDrillHeads } from "#db/drills.ts";
import { notCleared } from "#db/incidents.ts";
import { listLadders } from "#db/ladders.ts";
import { listGear, listPeople, listWishes, type Student } from "#db/people.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import { compute } from "./checks/pool.ts";
import { schoolFrom } from "./checks/school-cache.ts";
import { jsonIn } from "./forms.ts";
import { eveningTitle } from "./grow-ladder.ts";
import { estimatesOf, learnedOn } from "./learned.ts";
import { refused, type Refusal } from "./respond.ts";
import { settingsOf } from "./school-of.ts";
import { rungsOf } from "./versions.ts";
import type { PlanPage, RungChoice } from "./views.ts";

const whoRan = ({ plan, done }: KeptPlan): string[] =>
  plan.rounds.slice(0, done).flatMap((r) => r.pairs.flatMap(({ a, b, c }) => (c ? [a, b, c] : [a, b])));

/** An evening has so many rungs before it at least. Common practice, no source. */
const FEW_RUNGS = 3;

/** The furthest rung of an evening: of what was run, where that was written down. */
function reached({ plan, done }: KeptPlan): number {
  const rungOf = new Map(plan.blocks.map(({ id, rung }) => [id, rung ?? 0]));
  const rounds = done > 0 ? plan.rounds.slice(0, done) : plan.rounds;
  return Math.max(0, ...rounds.map(({ block }) => rungOf.get(block) ?? 0));
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
) {
  const more = second ? await rungsOf(scope, { ladder: second.id, drill: second.drill_id }) : [];
  const rungs: RungChoice[] = [
    ...(await rungsOf(scope, first)),
    ...more.map((rung) => ({ ...rung, theme: 1 as const })),
  ];
  const words = await compute(
    "words",
    rungs.map(({ text, operator, theme }) => ({ text, operator, ...(theme ? { theme } : {}) })),
    await settingsOf(scope),
  );
  return { rungs, words };
}

/** Whoever is in a round of the evening, or was. */
const inRounds = (presence: readonly PresentTonight[], kept: KeptPlan | null): string[] => [
  ...presence.map(({ student_id }) => student_id),
  ...(kept ? whoRan(kept) : []),
];

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

/** Everything that a plan rests on; null where the class is not there. */
export async function planPage(scope: Scope, classId: string, asked: Asked): Promise<PlanPage | null> {
  const lesson = await getClass(db, scope, classId);
  if (!lesson) return null;
  const [hurt, presence, ladders, drills, kept, wishes, gear] = await Promise.all([
    notCleared(db, scope),
    listPresence(db, scope, classId),
    listLadders(db, scope),
    listDrillHeads(db, scope),
    getPlan(db, scope, classId),
    listWishes(db, scope),
    listGear(db, scope),
  ]);
  const among = inRounds(presence, kept);
  const [met, students] = await Promise.all([
    meetings(db, scope, classId, { among, since: null }),
    listPeople(db, scope, [...among, ...planned(kept)]),
  ]);
  // The ladder of a drill with errors is made of its sound rows; where it has none that is said then.
  const roots = drills.filter((d) => d.parent_id === null);
  const plain = roots.filter((d) => d.verdict !== "broken");
  const ladderId = asked.drill ? null : (asked.ladder ?? kept?.ladder ?? lesson.ladder_id);
  const ladder = ladders.find((l) => l.id === ladderId) ?? null;
  const drillId = ladder?.drill_id ?? asked.drill ?? kept?.drill ?? plain[0]?.id ?? "";
  const second = ladder && secondOf(ladders, ladder, asked, kept);
  const { rungs, words } = await workOf(scope, { ladder: ladder?.id ?? null, drill: drillId }, second);
  const before = ladder && !second ? await planBefore(db, scope, { day: lesson.held_on, ladder: ladder.id }) : null;
  const base = drillId ? await getDrill(db, scope, drillId) : null;
  const parts = base ? sectionsOf(parse(base.revision.text)) : [];
  const kind = base?.drill.kind ?? "feeder";
  const family = isFamily(kind) ? kind : "feeder";
  const here = peopleHere(students, presence, { kept, family, day: lesson.held_on });
  return {
    lesson,
    over: isOver(lesson, Date.now()),
    people: seenSoFar(here, students, { rungs, hurt, family, estimates: await estimatesOf(scope) }),
    ladders,
    drills: offered(roots, base?.drill ?? null),
    chosen: {
      ladder: ladder?.id ?? null,
      drill: drillId,
      second: second?.id ?? null,
      part: parts.find((part) => ladder?.title === eveningTitle(base!.drill.title, part)) ?? null,
    },
    parts,
    carried: before && {
      day: before.held_on,
      rung: Math.min(reached(before.plan), Math.max(0, rungs.length - FEW_RUNGS)),
      steps: before.plan.steps ?? [],
    },
    rungs,
    words,
    kept,
    wishes,
    met: Object.fromEntries(met),
    gear: Object.fromEntries(gear.map((g) => [g.kind, g.count])),
    names: Object.fromEntries(students.map((s) => [s.id, s.name])),
  };
}

/** After a blow to the head, until an adult in charge has said so. */
const NOT_CLEARED = "no contact: a blow to the head, not cleared yet";

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
    readonly hurt: ReadonlySet<string>;
  } & Parameters<typeof learnedOn>[2],
): PlanPerson[] {
  const byId = new Map(students.map((one) => [one.id, one]));
  return here.map((one) => ({
    ...one,
    learned: learnedOn(rungs, byId.get(one.id)!, more),
    limits: hurt.has(one.id) ? [...one.limits, NOT_CLEARED] : one.limits,
  }));
}

/** Everybody who is here, for the rounds for which they are. */
function peopleHere(
  students: readonly Student[],
  presence: readonly PresentTonight[],
  { kept, family, day }: { readonly kept: KeptPlan | null; readonly family: string; readonly day: string },
): PlanPerson[] {
  const here = new Map(presence.map((p) => [p.student_id, p]));
  // Who was unticked after some rounds were run stays in those.
  for (const student_id of kept ? whoRan(kept) : [])
    if (!here.has(student_id))
      here.set(student_id, { student_id, from_round: 0, until_round: kept!.done, tonight_not: [] });
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
  minor: s.minor,
  ages: s.ages,
  level: not.includes(TRIAL) ? GUEST_LEVEL : levelIn(s, isFamily(family) ? family : "feeder"),
  limits: [...new Set([...limitsOn(s, day), ...tonightLimits(not)])],
  // A guest watches one round first.
  from: not.includes(TRIAL) ? from + 1 : from,
  until,
});

const id = string().uuid().required();
const pairIds = { a: id, b: id, c: string().uuid().nullable().default(null) };
/** What an instructor decides about a plan; all else of it is worked out here. */
const planSchema = object({
  version: number().integer().min(1).required(),
  ladder: string().uuid().nullable().defined(),
  drill: id,
  second: string().uuid().nullable().default(null),
  lines: boolean().nullable().default(null),
  begin: number().integer().min(0).max(60).default(0),
  steps: array(object({ who: id, by: number<-1 | 1>().oneOf([-1, 1]).required() }).required())
    .max(300)
    .default([]),
  clock: object({
    round: number().integer().min(30).max(900).required(),
    change: number().integer().min(10).max(900).required(),
    rest: number().integer().min(0).max(600).required(),
    explain: number().integer().min(0).max(600),
  }).required(),
  blocks: array(
    object({
      id: string().min(1).max(60).required(),
      kind: string().oneOf(BLOCK_KINDS).required(),
      title: string().max(200).defined(),
      minutes: number().integer().min(0).max(480).required(),
      rung: number().integer().min(0).max(60).nullable().defined(),
      rounds: number().integer().min(0).max(MOST_ROUNDS).required(),
      stations: array(number().integer().min(0).max(60).required()).max(MOST_STATIONS),
      locked: boolean().required(),
    }).required(),
  )
    .max(60)
    .nullable()
    .defined(),
  locked: array(object({ round: number().integer().min(0).max(MOST_ROUNDS).required(), ...pairIds }).required())
    .max(600)
    .required(),
  /** The rounds that were run, as they were. */
  ran: array(array(object(pairIds).required()).max(100).required())
    .max(MOST_ROUNDS)
    .required(),
});

interface PlanSaved {
  readonly kind: "saved";
  readonly version: number;
}

/** Keeps a plan, and its rounds as pairs for the log. It is worked out here: only what was decided comes from the page. */
export async function keepPlan(scope: Scope, classId: string, json: string): Promise<PlanSaved | Refusal> {
  const { version, blocks, ran, ...rest } = await planSchema.validate(jsonIn(json, "The plan"));
  const page = await planPage(scope, classId, {
    ladder: rest.ladder,
    drill: rest.ladder ? null : rest.drill,
    second: rest.second,
  });
  if (!page || page.over) return refused(WORDS.over);
  const rungs = page.rungs;
  const known = new Set(page.people.map((p) => p.id));
  const named = [...ran.flat(), ...rest.locked].flatMap(({ a, b, c }) => (c ? [a, b, c] : [a, b]));
  if (named.some((person) => !known.has(person)))
    return refused("Somebody in this plan is not here any more. Load the page again; the rest is kept.");
  if (blocks?.some(({ rung, stations = [] }) => [rung ?? 0, ...stations].some((one) => one >= rungs.length)))
    return refused(WORDS.stale);
  const settings = await settingsOf(scope);
  const plan = await compute("plan", planInput(page, { ...rest, blocks, done: ran }, schoolFrom(settings)), settings);
  if (!plan.ok) return refused(plan.message);
  const kept: KeptPlan = { ...rest, done: ran.length, plan };
  const saved = await savePlan(scope, classId, version, { kept, blocks: blocksOf(plan, rungs) });
  return saved.kind === "saved" ? saved : refused(WORDS[saved.kind]);
}

/** Why rounds were not changed, in words. */
export const WORDS: Readonly<Record<Exclude<RoundsChanged["kind"], "saved">, string>> = {
  stale:
    "Somebody else changed this class meanwhile, or you did in another tab. Load the page again, and make your change once more.",
  over: "This class is over, or gone: what was trained stays in the log as it was.",
  ran: "Rounds of this evening were run: they stay in the log as they were. Go on from the plan, or say there that they were not run after all.",
  gone: "This class is not here any more.",
};

const planInput = (
  page: PlanPage,
  decided: Pick<PlanInput, "clock" | "blocks" | "locked" | "done" | "lines" | "begin" | "steps">,
  school: School,
): PlanInput => ({
  minutes: page.lesson.minutes,
  rungs: page.rungs.map(({ text, title, load, theme }) => ({ text, title, load, ...(theme ? { theme } : {}) })),
  people: page.people,
  weights: school.pairing,
  wishes: page.wishes,
  met: page.met,
  gear: page.gear,
  ...decided,
});

/** The rounds of a plan as the log keeps them: a block for each that trains a rung. */
function blocksOf(plan: KeptPlan["plan"], rungs: readonly RungChoice[]): NewBlock[] {
  return plan.blocks.flatMap((block): NewBlock[] => {
    const drillId = block.rung === null ? undefined : rungs[block.rung]?.drillId;
    if (!drillId) return [];
    const rounds = plan.rounds.filter((round) => round.block === block.id);
    return [
      {
        id: randomUUID(),
        drillId,
        minutes: Math.min(120, Math.max(1, Math.round(block.minutes))),
        pairs: rounds.flatMap((round) => round.pairs.map((pair) => pairOf(pair, round, rungs))),
      },
    ];
  });
}

const pairOf = (
  { a, b, c, rung, why }: PlannedPair,
  { turn, side, done }: PlannedRound,
  rungs: readonly RungChoice[],
): NewPair => ({
  id: randomUUID(),
  round: turn + 1,
  a,
  b,
  c,
  revisionId: rungs[rung]!.revisionId,
  why: why.join("; "),
  side,
  ran: done,
});
