/** Answers that were seen as evidence of who gave them. */
import { estimatesFrom } from "#core/learn/estimates.ts";
import { member } from "#db/testing.ts";
import { evidenceIn, learnedOn } from "./learned.ts";

const answer = (person: string, mark: string, kind = "flow") => ({
  ...{ person, mark, kind, revision: "r", load: 4, at: 5 },
});
test("clean is clean, anything else that was seen is not, and nothing seen is nothing", () => {
  const of = (...answers: ReturnType<typeof answer>[]) =>
    evidenceIn(answers, () => 2).map(({ person, family, seen, level }) => [person, family, seen, level]);
  expect(of(answer("ann", "clean"), answer("bo", "fault"))).toEqual([
    ["ann", "flow", "clean", 2],
    ["bo", "flow", "not clean", 2],
  ]);
  expect(of()).toEqual([]);
});
test("a drill of no family of its own is one that is fed", () => {
  expect(evidenceIn([answer("ann", "clean", "solo")], () => 3)[0]!.family).toBe("feeder");
});

test("children, and whoever is new, are to be clean more often than the others", () => {
  const rungs = [1, 2, 3, 4].map((load) => ({ revisionId: `r${load}`, load, theme: 0 as const }));
  const seen = ["a", "b"].flatMap((who) =>
    Array.from({ length: 20 }, (_, i) => ({
      ...{ person: who, family: "feeder" as const, rung: `r${1 + (i % 4)}`, load: 1 + (i % 4), at: i, level: 3 },
      seen: i % 4 < 2 ? ("clean" as const) : ("not clean" as const),
    })),
  );
  const estimates = estimatesFrom(seen);
  const target = (more: Parameters<typeof member>[1]) =>
    learnedOn(
      rungs,
      { ...member("A", more), id: "a", version: 1, archived: false },
      {
        ...{ family: "feeder", estimates, day: "2026-12-01" },
      },
    )!.target;
  const adult = target({ minor: false, levels: { feeder: 3 } });
  expect(target({ minor: true, levels: { feeder: 3 } })).toBeGreaterThan(adult);
  expect(target({ minor: null, levels: { feeder: 3 } })).toBeGreaterThan(adult);
  expect(target({ minor: false, levels: { feeder: 1 } })).toBeGreaterThan(adult);
});
