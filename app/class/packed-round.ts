/** The time of an evening filled again round what stays. */
import { blockNeeds } from "#core/class/block-needs.ts";
import type { PlanInput } from "#core/class/plan.ts";
import { CLOSE, DRINK, FREE, GAME, inOrder, packClass, WARM_UP, type Block } from "#core/class/timetable.ts";

/** What the blocks before and after the work are called now. */
function named(blocks: readonly Block[]) {
  const titleOf = (kind: Block["kind"]) => blocks.find((one) => one.kind === kind)?.title;
  const [warmUp, close] = [titleOf("warm-up"), titleOf("close")];
  return { ...(warmUp ? { warmUp } : {}), ...(close ? { close } : {}) };
}

/** Packs the evening again round the blocks that are locked; null where none is. */
export function packedRound(
  blocks: readonly Block[],
  { minutes, ...input }: Pick<PlanInput, "minutes" | "rungs" | "clock" | "people" | "begin">,
): readonly Block[] | null {
  const stay = blocks.filter((b) => b.locked);
  if (stay.length === 0) return null;
  const taken = stay.reduce((sum, b) => sum + b.minutes, 0);
  // What is there already is not packed a second time.
  const twice = stay.flatMap(
    (b) => ({ "warm-up": WARM_UP, close: CLOSE, drink: DRINK, free: FREE, game: GAME, work: 0 })[b.kind],
  );
  const packed = packClass(
    minutes - taken + twice.reduce((sum, m) => sum + m, 0),
    input.rungs.map((r) => r.title),
    input.clock,
    { ...blockNeeds(input), ...named(blocks) },
  );
  if (!packed.ok) return stay;
  const fresh = packed.blocks
    .filter((b) => b.kind === "work" || !stay.some((s) => s.kind === b.kind))
    .map((b) => (b.kind === "work" ? { ...b, id: crypto.randomUUID() } : b));
  return inOrder([...fresh, ...stay].sort((a, b) => (a.rung ?? 0) - (b.rung ?? 0)));
}
