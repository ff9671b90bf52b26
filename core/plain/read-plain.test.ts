import fc from "fast-check";
import { defaultSchool } from "../policy/school.ts";
import { readPlain } from "./read-plain.ts";

const school = defaultSchool();
const read = (line: string) => readPlain(line, [], school)[0]!;
const rowOf = (line: string) => read(line).proposals[0]?.text;

describe("lines that were not in anybody's list", () => {
  // Read by the developers line by line; common practice, no source.
  test.each([
    ["A: throws 1-2. B: catches, slips, returns 2", "A 1-2 -> B catch, slip, 2"],
    [
      "right cross to the head, B rolls his shoulder and fires the cross back",
      "A cross to head -> B shoulder roll, cross",
    ],
    ["he kicks low, I check and come back with my own low kick", "A kick low -> B check, low kick"],
    ["rear leg teep to the belly, scoop it and sweep", "A rear teep to belly -> B scoop, sweep"],
    ["she pushes with both hands and he sinks and roots", "A push with both hands -> B sink + root"],
    ["Cross vs inside parry + straight punch", "A cross -> B inside parry + straight punch"],
    ["step back from the push kick and low kick", "A push kick -> B step back, low kick"],
    ["bong sau against a punch then lap da", "A punch -> B bong sau, lap da"],
    ["gedan barai against mae geri", "A mae geri -> B gedan barai"],
    ["choke from the front, pluck the hands and knee", "A front choke -> B pluck the hands, knee"],
    ["B throws jab, A catches, jab; B parries", "B jab -> A catch, jab -> B parry"],
    ["pak sao, punch (against jab)", "A jab -> B pak sao, punch"],
    ["Fake the jab, throw the cross - slip", "A ~jab, cross -> B slip"],
    ["A: left jab, B: right hand parry, left jab back", "A jab -> B right parry, jab"],
    ["overhand right / shoulder roll / uppercut", "A overhand -> B shoulder roll, uppercut"],
  ])("%s", (line, row) => {
    expect(rowOf(line)).toBe(row);
  });
});

test("notation stays what it is, and so do rows of a header", () => {
  for (const row of [
    'A jab -> B slip out, cross "sharp"',
    "A R forehand high <> B R forehand high",
    "A: holds stick 71 cm",
  ])
    expect(read(row)).toMatchObject({ proposals: [{ text: row }], question: null, kept: [] });
});

test("what people hold in the header counts for the verdict of the lines below it", () => {
  const [, , row] = readPlain("A: holds stick 71 cm\nB: holds stick 71 cm\nforehand high, roof block", [], school);
  expect(row!.proposals[0]).toMatchObject({ text: "A forehand high -> B roof block", verdict: "sound" });
});

test("what is forbidden at contact is read as it is written, and marked by the checker", () => {
  expect(read("finger jab to the eyes, parry").proposals[0]).toMatchObject({
    text: "A finger jab to eyes -> B parry",
    verdict: "risky",
  });
});

test("what is not clear is asked once, with both rows", () => {
  expect(read("slip jab").question).toEqual({
    text: "Does slip answer the jab, or does the jab follow it?",
    choices: ["A jab -> B slip", "A slip, jab"],
  });
  expect(read("1-2, slip, 2").question!.choices).toEqual([
    "A hold pads -> B 1-2 -> A jab -> B slip, 2",
    "A hold pads -> B 1-2 -> A cross -> B slip, 2",
  ]);
});

test("a name that finds no place in the row is never lost in silence", () => {
  expect(read("both forehand high, both backhand low")).toMatchObject({
    proposals: [{ text: "A forehand high <> B forehand high" }],
    kept: ["both", "backhand low"],
  });
});

test("what is no part of a row is kept, and a line without a move is not made one", () => {
  expect(read("jab, slip x 10 each side then switch").kept).toEqual(["x 10 each side then switch"]);
  expect(read("hello there")).toMatchObject({ proposals: [], question: null, kept: ["hello there"] });
  expect(read("spar light").proposals).toEqual([]);
});

test("each part says what it was taken for, by its place in the line", () => {
  const line = "Right cross, B slips outside";
  const { understood } = read(line).proposals[0]!;
  expect(understood.map(({ from, to, as }) => [line.slice(from, to), as])).toEqual([
    ["Right cross", "cross"],
    ["slips outside", "slip out"],
  ]);
});

test("a page keeps the numbers of its lines", () => {
  expect(readPlain("\n1. jab, catch\n\n- cross, parry\n", [], school).map(({ line }) => line)).toEqual([2, 4]);
});

// Lines that came out wrong at first, written after the corpus. Common practice, no source.
test.each([
  ["parry jab, parry cross, then 3-2", "A jab, cross -> B parry, parry, 3-2", []],
  ["jab feint then overhand", "A ~jab, overhand", []],
  ["strike no. 5, parry with left hand, thrust", "A strike 5 -> B parry left, thrust", []],
  ["A and B trade jabs", "A jab <> B jab", []],
  ["weave under the left hook, rip the liver", "A left hook -> B weave, liver hook", []],
  ["uppercut on the inside, cover, uppercut back", "A uppercut -> B cover, uppercut", ["on the inside"]],
  ["check hook as he comes in", "A check hook", ["as he comes in"]],
  ["arm drag to the back", "A arm drag", ["to the back"]],
  ["feint jab, shoot double leg", "A ~jab, double leg", []],
  ["the teep to stop the cross", "A cross -> B teep", []],
] as const)("“%s” is %s", (typed, row, kept) => {
  const [line] = readPlain(typed, [], school);
  expect(line!.proposals[0]?.text).toBe(row);
  expect(line!.kept).toEqual(kept);
});

test("what says how, and no move, is no row: it stays as it was typed", () => {
  for (const typed of ["same but southpaw", "no power, just timing", "10 each side then switch"])
    expect(readPlain(typed, [], school)[0]).toMatchObject({ proposals: [], kept: [typed] });
});

test("no line makes it fail, however it is written", () => {
  const words = [
    "jab",
    "slip",
    "the",
    "A",
    "b",
    "->",
    "1-2",
    ",",
    "and",
    "with",
    "left",
    "hook",
    "x10",
    "(",
    "to",
    "body",
    "vs",
    "é",
  ];
  fc.assert(
    fc.property(
      fc.oneof(
        fc.string({ maxLength: 60 }),
        fc.array(fc.constantFrom(...words), { maxLength: 14 }).map((w) => w.join(" ")),
      ),
      (line) => {
        for (const { proposals, kept } of readPlain(line, [], school))
          expect(proposals.length > 0 || kept.length > 0).toBe(true);
      },
    ),
    { numRuns: process.env.TEST_LONG ? 20_000 : 400, seed: Number(process.env.TEST_SEED ?? 1) },
  );
});
