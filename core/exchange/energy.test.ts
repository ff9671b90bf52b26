import { angleBetween, answerEnergy, pressureOf } from "./energy.ts";
import { moveBody } from "./move-body.ts";
import { withState } from "../body/state.ts";
import { feedOf, movesOf, standing } from "./testing.ts";

/** What an answer does to a push, press or pull of A on B. */
function meets(feedText: string, answer: string, yielded = 0) {
  const attacker = standing("A", "", 0);
  const receiver = withState(standing("B", "", 0.75), { yielded });
  const feed = feedOf(movesOf(feedText, attacker, "sensitivity")[0]!);
  const uses = movesOf(answer, receiver, "sensitivity");
  const move = moveBody(uses, receiver, attacker, { blow: null, scale: 1, gap: 0.3 });
  return answerEnergy(uses[0]!, feed, receiver, move);
}

test("angles", () => {
  expect(angleBetween([0, 0, 1], [0, 0, 1])).toBeCloseTo(0, 6);
  expect(angleBetween([1, 0, 0], [0, 1, 0])).toBeCloseTo(90, 6);
  expect(angleBetween([0, 0, 1], [0, 0, -2])).toBeCloseTo(180, 6);
  expect(angleBetween([0, 0, 0], [0, 0, 1])).toBe(90);
});

describe("where a push works", () => {
  const u = (text: string) =>
    pressureOf(feedOf(movesOf(text, standing("A", "", 0), "sensitivity")[0]!), standing("B", "", 0.75)).u;
  test("left and right are the receiver's own", () => {
    expect(u("push to left chest")).toBeLessThan(0);
    expect(u("push to right chest")).toBeGreaterThan(0);
    expect(u("push to centre")).toBe(0);
    expect(u("push to lead shoulder")).toBeLessThan(0);
  });
});

describe("yield, redirect, follow, go through, resist", () => {
  test.each([
    ["push to right chest", "turn right", "yields"],
    ["push to left hip", "turn left", "yields"],
    ["push to centre", "turn left", "redirects"],
    ["push to centre", "sink", "yields"],
    ["push to centre", "empty", "yields"],
    ["push to centre", "step back", "yields"],
    ["press on lead forearm", "palm-up arm", "redirects"],
    ["press on lead forearm", "circling hand", "redirects"],
    ["pull on lead wrist", "follow", "yields"],
    ["pull on lead wrist", "step in", "yields"],
    ["lift", "sink", "redirects"],
    ["sink on", "sinking elbow", "yields"],
  ] as const)("%s, %s: %s", (feed, answer, kind) => {
    expect(meets(feed, answer)).toMatchObject({ fails: null, detail: { kind } });
  });
  test.each([
    ["push to right chest", "turn left"],
    ["push to centre", "brace"],
    ["pull on lead wrist", "step back"],
    ["pull on lead wrist", "brace"],
  ] as const)("%s, %s resists", (feed, answer) => {
    expect(meets(feed, answer)?.fails).toBe("resisting");
  });
  test("when the pressure is gone the hand goes through; backing off misses it", () => {
    expect(meets("release", "shooting hand")).toMatchObject({ fails: null, detail: { kind: "through" } });
    expect(meets("collapse", "follow")?.fails).toBeNull();
    expect(meets("release", "step back")?.fails).toBe("open");
  });
  test("what does not touch it does nothing", () => {
    expect(meets("push to centre", "duck")?.fails ?? "nothing").not.toBeNull();
    expect(meets("push to centre", "cover")).toBeNull();
  });
  test("room to yield is used up", () => {
    expect(meets("push to centre", "sink", 0)!.margin).toBeGreaterThan(meets("push to centre", "sink", 0.1)!.margin);
    expect(meets("push to centre", "sink", 0.24)?.fails).toBe("open");
    expect(meets("push to centre", "step back", 0.24)?.fails).toBeNull();
  });
});
