import { checkFor } from "#core/policy/judge.ts";
import { sceneViews } from "#core/formats/scene-view.ts";
import { parse } from "#core/score/parse.ts";
import { TARGET, targetLayout } from "./target-layout.ts";

const drawn = (text: string) => targetLayout(sceneViews(checkFor(parse(text)), text.split("\n").length - 1)[0]!)!;
const layout = (text: string) => {
  const { attack, ...rest } = drawn(text);
  return { attack: attack!, ...rest };
};

test("the feeder sees the answerer mirrored: what comes to their left is on the right", () => {
  // A rear hook of a left lead is a right limb: it comes to the receiver's left, 9 on the clock.
  const { attack, hours } = layout("A rear hook -> B cover");
  expect(attack.x1).toBeGreaterThan(attack.x2);
  expect(hours.find((h) => h.hour === 9)!.x).toBeGreaterThan(hours.find((h) => h.hour === 3)!.x);
});
test("an overhead falls from the top", () => {
  const { attack } = layout("A: holds stick\nB: holds stick\n\nA overhead -> B roof block");
  expect(attack.y1).toBeLessThan(attack.y2);
  expect(attack.straight).toBe(false);
});
test("a straight blow is a disc and has no clock", () => {
  const { attack, hours } = layout("A jab -> B slip out");
  expect(attack.straight).toBe(true);
  expect([attack.x1, attack.y1]).toEqual([attack.x2, attack.y2]);
  expect(hours).toEqual([]);
});
test("a head that left the line is drawn beside its ghost", () => {
  const { zones, ghosts, nearest } = layout("A jab -> B slip out");
  const head = zones.find((z) => z.zone === "head")!;
  const ghost = ghosts.find((z) => z.zone === "head")!;
  expect(Math.abs(head.cx - ghost.cx)).toBeGreaterThan(20);
  expect(nearest!.words).toMatch(/^[\d.]+ cm to spare/);
});
test("what is hit is marked and named", () => {
  const { zones, nearest, words } = layout("A lead hook -> B slip out");
  expect(zones.some((z) => z.met)).toBe(true);
  expect(nearest).toMatchObject({ met: true });
  expect(words).toMatch(/meets the/);
});
test("what covers leaves no zone marked as hit", () => {
  const { zones, covers, nearest } = layout("A lead hook -> B cover");
  expect(covers.every((c) => c.works)).toBe(true);
  expect(zones.some((z) => z.met)).toBe(false);
  expect(nearest!.words).toMatch(/^covered by/);
});
test("the whole body fits into the drawing, for the tall and the small", () => {
  for (const height of [140, 205]) {
    for (const z of layout(`B: height ${height}\n\nA jab -> B catch`).ghosts) {
      expect(z.cx - z.rx).toBeGreaterThanOrEqual(0);
      expect(z.cx + z.rx).toBeLessThanOrEqual(TARGET.width);
      expect(z.cy - z.ry).toBeGreaterThanOrEqual(0);
      expect(z.cy + z.ry).toBeLessThanOrEqual(TARGET.height);
    }
  }
});
test("pads stand beside the face of whoever holds them, at the body for body blows, and nothing attacks", () => {
  const { pads, attack, zones, words } = drawn(
    "A: wears mitts\nB: wears gloves\n\nA hold pads -> B jab, cross, lead hook to body",
  );
  expect(attack).toBeNull();
  const head = zones.find((z) => z.zone === "head")!;
  const [jab, cross, hook] = pads;
  // The jab of a left lead comes to the right pad, on the left of the drawing as the one who hits sees it.
  expect(jab!.cx).toBeLessThan(head.cx - head.rx);
  expect(cross!.cx).toBeGreaterThan(head.cx + head.rx);
  expect(hook!.cy).toBeGreaterThan(head.cy + 2 * head.ry);
  expect(words).toBe("right pad for the jab, left pad for the cross, right pad for the lead hook to body");
});

test("the hands of the one who waits are drawn where their guard has them, but for a hand at work", () => {
  const both = layout("A jab -> B slip out").guard;
  expect(both).toHaveLength(2);
  // One forearm on each side of the head, knuckles above elbows.
  expect(both[0]!.x2 - TARGET.width / 2).toBeGreaterThan(both[1]!.x2 - TARGET.width / 2);
  for (const { y1, y2 } of both) expect(y2).toBeLessThan(y1);
  expect(layout("A jab -> B catch").guard).toHaveLength(1);
  expect(layout("B: guard down\n\nA jab -> B slip out").guard).toEqual([]);
  const low = layout("B: guard low\n\nA jab -> B slip out").guard;
  expect(low[0]!.y2).toBeGreaterThan(both[0]!.y2);
});
