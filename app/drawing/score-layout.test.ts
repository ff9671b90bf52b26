import { check } from "#core/check/check.ts";
import { scoreView } from "#core/formats/desk-view.ts";
import { parse } from "#core/score/parse.ts";
import { scoreStaves } from "./score-layout.ts";

const staves = (text: string) => scoreStaves(scoreView(check(parse(text))));

test("one stave for each line, sections named once", () => {
  const all = staves("section One\nA jab -> B slip out\nA cross -> B catch\nsection Two\nA lead hook -> B cover");
  expect(all.map((s) => [s.row, s.section, s.crossings.length])).toEqual([
    [1, "One", 1],
    [2, null, 1],
    [4, "Two", 1],
  ]);
});
test("the strands come closer when the feeder steps in", () => {
  const [stave] = staves("A jab -> B slip out");
  const ys = stave!.top.match(/-?[\d.]+ -?[\d.]+(?=S|H)/g)!.map((pair) => Number(pair.split(" ")[1]));
  expect(ys[ys.length - 1]!).toBeGreaterThan(ys[0]!);
});
test("feeds cross from the feeder's strand to the other one, whoever feeds", () => {
  const [stave] = staves("A jab -> B slap parry, cross -> A slip out");
  const [down, up] = stave!.crossings;
  expect(down!.rises).toBe(false);
  expect(down!.toY).toBeGreaterThan(down!.fromY);
  expect(up!.rises).toBe(true);
  expect(up!.toY).toBeLessThan(up!.fromY);
});
test("a return is drawn once: as a line of its own, or as the crossing that answers it", () => {
  expect(staves("A jab -> B slip out, cross")[0]!.returns.map((r) => r.text)).toEqual(["cross"]);
  expect(staves("A jab -> B slip out, cross -> A catch")[0]!.returns).toEqual([]);
  expect(staves("A jab -> B step back, cross")[0]!.returns[0]!.lands).toBe(false);
});
test("blows that meet do so in the middle", () => {
  const [stave] = staves("A: holds stick\nB: holds stick\n\nA R forehand high <> B R forehand high");
  const { startTop, startBottom, crossings } = stave!;
  expect(crossings[0]!.toY).toBeCloseTo((startTop + startBottom) / 2, 6);
});
test("nothing is drawn outside its stave", () => {
  for (const s of staves("A jab, cross, lead hook -> B slap parry, slip out, weave, cross, lead hook")) {
    for (const c of s.crossings) {
      expect(c.toX).toBeLessThan(s.width);
      expect(Math.max(c.toY, c.fromY)).toBeLessThan(s.height);
    }
    for (const r of s.returns) expect(r.toX).toBeLessThan(s.width);
  }
});
test("no exchanges, no staves", () => {
  expect(staves("title: empty")).toEqual([]);
});
