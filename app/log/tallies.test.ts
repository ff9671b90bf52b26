/** Sums of the log as they are said. */
import { sideMissing, themeRows, unseen, wentText } from "./tallies.ts";

const tally = (
  theme: string,
  side: "left" | "right" | null,
  rounds: number,
  [clean, open]: [number, number],
  last = "2026-11-01",
) => ({
  ...{ theme, side, rounds, clean, open, last },
});

test("sides of a theme are one row, and the last day is the later one", () => {
  const rows = themeRows([
    tally("Jabs", "left", 4, [1, 1], "2026-11-08"),
    tally("Jabs", "right", 2, [2, 0]),
    tally("Kicks", null, 9, [0, 0]),
  ]);
  expect(rows.map(({ theme, rounds, left, right }) => [theme, rounds, left, right])).toEqual([
    ["Kicks", 9, 0, 0],
    ["Jabs", 6, 4, 2],
  ]);
  expect(rows[1]).toMatchObject({ clean: 3, open: 1, last: "2026-11-08" });
  expect(unseen(rows[1]!)).toBe(2);
});
test("nothing seen is not clean", () => {
  expect(wentText({ rounds: 5, clean: 0, open: 0 })).toBe("not seen");
  expect(wentText({ rounds: 5, clean: 3, open: 1 })).toBe("3 of 4 seen clean");
});
test("a side is missing only where the other one was trained", () => {
  const of = (left: number, right: number) =>
    sideMissing({ theme: "T", left, right, rounds: 9, clean: 0, open: 0, last: "" });
  expect([of(0, 3), of(2, 0), of(0, 0), of(1, 1)]).toEqual(["left", "right", null, null]);
});
