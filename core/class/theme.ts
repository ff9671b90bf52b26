/** The theme of an evening: which movements can be done alone, and which parts of the body work most. */
import { checkFor } from "../policy/judge.ts";
import type { School } from "../policy/school.ts";
import { parse } from "../score/parse.ts";
import { listed } from "../vary/change-words.ts";
import { needsWeapon } from "../words/vocabulary.ts";
import type { Move } from "../words/types.ts";
import type { PlanRung } from "./plan-rung.ts";

interface Theme {
  /** What is done alone without a partner's blow, feet first. */
  readonly moves: readonly string[];
  /** What works most, as one says it. */
  readonly parts: readonly string[];
}

/** Groups of moves that are done alone, in the order in which a body gets warm. */
const ALONE: readonly string[] = ["footwork", "evasion", "yielding", "leg defence"];
const MOST_MOVES = 4;
const MOST_PARTS = 3;

/** What works in a move. Common practice, no source. */
function partsOf(move: Move): readonly string[] {
  if (needsWeapon(move)) return ["wrists", "forearms"];
  if (move.goesDown || move.lowers) return ["hips", "neck"];
  if (move.cycle) return ["shoulders", "forearms"];
  if (move.contact || move.energy) return ["forearms"];
  if (move.answer?.some(({ by }) => by === "energy")) return ["shoulders"];
  if (move.attack) return move.limb.includes("leg") ? ["hips", "backs of the legs"] : ["shoulders"];
  if (move.group === "footwork") return ["calves"];
  if (move.group === "leg defence") return ["hips"];
  return ALONE.includes(move.group) ? ["back", "waist"] : [];
}

/** The keys that come most often. */
function most<K>(counts: ReadonlyMap<K, number>, count: number): K[] {
  return [...counts]
    .sort(([, a], [, b]) => b - a)
    .slice(0, count)
    .map(([key]) => key);
}

/** Returns the theme that several rungs have in common. */
export function themeOf(rungs: readonly PlanRung[], school: School): Theme {
  const moves = new Map<Move, number>();
  const parts = new Map<string, number>();
  for (const { text } of rungs)
    for (const { beat, returns, feed } of checkFor(parse(text), school).exchanges)
      for (const { move } of [...(feed ? [feed] : []), ...beat, ...returns.map(({ use }) => use)]) {
        for (const part of partsOf(move)) parts.set(part, (parts.get(part) ?? 0) + 1);
        if (ALONE.includes(move.group) && !move.attack) moves.set(move, (moves.get(move) ?? 0) + 1);
      }
  return {
    moves: most(moves, MOST_MOVES)
      .sort((a, b) => ALONE.indexOf(a.group) - ALONE.indexOf(b.group))
      .map(({ name }) => name),
    parts: most(parts, MOST_PARTS),
  };
}

/** What the block before the work is called. */
export const warmUpTitle = ({ moves, parts }: Theme): string =>
  [
    "Warm-up",
    parts.length > 0 && `: pulse and joints, ${listed(parts)}`,
    moves.length > 0 && `; then alone and light ${listed(moves)}`,
  ]
    .filter(Boolean)
    .join("");

/** What the last block is called: what worked most is loosened. */
export const closeTitle = ({ parts }: Theme): string =>
  `Close: ${parts.length > 0 ? `breathe, loosen ${listed(parts)}; ` : ""}what was clean, what comes next`;
