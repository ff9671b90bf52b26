import { MAX_RANGE } from "./limits.ts";
import { expandRange, spokenRange } from "./ranges.ts";
import { lineText } from "./format.ts";
import { parse } from "./parse.ts";
import { linesOf } from "./structure.ts";

const expand = (text: string) => expandRange([...linesOf(parse(text).items)][0]!.line).map(lineText);

test("a range stands for one line each, with its value in {#}", () => {
  expect(expand("A strike {2..4} -> B block {#}, counter {#}")).toEqual([
    "A strike 2 -> B block 2, counter 2",
    "A strike 3 -> B block 3, counter 3",
    "A strike 4 -> B block 4, counter 4",
  ]);
});
test("ranges run backwards too", () => {
  expect(expand("A strike {3..1} -> B block {#}")).toHaveLength(3);
  expect(expand("A strike {3..1} -> B block {#}")[0]).toBe("A strike 3 -> B block 3");
});
test("a huge range is held within its limit", () => {
  expect(expand("A strike {1..999} -> B block {#}")).toHaveLength(MAX_RANGE);
});
test("a line without a range is itself", () => {
  expect(expand("A jab -> B slip")).toEqual(["A jab -> B slip"]);
});
test.each([
  ["A strike {1..5} -> B block {#}", "A strike 1 to 5 -> B block of the same number"],
  ["strike { 3 .. 1 }", "strike 3 to 1"],
  ["jab", "jab"],
])("%s is said as %s", (text, said) => {
  expect(spokenRange(text)).toBe(said);
});
