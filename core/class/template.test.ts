import { CLOCK, packClass, total, type Block } from "./timetable.ts";
import { filledShape, shapeOfEvening, templateSchema } from "./template.ts";

const evening = (minutes: number, titles: readonly string[]): readonly Block[] => {
  const packed = packClass(minutes, titles);
  if (!packed.ok) throw new Error(packed.message);
  return packed.blocks;
};
const TITLES = ["Jab", "Add the cross", "Slip", "Feeder picks"];

test("an evening kept and filled with its own ladder has the same minutes, rungs and order", () => {
  const blocks = evening(75, TITLES);
  const again = filledShape(shapeOfEvening(CLOCK, blocks), TITLES)!;
  expect(total(again)).toBe(total(blocks));
  expect(again.map(({ kind, minutes, rounds, rung }) => ({ kind, minutes, rounds, rung }))).toEqual(
    blocks.map(({ kind, minutes, rounds, rung }) => ({ kind, minutes, rounds, rung })),
  );
});

test("with a shorter ladder each block of work has a rung of it, and says when one comes again", () => {
  const again = filledShape(shapeOfEvening(CLOCK, evening(90, TITLES)), ["Jab", "Cross"])!;
  const work = again.filter(({ kind }) => kind === "work");
  expect(work.every(({ rung }) => rung === 0 || rung === 1)).toBe(true);
  expect(work.filter(({ title }) => !title.startsWith("Once more"))).toHaveLength(2);
  expect(new Set(again.map(({ id }) => id)).size).toBe(again.length);
});

test("without a rung there is nothing to fill it with, and what is trained is not kept", () => {
  const shape = shapeOfEvening(CLOCK, evening(60, TITLES));
  expect(filledShape(shape, [])).toBeNull();
  expect(JSON.stringify(shape)).not.toMatch(/"rung"|locked/);
});

test("a template has a name", async () => {
  await expect(templateSchema.validate({ name: "  " })).rejects.toThrow("needs a name");
  await expect(templateSchema.validate({ name: "x".repeat(61) })).rejects.toThrow("60 letters");
});
