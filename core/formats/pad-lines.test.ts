import { checkFor } from "../policy/judge.ts";
import { parse } from "../score/parse.ts";
import { padLines } from "./pad-lines.ts";

const lines = (text: string, pads: "opposite" | "same") =>
  padLines(checkFor(parse(text)), pads).map((l) => `${l.blow}: ${l.pad}`);
const DRILL = "A: wears mitts\n\nA jab -> B slip out, cross, lead hook\nA jab -> B slip out, cross";

// Two ways of holding for a left blow: domain of the trade, common practice, no source.
test("straight across, or by the blow's own name", () => {
  expect(lines(DRILL, "opposite")).toEqual(["cross: left", "lead hook: right"]);
  expect(lines(DRILL, "same")).toEqual(["cross: right", "lead hook: left"]);
});
test("a southpaw's cross is a left one", () => {
  expect(lines(DRILL.replace("\n", "\nB: lead right\n"), "opposite")[0]).toBe("cross: right");
});
test("no mitts, no pads", () => {
  expect(lines("A jab -> B slip out, cross", "opposite")).toEqual([]);
});

test("blows onto a held pad are among them", () => {
  const checked = checkFor(parse("A: wears mitts\nB: wears gloves\n\nA hold pads -> B jab, cross"));
  expect(padLines(checked, "same")).toEqual([
    { blow: "jab", pad: "left" },
    { blow: "cross", pad: "right" },
  ]);
});
