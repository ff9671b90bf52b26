/** What is asked of a ladder: how long, how far, by which changes, in which order. */
import { SCHOOL_CUSTOMS } from "../policy/settings.ts";
import { OPERATORS, type OperatorId } from "../vary/operator-names.ts";
import type { Stage } from "../policy/stages.ts";
import { TOOL_IDS, type ToolId } from "../vary/tool-names.ts";

/** The wishes for a ladder. */
export interface LadderOptions {
  readonly rungs: number;
  readonly seed: number;
  /** Which operators may be used. */
  readonly operators: readonly OperatorId[];
  /** Stages in the order of the school: an operator of an earlier stage never comes after one of a later. */
  readonly order: readonly Stage[];
  /** What the last rung is to be. */
  readonly goal: Goal;
  /** Tools that are there to change to. */
  readonly tools: readonly ToolId[];
  /** Rungs of an earlier ladder, from the first up to the last one that is pinned. */
  readonly kept: readonly KeptRung[];
  /** Places of the rungs that stay, from 0. */
  readonly pins: readonly number[];
  /** Positions kept in each layer. */
  readonly width: number;
  /** Most candidates of one operator that are tried from one position. */
  readonly each: number;
}

/** A goal of a ladder. */
export interface Goal {
  /** Load of the last rung against that of the whole drill. */
  readonly load: number;
  /** Changes that must have come in by then. */
  readonly wants: readonly OperatorId[];
  /** Share of full speed that it should reach; null: as it comes. */
  readonly tempo: number | null;
}

/** A rung as it was made before. */
export interface KeptRung {
  readonly text: string;
  readonly operator: OperatorId | "rows" | null;
  readonly changed: string;
  /** How many rows of the drill it has. */
  readonly rows: number;
}

/** Goals by what an instructor calls them. */
export const GOALS = {
  whole: { words: "the whole drill", goal: { load: 1, wants: [], tempo: null } },
  quarter: { words: "a quarter harder", goal: { load: 1.25, wants: [], tempo: null } },
  half: { words: "1.5 times as hard", goal: { load: 1.5, wants: [], tempo: null } },
  twice: { words: "twice as hard", goal: { load: 2, wants: [], tempo: null } },
  random: { words: "the feeder chooses", goal: { load: 1.6, wants: ["feeders-choice"], tempo: null } },
  moving: {
    words: "random, moving, 80%",
    goal: { load: 2, wants: ["feeders-choice", "semi-live"], tempo: 0.8 },
  },
  // Paths of the trade.
  hidden: {
    words: "in a row, then hidden in your own attack",
    goal: { load: 1.5, wants: ["again", "hidden-feed"], tempo: null },
  },
  called: { words: "called, both on the move", goal: { load: 1.5, wants: ["calls", "semi-live"], tempo: null } },
  sides: { words: "both sides in turn", goal: { load: 1.3, wants: ["sides"], tempo: null } },
  felt: { words: "eyes closed, on the move", goal: { load: 1.5, wants: ["restriction", "semi-live"], tempo: null } },
  fast: { words: "the drill at full speed", goal: { load: 1.4, wants: [], tempo: 1 } },
} as const satisfies Record<string, { readonly words: string; readonly goal: Goal }>;
/** The name of a goal. */
export type GoalId = keyof typeof GOALS;

/** For two people, upwards: what makes a drill easier, needs a third or a quiet room is chosen by hand. */
const NOT_BY_ITSELF: readonly OperatorId[] = [
  "solo",
  "tempo-down",
  "third-person",
  "context",
  "isolate",
  "other-tool",
  // What the drill is about stays: its feeds and its answers.
  "other-feed",
  "other-answer",
  "other-height",
];
/** The usual wishes for a ladder. */
export const LADDER_DEFAULTS: LadderOptions = {
  rungs: 8,
  seed: 1,
  operators: OPERATORS.filter((id) => !NOT_BY_ITSELF.includes(id)),
  order: SCHOOL_CUSTOMS.stages,
  goal: GOALS.half.goal,
  tools: TOOL_IDS,
  kept: [],
  pins: [],
  width: 8,
  each: 3,
};

/** What keeps a ladder from being made, in words. */
export function ladderFault({ rungs, operators, goal, kept, pins }: LadderOptions): string | null {
  if (!Number.isInteger(rungs) || rungs < 2 || rungs > 16) return "A ladder has 2 to 16 rungs.";
  if (operators.length === 0)
    return "No operator is allowed: nothing could change from rung to rung. Allow at least one.";
  if (!(goal.load >= 1 && goal.load <= 4)) return "The goal is 1 to 4 times as hard as the whole drill.";
  if (pins.some((place) => place >= kept.length || place >= rungs))
    return "A pinned rung is not on this ladder any more. Take its pin out, or ask for more rungs.";
  return null;
}
