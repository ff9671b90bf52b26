import { isOneOf, keysOf } from "./keys.ts";

test("keys come in the order of the record, with the type that they have", () => {
  const record = { lead: 1, rear: 2 } as const;
  const keys: ("lead" | "rear")[] = keysOf(record);
  expect(keys).toEqual(["lead", "rear"]);
  expect(keysOf({})).toEqual([]);
});

test("a word of a list is told from others, by the whole word", () => {
  const heights = ["high", "mid", "low"] as const;
  expect(heights.map((height) => isOneOf(heights, height))).toEqual([true, true, true]);
  expect(["", "hig", "higher", "HIGH"].some((word) => isOneOf(heights, word))).toBe(false);
});
