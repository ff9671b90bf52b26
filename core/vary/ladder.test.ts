import { readFileSync } from "node:fs";
import { check } from "../check/check.ts";
import { format } from "../score/format.ts";
import { parse } from "../score/parse.ts";
import { defaultSchool, readSchool } from "../school/school.ts";
import { LADDER_DEFAULTS, makeLadder, stagesOf, type LadderOptions, type LadderResult } from "./ladder.ts";
import { OPERATORS, stageOf } from "./operator-names.ts";
import { playOf } from "./vary.ts";

const school = defaultSchool();
const demo = (name: string) => readFileSync(`demo/drills/${name}.vics`, "utf8");
function ladder(text: string, more: Partial<LadderOptions> = {}, of = school): LadderResult {
  const work = makeLadder(check(parse(text), of), of, { ...LADDER_DEFAULTS, order: stagesOf(of), ...more });
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
}
const good = (result: LadderResult) => {
  if (!result.ok) throw new Error(result.message);
  return result;
};

describe.each(["single-answers", "low-line", "pads-by-name", "roof-and-step", "push-and-turn"])("from %s", (name) => {
  const result = good(ladder(demo(name)));
  test("load rises on each rung, and no two rungs are the same drill", () => {
    const loads = result.rungs.map((r) => r.checked.load.total);
    expect(loads.length).toBeGreaterThanOrEqual(3);
    expect([...loads].sort((a, b) => a - b)).toEqual(loads);
    expect(new Set(result.rungs.map((r) => playOf(r.text))).size).toBe(loads.length);
  });
  test("each rung parses, is stable under formatting, not broken, and says what changed", () => {
    for (const rung of result.rungs) {
      expect(rung.text).toMatch(/^title: .*, rung \d/);
      expect(format(parse(rung.text))).toBe(rung.text);
      expect(check(parse(rung.text), school).verdict).not.toBe("broken");
      expect(rung.changed.length).toBeGreaterThan(5);
    }
  });
  test("stages come in the order of the school", () => {
    const order = stagesOf(school);
    const stages = result.rungs.flatMap((r) =>
      r.operator === null || r.operator === "rows" ? [] : [order.indexOf(stageOf(r.operator))],
    );
    expect([...stages].sort((a, b) => a - b)).toEqual(stages);
  });
});

test("the same seed gives the same ladder", () => {
  const texts = (seed: number) => good(ladder(demo("low-line"), { seed, rungs: 5 })).rungs.map((r) => r.text);
  expect(texts(3)).toEqual(texts(3));
});
test("a drill with errors starts from its sound part and says so", () => {
  const result = good(ladder(demo("cover-and-return"), { rungs: 4 }));
  expect(result.partial).toBe(true);
  for (const rung of result.rungs) expect(rung.text).not.toMatch(/lead hook -> B slip out/);
});
test("operators that are not allowed are not used; too few of them end the ladder with a word", () => {
  const result = good(ladder("A jab -> B slip out", { operators: ["tempo-up"], rungs: 8 }));
  for (const rung of result.rungs.slice(1)) expect(rung.operator).toBe("tempo-up");
  expect(result.notes.join()).toMatch(/ends after \d of 8 rungs/);
});
test.each([
  [{ rungs: 1 }, /2 to 16/],
  [{ operators: [] }, /No operator is allowed/],
  [{ goal: 9 }, /1 to 4 times/],
] as [Partial<LadderOptions>, RegExp][])("%j is refused with what to do", (more, words) => {
  const result = ladder("A jab -> B slip out", more);
  expect(result.ok ? "" : result.message).toMatch(words);
});
test("nothing sound, no ladder: it says where to begin", () => {
  const result = ladder("A lead hook -> B slip out");
  expect(result.ok ? "" : result.message).toMatch(/Mend one row/);
});
test("a school that starts at full speed and brings chance early has it so", () => {
  const read = readSchool({ customs: { chance: "early", power: "full" } });
  if (!read.ok) throw new Error(read.errors.join());
  expect(stagesOf(read.school).indexOf("uncertainty")).toBeLessThan(stagesOf(read.school).indexOf("tempo"));
  expect(stagesOf(school).indexOf("uncertainty")).toBeGreaterThan(stagesOf(school).indexOf("tempo"));
  const [first] = good(
    ladder("tempo: 80%\n\nA jab -> B slip out, cross\nA cross -> B parry", { rungs: 2 }, read.school),
  ).rungs;
  expect(first!.checked.header.tempo).toBe(0.8);
  const [slow] = good(ladder("tempo: 80%\n\nA jab -> B slip out, cross\nA cross -> B parry", { rungs: 2 })).rungs;
  expect(slow!.checked.header.tempo).toBe(0.4);
});
test("every operator has a name and a stage", () => {
  for (const id of OPERATORS) expect([id, LADDER_DEFAULTS.order.includes(stageOf(id))]).toEqual([id, true]);
});
