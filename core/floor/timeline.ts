/** The evening as the clock runs it: what is said, each round, each rest, one after the other. */
import type { ClassPlan } from "../class/plan-types.ts";
import type { Clock } from "../class/timetable.ts";

/** A stretch of the evening. */
export interface Segment {
  /** The same for the same stretch when the evening is planned again: by block and place in it. */
  readonly id: string;
  /** talk: something is shown; round: they work; rest: partners change; block: warm-up, drink, game, free play, close. */
  readonly kind: "block" | "talk" | "round" | "rest";
  readonly block: string;
  readonly title: string;
  readonly seconds: number;
  /** Place among the rounds of the evening, from 0; of a talk or rest the round that comes; null: none does. */
  readonly round: number | null;
  /** Roles change after so many seconds; null where nobody changes. */
  readonly change: number | null;
}

/** Time to show what is new, where a plan says nothing of it, s. */
const EXPLAIN = 120;

type Planned = Pick<ClassPlan & { readonly ok: true }, "blocks" | "rounds">;

/** All stretches; what a block has beyond its rounds and rests belongs to the talk before them. */
export function timeline({ blocks, rounds }: Planned, usual: Clock): Segment[] {
  return blocks.flatMap(({ id, title, minutes, rung, clock: began }): Segment[] => {
    const clock = began ?? usual;
    const own = rounds.flatMap((round, at) =>
      round.block === id ? [{ at, change: round.change ?? clock.change }] : [],
    );
    if (rung === null || own.length === 0)
      return [{ id: `${id}:all`, kind: "block", block: id, title, seconds: minutes * 60, round: null, change: null }];
    const worked = own.length * clock.round + (own.length - 1) * clock.rest;
    // A block that has begun keeps the talk that it had, to the second.
    const talk = began?.explain ?? Math.max(clock.explain ?? EXPLAIN, minutes * 60 - worked);
    const part = (kind: Segment["kind"], turn: number, seconds: number, change: number | null): Segment => ({
      id: `${id}:${kind}:${turn}`,
      ...{ kind, block: id, title, seconds, round: own[turn]!.at, change },
    });
    return own.flatMap(({ change }, turn) => [
      turn === 0 ? part("talk", 0, talk, null) : part("rest", turn, clock.rest, null),
      part("round", turn, clock.round, change < clock.round ? change : null),
    ]);
  });
}

/** The round of which something can be said at a place: the one under way, else the last one before; null: none was. */
export function roundSeen(segments: readonly Segment[], at: number): number | null {
  const seen = segments.slice(0, at + 1).filter(({ kind }) => kind === "round");
  return seen[seen.length - 1]?.round ?? null;
}

/** A drill by itself: rounds and rests without a class, for home or a private lesson. */
export function soloTimeline(
  title: string,
  {
    rounds,
    round,
    rest,
    change,
  }: { readonly rounds: number; readonly change: number | null } & Pick<Clock, "round" | "rest">,
): Segment[] {
  const part = (kind: "talk" | "round" | "rest", turn: number, seconds: number): Segment => ({
    id: `solo:${kind}:${turn}`,
    ...{ kind, block: "solo", title, seconds, round: turn },
    change: kind === "round" ? change : null,
  });
  return Array.from({ length: rounds }, (_, turn) => [
    turn === 0 ? part("talk", 0, GET_READY) : part("rest", turn, rest),
    part("round", turn, round),
  ]).flat();
}
/** From the tap to the first round, s. */
const GET_READY = 10;
