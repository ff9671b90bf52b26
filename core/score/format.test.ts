import { format, headText, lineText, turnText } from "./format.ts";
import { parse } from "./parse.ts";
import { linesOf } from "./structure.ts";

/** What was typed, and how it is written. */
const WRITTEN: readonly (readonly [string, string, string])[] = [
  [
    "arrows of all kinds",
    "A jab→B slip\nA jab>B slip\nA jab -> B slip",
    "A jab -> B slip\nA jab -> B slip\nA jab -> B slip\n",
  ],
  ["blanks", "  A   jab  ,cross->B slip   out+cover", "A jab, cross -> B slip out + cover\n"],
  ["the case of moves and of actors", "a JAB -> b Slip", "A JAB -> B Slip\n"],
  ["alternatives", "A jab -> B slip|catch|step back,cross", "A jab -> B slip | catch | step back, cross\n"],
  ["meetings", "A forehand<>B forehand", "A forehand <> B forehand\n"],
  ["two lines on a row", "A jab -> B slip;A cross -> B catch", "A jab -> B slip; A cross -> B catch\n"],
  ["empty rows", "\n\nA jab -> B slip\n\n\n\nA cross -> B catch\n\n", "A jab -> B slip\n\nA cross -> B catch\n"],
  ["header rows", "title :  Two   words\nA:lead left ,  minor", "title: Two words\nA: lead left , minor\n"],
  ["an empty header value", "focus:\nA jab -> B slip", "focus:\nA jab -> B slip\n"],
  ["sections", "section    One  feed", "section One feed\n"],
  ["loops", "LOOP 4:\nA jab -> B slip\nend", "loop x4:\n  A jab -> B slip\nend\n"],
  ["swaps", "loop x4 swap:\nA jab -> B slip\nEND", "loop swap x4:\n  A jab -> B slip\nend\n"],
  ["choices and labels", "choose a:\none:A jab -> B slip\nend", "choose A:\n  one: A jab -> B slip\nend\n"],
  [
    "blocks in blocks",
    "loop x2:\nchoose call:\none: A jab -> B slip\nend\nend",
    "loop x2:\n  choose call:\n    one: A jab -> B slip\n  end\nend\n",
  ],
  ["comments", "A jab -> B slip   # why\n#alone", "A jab -> B slip  # why\n#alone\n"],
  [
    "comments in blocks",
    "loop x2:\n# inside\nA jab -> B slip\nend\n# outside",
    "loop x2:\n  # inside\n  A jab -> B slip\nend\n# outside\n",
  ],
  ["rows that cannot be read", "A jab -> -> B (", "A jab -> -> B (\n"],
  ["nothing", " \n\t\n", ""],
];
test.each(WRITTEN.map(([what, typed, written]) => [what, typed, written] as const))("%s", (_, typed, written) => {
  expect(format(parse(typed))).toBe(written);
  expect(format(parse(written))).toBe(written);
});

test("parts of a score can be written by themselves", () => {
  const [one] = [...linesOf(parse("A jab, cross -> B slip | catch").items)];
  expect(lineText(one!.line)).toBe("A jab, cross -> B slip | catch");
  expect(turnText(one!.line.turns[1]!)).toBe("B slip | catch");
  expect(headText({ type: "loop", times: 3, swap: true, sides: "written", onCount: false })).toBe("loop swap x3");
  expect(headText({ type: "choose", by: "call" })).toBe("choose call");
  expect(headText({ type: "carry" })).toBe("carry");
});
