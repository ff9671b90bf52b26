/**
 * Balance against an independent computation: the linear inverted pendulum is integrated, with the pressure under
 * the feet held at the edge that is nearest to where the body goes. Hof, Gazendam and Sinke (2005) say that it stays
 * up as long as x + v / sqrt(g / l) is inside the feet.
 */
import fc from "fast-check";
import { balanceMargin, baseOf, centreOf, frequency, MASS, massOf } from "./balance.ts";
import { bodyOf } from "./body.ts";
import { STANCE, type Posture } from "./state.ts";
import { stanceNamed, USUAL_STANCE } from "../score/postures.ts";
import { parsePerson } from "../score/person.ts";

/** True where a pendulum of frequency `w` that starts at `x` with speed `v` comes back from an edge at `edge`. */
function comesBack(x: number, v: number, edge: number, w: number): boolean {
  const h = 0.0005;
  for (let t = 0; t < 6; t += h) {
    // x'' = w^2 (x - p): the best the feet can do is to press at the edge. Fourth order Runge and Kutta.
    const f = (at: number) => w * w * (at - edge);
    const k1 = [v, f(x)] as const;
    const k2 = [v + (h / 2) * k1[1], f(x + (h / 2) * k1[0])] as const;
    const k3 = [v + (h / 2) * k2[1], f(x + (h / 2) * k2[0])] as const;
    const k4 = [v + h * k3[1], f(x + h * k3[0])] as const;
    x += (h / 6) * (k1[0] + 2 * k2[0] + 2 * k3[0] + k4[0]);
    v += (h / 6) * (k1[1] + 2 * k2[1] + 2 * k3[1] + k4[1]);
    if (v <= 0) return true;
    if (x > edge + 1) return false;
  }
  return v <= 0;
}

const leaning = (d: number, u = 0): Posture => {
  const all = { u, w: 0, d };
  return { ...STANCE, head: all, chest: all, belly: all, hips: all };
};

test("the margin says what the pendulum does, forward and to the side", () => {
  const H = 1.75;
  const base = baseOf(USUAL_STANCE, H);
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 0.5, noNaN: true }),
      fc.double({ min: 0.05, max: 2.5, noNaN: true }),
      (lean, v) => {
        for (const way of ["fore", "side"] as const) {
          const posture = way === "fore" ? leaning(lean) : leaning(0, lean);
          const drift = way === "fore" ? { u: 0, d: v } : { u: v, d: 0 };
          const margin = balanceMargin(posture, USUAL_STANCE, H, drift);
          if (Math.abs(margin) < 0.002) continue;
          const x = way === "fore" ? centreOf(posture).d : centreOf(posture).u;
          const edge = way === "fore" ? base.front : base.side;
          expect(comesBack(x, v, edge, frequency(H, way))).toBe(margin > 0);
        }
      },
    ),
    { numRuns: 60 },
  );
});

test("the shares of mass are all of the body", () => {
  expect(Object.values(MASS).reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 9);
});

test("feet that stay keep a part of the legs where they are; feet that go along keep the balance", () => {
  const hips = centreOf(leaning(0.1)).d;
  expect(hips).toBeGreaterThan(0.08);
  expect(hips).toBeLessThan(0.1);
  const stepped = { ...leaning(0.1), legs: { u: 0, w: 0, d: 0.1 } };
  expect(centreOf(stepped).d).toBeCloseTo(0, 9);
});

test("a pendulum of 1.75 m: between 2.8 and 3 swings, slower to the side", () => {
  expect(frequency(1.75, "fore")).toBeCloseTo(Math.sqrt(9.81 / (1.24 * 0.53 * 1.75)), 9);
  expect(frequency(1.75, "side")).toBeLessThan(frequency(1.75, "fore"));
});

test("mass as it is written, else by stature", () => {
  expect(massOf(bodyOf(parsePerson("mass 80").person))).toBe(80);
  expect(massOf(bodyOf(parsePerson("height 175").person))).toBeCloseTo(68.9, 1);
});

test("a wide stance stands to the side, a long one forward, and feet together hardly at all", () => {
  const margin = (name: string, posture: Posture) => balanceMargin(posture, stanceNamed(name)!, 1.75, { u: 0, d: 0 });
  expect(margin("kiba dachi", leaning(0, 0.3))).toBeGreaterThan(0);
  expect(margin("zenkutsu dachi", leaning(0, 0.3))).toBeLessThan(0);
  expect(margin("zenkutsu dachi", leaning(0.3))).toBeGreaterThan(0);
  expect(margin("feet together", leaning(0, 0.1))).toBeLessThan(0);
});
