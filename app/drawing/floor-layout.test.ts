import { checkFor } from "#core/policy/judge.ts";
import { sceneViews } from "#core/formats/scene-view.ts";
import { parse } from "#core/score/parse.ts";
import { arcOf, commanded, feetOf, floorScale, frameAt, placeOf, timeline } from "./floor-layout.ts";

const scenes = (text: string) => sceneViews(checkFor(parse(text)), 0);
const TWO = scenes("A jab, cross -> B slip out, catch");

test("the clock of a line runs slower at a lower tempo, in proportion", () => {
  const full = timeline(TWO, 1);
  const half = timeline(TWO, 0.5);
  expect(half.at(-1)!.end).toBeCloseTo(2 * full.at(-1)!.end, 6);
  expect(full[1]!.start).toBe(full[0]!.end);
  expect(full[0]!.contact - full[0]!.start).toBe(TWO[0]!.contactMs);
});
test("a moment lies between the two states it lies between", () => {
  const beats = timeline(TWO, 1);
  const start = frameAt(beats, 0)!;
  const mid = frameAt(beats, beats[0]!.contact / 2)!;
  const hit = frameAt(beats, beats[0]!.contact)!;
  const y = (f: typeof start) => f.figures.find((one) => one.actor === "A")!.y;
  expect(y(mid)).toBeCloseTo((y(start) + y(hit)) / 2, 6);
  expect([start.reached, mid.reached, hit.reached]).toEqual([0, 0.5, 1]);
});
test("before the start and after the end it stands still", () => {
  const beats = timeline(TWO, 1);
  expect(frameAt(beats, -50)!.index).toBe(0);
  expect(frameAt(beats, 1e9)!.index).toBe(1);
  expect(frameAt([], 0)).toBeNull();
});
test("the front foot is the lead one, on its own side", () => {
  const [a] = TWO[0]!.before;
  const [left, right] = feetOf(a!);
  expect(left).toMatchObject({ side: "left", front: true });
  expect(left!.y).toBeGreaterThan(right!.y);
  expect(left!.x).toBeLessThan(right!.x);
});
test("who faces back has their right on the other side", () => {
  const [, b] = TWO[0]!.before;
  expect(b!.heading).toBe(180);
  expect(placeOf(b!, 1, 0).x).toBeCloseTo(b!.x - 1, 9);
  expect(placeOf(b!, 0, 1).y).toBeCloseTo(b!.y - 1, 9);
});
test("the arc of reach lies at its radius about the heading", () => {
  const [a] = TWO[0]!.before;
  for (const p of arcOf(a!, 0.8, -30, 30)) expect(Math.hypot(p.x - a!.x, p.y - a!.y)).toBeCloseTo(0.8, 9);
});
test("a left limb commands the mirrored sector", () => {
  const [a] = TWO[0]!.before;
  expect(commanded(a!, "lead hand", [-10, 100])).toEqual([-100, 10]);
  expect(commanded(a!, "rear hand", [-10, 100])).toEqual([-10, 100]);
});
test("every moment fits into the drawing", () => {
  const to = floorScale(TWO, 560, 380);
  for (const f of TWO.flatMap((s) => [...s.before, ...s.contact, ...s.after])) {
    expect(to.x(f.x)).toBeGreaterThan(0);
    expect(to.x(f.x)).toBeLessThan(560);
    expect(to.y(f.y)).toBeGreaterThan(0);
    expect(to.y(f.y)).toBeLessThan(380);
  }
});
