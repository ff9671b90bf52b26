/** What of the log is evidence of who answers. */
import type { LogRow } from "#db/log.ts";
import { evidenceIn } from "./learned.ts";

const mark = (person: string, role: "answers" | "feeds", word: string) => ({
  ...{ id: `${person} ${role} ${word}`, person, role, mark: word, words: "", at: 5 },
});
const row = (...marks: LogRow["marks"]): LogRow => ({
  ...{ class_id: "c", day: "2026-11-25", class: "Evening", round: 0, drill_id: "d", drill: "Jab", revision_id: "r" },
  ...{ kind: "flow", load: 4, side: "left", people: ["ann", "bo"], marks },
});
const of = (...marks: LogRow["marks"]) =>
  evidenceIn([row(...marks)], () => 2).map(({ person, family, seen, level }) => [person, family, seen, level]);

test("clean is clean, anything else that was seen is not, and nothing seen is nothing", () => {
  expect(of(mark("ann", "answers", "clean"), mark("bo", "answers", "fault"))).toEqual([
    ["ann", "flow", "clean", 2],
    ["bo", "flow", "not clean", 2],
  ]);
  expect(of()).toEqual([]);
});
test("who was fed badly is not judged; a bad feeder is, by what they answered", () => {
  const bad = mark("bo", "feeds", "hard");
  expect(of(bad, mark("ann", "answers", "late"), mark("bo", "answers", "clean"))).toEqual([["bo", "flow", "clean", 2]]);
});
