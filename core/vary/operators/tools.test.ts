/** Another tool for the same lines: what is carried over, what is found again. */
import { checkFor } from "../../policy/judge.ts";
import { defaultSchool } from "../../policy/school.ts";
import { parse } from "../../score/parse.ts";
import { vary } from "../vary.ts";
import { TOOL_IDS } from "../tool-names.ts";

const school = defaultSchool();
const changed = (text: string) => {
  const { good } = vary(checkFor(parse(text), school), school, ["other-tool"]);
  return new Map(good.map((v) => [v.parameters.tool as string, v]));
};
const HANDS =
  "tempo: 80%\nA: lead left, wears gloves\nB: lead left\n\nA jab -> B parry, cross\nA rear hook -> B cover, cross\nA lead hook -> B weave, cross";

describe("from empty hands", () => {
  const before = checkFor(parse(HANDS), school);
  const made = changed(HANDS);
  test("every other tool is offered, the one at hand is not", () => {
    expect([...made.keys()].sort()).toEqual(TOOL_IDS.filter((id) => id !== "empty hand").sort());
  });
  test.each(["stick", "stick against hands", "two sticks", "training blade"])(
    "lines of attack stay with %s",
    (tool) => {
      const now = made.get(tool)!.checked();
      now.exchanges.forEach((e) => {
        const was = before.exchanges.find((b) => {
          const [one, two] = [b.blow!.clock, e.blow!.clock];
          const hours = one === null || two === null ? 0 : Math.abs(one - two);
          return (b.blow!.path === "thrust") === (e.blow!.path === "thrust") && Math.min(hours, 12 - hours) <= 1.6;
        });
        expect([tool, e.feedText, was !== undefined]).toEqual([tool, e.feedText, true]);
        expect(e.blow!.weapon).not.toBeNull();
      });
    },
  );
  test("answers are valid against the new tool, and it starts slowly again", () => {
    for (const v of made.values()) {
      for (const e of v.checked().exchanges) expect(["valid", "risky"]).toContain(e.verdict);
      expect(v.tempo).toBeLessThanOrEqual(0.4);
    }
  });
  test("a bare arm does not meet a stick: the parry and the cover give way to something else", () => {
    const text = made.get("stick against hands")!.text;
    expect(text).toMatch(/A: lead left, holds stick 71 cm, wears eye protection/);
    expect(text).not.toMatch(/wears gloves|B cover/);
  });
  test("pads change what is worn, not what is done", () => {
    expect(made.get("pads")!.text).toMatch(/A jab -> B parry, cross\nA rear hook -> B cover, cross/);
  });
});

test("from sticks to a blade and back to the hand: lines stay, rows without such a line are left out and counted", () => {
  const made = changed(
    "A: holds stick 71 cm\nB: holds stick 71 cm\n\nA forehand high -> B block high\nA thrust mid -> B step off",
  );
  expect([...made.keys()]).not.toContain("stick");
  expect(made.get("training blade")!.text).toMatch(/^A \S+ forehand high|^A forehand high/m);
  const bare = made.get("empty hand")!;
  expect(bare.checked().exchanges.every((e) => e.blow!.weapon === null)).toBe(true);
});
test("a range of numbers becomes a row for each angle", () => {
  const made = changed(
    "numbering: five angles\nA: holds stick 71 cm\nB: holds stick 71 cm\n\nA strike {1..5} -> B block {#}",
  );
  expect(made.get("pads")!.text).not.toMatch(/\{/);
  expect(made.get("pads")!.checked().exchanges.length).toBeGreaterThan(1);
});
test("a drill of pushes, of shots or for three has no other tool", () => {
  expect(changed("kind: sensitivity\nrange: trap\n\nA push to centre -> B turn").size).toBe(0);
  expect(changed("mats: yes\n\nA double leg -> B sprawl").size).toBe(0);
});
test("blades stay off the body: no harder contact", () => {
  const blade = checkFor(parse("A: holds training knife 28 cm\n\nA slash forehand high -> B step back"), school);
  expect(vary(blade, school, ["contact"]).good).toEqual([]);
});

// Weave drills go from one stick to two, to short ones and to knives: common practice, no source.
describe("a cycle of blows that meet", () => {
  const weave = (holds: string) =>
    `kind: flow\ntempo: 60%\nA: holds ${holds}\nB: holds ${holds}\n\nloop x8:\n  A R forehand high <> B R forehand high\n  A R backhand low <> B R backhand low\nend`;
  const tools = (holds: string) =>
    vary(checkFor(parse(weave(holds)), school), school, ["other-tool"]).good.map(({ text }) => text);
  test("one stick becomes a short one, a knife, or two in turn, slowly again", () => {
    const made = tools("stick 71 cm");
    expect(made.map((text) => /holds (.*)/.exec(text)![1]).sort()).toEqual([
      "stick 50 cm",
      "training knife 28 cm",
      "two sticks 71 cm",
    ]);
    expect(made.every((text) => text.includes("tempo: 40%"))).toBe(true);
    expect(made.filter((text) => text.includes("loop x8 alternate:"))).toEqual([
      expect.stringContaining("holds two sticks"),
    ]);
  });
  test("a short stick is not changed for a short stick, a knife for nothing", () => {
    expect(tools("stick 50 cm").some((text) => text.includes("holds stick 50 cm"))).toBe(false);
    expect(tools("training knife 28 cm")).toEqual([]);
  });
});

test("what the title or the focus names stays in it: no tool with which it cannot be done", () => {
  const about = (row: string) => `${row}\nA: wears gloves\nB: wears gloves\n\nA jab -> B slip out, lead hook`;
  expect(changed(about("title: On the bell")).has("stick")).toBe(true);
  expect(changed(about("focus: the slip, early")).has("stick")).toBe(false);
});
