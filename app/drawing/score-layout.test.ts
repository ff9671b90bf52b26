import { checkFor } from "#core/policy/judge.ts";
import { scoreView } from "#core/formats/desk-view.ts";
import { parse } from "#core/score/parse.ts";
import { lanesOf, nextCrossing, scoreStaves } from "./score-layout.ts";

const staves = (text: string) => scoreStaves(scoreView(checkFor(parse(text))));

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
  const ys = stave!.strands[0]!.path.match(/-?[\d.]+ -?[\d.]+(?=S|H)/g)!.map((pair) => Number(pair.split(" ")[1]));
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
  const { starts, crossings } = stave!;
  expect(crossings[0]!.toY).toBeCloseTo((starts[0]!.y + starts[1]!.y) / 2, 6);
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

describe("alternatives", () => {
  const text = "A jab -> B slip out | parry | step back, cross -> A catch";
  test("are lanes that leave the line at the feed they answer and come back at the end", () => {
    const [stave] = staves(text);
    const lanes = lanesOf(stave!.crossings.map((c) => c.exchange));
    expect(lanes.map((lane) => [lane.exchanges.map((e) => e.answer)[0], lane.leavesAt])).toEqual([
      ["slip out", null],
      ["parry", 2],
      ["step back", 2],
    ]);
    const tops = stave!.crossings.map((c) => c.toY);
    expect(tops[1]!).toBeGreaterThan(tops[0]!);
    // Each lane of each partner is joined to the first one.
    expect(stave!.strands.filter((s) => s.key.startsWith("join"))).toHaveLength(2 * 3);
  });
  test("the lines of a range follow each other on one lane", () => {
    const [stave] = staves("A: holds stick\nB: holds stick\n\nA strike {1..4} -> B block {#}");
    expect(stave!.crossings).toHaveLength(4);
    expect(lanesOf(stave!.crossings.map((c) => c.exchange))).toHaveLength(1);
  });
});

test("three people have three strands, and who answers faces who feeds", () => {
  const [stave] = staves(
    "formation: triangle 2 m\nA: lead left\nB: lead left\nC: lead left\n\nA jab at C -> C slip out",
  );
  expect(stave!.starts.map((s) => s.actor)).toEqual(["A", "B", "C"]);
  expect(stave!.crossings[0]!.toY).toBeGreaterThan(stave!.starts[1]!.y);
  expect(stave!.marks.find((m) => m.kind === "facing")).toMatchObject({ actor: "C", value: "up" });
});
test("blocks are rails beside their lines, deeper ones further in", () => {
  const all = staves(
    "kind: flow\n\nloop x4:\n  A jab -> B slip out\n  choose A:\n    one: A cross -> B catch\n    two: A jab -> B parry\n  end\nend",
  );
  expect(all.map((s) => s.rails.map((r) => [r.type, r.first, r.last]))).toEqual([
    [["loop", true, false]],
    [
      ["loop", false, false],
      ["choose", true, false],
    ],
    [
      ["loop", false, true],
      ["choose", false, true],
    ],
  ]);
  expect(all[1]!.rails[1]!.x).toBeGreaterThan(all[1]!.rails[0]!.x);
  expect(all[1]!.startX).toBeGreaterThan(all[0]!.startX);
});
test("weight that shifts and hands that are held are marked on their strand", () => {
  const [cross] = staves("A cross -> B slip out");
  expect(cross!.marks.filter((m) => m.kind === "weight").map((m) => m.words)).toContain("A: weight on the lead foot");
  const [pinned] = staves("A jab -> B parry + pin");
  expect(pinned!.marks.filter((m) => m.kind === "pin").map((m) => m.actor)).toEqual(["A"]);
});
test("arrow keys walk through the crossings and stop at the ends", () => {
  const all = staves("A jab, cross -> B slip out, catch\nA lead hook -> B cover");
  const key = (row: number, i: number) => all[row]!.crossings[i]!.exchange.key;
  const next = (from: string | null, arrow: string) => nextCrossing(all, from, arrow)?.exchange.key ?? null;
  expect(next(null, "ArrowRight")).toBe(key(0, 0));
  expect(next(key(0, 0), "ArrowRight")).toBe(key(0, 1));
  expect(next(key(0, 1), "ArrowRight")).toBe(key(1, 0));
  expect(next(key(1, 0), "ArrowLeft")).toBe(key(0, 1));
  expect(next(key(0, 1), "ArrowDown")).toBe(key(1, 0));
  expect(next(key(0, 0), "ArrowLeft")).toBeNull();
  expect(next(key(0, 0), "End")).toBe(key(1, 0));
  expect(next(key(1, 0), "x")).toBeNull();
});
test("who works alone has one strand, and nothing is said to be unanswered", () => {
  const [stave] = staves("kind: solo\n\nA jab, cross");
  expect(stave!.strands.map(({ actor }) => actor)).toEqual(["A"]);
  expect(stave!.starts).toHaveLength(1);
  expect(stave!.crossings[0]).toMatchObject({ alone: true });
  expect(stave!.crossings[0]!.toY).toBe(stave!.crossings[0]!.fromY);
});
