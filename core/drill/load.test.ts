/** The load of a drill: its parts, and that more of anything is never easier. */
import fc from "fast-check";
import { readSchool } from "../policy/school.ts";
import { parse } from "../score/parse.ts";
import { check } from "./check.ts";
import { LOAD_PARTS, LOAD_WEIGHTS, loadUnit, type LoadPart } from "../customs/load-parts.ts";

const FEEDS = ["jab", "cross", "lead hook", "rear uppercut", "push kick"];
const ANSWERS = ["slip out", "parry", "cover", "weave", "step back"];
const row = fc
  .tuple(fc.constantFrom(...FEEDS), fc.constantFrom(...ANSWERS))
  .map(([feed, answer]) => `A ${feed} -> B ${answer}`);
const rows = fc.uniqueArray(row, { minLength: 2, maxLength: 5 });
const load = (text: string) => check(parse(text)).load;

/** A drill, and the same with more of one thing. */
const RAISED: Record<LoadPart, (lines: string[]) => [string, string]> = {
  choice: (lines) => [lines.join("\n"), `choose A:\n${lines.map((l) => `  ${l}`).join("\n")}\nend`],
  length: (lines) => [lines.slice(1).join("\n"), [...lines.slice(1), lines[0]!].join("\n")],
  coordination: (lines) => [lines.join("\n"), `loop x4:\n${lines.map((l) => `  ${l}`).join("\n")}\nend`],
  footwork: (lines) => [lines.join("\n"), `${lines.slice(0, -1).join("\n")}\n${lines[lines.length - 1]!} + step off`],
  cue: (lines) => [lines.join("\n"), `cadence: free\n\n${lines.join("\n")}`],
  pressure: (lines) => [`tempo: 40%\n\n${lines.join("\n")}`, `tempo: 60%\n\n${lines.join("\n")}`],
  consequence: (lines) => [`contact: none\n\n${lines.join("\n")}`, `contact: light\n\n${lines.join("\n")}`],
  restriction: (lines) => [lines.join("\n"), `rules B: no steps\n\n${lines.join("\n")}`],
};

test.each(LOAD_PARTS)("with more %s no drill is easier, in that part or as a whole", (part) => {
  fc.assert(
    fc.property(rows, (lines) => {
      const [less, more] = RAISED[part](lines).map(load) as [ReturnType<typeof load>, ReturnType<typeof load>];
      expect(more.parts[part]).toBeGreaterThanOrEqual(less.parts[part]);
      // A step off may clear a blow sooner, without a stop the distance may grow, and the lines of a choice share
      // one distance: all of these may take pressure off, so there the part alone counts.
      if (part !== "footwork" && part !== "coordination" && part !== "choice")
        expect(more.total).toBeGreaterThanOrEqual(less.total - 1e-9);
    }),
    { numRuns: 60 },
  );
});
test("the total is the sum of its parts", () => {
  fc.assert(
    fc.property(rows, (lines) => {
      const { total, parts } = load(lines.join("\n"));
      expect(total).toBeCloseTo(
        LOAD_PARTS.reduce((sum, part) => sum + parts[part], 0),
        6,
      );
    }),
    { numRuns: 40 },
  );
});
test("a choice of n adds its bits: log2 n for a feeder, and more lines more", () => {
  const of = (n: number) =>
    load(
      `choose A:\n${FEEDS.slice(0, n)
        .map((f, i) => `  A ${f} -> B ${["slip out", "parry", "weave", "lean back", "step back"][i]}`)
        .join("\n")}\nend`,
    ).parts.choice;
  expect(of(2)).toBeCloseTo(LOAD_WEIGHTS.choice * 1, 2);
  expect(of(4)).toBeCloseTo(LOAD_WEIGHTS.choice * 2, 2);
  expect(of(3)).toBeCloseTo(LOAD_WEIGHTS.choice * Math.log2(3), 2);
});
test("sides count by how often they change: half for the first change, then half of what is left", () => {
  const of = (...feeds: string[]) => load(feeds.map((feed) => `A ${feed} -> B cover`).join("\n")).parts.coordination;
  const once = LOAD_WEIGHTS.coordination;
  const [left, right] = ["lead hook", "rear hook"];
  expect(of(left!, left!, left!)).toBe(0);
  expect(of(left!, right!)).toBeCloseTo(once / 2, 1);
  expect(of(left!, left!, right!)).toBe(of(left!, right!));
  expect(of(left!, right!, left!)).toBeCloseTo(once * 0.75, 1);
  expect(of(left!, right!, left!, right!)).toBeGreaterThan(of(left!, right!, left!));
  // A row that comes from both sides is a change by itself.
  expect(load("A lead hook, rear hook -> B cover, cover").parts.coordination).toBe(of(left!, right!));
});
test("every part says what a unit of it is", () => {
  for (const part of LOAD_PARTS) expect(loadUnit(part).length).toBeGreaterThan(10);
});

describe("weights of a school", () => {
  const text = "contact: medium\n\nA jab -> B slip out, cross\nA cross -> B parry";
  const under = (data: unknown) => {
    const read = readSchool(data);
    if (!read.ok) throw new Error(read.errors.join());
    return check(parse(text), read.school).load;
  };
  test("a part that weighs nothing adds nothing, twice the weight twice as much", () => {
    const usual = under({});
    expect(under({ load: { consequence: 0 } }).parts.consequence).toBe(0);
    expect(under({ load: { consequence: 2 * LOAD_WEIGHTS.consequence } }).parts.consequence).toBeCloseTo(
      2 * usual.parts.consequence,
      6,
    );
    expect(under({ load: { consequence: 0 } }).parts.length).toBe(usual.parts.length);
  });
  test.each([{ load: { effort: 1 } }, { load: { choice: -1 } }, { load: { choice: 99 } }, { load: 3 }])(
    "%j is refused in words",
    (data) => {
      const read = readSchool(data);
      expect(read.ok ? "" : read.errors.join()).toMatch(/load/);
    },
  );
});
