/** What of a running evening stays as it is when the rest is planned again: what was run, what is under way, and its time. */
import type { PlannedRound } from "./plan-types.ts";
import type { Block } from "./timetable.ts";

/** The part of an evening that is behind or under way. */
export interface Frozen {
  /** From the first block on; the last one may be cut to the rounds that have started. */
  readonly blocks: readonly Block[];
  /** Rounds that have started, with their pairs, rungs and side. */
  readonly rounds: readonly PlannedRound[];
  /** Seconds that have gone by of a stretch that is planned again: the new one takes them over. */
  readonly elapsed: number;
}
/** The state of an evening that has not begun. */
export const NOTHING_FROZEN: Frozen = { blocks: [], rounds: [], elapsed: 0 };

/**
 * The blocks of an evening: those that stay, and behind them what is planned. The one under way goes on with as many
 * rounds as the plan gives it, and never with fewer than have started.
 */
export function withFrozen({ blocks: stay }: Frozen, blocks: readonly Block[]): Block[] {
  const known = new Set(stay.map(({ id }) => id));
  const goesOn = (block: Block): Block => {
    const wanted = blocks.find(({ id }) => id === block.id);
    return wanted && wanted.rounds > block.rounds
      ? { ...block, rounds: wanted.rounds, minutes: Math.max(block.minutes, wanted.minutes) }
      : block;
  };
  return [
    ...stay.map((block, i) => (i === stay.length - 1 ? goesOn(block) : block)),
    ...blocks.filter(({ id }) => !known.has(id)),
  ];
}

/** Seconds that the stretch of a block without rounds, or the talk of one with rounds, takes over. */
export const minutesTaken = ({ elapsed }: Frozen): number => Math.ceil(elapsed / 60);
