import { checkFor } from "../policy/judge.ts";
import { readFileSync } from "node:fs";
import { format } from "../score/format.ts";
import { parse } from "../score/parse.ts";
import { defaultSchool, readSchool } from "../policy/school.ts";
import { makeLadder, type LadderResult } from "./ladder.ts";
import { OPERATOR_NAMES, OPERATORS, stageOf } from "../vary/operator-names.ts";
import { GOALS, LADDER_DEFAULTS, type LadderOptions } from "./ladder-options.ts";
import { playOf } from "../vary/vary.ts";
import { finished } from "../base/work.ts";

const school = defaultSchool();
const demo = (name: string) => readFileSync(`demo/drills/${name}.vics`, "utf8");
function ladder(text: string, more: Partial<LadderOptions> = {}, of = school): LadderResult {
  return finished(makeLadder(checkFor(parse(text), of), of, { ...LADDER_DEFAULTS, order: of.customs.stages, ...more }));
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
      expect(checkFor(parse(rung.text), school).verdict).not.toBe("broken");
      expect(rung.changed.length).toBeGreaterThan(5);
    }
  });
  test("stages come in the order of the school", () => {
    const order = school.customs.stages;
    // Tempo comes back behind every new thing; all else comes in once, in order.
    const stages = result.rungs.flatMap((r) =>
      r.operator === null || r.operator === "rows" || stageOf(r.operator) === "tempo"
        ? []
        : [order.indexOf(stageOf(r.operator))],
    );
    expect([...stages].sort((a, b) => a - b)).toEqual(stages);
    const forced = result.rungs.findIndex((r) => r.operator === "contact");
    if (forced >= 0) expect(forced).toBe(result.rungs.length - 1);
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
  [{ goal: { load: 9, wants: [], tempo: null } }, /1 to 4 times/],
] as [Partial<LadderOptions>, RegExp][])("%j is refused with what to do", (more, words) => {
  const result = ladder("A jab -> B slip out", more);
  expect(result.ok ? "" : result.message).toMatch(words);
});
test("nothing sound, no ladder: it says where to begin", () => {
  const result = ladder("A lead hook -> B slip out");
  expect(result.ok ? "" : result.message).toMatch(/Mend one row/);
});
test("a school that starts at full speed and brings chance early has it so", () => {
  const stages = ["parts", "pairs", "uncertainty", "chains", "variety", "tempo", "force"];
  const read = readSchool({ customs: { stages, power: "full" } });
  if (!read.ok) throw new Error(read.errors.join());
  expect(read.school.customs.stages).toEqual(stages);
  expect(readSchool({ customs: { stages: [...stages.slice(1), "pairs"] } }).ok).toBe(false);
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

describe("a pinned rung stays and the rest is solved again", () => {
  const first = good(ladder(demo("single-answers")));
  const kept = first.rungs.slice(0, 5);
  const again = good(ladder(demo("single-answers"), { seed: 9, kept, pins: [4] }));
  test("the pinned one is the same drill in the same place", () => {
    expect(playOf(again.rungs[4]!.text)).toBe(playOf(first.rungs[4]!.text));
    expect(again.rungs).toHaveLength(first.rungs.length);
  });
  test("the new ladder rises all the way, and names each change as it is", () => {
    const loads = again.rungs.map((r) => r.checked.load.total);
    for (let i = 1; i < loads.length; i++) expect(loads[i]!).toBeGreaterThan(loads[i - 1]!);
    for (const rung of again.rungs.slice(1)) expect(rung.operator).not.toBeNull();
  });
  test("an alternative put in its place is kept as well", () => {
    const place = first.rungs.findIndex((r, i) => i > 2 && r.alternatives.length > 0);
    const other = first.rungs[place]!.alternatives[0]!;
    const swapped = [...first.rungs.slice(0, place), other];
    const solved = good(ladder(demo("single-answers"), { kept: swapped, pins: [place] }));
    expect(playOf(solved.rungs[place]!.text)).toBe(playOf(other.text));
    expect(solved.rungs[place]!.operator).not.toBeNull();
  });
  test("a pin outside the ladder is refused with what to do", () => {
    const result = ladder(demo("single-answers"), { rungs: 3, kept, pins: [4] });
    expect(result.ok ? "" : result.message).toMatch(/Take its pin out/);
  });
});

describe("goals", () => {
  test("the feeder chooses on the last rung", () => {
    const last = good(ladder(demo("single-answers"), { goal: GOALS.random.goal })).rungs.at(-1)!;
    expect(last.text).toMatch(/choose A:/);
  });
  test("what cannot be reached is named: the step that is missing, and the tempo", () => {
    const { notes } = good(ladder(demo("push-and-turn"), { goal: GOALS.moving.goal }));
    expect(notes.join(" ")).toMatch(/I found no step for “Both move freely”/);
    const slow = good(ladder(demo("single-answers"), { goal: GOALS.moving.goal, rungs: 6 })).notes.join(" ");
    expect(slow).toMatch(/stops at \d+% of full speed instead of 80%/);
  });
  test.each(Object.keys(GOALS) as (keyof typeof GOALS)[])(
    "%s: each change it wants is on the way, or is named",
    (id) => {
      for (const name of ["single-answers", "push-and-turn", "one-two-three"]) {
        const { rungs, notes } = good(ladder(demo(name), { goal: GOALS[id].goal }));
        for (const wanted of GOALS[id].goal.wants) {
          const there = rungs.some(({ operator }) => operator === wanted);
          expect([name, wanted, there || notes.join().includes(OPERATOR_NAMES[wanted])]).toEqual([name, wanted, true]);
        }
      }
    },
  );
  test("what the drill has by itself is not asked for again", () => {
    const { notes, rungs } = good(ladder(demo("pads-by-name"), { goal: GOALS.random.goal }));
    expect(rungs.at(-1)!.text).toMatch(/^choose A:$/m);
    expect(notes.join(" ")).not.toMatch(/The feeder chooses/);
  });
  test("the last rung is as hard as was asked, nearly", () => {
    for (const id of ["quarter", "half"] as const) {
      const base = checkFor(parse(demo("roof-and-step"))).load.total;
      const last = good(ladder(demo("roof-and-step"), { goal: GOALS[id].goal })).rungs.at(-1)!.checked.load.total;
      // Coming back to the tempo of the drill goes before the last bit of load.
      expect(last / (base * GOALS[id].goal.load)).toBeGreaterThan(0.8);
    }
  });
});

test("a flow becomes a cycle once all its counts are there, and what is hung on it comes later", () => {
  const rungs = good(ladder(demo("four-count-weave"))).rungs;
  const loop = rungs.findIndex((r) => r.text.includes("loop x8:"));
  expect(rungs[loop]!.changed).toMatch(/Keep it going/);
  for (const rung of rungs.slice(loop)) expect(rung.checked.closure?.closes).toBe(true);
});
test("only tools that are there are changed to", () => {
  const operators = [...LADDER_DEFAULTS.operators, "other-tool"] as const;
  for (const seed of [1, 2, 3]) {
    const rungs = good(ladder(demo("single-answers"), { operators, tools: ["pads"], seed })).rungs;
    for (const rung of rungs) if (rung.operator === "other-tool") expect(rung.text).toMatch(/wears mitts/);
  }
});
