/** What an evening is called by its theme. What works in a move is common practice, no source. */
import { defaultSchool } from "../policy/school.ts";
import { closeTitle, themeOf, warmUpTitle } from "./theme.ts";
import { packClass } from "./timetable.ts";

describe("a warm-up from the theme", () => {
  const rung = (text: string) => ({ text, title: "R", load: 1 });
  test("names what the bodies do tonight, feet first, and no blow", () => {
    const rungs = [
      rung("A jab -> B slip out, cross"),
      rung("A jab -> B slip out, cross\nA lead hook -> B weave\nA low kick -> B shin check\nA cross -> B step off"),
    ];
    const theme = themeOf(rungs, defaultSchool());
    expect(warmUpTitle(theme)).toBe(
      "Warm-up: pulse and joints, shoulders, back and waist; then alone and light step off, slip, weave and shin check",
    );
    expect(closeTitle(theme)).toBe("Close: breathe, loosen shoulders, back and waist; what was clean, what comes next");
  });
  test("hands alone, sticks, cycles: what works is warmed, and nothing is done alone that is not there", () => {
    const said = (text: string) => warmUpTitle(themeOf([rung(text)], defaultSchool()));
    expect(said("A jab -> B catch, cross")).toBe("Warm-up: pulse and joints, shoulders");
    expect(said("kind: flow\nA: holds stick 71 cm\nB: holds stick 71 cm\n\nA forehand high <> B forehand high")).toBe(
      "Warm-up: pulse and joints, wrists and forearms",
    );
    expect(said("kind: sensitivity\nrange: trap\n\nA roll 1 <> B roll")).toMatch(/shoulders and forearms/);
  });
  test("a block that leaves rungs out says what came in on the way", () => {
    const titles = [
      "Jab, slip out. Slow",
      "Add the cross. No return yet",
      "Now hit back after the cross",
      "A bit faster: 60%",
      "Add the hook",
      "Swap",
    ];
    const packed = packClass(60, titles);
    if (!packed.ok) throw new Error(packed.message);
    const work = packed.blocks.filter(({ rung: at }) => at !== null).map(({ title }) => title);
    expect(work[0]).toBe("Jab, slip out. Slow");
    expect(work.join(" / ")).toMatch(/Add the cross; now hit back after the cross/);
    expect(work.join(" / ")).not.toMatch(/A bit faster: 60%;/);
  });
});
