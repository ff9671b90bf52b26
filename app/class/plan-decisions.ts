/** What an instructor decides of an evening on its plan page, and when that is sent to be kept. Pure. */
import type { Step } from "#core/class/fit.ts";
import type { PlanInput, PlannedPair, PlannedRound } from "#core/class/plan.ts";
import { youngest } from "#core/pairs/ages.ts";
import { filledShape } from "#core/class/template.ts";
import { clockFor } from "#core/class/block-needs.ts";
import type { Block, Clock } from "#core/class/timetable.ts";
import type { PlanPage } from "#server/views.ts";

type Locked = PlanInput["locked"][number];

export interface Decisions {
  /** The blocks as they were arranged by hand; null: as the plan makes them. */
  readonly blocks: readonly Block[] | null;
  readonly clock: Clock;
  /** Two facing lines; null where nobody chose. */
  readonly lines: boolean | null;
  /** The rung to begin with, from 0. */
  readonly begin: number;
  readonly steps: readonly Step[];
  readonly locked: readonly Locked[];
  /** Another theme in the middle of a class is meant. */
  readonly sure: boolean;
}

export type Decision =
  | { readonly do: "blocks"; readonly blocks: readonly Block[] | null }
  | { readonly do: "clock"; readonly clock: Clock }
  | { readonly do: "lines"; readonly lines: boolean }
  | { readonly do: "begin"; readonly begin: number }
  /** Somebody works on an easier or a harder rung than is suggested; 0: as it is suggested. */
  | { readonly do: "step"; readonly who: string; readonly by: Step["by"] | 0 }
  | { readonly do: "lock"; readonly at: number; readonly pair: PlannedPair; readonly on: boolean }
  | { readonly do: "swap"; readonly at: number; readonly round: PlannedRound; readonly two: readonly [string, string] }
  | { readonly do: "mean" };

/** Returns true where the kept plan is of what is chosen now. */
export const isKept = ({ kept, chosen }: PlanPage): boolean =>
  kept !== null &&
  kept.ladder === chosen.ladder &&
  kept.drill === chosen.drill &&
  (kept.second ?? null) === chosen.second;

/** Returns what was decided before: of the kept plan, else what holds from the evening before on the same ladder. */
export function firstDecisions(page: PlanPage): Decisions {
  const { kept, carried } = page;
  if (kept === null || !isKept(page))
    return {
      ...frameOf(page),
      lines: null,
      begin: carried?.rung ?? 0,
      steps: carried?.steps ?? [],
      locked: [],
      sure: false,
    };
  const { clock, lines = null, begin = 0, steps = [], locked, plan } = kept;
  return { blocks: plan.blocks, clock, lines, begin, steps, locked, sure: false };
}

/** Returns the clock and the blocks to begin with: of the template, unless it is made for older people than are here. */
function frameOf({ kept, shape, people, rungs }: PlanPage): Pick<Decisions, "blocks" | "clock"> {
  const usual = { blocks: null, clock: clockFor(people) };
  if (kept !== null || shape === null) return usual;
  const young = youngest(people);
  if (young !== null && young.round < shape.clock.round) return usual;
  const titles = rungs.filter(({ past }) => !past).map(({ title }) => title);
  return { blocks: filledShape(shape, titles), clock: shape.clock };
}

/** Returns what is decided after one decision more. */
export function decide(now: Decisions, decision: Decision): Decisions {
  switch (decision.do) {
    case "blocks":
      return { ...now, blocks: decision.blocks };
    case "clock":
      // Rounds of another length are another timetable; when roles change within one is not.
      return { ...now, clock: decision.clock, blocks: decision.clock.round === now.clock.round ? now.blocks : null };
    case "lines":
      return { ...now, lines: decision.lines };
    case "begin":
      return { ...now, begin: decision.begin, blocks: null };
    case "step": {
      const { who, by } = decision;
      const others = now.steps.filter((one) => one.who !== who);
      return { ...now, steps: by === 0 ? others : [...others, { who, by }] };
    }
    case "lock": {
      const { at, on, pair } = decision;
      const others = now.locked.filter((one) => !isLockOf(one, at, pair));
      return { ...now, locked: on ? [...others, { round: at, a: pair.a, b: pair.b, c: pair.c }] : others };
    }
    case "swap":
      return { ...now, locked: swapped(now.locked, decision) };
    case "mean":
      return { ...now, sure: true };
    default:
      return decision satisfies never;
  }
}

const isLockOf = (one: Locked, at: number, { a, b }: PlannedPair): boolean =>
  one.round === at && one.a === a && one.b === b;

/** Two people take each other's place: both pairs are locked as they then are. Within one pair nothing changes. */
function swapped(locked: readonly Locked[], { at, round, two }: Extract<Decision, { do: "swap" }>): readonly Locked[] {
  const [one, other] = two;
  const put = (id: string) => (id === one ? other : id === other ? one : id);
  const touched = round.pairs.filter(({ a, b, c }) => [a, b, c].some((id) => id === one || id === other));
  if (touched.length < 2) return locked;
  const kept = locked.filter((lock) => !touched.some((pair) => isLockOf(lock, at, pair)));
  return [...kept, ...touched.map(({ a, b, c }) => ({ round: at, a: put(a), b: put(b), c: c && put(c) }))];
}

/** Keys by their names: the database gives them back in an order of its own. */
const inOrder = (_key: string, value: unknown): unknown =>
  value !== null && typeof value === "object" && !Array.isArray(value)
    ? Object.fromEntries(Object.entries(value).sort(([one], [two]) => (one < two ? -1 : 1)))
    : value;

type Chosen = Pick<PlanPage["chosen"], "ladder" | "drill" | "second">;

/** Returns what is sent to be kept, as a text: the same decisions are the same text. `blocks`: those of the plan. */
export function decisionText(
  { ladder, drill, second }: Chosen,
  { clock, lines, begin, steps, locked }: Decisions,
  blocks: readonly Block[],
): string {
  return JSON.stringify({ ladder, drill, second, clock, lines, begin, steps, locked, blocks }, inOrder);
}

/** Returns the decisions of the kept plan as a text; null where none is kept of what is chosen. */
export const keptText = (page: PlanPage): string | null =>
  isKept(page) ? decisionText(page.chosen, firstDecisions(page), page.kept!.plan.blocks) : null;

/** Returns true where another theme in the middle of a class waits for somebody to say that they mean it. */
export const asksFirst = (page: PlanPage, { sure }: Decisions): boolean =>
  page.kept !== null && !isKept(page) && page.frozen.blocks.length > 0 && !sure;

interface Keeping {
  readonly page: PlanPage;
  readonly decisions: Decisions;
  /** What would be kept; null while there is no plan. */
  readonly text: string | null;
  /** The text that was kept last. */
  readonly last: string | null;
  /** Something is on its way to be kept. */
  readonly busy: boolean;
  /** The plan is being worked out. */
  readonly working: boolean;
}

/** Returns true where what is decided is to be kept now. The log of a class that is over is not written again. */
export const isDue = ({ page, decisions, text, last, busy, working }: Keeping): boolean =>
  !page.over && text !== null && text !== last && !busy && !working && !asksFirst(page, decisions);
