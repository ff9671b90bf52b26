import { clearance } from "./clear.ts";
import { moveBody } from "./move-body.ts";
import { movesOf, scene } from "./testing.ts";

/** How an evasion clears a blow: margin in cm, the nearest zone, and how. */
function clears(blowText: string, evasion: string, distance = 1.15, a = "", b = "") {
  const { attacker, receiver, blow } = scene(blowText, distance, a, b);
  const move = moveBody(movesOf(evasion, receiver), receiver, attacker, { blow: blow, scale: 1, gap: null });
  const { margin, zone, by } = clearance(blow, move.state, move.right, move.forward);
  return { cm: Math.round(margin * 100), zone, by };
}

describe("nothing moved", () => {
  test("a real feed hits its target", () => {
    for (const blow of ["jab", "cross", "lead hook", "rear uppercut", "push kick", "rear round kick to leg"]) {
      const s = scene(blow, 1.1);
      expect(clearance(s.blow, s.receiver, 0, 0).margin).toBeLessThan(0);
    }
  });
});

describe("evasions", () => {
  test("a slip clears a straight blow sideways by about five centimetres", () => {
    // Head 18 cm aside, half a head 8, fist 5: common practice, no source.
    expect(clears("jab", "slip out")).toEqual({ cm: 5, zone: "head", by: "beside" });
    expect(clears("jab", "slip in").cm).toBe(5);
  });
  test("a round blow follows it", () => {
    expect(clears("lead hook", "slip out").cm).toBeLessThan(0);
    expect(clears("rear hook", "slip left").cm).toBeLessThan(0);
  });
  test("a duck of 30 cm goes under a hook at the head's centre by 13 cm", () => {
    expect(clears("lead hook", "duck")).toMatchObject({ cm: 13, by: "beside" });
  });
  test("going down meets a rising blow and stays under a falling one", () => {
    expect(clears("rear uppercut", "duck").cm).toBeLessThan(0);
    expect(clears("hammerfist", "duck").cm).toBeLessThan(0);
  });
  test("leaning takes the head out of reach, hardly the belly", () => {
    expect(clears("rear uppercut", "lean back", 1.0)).toMatchObject({ by: "short" });
    expect(clears("rear uppercut", "lean back", 1.0).cm).toBeGreaterThan(3);
    expect(clears("push kick", "lean back").cm).toBeLessThan(0);
  });
  test("a duck drops the chest into a line at the ribs", () => {
    const result = clears("forehand mid", "duck", 1.7, "holds stick 71 cm");
    expect(result.cm).toBeLessThan(0);
  });
  test("a step back clears everything by depth", () => {
    for (const blow of ["jab", "lead hook", "rear uppercut", "rear round kick to leg"])
      expect(clears(blow, "step back").by).toBe("short");
  });
  test("stepping off clears a straight blow and an overhead, not a round one", () => {
    expect(clears("cross", "step off").cm).toBeGreaterThan(0);
    expect(clears("overhead", "step off", 1.7, "holds stick 71 cm").cm).toBeGreaterThan(0);
    expect(clears("lead hook", "step off").cm).toBeLessThan(0);
  });
  test("only the attacked leg is pulled", () => {
    const { attacker, receiver, blow } = scene("rear round kick to leg", 1.1);
    const { state } = moveBody(movesOf("pull leg", receiver), receiver, attacker, { blow: blow, scale: 1, gap: null });
    expect(state.posture.legBack.left).toBeGreaterThan(0.4);
    expect(state.posture.legBack.right).toBe(0);
  });
  test("displacements grow with the body", () => {
    expect(clears("jab", "slip out", 1.2, "", "height 190").cm).toBeGreaterThan(
      clears("jab", "slip out", 1.1, "", "height 155").cm,
    );
  });
});

describe("which way", () => {
  const shift = (blowText: string, evasion: string, b = "") => {
    const { attacker, receiver, blow } = scene(blowText, 1.15, "", b);
    return moveBody(movesOf(evasion, receiver), receiver, attacker, { blow: blow, scale: 1, gap: null });
  };
  test.each([
    ["jab", "slip out", 1],
    ["jab", "slip in", -1],
    ["cross", "slip out", -1],
    ["cross", "slip left", -1],
    ["jab", "slip left", -1],
    ["lead hook", "weave", 1],
    ["rear hook", "weave", -1],
  ] as const)("%s, %s", (blow, evasion, sign) => {
    expect(Math.sign(shift(blow, evasion).state.posture.head.u)).toBe(sign);
  });
  test("a step off goes outside of a straight blow and away from an arc", () => {
    expect(Math.sign(shift("jab", "step off").right)).toBe(1);
    expect(Math.sign(shift("rear hook", "step off").right)).toBe(1);
    expect(Math.sign(shift("lead hook", "step off").right)).toBe(-1);
  });
  test("a lean puts the weight on the rear leg, a slip on the side it goes to", () => {
    expect(shift("jab", "lean back").state.weight).toBe("rear");
    expect(shift("jab", "slip left").state.weight).toBe("lead");
    expect(shift("jab", "slip right").state.weight).toBe("rear");
  });
  test("nobody steps through the other", () => {
    const { attacker, receiver } = scene("jab", 0.5);
    const { forward } = moveBody(movesOf("step in", receiver), receiver, attacker, { blow: null, scale: 1, gap: 2 });
    expect(forward).toBeLessThanOrEqual(0.151);
  });
});
