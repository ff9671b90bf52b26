import { metres } from "../base/units.ts";
import { checkFor } from "../policy/judge.ts";
import { sceneViews, type FigureView } from "./scene-view.ts";
import { type Bodies } from "../drill/check.ts";
import { parse } from "../score/parse.ts";

const scenes = (text: string, row = 0, bodies: Bodies = {}) =>
  sceneViews(checkFor(parse(text), undefined, bodies), row);

test("the feeder steps in and the head leaves the line", () => {
  const [scene] = scenes("A jab -> B slip out");
  const at = (figures: readonly FigureView[], actor: string) => figures.find((f) => f.actor === actor)!;
  expect(at(scene!.contact, "A").y).toBeGreaterThan(at(scene!.before, "A").y);
  expect(at(scene!.before, "B").head.right).toBe(0);
  // The outside of a left arm is on the receiver's right: .18 m for a body of 1.75 m.
  expect(at(scene!.contact, "B").head.right).toBeCloseTo(0.18, 3);
});
test("partners face each other", () => {
  const [scene] = scenes("A jab -> B slip out");
  expect(scene!.before.map((f) => f.heading)).toEqual([0, 180]);
});
test("the target holds the verdict's numbers: the least margin over the zones is the exchange's own", () => {
  for (const text of [
    "A jab -> B slip out",
    "A lead hook -> B weave",
    "A lead hook -> B slip out",
    "A cross -> B step back",
  ]) {
    const [scene] = scenes(text);
    const least = Math.min(...scene!.target!.zones.map((z) => z.margin));
    expect(Math.round(least * 1000) / 10).toBe(scene!.marginCm);
  }
});
test("a cover stands where the hook comes from", () => {
  const [scene] = scenes("A lead hook -> B cover");
  const { covers, attack } = scene!.target!;
  expect(covers).toHaveLength(1);
  expect(covers[0]!.works).toBe(true);
  // A left hook comes to the receiver's right.
  expect(Math.sign(attack!.from.u)).toBe(1);
  expect(Math.sign(covers[0]!.line[0])).toBe(1);
  expect(scene!.contact.find((f) => f.actor === "B")!.busy).toEqual(["right"]);
});
test("the pair's own bodies change the figures", () => {
  const [scene] = scenes("A jab -> B slip out", 0, {
    A: { height: metres(1.93), reach: metres(2.0) },
    B: { height: metres(1.5) },
  });
  expect(scene!.before.map((f) => f.height)).toEqual([1.93, 1.5]);
  expect(scene!.tall).toBe(1.5);
});
test("a push has no line of attack; a row without play no scenes", () => {
  expect(scenes("kind: sensitivity\n\nA push to left shoulder -> B turn", 2)[0]!.target).toBeNull();
  expect(scenes("title: x\n\nA jab -> B slip out", 0)).toEqual([]);
});
