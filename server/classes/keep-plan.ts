/** A plan as it is kept: only what an instructor decided comes from a page, the rest is worked out here. */
import { randomUUID } from "node:crypto";
import { array, boolean, number, object, string, type InferType } from "yup";
import type { PlanInput, PlannedPair, PlannedRound } from "#core/class/plan.ts";
import { planRung } from "#core/class/plan-rung.ts";
import { BLOCK_KINDS, MOST_STATIONS } from "#core/class/timetable.ts";
import { MOST_ROUNDS } from "#core/pairs/evening.ts";
import type { School } from "#core/policy/school.ts";
import { savePlan, type KeptPlan, type NewBlock, type NewPair, type RoundsChanged } from "#db/classes.ts";
import { sayRun, type SaidOfRounds } from "#db/floor.ts";
import type { Scope } from "#db/scope.ts";
import { compute } from "../checks/pool.ts";
import { schoolFrom } from "../checks/school-cache.ts";
import { jsonIn } from "../web/forms.ts";
import { planPage } from "./plan-page.ts";
import { refused, type Refusal } from "../web/respond.ts";
import { settingsOf } from "../school/school-of.ts";
import type { PlanPage, RungChoice } from "../views.ts";

/** A ladder and what was worked on before it, in one evening. */
const MOST_RUNGS = 200;
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
      rung: number().integer().min(0).max(MOST_RUNGS).nullable().defined(),
      rounds: number().integer().min(0).max(MOST_ROUNDS).required(),
      stations: array(number().integer().min(0).max(MOST_RUNGS).required()).max(MOST_STATIONS),
      locked: boolean().required(),
    }).required(),
  )
    .max(60)
    .nullable()
    .defined(),
  locked: array(object({ round: number().integer().min(0).max(MOST_ROUNDS).required(), ...pairIds }).required())
    .max(600)
    .required(),
  /** Another theme in the middle of a class was asked about, and is meant. */
  sure: boolean().default(false),
});

interface PlanSaved {
  readonly kind: "saved";
  readonly version: number;
}

type PlanSent = InferType<typeof planSchema>;

/** Tries so often where a round begins while the plan is being worked out. */
const TRIES = 3;

/** Keeps a plan, and its rounds as pairs for the log. It is worked out here: only what was decided comes from the page. */
export async function keepPlan(scope: Scope, classId: string, json: string): Promise<PlanSaved | Refusal> {
  const sent = await planSchema.validate(jsonIn(json, "The plan"), { stripUnknown: true });
  for (let i = 1; ; i++) {
    const result = await keepOnce(scope, classId, sent);
    if (result.kind === "saved" || result.kind === "refused") return result;
    if (result.kind !== "ran" || i >= TRIES) return refused(WORDS[result.kind]);
  }
}

async function keepOnce(scope: Scope, classId: string, sent: PlanSent): Promise<RoundsChanged | Refusal> {
  const { version, blocks, sure, ...rest } = sent;
  const page = await planPage(scope, classId, {
    ladder: rest.ladder,
    drill: rest.ladder ? null : rest.drill,
    second: rest.second,
  });
  if (!page || page.over) return refused(WORDS.over);
  const asked = otherTheme(page, rest);
  if (asked && !sure) return refused(asked);
  const fault = sentFault(page, sent);
  if (fault) return refused(fault);
  const settings = await settingsOf(scope);
  const ahead = blocks && blocks.filter(({ id }) => !page.frozen.blocks.slice(0, -1).some((one) => one.id === id));
  const input = planInput(page, { ...rest, blocks: ahead }, schoolFrom(settings));
  const plan = await compute("plan", input, settings);
  if (!plan.ok) return refused(plan.message);
  const revisions = page.rungs.map(({ revisionId }) => revisionId);
  const kept: KeptPlan = { ...rest, done: page.kept?.done ?? 0, plan, revisions };
  return savePlan(scope, classId, version, { kept, blocks: blocksOf(plan, page.rungs) });
}

/** Asks before another theme takes the place of the rest of an evening that has begun; null where nothing is asked. */
function otherTheme(
  { kept, frozen, rungs }: PlanPage,
  sent: Pick<PlanSent, "ladder" | "drill" | "second">,
): string | null {
  if (!kept || frozen.blocks.length === 0) return null;
  const isSame = kept.ladder === sent.ladder && kept.drill === sent.drill && (kept.second ?? null) === sent.second;
  if (isSame) return null;
  const ran = frozen.rounds.length;
  const stay =
    ran === 0 ? "" : ran === 1 ? "Round 1 stays as it was run. " : `Rounds 1 to ${ran} stay as they were run. `;
  return `This class is running. ${stay}From the next round on it would be “${rungs[0]?.title ?? "another theme"}”, after a talk and the gear. Change the theme on the plan if you mean it.`;
}

/** What of a plan that was sent does not fit what is here, in words; null where all does. */
function sentFault(page: PlanPage, { locked, blocks }: PlanSent): string | null {
  const known = new Set(page.people.map((p) => p.id));
  const named = locked
    .filter(({ round }) => round >= page.frozen.rounds.length)
    .flatMap(({ a, b, c }) => (c ? [a, b, c] : [a, b]));
  if (named.some((person) => !known.has(person)))
    return "Somebody in this plan is not here any more. Load the page again; the rest is kept.";
  const isGone = blocks?.some(({ rung, stations = [] }) =>
    [rung ?? 0, ...stations].some((one) => one >= page.rungs.length),
  );
  return isGone ? WORDS.stale : null;
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
  decided: Pick<PlanInput, "clock" | "blocks" | "locked" | "lines" | "begin" | "steps">,
  school: School,
): PlanInput => ({
  minutes: page.lesson.minutes,
  rungs: page.rungs.map(planRung),
  people: page.people,
  weights: school.pairing,
  wishes: page.wishes,
  met: page.met,
  gear: page.gear,
  frozen: page.frozen,
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
        pairs: rounds.flatMap((round) =>
          round.pairs.map((pair) => pairOf(pair, round, { rungs, at: plan.rounds.indexOf(round) })),
        ),
      },
    ];
  });
}

const pairOf = (
  { a, b, c, rung, back, why }: PlannedPair,
  { turn, side }: PlannedRound,
  { rungs, at }: { readonly rungs: readonly RungChoice[]; readonly at: number },
): NewPair => ({
  id: randomUUID(),
  round: turn + 1,
  ...{ a, b, c, at, side },
  revisionId: rungs[rung]!.revisionId,
  ...(back === undefined || back === rung ? {} : { backRevisionId: rungs[back]!.revisionId }),
  why: why.join("; "),
});

/** An instructor says of a planned class that its rounds were run up to one, or not run from one on. */
export async function sayWhatRan(
  scope: Scope,
  classId: string,
  version: number,
  said: SaidOfRounds,
): Promise<PlanSaved | Refusal> {
  const result = await sayRun(scope, classId, version, said);
  return result.kind === "saved" ? result : refused(WORDS[result.kind]);
}
