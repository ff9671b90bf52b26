import { checkFor } from "../policy/judge.ts";
import { closeCycle } from "./close-cycle.ts";
import { parse } from "../score/parse.ts";
import { defaultSchool } from "../policy/school.ts";

const close = (text: string) => closeCycle(text, checkFor(parse(text)), defaultSchool());

test("a step that is never taken back is taken back", () => {
  const text = "kind: flow\n\nloop x4:\n  A jab -> B step off\n  B step left\nend\n";
  expect(checkFor(parse(text)).closure?.closes).toBe(false);
  const ways = close(text);
  expect(ways.length).toBeGreaterThan(0);
  for (const way of ways) {
    expect(checkFor(parse(way.text)).closure?.closes).toBe(true);
    expect(way.rows.length).toBeLessThanOrEqual(2);
    // The rows stand inside the loop, as deep as the others.
    expect(way.text).toContain(`\n  ${way.rows[0]}\n`);
  }
});
test("a hand change in a cycle asks for another one", () => {
  const text =
    "kind: flow\nA: holds stick\nB: holds stick\n\nloop x4:\n  A R forehand high <> B R forehand high\n  both change hands\nend\n";
  const ways = close(text);
  expect(ways.map((w) => w.rows.join("; "))).toContain("both change hands");
});
test("what closes needs nothing; what has no cycle neither", () => {
  expect(close("kind: flow\n\nloop x4:\n  A jab -> B slap parry\n  both recover\nend\n")).toEqual([]);
  expect(close("A jab -> B slip out")).toEqual([]);
});
test("the search ends within its budget", () => {
  const text = "kind: flow\n\nloop x4:\n  B step left\nend\n";
  expect(
    closeCycle(text, checkFor(parse(text)), defaultSchool(), { nodes: 3, count: 3, depth: 2 }).length,
  ).toBeLessThanOrEqual(3);
});
