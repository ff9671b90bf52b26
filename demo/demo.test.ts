/** The demo club, and what the checker finds in each of its drills: exactly the honest mistakes. */
import { checkFor } from "#core/policy/judge.ts";
import { readFileSync } from "node:fs";
import { drillFiles, gear, students } from "./club.ts";
import { format } from "#core/score/format.ts";
import { parse } from "#core/score/parse.ts";

const read = (name: string): string => readFileSync(`demo/drills/${name}.vics`, "utf8");

/** Row and rule of everything worse than a note. */
const EXPECTED: Readonly<Record<(typeof drillFiles)[number], readonly string[]>> = {
  "single-answers": [],
  // The head ends inside, with only a jab thrown after it instead of with it.
  "one-two-three": ["11 inside-line"],
  // The sideways head against a round blow.
  "cover-and-return": ["11 line-open"],
  // A cover against a low kick.
  "low-line": ["12 line-open"],
  // Stepping back and hitting the air.
  "long-and-short": ["8 out-of-reach"],
  // Striking from the floor.
  "shot-and-sprawl": ["16 not-recovered"],
  "pads-by-name": [],
  "four-count-weave": [],
  "weave-with-change": [],
  "angles-of-five": [],
  // The block on the wrong side.
  "roof-and-step": ["11 line-open"],
  // A bare forearm on an edge; and the caution that bare hands near an edge always carry.
  "short-blade": ["11 blade-arm", "12 blade-arm", "13 blade-arm", "13 wrong-material"],
  // Turning into the push.
  "push-and-turn": ["16 rule-broken"],
  "felt-on-the-arm": [],
  "through-the-gap": [],
  "who-chooses": [],
  "mitts-in-threes": [],
  "hands-off": [],
  "one-slow-blow": [],
  "three-rolls": [],
  "ten-a-side": [],
};

test.each(drillFiles.map((name) => [name]))("%s", (name) => {
  const { findings } = checkFor(parse(read(name)));
  const found = findings.filter((f) => f.severity !== "note").map((f) => `${f.line} ${f.rule}`);
  expect(found.sort()).toEqual([...EXPECTED[name as keyof typeof EXPECTED]].sort());
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
