/** Answers that were seen as evidence of who gave them. */
import { evidenceIn } from "./learned.ts";

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
