/** The part of a running evening that stays when the rest is planned again, by its rounds and its clock. */
import { NOTHING_FROZEN, type Frozen } from "../class/frozen.ts";
import type { PlannedRound } from "../class/plan-types.ts";
import type { Block, Clock } from "../class/timetable.ts";
import { timeline, type Segment } from "./timeline.ts";

/** Where the clock of the evening is; null: nobody has started it. */
export interface Under {
  readonly segment: Segment;
  /** ms. */
  readonly elapsed: number;
}

interface Planned {
  readonly blocks: readonly Block[];
  readonly rounds: readonly PlannedRound[];
}

/** The part of a plan that stays. `started`: rounds that have started; `under`: where the clock is. */
export function frozenOf(plan: Planned, clock: Clock, started: number, under: Under | null): Frozen {
  const rounds = plan.rounds.slice(0, started);
  const last = lastBlock(plan, rounds, under);
  if (last < 0) return { ...NOTHING_FROZEN, elapsed: elapsedAhead(under, null) };
  const segments = timeline(plan, clock);
  const blocks = plan.blocks
    .slice(0, last + 1)
    .map((block) => asRun(block, { clock, segments, started: rounds.filter((one) => one.block === block.id).length }));
  return { blocks, rounds, elapsed: elapsedAhead(under, blocks[last]!) };
}

/** The place of the last block that has begun; a talk before its first round can still be taken back. */
function lastBlock({ blocks }: Planned, rounds: readonly PlannedRound[], under: Under | null): number {
  const ofRounds = blocks.findIndex(({ id }) => id === rounds[rounds.length - 1]?.block);
  const here = under ? blocks.findIndex(({ id }) => id === under.segment.block) : -1;
  const isOpen = under?.segment.kind === "talk";
  return Math.max(ofRounds, isOpen ? here - 1 : here);
}

/** What has gone by of a talk or a rest whose round has not started. */
function elapsedAhead(under: Under | null, last: Block | null): number {
  if (!under || under.segment.kind === "round") return 0;
  if (under.segment.kind === "block" && under.segment.block === last?.id) return 0;
  return Math.ceil(under.elapsed / 1000);
}

/** A block with its times as they were when it was run, and no more rounds than have started. */
function asRun(
  block: Block,
  {
    clock,
    segments,
    started,
  }: { readonly clock: Clock; readonly segments: readonly Segment[]; readonly started: number },
): Block {
  if (block.rung === null || block.rounds === 0) return block;
  const { round, change, rest } = block.clock ?? clock;
  const talk = segments.find(({ id }) => id === `${block.id}:talk:0`)?.seconds ?? 0;
  const seconds = talk + started * round + Math.max(0, started - 1) * rest;
  return {
    ...block,
    rounds: started,
    minutes: started === block.rounds ? block.minutes : Math.ceil(seconds / 60),
    clock: { round, change, rest, explain: talk },
  };
}
