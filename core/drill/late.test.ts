/** Whether an answer is in time rests on the tempo alone; nothing else does. */
import fc from "fast-check";
import { checkFor } from "../policy/judge.ts";
import { readSchool } from "../policy/school.ts";
import { parse } from "../score/parse.ts";
import { check } from "./check.ts";

const FEEDS = ["jab", "cross", "lead hook", "rear uppercut", "rear round kick to leg", "push kick", "overhand"];
const ANSWERS = ["slip out", "parry", "cover", "weave", "step back", "shin check", "lean back"];
const pair = fc.tuple(fc.constantFrom(...FEEDS), fc.constantFrom(...ANSWERS));
const tempo = fc.integer({ min: 10, max: 150 });
const text = (percent: number, feed: string, answer: string) => `tempo: ${percent}%\n\nA ${feed} -> B ${answer}`;

test("verdict, margin and ceiling of an exchange are the same at every tempo", () => {
  fc.assert(
    fc.property(pair, tempo, tempo, ([feed, answer], one, two) => {
      const [a, b] = [one, two].map((t) => check(parse(text(t, feed, answer))).exchanges[0]!) as [
        ReturnType<typeof check>["exchanges"][number],
        ReturnType<typeof check>["exchanges"][number],
      ];
      expect([a.verdict, a.margin, a.ceiling, a.times]).toEqual([b.verdict, b.margin, b.ceiling, b.times]);
    }),
    { numRuns: 80 },
  );
});
test("it is late exactly where the ceiling lies below the tempo, and says both", () => {
  fc.assert(
    fc.property(pair, tempo, ([feed, answer], percent) => {
      const checked = check(parse(text(percent, feed, answer)));
      const { ceiling } = checked.exchanges[0]!;
      const late = checked.findings.filter((f) => f.rule === "late");
      expect(late).toHaveLength(ceiling !== null && ceiling < percent / 100 ? 1 : 0);
      if (late[0])
        expect(late[0].message).toMatch(
          new RegExp(`Too slow at ${percent}%: it works up to \\d+%|^Not in time from here`),
        );
    }),
    { numRuns: 80 },
  );
});
test("one text read at two tempos gives the finding at one of them only, in whatever order", () => {
  const four = FEEDS.slice(0, 4)
    .map((feed, i) => `  A ${feed} -> B ${["slip out", "parry", "weave", "lean back"][i]}`)
    .join("\n");
  const rules = (percent: number) =>
    check(parse(`tempo: ${percent}%\n\nchoose A:\n${four}\nend`)).findings.map((f) => f.rule);
  expect(rules(100)).toContain("late");
  expect(rules(20)).not.toContain("late");
  expect(rules(100)).toContain("late");
});
test("a school that says nothing about lateness hears nothing of it", () => {
  const read = readSchool({ severity: { late: "off" } });
  if (!read.ok) throw new Error(read.errors.join());
  const fast = parse("tempo: 150%\n\nA jab -> B step off");
  expect(checkFor(fast).findings.map((f) => f.rule)).toContain("late");
  expect(checkFor(fast, read.school).findings.map((f) => f.rule)).not.toContain("late");
});
