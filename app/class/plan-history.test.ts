import { firstDecisions } from "./plan-decisions.ts";
import { beginningWith, changed, type Change } from "./plan-history.ts";
import { block, page } from "./testing.ts";

const first = firstDecisions({ ...page, kept: null, carried: null });
const after = (...changes: readonly Change[]) => changes.reduce(changed, beginningWith(first));

const lines: Change = { do: "lines", lines: true };
const blocks: Change = { do: "blocks", blocks: [block({ id: "w1" })] };

test("decisions are taken back one by one, the latest first, and made again", () => {
  expect(after(lines, blocks, { do: "undo" }).now).toEqual({ ...first, lines: true });
  expect(after(lines, blocks, { do: "undo" }, { do: "undo" }).now).toEqual(first);
  expect(after(lines, blocks, { do: "undo" }, { do: "undo" }, { do: "redo" }, { do: "redo" }).now).toEqual(
    after(lines, blocks).now,
  );
});

test("with nothing to take back or to make again nothing changes", () => {
  expect(after({ do: "undo" }, { do: "redo" })).toEqual(beginningWith(first));
});

test("a new decision forgets what was taken back", () => {
  expect(after(lines, { do: "undo" }, blocks, { do: "redo" }).now).toEqual(after(blocks).now);
});

test("that another theme is meant stays meant, and is not what is taken back", () => {
  expect(after(lines, { do: "mean" }, { do: "undo" }).now).toEqual({ ...first, sure: true });
});
