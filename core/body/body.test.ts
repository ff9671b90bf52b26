import Flatten from "@flatten-js/core";
import fc from "fast-check";
import { SEGMENTS } from "./anthropometry.ts";
import { bodyOf, HIT_ZONES, zonesOf } from "./body.ts";
import { pointEllipseDistance, pointSegmentDistance, segmentDistance, segmentEllipseDistance } from "./geometry.ts";
import { parsePerson } from "../score/person.ts";

test("segment ratios are those of the published table", () => {
  // Drillis and Contini (1966), as tabled in Winter, Biomechanics and Motor Control of Human Movement.
  expect(SEGMENTS).toEqual({
    upperArm: 0.186,
    forearm: 0.146,
    hand: 0.108,
    thigh: 0.245,
    shank: 0.246,
    footHeight: 0.039,
    shoulderHeight: 0.818,
    hipHeight: 0.53,
    biacromial: 0.259,
    eyeHeight: 0.936,
    chinHeight: 0.87,
  });
  // The same table adds up: thigh, shank and foot reach the hip.
  expect(SEGMENTS.thigh + SEGMENTS.shank + SEGMENTS.footHeight).toBeCloseTo(SEGMENTS.hipHeight, 2);
});

test("a worked example: a person of 1.80 m", () => {
  const body = bodyOf(parsePerson("height 180").person);
  expect(body.arm).toBeCloseTo(0.792, 3); // (.186 + .146 + .108) x 1.80
  expect(body.shoulderHeight).toBeCloseTo(1.472, 3);
  expect(body.halfShoulders).toBeCloseTo(0.233, 3);
});

test("own arm span makes the arm longer or shorter", () => {
  expect(bodyOf(parsePerson("height 180, reach 190").person).arm).toBeCloseTo(0.44 * 1.9, 6);
});

test("zones fill the outline from the floor to the crown without leaving it", () => {
  const zones = zonesOf(parsePerson("height 175").person);
  expect([...zones.keys()].sort()).toEqual([...HIT_ZONES].sort());
  for (const z of zones.values()) {
    expect(z.w - z.hw).toBeGreaterThanOrEqual(-0.01);
    expect(z.w + z.hw).toBeLessThanOrEqual(1.77);
  }
  const chin = zones.get("head")!;
  expect(chin.w - chin.hw).toBeCloseTo(SEGMENTS.chinHeight * 1.75, 1);
});

const coordinate = fc.double({ min: -2, max: 2, noNaN: true });
const point = fc.tuple(coordinate, coordinate);

test("segment distances agree with a geometry library", () => {
  // Reference: @flatten-js/core, a general-purpose geometry library.
  fc.assert(
    fc.property(point, point, point, point, ([ax, ay], [bx, by], [cx, cy], [dx, dy]) => {
      fc.pre(Math.hypot(ax - bx, ay - by) > 0.01 && Math.hypot(cx - dx, cy - dy) > 0.01);
      const one = Flatten.segment(ax, ay, bx, by);
      const two = Flatten.segment(cx, cy, dx, dy);
      // The library calls two that nearly touch touching: there only that may differ.
      const there = one.distanceTo(two)[0];
      const here = segmentDistance(ax, ay, bx, by, cx, cy, dx, dy);
      if (there === 0) expect(here).toBeLessThan(2e-4);
      else expect(here).toBeCloseTo(there, 4);
      expect(pointSegmentDistance(cx, cy, ax, ay, bx, by)).toBeCloseTo(Flatten.point(cx, cy).distanceTo(one)[0], 4);
    }),
    { numRuns: 300 },
  );
});

/** An ellipse as a polygon of many corners, for the library. */
function polygonOf(cx: number, cy: number, a: number, b: number): Flatten.Polygon {
  const corners = Array.from({ length: 720 }, (_, i) =>
    Flatten.point(cx + a * Math.cos((i * Math.PI) / 360), cy + b * Math.sin((i * Math.PI) / 360)),
  );
  return new Flatten.Polygon(corners);
}

test("ellipse distances agree with a fine polygon in a geometry library", () => {
  const axis = fc.double({ min: 0.05, max: 0.4, noNaN: true });
  fc.assert(
    fc.property(point, point, axis, axis, ([px, py], [qx, qy], a, b) => {
      fc.pre(Math.hypot(px - qx, py - qy) > 0.05);
      const outline = polygonOf(0, 0, a, b);
      const reference = Flatten.segment(px, py, qx, qy).distanceTo(outline)[0];
      const own = segmentEllipseDistance(px, py, qx, qy, 0, 0, a, b);
      if (own > 0) expect(own).toBeCloseTo(reference, 2);
      else expect(reference).toBeLessThan(0.4);
      const ownPoint = pointEllipseDistance(px, py, a, b);
      if (ownPoint > 0) expect(ownPoint).toBeCloseTo(Flatten.point(px, py).distanceTo(outline)[0], 2);
    }),
    { numRuns: 60 },
  );
});

test("inside an ellipse distances are negative", () => {
  expect(pointEllipseDistance(0.01, 0, 0.1, 0.2)).toBeLessThan(0);
  expect(segmentEllipseDistance(-1, 0, 1, 0, 0, 0.05, 0.1, 0.2)).toBeLessThan(0);
});
