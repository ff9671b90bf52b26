/** What a plan of a class is made from, and what it comes to. */
import type { VerdictName } from "../base/verdict-words.ts";
import type { LockedPair, PairIds } from "../pairs/evening.ts";
import type { Wish } from "../pairs/score.ts";
import type { MeasuredOnDay } from "../people/measures.ts";
import type { PairWeights } from "../policy/pair-weights.ts";
import type { Learned, Step } from "./fit.ts";
import type { PlanRung } from "./plan-rung.ts";
import type { Frozen } from "./frozen.ts";
import type { GearCount } from "./gear.ts";
import type { Share } from "./shares.ts";
import type { Block, Clock } from "./timetable.ts";

/** A person as an evening is planned for them. */
export interface PlanPerson extends MeasuredOnDay {
  readonly level: number;
  readonly limits: readonly string[];
  /** First round here, from 0, and the round before which the person leaves; null: to the end. */
  readonly from: number;
  readonly until: number | null;
  /** Has learnt to fall; left out: nothing is asked. */
  readonly falls?: boolean;
  /** What the log says of them on this ladder; left out or null while too little was seen. */
  readonly learned?: Learned | null;
}

/** The people, rungs, clock and wishes of an evening. */
export interface PlanInput {
  readonly minutes: number;
  readonly clock: Clock;
  readonly rungs: readonly PlanRung[];
  readonly people: readonly PlanPerson[];
  /** null: packed again. */
  readonly blocks: readonly Block[] | null;
  readonly weights: PairWeights;
  readonly wishes: readonly Wish[];
  /** Meetings of earlier classes by `a|b`, the smaller id first. */
  readonly met: Readonly<Record<string, number>>;
  readonly gear: GearCount;
  /** What was run already and what is under way: it stays as it is. */
  readonly frozen: Frozen;
  readonly locked: readonly LockedPair[];
  /** The rung to begin with, from 0: where another evening got to. */
  readonly begin?: number;
  /** Partners change in two lines; left out: as is usual for so many people. */
  readonly lines?: boolean | null;
  /** Whom the instructor wants on an easier or a harder rung. */
  readonly steps?: readonly Step[];
}

/** A pair or three of a round, with its rung and why it is a good one. */
export interface PlannedPair extends PairIds {
  readonly locked: boolean;
  /** What B answers while A feeds. */
  readonly rung: number;
  /** What A answers while B feeds, where that is another rung and roles change within the round. */
  readonly back?: number;
  /** As it is shown. */
  readonly verdict: VerdictName;
  /** Distance of the two at the start, m. */
  readonly distance: number;
  /** The same as people measure it; kept plans of earlier versions have none. */
  readonly apart?: string;
  /** They do its rows stopped short of each other; left out: as the rung is. */
  readonly form?: "stopped short";
  readonly why: readonly string[];
  readonly notes: readonly string[];
}
/** A round of a block: pairs, and people who work alone. */
export interface PlannedRound {
  readonly block: string;
  /** Round within its block, from 0. */
  readonly turn: number;
  readonly side: "left" | "right";
  /** Roles change after so many seconds; as long as the round: only after it. Kept plans of earlier versions have none. */
  readonly change?: number;
  readonly done: boolean;
  readonly pairs: readonly PlannedPair[];
  readonly alone: readonly { readonly id: string; readonly why: string }[];
}
/** A share without maps: plain data for screens and files. */
export interface PlainShare extends Omit<Share, "feeds" | "answers"> {
  readonly feeds: readonly (readonly [string, number])[];
  readonly answers: readonly (readonly [string, number])[];
}
/** A planned evening, or why there is none. */
export type ClassPlan =
  | {
      readonly ok: true;
      readonly blocks: readonly Block[];
      /** What is looked at before anybody begins; kept plans of earlier versions have none. */
      readonly check?: string;
      /** Minutes that are not used; negative: too long. */
      readonly left: number;
      readonly rounds: readonly PlannedRound[];
      /** How the lines stand at the start, by id; empty or left out where pairs are called by name. */
      readonly lines?: readonly { readonly stays: readonly string[]; readonly moves: readonly string[] }[];
      readonly shares: readonly PlainShare[];
      /** What is short, not met or unfair, in words. */
      readonly notes: readonly string[];
      /** Floor needed at once, square metres. */
      readonly floor: number;
      /** Repetitions of each in queues in the same minutes of work. */
      readonly queue: number;
    }
  | { readonly ok: false; readonly message: string };

/** A round as it stands among those of its block. */
export interface Turn {
  readonly block: Block;
  readonly turn: number;
}
