/** The demo club, and what the checker finds in its drills: all are sound but the one that the tour mends. */
import { checkFor } from "#core/policy/judge.ts";
import { readFileSync } from "node:fs";
import { drillFiles, gear, students } from "./club.ts";
import { format } from "#core/score/format.ts";
import { parse } from "#core/score/parse.ts";

const read = (name: string): string => readFileSync(`demo/drills/${name}.vics`, "utf8");

/** The one drill that is broken on purpose: the first steps of the tour mend it. */
const BROKEN = "cover-and-return";

test.each(drillFiles.filter((name) => name !== BROKEN).map((name) => [name]))("%s is sound", (name) => {
  const { verdict, findings } = checkFor(parse(read(name)));
  expect(findings.filter((f) => f.severity !== "note").map((f) => `${f.line} ${f.rule}`)).toEqual([]);
  expect(verdict).toBe("sound");
});

test("the tour's drill is broken in one place, by the sideways head against a round blow", () => {
  const { findings } = checkFor(parse(read(BROKEN)));
  expect(findings.map((f) => `${f.line} ${f.rule} ${f.severity}`)).toEqual(["11 line-open error"]);
});

test("what bare hands do against a blade is to get out of its reach and leave", () => {
  const { exchanges, header } = checkFor(parse(read("short-blade")));
  expect(header.people.B.holds).toBeNull();
  for (const { layers, returns } of exchanges) {
    expect(layers.map(({ by }) => by)).toEqual(["displace"]);
    expect(returns).toEqual([]);
  }
});

test("the texts stand in the one layout", () => {
  for (const name of drillFiles) expect(format(parse(read(name)))).toBe(read(name));
});

describe("the club", () => {
  test("fifteen people of mixed heights, three minors, one left-hander, one injured shoulder", () => {
    expect(students).toHaveLength(15);
    const heights = students.map((s) => s.height_cm!);
    expect([Math.min(...heights), Math.max(...heights)]).toEqual([148, 193]);
    expect(students.filter((s) => s.minor)).toHaveLength(3);
    expect(students.filter((s) => s.hand === "left")).toHaveLength(1);
    expect(students.filter((s) => s.limits.some((l) => /shoulder/.test(l)))).toHaveLength(1);
    expect(new Set(students.map((s) => s.id)).size).toBe(15);
  });
  test("less gear than people", () => {
    for (const kind of ["mitts", "stick", "training knife"]) {
      const count = gear.find((g) => g.kind === kind)!.count;
      expect(count).toBeGreaterThan(0);
      expect(count).toBeLessThan(15);
    }
  });
});
