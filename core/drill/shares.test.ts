/** What single lines add to verdict and load. */
import { share as speed } from "../base/units.ts";
import { draft } from "../findings/finding.ts";
import { parse } from "../score/parse.ts";
import { linesOf } from "../score/structure.ts";
import { shippedUsage } from "../customs/customs.ts";
import { prepare } from "./prepare.ts";
import { worseOf, lateIn, shareOf, worstOf, type LineShare } from "./shares.ts";
import { ROW } from "../exchange/testing.ts";
import { walkLine } from "./walk.ts";

/** The share of the first line of a text. */
function share(text: string): LineShare {
  const score = parse(text);
  const { header, frameFor, reader } = prepare(score, shippedUsage(), {});
  const { row, line } = [...linesOf(score.items)][0]!;
  const setting = { header, usage: shippedUsage(), choices: 1, label: null, section: null, pass: null };
  return shareOf(walkLine({ row }, reader.read(line), frameFor(score.items).world, setting), line);
}
test("the worseOf of two decides, in either order", () => {
  expect(worseOf(null, null)).toBeNull();
  expect([worseOf("risk", null), worseOf(null, "risk")]).toEqual(["risk", "risk"]);
  expect([worseOf("risk", "error"), worseOf("error", "risk"), worseOf("error", null)]).toEqual([
    "error",
    "error",
    "error",
  ]);
});
test("notes decide nothing", () => {
  const note = draft(ROW, { from: 0, to: 1 }, "follow-up");
  const risk = draft(ROW, { from: 0, to: 1 }, "tight");
  const error = draft(ROW, { from: 0, to: 1 }, "line-open");
  expect(worstOf([])).toBeNull();
  expect(worstOf([note])).toBeNull();
  expect(worstOf([note, risk])).toBe("risk");
  expect(worstOf([risk, error, note])).toBe("error");
});
test("an exchange, its return, and what is done together", () => {
  expect(share("A jab -> B slip out")).toMatchObject({
    worst: null,
    exchanges: 1,
    returns: 0,
    extraBeats: 0,
    together: 0,
  });
  expect(share("A jab -> B slip out, cross")).toMatchObject({ exchanges: 1, returns: 1, extraBeats: 1, together: 0 });
  expect(share("A jab -> B slip out + step off")).toMatchObject({ exchanges: 1, together: 1, footwork: 1 });
  expect(share("A jab, cross -> B parry, slip out")).toMatchObject({ exchanges: 2, extraBeats: 2 });
});
test("answers to choose from are half the bits of their number", () => {
  expect(share("A jab -> B slip out").bits).toBe(0);
  expect(share("A jab -> B slip out | parry").bits).toBeCloseTo(0.5, 9);
  expect(share("A jab -> B slip out | parry | catch | step back").bits).toBeCloseTo(1, 9);
});
test("the side an arc comes from, weapons and takedowns are told apart", () => {
  const one = share("A lead hook -> B cover");
  const other = share("A rear hook -> B cover");
  expect([one.fromLeft, one.fromRight]).toEqual([other.fromRight, other.fromLeft]);
  expect(share("A: holds stick 71 cm\n\nA forehand high -> B step back")).toMatchObject({
    thrown: [{ weapon: true, fells: false }],
  });
  expect(share("mats: yes\n\nA double leg -> B sprawl")).toMatchObject({ thrown: [{ weapon: false, fells: true }] });
});
test("a blow that nobody stops is an error of its line", () => {
  expect(share("A lead hook -> B slip out").worst).toBe("error");
});
test("lateness is asked of the tempo afterwards, and weighs as the school has it", () => {
  const tight = share("A jab -> B slip out");
  expect(tight.lateAbove).not.toBeNull();
  expect(lateIn(tight, speed(tight.lateAbove! - 0.01), "risk")).toBeNull();
  expect(lateIn(tight, speed(tight.lateAbove! + 0.01), "risk")).toBe("risk");
  expect(lateIn(tight, speed(1.5), "error")).toBe("error");
  expect(lateIn(tight, speed(1.5), "off")).toBeNull();
  expect(lateIn({ ...tight, lateAbove: null }, speed(1.5), "risk")).toBeNull();
});
