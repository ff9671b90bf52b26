/** The new forms among notes: marks, several numbers at once, and rows that are notation already. How one says it is common practice, no source. */
import { checkFor } from "../policy/judge.ts";
import { defaultSchool } from "../policy/school.ts";
import { parse } from "../score/parse.ts";
import { drillOfNotes } from "./drill-of-notes.ts";
import { readPlain } from "./read-plain.ts";

const school = defaultSchool();
const read = (page: string, header: readonly string[] = []) => readPlain(page, header, school);
const STICKS = ["A: holds stick 71 cm", "B: holds stick 71 cm"];

test.each([
  ["any time: lead hook, cover", "any time: A lead hook -> B cover", "sound"],
  ["at any time: lead hook, cover", "any time: A lead hook -> B cover", "sound"],
  ["if it lands: cross, cover", "lands: A cross -> B cover", "sound"],
  ["wrong: jab, slip inside", "wrong: A jab -> B slip in", "risky"],
  ["feint jab and stay", "A ~jab -> B stay", "sound"],
])("%s is %s", (said, row, verdict) => {
  expect(read(said)[0]!.proposals[0]).toMatchObject({ text: row, verdict });
});

test.each([
  ["strikes 1 to 5 in any order, block and counter", "A strike {1..5} in any order -> B block {#}, counter {#}"],
  ["lines 1-4, block", "A strike {1..4} -> B block {#}"],
  [
    "A feeds strikes 1 to 5 mixed, B blocks, then counters.",
    "A strike {1..5} in any order -> B block {#}, counter {#}",
  ],
])("%s", (said, row) => {
  expect(read(said, STICKS)[0]!.proposals[0]).toMatchObject({ text: row, verdict: "sound" });
});

test("a page with sections and a game stays what it is, and the drill of it is as sound", () => {
  const page = [
    "A: holds stick 71 cm",
    "B: holds stick 71 cm",
    "section One",
    "strikes 1 to 5, block and counter",
    "any time: thrust mid, parry",
    "game Five:",
    "A may: strike {1..5}",
    "B may: block {1..5}, counter {#}",
    "A scores: line 1",
    "B scores: clean 1",
    "touch: stick on stick",
    "ends: 10 feeds",
    "end",
  ].join("\n");
  const lines = read(page);
  expect(lines.every(({ kept }) => kept.length === 0)).toBe(true);
  const text = drillOfNotes("Notes", lines, new Map());
  expect(text).toContain("game Five:\n  A may: strike {1..5}\n");
  const checked = checkFor(parse(text), school);
  expect([checked.verdict, checked.games.map(({ verdict }) => verdict)]).toEqual(["sound", ["sound"]]);
});
