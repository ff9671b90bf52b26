/** An evening as a school usually has it: its clock and its blocks, to be filled with the rungs of another ladder. */
import { object, string } from "yup";
import { BLOCK_KINDS, rungOrder, type Block, type Clock } from "./timetable.ts";

/** The frame of an evening without what is trained in it. */
export interface EveningShape {
  readonly clock: Clock;
  readonly blocks: readonly Pick<Block, "kind" | "title" | "minutes" | "rounds">[];
}

/** Most templates of a school. */
export const MOST_TEMPLATES = 30;

/** The name of a template as it is typed. */
export const templateSchema = object({
  name: string()
    .trim()
    .max(60, "A name has at most 60 letters.")
    .required("A template needs a name, such as My Tuesday."),
});

/** Returns the frame of an evening: its minutes and rounds without the rungs; a circuit is work like any other. */
export const shapeOfEvening = (clock: Clock, blocks: readonly Block[]): EveningShape => ({
  clock,
  blocks: blocks.map(({ kind, title, minutes, rounds }) => ({ kind, title, minutes, rounds })),
});

/**
 * Fills a frame with the rungs of a ladder, evenly up as in every evening. `titles`: one for each rung. Returns null where
 * there is no rung to work on.
 */
export function filledShape({ blocks }: EveningShape, titles: readonly string[]): Block[] | null {
  if (titles.length === 0) return null;
  const isWork = ({ kind }: EveningShape["blocks"][number]) => kind === "work";
  const order = rungOrder(blocks.filter(isWork).length, titles.length);
  const seen = new Set<number>();
  let at = 0;
  return blocks.flatMap((block, i): Block[] => {
    const plain = { ...block, id: `${block.kind}-${i + 1}`, locked: false };
    if (!isWork(block)) return BLOCK_KINDS.includes(block.kind) ? [{ ...plain, rung: null }] : [];
    const rung = order[at] ?? order.at(-1)!;
    at += 1;
    const title = seen.has(rung) ? `Once more: ${titles[rung]!}` : titles[rung]!;
    seen.add(rung);
    return [{ ...plain, title, rung }];
  });
}
