/** In which parts a row comes in. How a class takes a combination apart is common practice, no source. */
import { checkFor } from "../policy/judge.ts";
import { defaultSchool } from "../policy/school.ts";
import { lineText } from "../score/format.ts";
import { parse } from "../score/parse.ts";
import { drillRows } from "./row-cuts.ts";

const cuts = (text: string) => drillRows(checkFor(parse(text), defaultSchool())).map((row) => row.cuts);
const said = (text: string) => cuts(text).map((row) => row.map((cut) => [lineText(cut.line), cut.missing]));

test("one feed and its answer is one part", () => {
  expect(said("A jab -> B parry\nA cross -> B slip out")).toEqual([
    [["A jab -> B parry", null]],
    [["A cross -> B slip out", null]],
  ]);
});
test("what is sent back comes one blow after the other, and an answer to it last", () => {
  const [row] = cuts("A jab -> B slip out, cross, lead hook -> A cover");
  expect(row!.map((cut) => [lineText(cut.line), cut.missing, cut.back])).toEqual([
    ["A jab -> B slip out", "returns", []],
    ["A jab -> B slip out, cross", "returns", ["cross"]],
    ["A jab -> B slip out, cross, lead hook", "returns", ["cross", "lead hook"]],
    ["A jab -> B slip out, cross, lead hook -> A cover", null, []],
  ]);
});
test("a combination comes in feed by feed, each with its answer", () => {
  expect(said("A jab, cross, lead hook -> B parry, slip out, weave, cross")).toEqual([
    [
      ["A jab -> B parry", "feeds"],
      ["A jab, cross -> B parry, slip out", "feeds"],
      ["A jab, cross, lead hook -> B parry, slip out, weave", "returns"],
      ["A jab, cross, lead hook -> B parry, slip out, weave, cross", null],
    ],
  ]);
});
test("a blow that goes with an answer stays where it is, but for the part of the first things alone", () => {
  expect(said("A jab, cross -> B slip out + jab, parry")).toEqual([
    [
      ["A jab -> B slip out + jab", "feeds"],
      ["A jab, cross -> B slip out, parry", "layers"],
      ["A jab, cross -> B slip out + jab, parry", null],
    ],
  ]);
});
test("a second line of defence waits until the first is there", () => {
  expect(said("A cross -> B slip out + parry, cross")).toEqual([
    [
      ["A cross -> B slip out", "layers"],
      ["A cross -> B slip out + parry", "returns"],
      ["A cross -> B slip out + parry, cross", null],
    ],
  ]);
});
test("answers to choose from come one after the other", () => {
  expect(said("A jab -> B slip out, cross | parry | catch")).toEqual([
    [
      ["A jab -> B slip out, cross", "alternatives"],
      ["A jab -> B slip out, cross | parry", "alternatives"],
      ["A jab -> B slip out, cross | parry | catch", null],
    ],
  ]);
});
test("a range grows number by number, downwards too", () => {
  const head = "A: holds stick 71 cm\nB: holds stick 71 cm\n\n";
  expect(said(`${head}A strike {1..3} -> B block {#}`)).toEqual([
    [
      ["A strike 1 -> B block 1", "numbers"],
      ["A strike {1..2} -> B block {#}", "numbers"],
      ["A strike {1..3} -> B block {#}", null],
    ],
  ]);
  expect(said(`${head}A strike {3..1} -> B block {#}`)[0]![1]).toEqual(["A strike {3..2} -> B block {#}", "numbers"]);
});
test("blows that meet, and a feed that nobody answers, are not cut", () => {
  const stick = "kind: flow\nA: holds stick 71 cm\nB: holds stick 71 cm\n\n";
  expect(said(`${stick}A R forehand high <> B R forehand high`)[0]).toHaveLength(1);
  expect(said("kind: solo\n\nA jab, cross")[0]).toHaveLength(1);
});
test("each part is another text, and the last is the row", () => {
  for (const row of cuts("A jab, step back, cross -> B parry, step in, cover, cross, lead hook\nA jab -> B cover")) {
    const texts = row.map((cut) => lineText(cut.line));
    expect(new Set(texts).size).toBe(texts.length);
    expect(row[row.length - 1]!.missing).toBeNull();
    expect(row.slice(0, -1).every((cut) => cut.missing !== null)).toBe(true);
  }
});

test("rows are called by what is fed, and by what meets it where that is not enough", () => {
  const names = (text: string) => drillRows(checkFor(parse(text), defaultSchool())).map((row) => row.name);
  expect(names("A jab -> B parry\nA cross -> B slip out, cross\nA jab -> B slip in + parry")).toEqual([
    "jab with parry",
    "cross",
    "jab with slip in + parry",
  ]);
  const stick = "kind: flow\nA: holds stick 71 cm\nB: holds stick 71 cm\n\n";
  expect(names(`${stick}A R forehand high <> B R forehand high\nA strike {1..3} -> B block {#}`)).toEqual([
    "forehand high",
    "strike 1 to 3",
  ]);
});
test("what an earlier row began with is not brought in once more", () => {
  const rows = said(
    "A jab -> B slip out, cross\nA jab, jab -> B slip out, slip in, lead hook\nA jab -> B slip out, cross",
  );
  expect(rows.map((row) => row.map(([line]) => line))).toEqual([
    ["A jab -> B slip out", "A jab -> B slip out, cross"],
    ["A jab, jab -> B slip out, slip in", "A jab, jab -> B slip out, slip in, lead hook"],
    ["A jab -> B slip out, cross"],
  ]);
});
test("blows on pads and alone come one after the other; how one stands and comes back is no blow", () => {
  expect(said("A: wears mitts\n\nA hold pads -> B jab, cross, lead hook -> A sweep hook -> B weave")[0]).toEqual([
    ["A hold pads -> B jab, cross", "blows"],
    ["A hold pads -> B jab, cross, lead hook", "blows"],
    ["A hold pads -> B jab, cross, lead hook -> A sweep hook -> B weave", null],
  ]);
  expect(said("kind: solo\n\nA guard talking, jab, cross, lead hook, recover")[0]).toEqual([
    ["A guard talking, jab, cross", "blows"],
    ["A guard talking, jab, cross, lead hook, recover", null],
  ]);
});

// A check hook is taught as the turn, then the hook on the turn; a sprawl begins with the hips: common practice, no source.
test("a move of several parts begins with its first part, where the drill begins with it", () => {
  expect(said("A cross -> B check hook, cross\nA jab -> B check hook")).toEqual([
    [
      ["A cross -> B pivot", "parts"],
      ["A cross -> B check hook", "returns"],
      ["A cross -> B check hook, cross", null],
    ],
    [["A jab -> B check hook", null]],
  ]);
  expect(said("A walk forward -> B check hook")[0]).toHaveLength(2);
  expect(said("A double leg -> B sprawl")[0]![0]).toEqual(["A double leg -> B hips back", "parts"]);
});
