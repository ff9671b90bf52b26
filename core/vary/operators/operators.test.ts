/** What each operator makes of small drills; every candidate here is checked and sound or risky. */
import { checkFor } from "../../policy/judge.ts";
import { defaultSchool } from "../../policy/school.ts";
import { parse } from "../../score/parse.ts";
import { textsOf } from "../../base/source-testing.ts";
import { OPERATOR_NAMES, type OperatorId } from "../operator-names.ts";
import { vary, type Variation } from "../vary.ts";

const school = defaultSchool();
const made = (operator: OperatorId, text: string): Variation[] => [
  ...vary(checkFor(parse(text), school), school, [operator]).good,
];
const plays = (operator: OperatorId, text: string): string[] =>
  made(operator, text).map((v) => v.text.split("\n\n").slice(1).join("\n").trim());
const ONE = "A: lead left\nB: lead left\ntempo: 50%\n\nA jab -> B slip out, cross";
const TWO = `${ONE}\nA lead hook -> B weave, cross`;

test("every operator has a case in a test beside it", () => {
  const tests = textsOf("core/vary", /\.test\.ts$/).join("\n");
  const without = Object.keys(OPERATOR_NAMES).filter((id) => !tests.includes(`"${id}"`));
  expect(without).toEqual([]);
});

test("blows on a pad are not taken apart: no step, join, triangle or single blow of them", () => {
  const text =
    "A: wears mitts\nB: wears gloves\n\nA hold pads -> B jab, cross, lead hook\nA walk forward -> B check hook";
  for (const id of ["isolate", "chain", "leave-line", "third-person", "exit", "second-line"] as const)
    expect([id, made(id, text).length]).toEqual([id, 0]);
  expect(made("mirror", text)).toHaveLength(1);
});

test("more contact writes the gear for it", () => {
  const [harder] = made("contact", "contact: light\nA: lead left\nB: lead left\n\nA jab -> B slip out, low kick");
  expect(harder!.text).toMatch(/contact: medium/);
  expect(harder!.text).toMatch(/A: lead left, wears gloves/);
  expect(harder!.text).toMatch(/B: lead left, wears mouthguard, wears shin guards/);
  expect(harder!.changed).toMatch(/Gloves, mouthguards and shin guards on$/);
});

describe("what is answered", () => {
  test("a return is added where there is none, and only where it reaches", () => {
    expect(plays("add-return", "A jab -> B slip out")).toContain("A jab -> B slip out, cross");
    expect(made("add-return", ONE)).toEqual([]);
  });
  test("counter for counter: the feeder answers the return", () => {
    const [line] = plays("answer-return", "A jab -> B parry, cross");
    expect(line).toMatch(/^A jab -> B parry, cross -> A \w+/);
  });
  test("a second line is another layer of the same beat", () => {
    for (const v of made("second-line", "A jab -> B slip out")) {
      expect(v.text).toMatch(/B slip out \+ \w+/);
      expect(v.checked().exchanges[0]!.layers.length).toBeGreaterThan(1);
    }
  });
  test("a second line covers behind what was done before: a wedge does not after a step back, nor bare arms at a blade", () => {
    const blade = "A: holds training knife 28 cm\ncontact: none\n\nA slash backhand -> B step back";
    expect(made("second-line", blade).filter((v) => /wedge|jam/.test(v.text))).toEqual([]);
    for (const text of [blade, ONE, "A rear hook -> B cover, cross", "A overhead -> B step off"])
      for (const v of made("second-line", text))
        for (const layer of v.checked().exchanges[0]!.layers) {
          expect([v.text, layer.fails]).toEqual([v.text, null]);
          expect(layer.margin).toBeGreaterThan(0);
        }
  });
  test("a step off goes with the answer, once", () => {
    expect(plays("leave-line", ONE)).toEqual(["A jab -> B slip out + step off, cross"]);
    expect(made("leave-line", "A jab -> B step back")).toEqual([]);
  });
  test("a way out stands at the end", () => {
    expect(plays("exit", ONE)).toContain("A jab -> B slip out, cross, exit angle");
  });
  test("the answerer chooses between two answers", () => {
    const [line] = plays("responders-choice", "A jab -> B slip out");
    expect(line).toMatch(/^A jab -> B slip out \| \w+/);
  });
  test("hand blows end in a kick, kicks in a hand blow", () => {
    const both = `${ONE}\nA rear round kick to leg -> B shin check`;
    expect(plays("opposite-finish", both)[0]).toMatch(/, cross, (rear round kick|push kick|knee)/);
    // A drill of hands alone ends in hands.
    expect(made("opposite-finish", ONE)).toEqual([]);
  });
  test("the part of one person alone needs nobody to answer", () => {
    const [alone] = made("solo", ONE);
    expect(alone!.text).toMatch(/kind: solo/);
    expect(alone!.text).toMatch(/^B slip out, cross$/m);
    expect(alone!.checked().findings.filter((f) => f.severity === "error")).toEqual([]);
  });
});

describe("what is fed", () => {
  test("another feed for the same answer", () => {
    for (const v of made("other-feed", "A jab -> B slip out")) {
      expect(v.text).toMatch(/-> B slip out$/m);
      expect(v.text).not.toMatch(/^A jab ->/m);
      expect(v.checked().exchanges[0]!.verdict).toBe("valid");
    }
  });
  test("a feint of the other hand goes before, and it is slower", () => {
    const [v] = made("feint", ONE);
    expect(v!.text).toMatch(/^A ~cross, jab -> B slip out, cross$/m);
    expect(v!.tempo).toBe(0.4);
  });
  test("a feed comes out of the answerer’s own attack", () => {
    const [line] = plays("hidden-feed", ONE);
    expect(line).toMatch(/^B jab -> A .+, jab -> B slip out, cross$/);
  });
  test("what stays open is used and answered", () => {
    for (const v of made("punish", ONE)) {
      expect(v.checked().exchanges).toHaveLength(2);
      for (const e of v.checked().exchanges) expect(e.verdict).not.toBe("invalid");
    }
  });
  test("the feeder chooses, or the coach calls, which line comes; a single line is no choice", () => {
    for (const [operator, head] of [
      ["feeders-choice", "choose A:"],
      ["calls", "choose call:"],
    ] as const) {
      const [v] = made(operator, TWO);
      expect(v!.text).toContain(head);
      expect(v!.text).toMatch(/one: A jab/);
      expect(v!.load.parts.choice).toBeGreaterThan(0);
      expect(made(operator, ONE)).toEqual([]);
    }
  });
});

describe("the frame", () => {
  test("tempo goes up to the ceiling and not beyond, and down to a floor", () => {
    expect(made("tempo-up", ONE)[0]!.tempo).toBeCloseTo(0.6, 9);
    expect(made("tempo-down", ONE)[0]!.tempo).toBeCloseTo(0.4, 9);
    expect(made("tempo-up", ONE.replace("50%", "100%"))).toEqual([]);
    expect(made("tempo-down", ONE.replace("50%", "20%"))).toEqual([]);
  });
  test("the other foot in front, the rest of the row as it was", () => {
    const [v] = made("opposite-stance", "A: lead left\nB: lead left, wears gloves\n\nA jab -> B parry");
    expect(v!.text).toMatch(/^B: lead right, wears gloves$/m);
  });
  test("roles change on each pass", () => {
    const all = vary(checkFor(parse("A jab -> B step back"), school), school, ["swap-roles"]);
    const [v] = [...all.good, ...all.broken];
    expect(v!.text).toMatch(/loop swap x4:\n {2}A jab -> B step back\nend/);
  });
  test("a rule is added to those that are there, in one row", () => {
    const v = made("restriction", "rules B: no strikes\n\nA jab -> B parry").find((m) =>
      m.changed.startsWith("No hands"),
    );
    expect(v!.text.match(/^rules/gim)).toHaveLength(1);
    expect(v!.text).toMatch(/no strikes, no hands/);
  });
  test("under a rule that forbids their answer they answer otherwise; a rule that changes nothing is not offered", () => {
    const rules = made("restriction", "A jab -> B parry\nA lead hook -> B weave").map((v) => v.parameters.rule);
    expect(rules).toContain("no hands");
    expect(rules).not.toContain("no steps");
    const [bare] = made("restriction", "A jab -> B parry").filter((v) => v.parameters.rule === "no hands");
    expect(bare!.text).not.toMatch(/parry/);
    expect(bare!.changed).toMatch(/^No hands: \w+.* against the jab/);
  });
  test("force rises one step, never to full, and not beyond light with a minor", () => {
    expect(made("contact", ONE)[0]!.checked().header.contact).toBe("medium");
    expect(made("contact", `contact: medium\n${ONE}`)).toEqual([]);
    expect(made("contact", ONE.replace("B: lead left", "B: lead left, minor"))).toEqual([]);
  });
  test("another end, and a third person in a triangle", () => {
    expect(made("context", ONE)[0]!.checked().header.context).toBe("self-protection");
    const [v] = made("third-person", "A jab -> B slip out");
    expect(v!.text).toMatch(/A jab at B -> B slip out\nB jab at C -> C slip out\nC jab at A -> A slip out/);
    expect(v!.checked().header.actors).toEqual(["A", "B", "C"]);
  });
  test("both move freely once: it weighs as a later cue", () => {
    const [v] = made("semi-live", ONE);
    const before = checkFor(parse(ONE), school).load.parts.cue;
    expect(v!.load.parts.cue).toBeGreaterThan(before);
    expect(made("semi-live", v!.text)).toEqual([]);
  });
});

test("what changed is one sentence that names the change", () => {
  for (const v of vary(checkFor(parse(TWO), school), school).good) {
    expect(v.changed.length).toBeLessThan(200);
    expect(v.changed).toMatch(/^[A-Z0-9]/);
    expect(v.changed).not.toMatch(/undefined|\[object/);
  }
});

describe("what would not be taught", () => {
  const sticks = "A: holds stick 71 cm\nB: holds stick 71 cm";
  test("no one blow punishes after each of several numbers", () => {
    const kicks = "\nA rear round kick to leg -> B shin check";
    expect(made("punish", `${sticks}\n\nA strike 1 -> B block 1${kicks}`).length).toBeGreaterThan(0);
    expect(made("punish", `${sticks}\n\nA strike {1..5} -> B block {#}`)).toEqual([]);
  });
  test.each([
    ["A forehand high -> B block left high", "~backhand high, forehand high"],
    ["A overhead -> B roof block", "~forehand, overhead"],
  ])("a feint shows another line than what comes: %s", (row, fed) => {
    expect(plays("feint", `${sticks}\n\n${row}`).map((p) => p.split(" -> ")[0])).toEqual([`A ${fed}`]);
  });
  test("before a kick a hand is shown, and no feint goes before a row of numbers", () => {
    expect(plays("feint", "A rear round kick to leg -> B shin check")).toEqual([
      "A ~jab, rear round kick to leg -> B shin check",
    ]);
    expect(made("feint", `${sticks}\n\nA strike {1..5} -> B block {#}`)).toEqual([]);
  });
  test("no calls where the feed comes when the feeder likes", () => {
    expect(made("calls", TWO).length).toBeGreaterThan(0);
    expect(made("calls", TWO.replace("tempo: 50%", "tempo: 50%\ncadence: free"))).toEqual([]);
  });
  test("no harder sticks onto heads that are not caged", () => {
    const row = "A overhead -> B roof block";
    expect(made("contact", `${sticks}\n\n${row}`)).toEqual([]);
    const caged = sticks.replaceAll("71 cm", "71 cm, wears caged headgear");
    expect(made("contact", `${caged}\n\n${row}`)).toHaveLength(1);
  });
  test("ranges are said in words", () => {
    const [alone] = made("isolate", `${sticks}\nnumbering: five angles\n\nA strike {1..5} -> B block {#}, counter {#}`);
    expect(alone!.changed).toBe("Only this, again and again: strike 1 to 5, block of the same number");
  });
});
