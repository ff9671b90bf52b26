/** Subjects of commits: what is said of them, and those since the rule was made. */
import { spawnSync } from "node:child_process";
import { subjectFault } from "./commit-subjects.ts";

/** The rule holds for what came after it. */
const SINCE = "78fa62b";

test.each([
  ["Keep waiting taps when a session ends", null],
  ["Press on", null],
  ["A plan waits for its answer", /begins with “A”/],
  ["Fixed the clock", /begins with “Fixed”/],
  ["Adds a clock", /begins with “Adds”/],
  ["keep the clock", /capital letter/],
  ["Keep the clock.", /full stop/],
  [`Keep ${"the clock ".repeat(8)}`, /fewer than 72/],
])("%s", (subject, fault) => {
  if (fault === null) expect(subjectFault(subject)).toBeNull();
  else expect(subjectFault(subject)).toMatch(fault);
});

test("all commits since the rule keep to it", () => {
  const { status, stdout } = spawnSync("git", ["log", "--no-merges", "--format=%s", `${SINCE}..HEAD`], {
    encoding: "utf8",
  });
  // A copy without its history has no commits to look at.
  const subjects = status === 0 ? stdout.split("\n").filter(Boolean) : [];
  expect(subjects.filter((subject) => subjectFault(subject) !== null)).toEqual([]);
});
