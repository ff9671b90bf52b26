import { axisTo } from "./axis.ts";

test.each([
  [14.8, 15, 5],
  [15.5, 20, 5],
  [9.2, 10, 2],
  [5, 5, 1],
  [0.7, 0.8, 0.2],
  [37, 40, 10],
  [260, 300, 100],
])("up to %d the axis goes to %d in steps of %d", (most, max, step) => {
  const axis = axisTo(most);
  expect(axis.max).toBeCloseTo(max, 9);
  expect(axis.step).toBeCloseTo(step, 9);
});
test("whatever is to be shown fits, in two to five whole steps that start at 0", () => {
  for (let most = 0.03; most < 5000; most *= 1.13) {
    const { max, step } = axisTo(most);
    expect(max).toBeGreaterThanOrEqual(most - 1e-6);
    const steps = max / step;
    expect(steps).toBeCloseTo(Math.round(steps), 6);
    expect(Math.round(steps)).toBeGreaterThanOrEqual(2);
    expect(Math.round(steps)).toBeLessThanOrEqual(5);
  }
});
test("nothing to show is an axis all the same", () => {
  expect(axisTo(0)).toEqual({ max: 1, step: 1 });
  expect(axisTo(Number.NaN)).toEqual({ max: 1, step: 1 });
});

test("what is counted has no half steps", () => {
  expect(axisTo(1, 1)).toEqual({ max: 1, step: 1 });
  expect(axisTo(3, 1)).toEqual({ max: 3, step: 1 });
  expect(axisTo(12, 1)).toEqual(axisTo(12));
});
