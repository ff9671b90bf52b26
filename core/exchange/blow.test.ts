import { byHeight, reachOf } from "./blow.ts";
import { movesOf, scene, standing } from "./testing.ts";

const reach = (move: string, row = "", height = 1.6, isReturn = false) => {
  const state = standing("A", row, 0);
  const use = movesOf(move, state)[0]!;
  const side = use.move.limb.startsWith("rear") || use.side === "rear" ? "right" : "left";
  return reachOf({ use, isReturn }, state, side, height);
};

describe("reach", () => {
  test("a worked jab at shoulder height", () => {
    // Arm .44 x 1.75 x .97 = .747; shoulder forward by half of .259 x 1.75, times sin 45: .160.
    expect(reach("jab", "height 175", 0.818 * 1.75)).toBeCloseTo(0.747 + 0.16, 2);
  });
  test("falls with the height difference, more for the shorter person", () => {
    expect(reach("jab", "", 1.75)).toBeLessThan(reach("jab", "", 1.45));
    expect(reach("jab", "height 150", 1.7)).toBeLessThan(reach("jab", "height 190", 1.7));
  });
  test("a striker dips for a low target, so a little lower costs nothing", () => {
    expect(reach("jab", "", 1.2)).toBeCloseTo(reach("jab", "", 0.818 * 1.75), 6);
    expect(reach("jab", "", 0.5)).toBeLessThan(reach("jab", "", 1.2));
  });
  test("round blows reach less far than straight ones, weapons further", () => {
    expect(reach("lead hook")).toBeLessThan(reach("jab"));
    expect(reach("forehand high", "holds stick 71 cm")).toBeGreaterThan(reach("cross") + 0.3);
    expect(reach("forehand high", "holds stick 90 cm")).toBeGreaterThan(reach("forehand high", "holds stick 60 cm"));
  });
  test("a bent arm that goes down to the ribs reaches no further than one at the head", () => {
    // A hook to the body comes from an elbow that hangs: common practice, no source.
    expect(reach("lead hook to body", "", 0.72 * 1.75)).toBeLessThanOrEqual(reach("lead hook", "", 0.9 * 1.75) + 0.01);
    expect(reach("lead hook to body", "", 0.72 * 1.75)).toBeLessThan(reach("lead hook", "", 0.818 * 1.75));
  });
  test("a return turns further than a feed", () => {
    expect(reach("cross", "", 1.5, true)).toBeGreaterThan(reach("cross", "", 1.5, false));
  });
  test("own arm span counts", () => {
    expect(reach("jab", "height 175, reach 190")).toBeGreaterThan(reach("jab", "height 175, reach 165"));
  });
});

describe("where a blow comes from and goes to", () => {
  test.each([
    ["jab", "right", null],
    ["cross", "left", null],
    ["lead hook", "right", 3],
    ["rear hook", "left", 9],
    ["rear round kick to leg", "left", 9],
    ["rear uppercut", "left", 6],
  ] as const)("%s comes from the receiver's %s", (name, incoming, clock) => {
    const { blow } = scene(name, 1.1);
    expect(blow.incoming).toBe(incoming);
    expect(blow.clock).toBe(clock);
  });
  test("a left-hander's forehand comes from the other side", () => {
    expect(scene("forehand high", 1.6, "holds stick 71 cm").blow.incoming).toBe("left");
    expect(scene("forehand high", 1.6, "holds stick 71 cm, left handed").blow.incoming).toBe("right");
    expect(scene("backhand high", 1.6, "holds stick 71 cm").blow.incoming).toBe("right");
  });
  test.each([
    ["jab", "head"],
    ["jab to body", "belly"],
    ["jab to throat", "neck"],
    ["rear round kick to leg", "thigh left"],
    ["rear round kick to rear leg", "thigh right"],
    ["push kick", "belly"],
    ["sweep", "shin left"],
    ["ankle pick", "shin left"],
  ] as const)("%s goes to the %s", (name, zone) => {
    expect(scene(name, 1.1).blow.zone).toBe(zone);
  });
  test("a side of the body is always its owner's", () => {
    expect(scene("cross to left ribs", 1.1).blow.aim.u).toBeLessThan(0);
    expect(scene("cross to right ribs", 1.1).blow.aim.u).toBeGreaterThan(0);
  });
});

describe("step, spare, missing", () => {
  test("the feeder takes the step they need and no more", () => {
    const near = scene("jab", 1.0).blow;
    const far = scene("jab", 1.2).blow;
    expect(far.step - near.step).toBeCloseTo(0.2, 6);
    expect(far.spare).toBeCloseTo(0.09, 6);
  });
  test("beyond their longest step it falls short by the rest", () => {
    const { blow } = scene("jab", 2);
    expect(blow.step).toBeCloseTo(0.35, 6);
    expect(blow.missing).toBeGreaterThan(0.5);
    expect(blow.spare).toBe(0);
  });
  test("taller people take longer steps", () => {
    expect(scene("jab", 3, "height 190").blow.step).toBeGreaterThan(scene("jab", 3, "height 160").blow.step);
  });
  test("a long kick needs room", () => {
    expect(scene("back kick", 0.5).blow.tooClose).toBe(true);
    expect(scene("short back kick", 0.5).blow.tooClose).toBe(false);
  });
});

test("one value or one by height, the first being the default", () => {
  expect(byHeight(9, "low")).toBe(9);
  expect(byHeight({ high: 10, low: 8 }, "low")).toBe(8);
  expect(byHeight({ high: 10, low: 8 }, null)).toBe(10);
  expect(byHeight({ high: 10, low: 8 }, "mid")).toBe(10);
});
