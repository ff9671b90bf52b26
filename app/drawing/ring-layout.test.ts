import { checkFor } from "#core/policy/judge.ts";
import { scoreView } from "#core/formats/desk-view.ts";
import { parse } from "#core/score/parse.ts";
import { flowRings } from "./ring-layout.ts";

const rings = (text: string) => flowRings(scoreView(checkFor(parse(text))));
const STICKS = "kind: flow\nA: holds stick\nB: holds stick\n\n";
const WEAVE = `${STICKS}loop x8:\n  A R forehand high <> B R forehand high\n  A R backhand low <> B R backhand low\n  A R forehand low <> B R forehand low\n  A R backhand high <> B R backhand high\nend`;

/** Distance of the first and last point of a path. */
function ends(path: string): number {
  const numbers = path.match(/-?[\d.]+/g)!.map(Number);
  const [x1, y1] = numbers;
  const [x2, y2] = numbers.slice(-2);
  return Math.hypot(x1! - x2!, y1! - y2!);
}

test("a cycle of four counts stands at the four quarters", () => {
  const [ring] = rings(WEAVE);
  expect(ring!.crossings).toHaveLength(4);
  const angles = ring!.crossings.map((c) => Math.atan2(c.to.x, -c.to.y));
  for (let i = 1; i < 4; i++) {
    const step = (angles[i]! - angles[i - 1]! + 2 * Math.PI) % (2 * Math.PI);
    expect(step).toBeCloseTo(Math.PI / 2, 2);
  }
  expect(ring!.open).toEqual([]);
});
test("blows that meet do so on the middle circle", () => {
  const [ring] = rings(WEAVE);
  for (const c of ring!.crossings) expect(Math.hypot(c.to.x, c.to.y)).toBeCloseTo(150, 0);
});
test("partners who come closer are closer on the ring", () => {
  const [ring] = rings("kind: flow\n\nloop x2:\n  A jab -> B slip out\n  both recover\nend");
  const e = ring!.crossings[0]!.exchange;
  expect(e.after).toBeLessThan(e.before);
  expect(ring!.strands.map((s) => s.actor)).toEqual(["A", "B"]);
});
test("a cycle that does not close leaves a gap and says why", () => {
  const [ring] = rings("kind: flow\n\nloop x4:\n  A jab -> B step off\n  B step left\nend");
  expect(ring!.open.length).toBeGreaterThan(0);
  expect(ring!.crossings[0]!.from.x).toBeGreaterThan(0);
  expect(ends(ring!.strands[0]!.path)).toBeGreaterThan(20);
  expect(ends(rings(WEAVE)[0]!.strands[0]!.path)).toBeLessThan(1);
});
test("no loop, no ring", () => {
  expect(rings("A jab -> B slip out")).toEqual([]);
});
