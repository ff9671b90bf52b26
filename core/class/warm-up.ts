/** A warm-up from the theme: what the bodies do tonight, alone and light. */
import { checkFor } from "../policy/judge.ts";
import type { School } from "../policy/school.ts";
import { parse } from "../score/parse.ts";
import type { Move } from "../words/types.ts";
import type { PlanRung } from "./fit.ts";

/** Groups of moves that are done alone without a partner's blow, in the order in which a body gets warm. */
const ALONE: readonly string[] = ["footwork", "evasion", "yielding", "leg defence"];
/** Words that are no exercise of their own. */
const MOST = 4;

/** The movements of an evening that can be done alone, feet first. */
export function warmUpMoves(rungs: readonly PlanRung[], school: School): string[] {
  const counts = new Map<Move, number>();
  for (const { text } of rungs)
    for (const { beat, returns } of checkFor(parse(text), school).exchanges)
      for (const { move } of [...beat, ...returns.map(({ use }) => use)])
        if (ALONE.includes(move.group) && !move.attack) counts.set(move, (counts.get(move) ?? 0) + 1);
  const most = [...counts].sort(([, a], [, b]) => b - a).slice(0, MOST);
  return most
    .map(([move]) => move)
    .sort((a, b) => ALONE.indexOf(a.group) - ALONE.indexOf(b.group))
    .map(({ name }) => name);
}

/** What the block is called; without a movement of its own it is a warm-up like any other. */
export const warmUpTitle = (moves: readonly string[]): string =>
  moves.length === 0 ? "Warm-up" : `Warm-up: pulse and joints, then alone and light ${moves.join(", ")}`;
