/** What is named as a change of the model, and what is none. */
import { changesBetween, type CheckJson } from "./verdict-changes.ts";

const check = (more: Partial<CheckJson> = {}): CheckJson => ({
  verdict: "sound",
  exchanges: [{ line: 3, column: 3, pass: null, feed: "jab", answer: ["slip"], verdict: "valid" }],
  findings: [],
  ...more,
});

test("the same check is no change, nor are other words of a finding", () => {
  const noted = check({ findings: [{ rule: "follow-up", severity: "note", line: 3 }] });
  expect(changesBetween(check(), check())).toEqual([]);
  expect(changesBetween(noted, { ...noted })).toEqual([]);
});
test("a verdict, an exchange that came or went, and a finding are each named with their place", () => {
  const broken = check({
    verdict: "broken",
    exchanges: [
      { line: 3, column: 3, feed: "jab", answer: ["slip"], verdict: "invalid" },
      { line: 4, column: 3, pass: 2, feed: "cross", answer: [], verdict: "invalid" },
    ],
    findings: [{ rule: "line-open", severity: "error", line: 3 }],
  });
  expect(changesBetween(check(), broken)).toEqual([
    "sound, now broken",
    "3:3 jab -> slip: valid, now invalid",
    "4:3 pass 2 cross -> no answer: new, invalid",
    "line 3 error line-open: more by 1",
  ]);
  expect(changesBetween(broken, check())).toContain("4:3 pass 2 cross -> no answer: gone, was invalid");
});
