/** When themes come back: later the better they went, sooner after a bad day. The scheduler itself is a package. */
import { daysAfter } from "../base/days.ts";
import { dueAfter, type TrainedDay } from "./due.ts";

const day = (n: number): string => daysAfter("2026-09-01", n - 1);
const on = (n: number, clean: number, seen = 10): TrainedDay => ({ day: day(n), clean, seen });
const days = (from: string, to: string) => (Date.parse(to) - Date.parse(from)) / 86_400_000;
const gap = (trained: readonly TrainedDay[]) => {
  const due = dueAfter(trained)!;
  return days(due.last, due.day);
};

test("what went well comes back later than what did not", () => {
  const [well, so, badly] = [10, 6, 2].map((clean) => gap([on(1, clean)]));
  expect(well).toBeGreaterThan(so!);
  expect(so).toBeGreaterThanOrEqual(badly!);
  expect(badly).toBeGreaterThanOrEqual(1);
});
test("each time it goes well the gap grows, and after a bad day it is short again", () => {
  const first = gap([on(1, 9)]);
  const second = gap([on(1, 9), on(1 + first, 9)]);
  expect(second).toBeGreaterThan(first);
  expect(gap([on(1, 9), on(1 + first, 9), on(1 + first + second, 1)])).toBeLessThan(second);
});
test("the order in which days are told does not matter; nothing trained is not due", () => {
  const all = [on(1, 9), on(8, 5), on(20, 8)];
  expect(dueAfter([...all].reverse())).toEqual(dueAfter(all));
  expect(dueAfter([])).toBeNull();
});
test("how it went is said, also where nobody noted it", () => {
  expect(dueAfter([on(1, 9)])!.went).toBe("mostly clean");
  expect(dueAfter([on(1, 0, 0)])!.went).toBe("nobody noted how it went");
});
