import { answerBlow, PLAIN } from "./layers.ts";
import { lineAt } from "./cover.ts";
import type { CoverLimb } from "../words/types.ts";
import { materialFault } from "./materials.ts";
import { movesOf, scene } from "./testing.ts";

const STICK = "holds stick 71 cm";
const KNIFE = "holds training knife 28 cm";

/** The best layer of an answer against a blow. */
function layer(blowText: string, answer: string, distance = 1.1, a = "", b = "") {
  const { attacker, receiver, blow } = scene(blowText, distance, a, b);
  return answerBlow(movesOf(answer, receiver), blow, attacker, receiver, PLAIN).best!;
}

describe("interpose", () => {
  test.each([
    ["lead hook", "cover", true],
    ["lead hook to body", "cover", false],
    ["lead hook to body", "elbow drop", true],
    ["lead hook", "elbow drop", false],
    ["rear round kick to leg", "shin check", true],
    ["rear round kick to head", "shin check", false],
    ["cross", "shoulder roll", true],
    ["hammerfist", "shoulder roll", false],
    ["hammerfist", "rising block", true],
    ["jab", "cover", false],
    ["cross", "catch", true],
    ["cross to body", "cross catch", false],
  ] as const)("%s met by %s: %s", (blow, answer, works) => {
    expect(layer(blow, answer).fails === null).toBe(works);
  });
  test("stands on the incoming side unless another is named", () => {
    expect(layer("rear hook", "cover").fails).toBeNull();
    expect(layer("rear hook", "cover rear").fails).toBe("open");
    expect(layer("lead hook", "cover rear").fails).toBeNull();
  });
  test("a high block goes where its side and height say", () => {
    expect(layer("forehand high", "block left high", 1.6, STICK, STICK).fails).toBeNull();
    expect(layer("forehand high", "block right high", 1.6, STICK, STICK).fails).toBe("open");
    expect(layer("forehand high", "block left low", 1.6, STICK, STICK).fails).toBe("open");
    expect(layer("forehand low", "block left low", 1.6, STICK, STICK).fails).toBeNull();
  });
  test("longer segments never cover less", () => {
    const { attacker, receiver, blow } = scene("lead hook", 1.1);
    const margin = (segment: number) =>
      answerBlow(movesOf("cover", receiver), blow, attacker, receiver, { displacement: 1, segment }).best!.margin;
    expect(margin(0.02)).toBeGreaterThanOrEqual(margin(0));
    expect(margin(0)).toBeGreaterThanOrEqual(margin(-0.02));
  });
});

describe("deflect", () => {
  test("works on straight blows at the height of the hand", () => {
    expect(layer("jab", "slap parry")).toMatchObject({ by: "deflect", fails: null });
    expect(layer("cross to body", "low parry").fails).toBeNull();
    expect(layer("cross to body", "slap parry").fails).toBe("open");
    expect(layer("push kick", "scoop").fails).toBeNull();
  });
  test("a push from the side does nothing against a round blow, nor along its way", () => {
    expect(layer("lead hook", "slap parry").fails).toBe("open");
    expect(layer("rear hook", "outward parry").fails).toBe("open");
  });
  test("a stick parry turns a thrust of a stick aside, a bare hand is too far from the arm behind a long blade", () => {
    expect(layer("thrust mid", "parry stick", 1.7, STICK, STICK).fails).toBeNull();
    expect(layer("thrust mid", "low parry", 1.5, "holds training knife 70 cm").fails).not.toBeNull();
  });
});

describe("jam and pass", () => {
  test("a jam needs the step in and an arm to work on", () => {
    expect(layer("forehand high", "step in + jam", 1.65, STICK)).toMatchObject({ by: "jam", fails: null });
    expect(layer("forehand high", "jam", 1.65, STICK).fails).toBe("companion");
    expect(layer("push kick", "step in + jam").fails).toBe("open");
  });
  test("a pass needs a step", () => {
    expect(layer("thrust mid", "outside pass", 1.2, KNIFE).fails).toBe("companion");
    expect(layer("thrust mid", "step off + outside pass", 1.2, KNIFE).fails).toBeNull();
  });
});

describe("materials", () => {
  const knife = scene("slash forehand high", 1.2, KNIFE);
  const stick = scene("forehand high", 1.6, STICK);
  const fault = (s: typeof knife, limb: CoverLimb, depth: number, double = false) =>
    materialFault({ limb, double }, s.blow, depth)?.severity ?? null;
  test("a bare limb never on an edge, a forearm behind it may be", () => {
    expect(fault(knife, "forearm", 0.25)).toBe("error");
    expect(fault(knife, "hand", 0.1)).toBe("error");
    expect(fault(knife, "forearm", 0.7)).toBeNull();
  });
  test("hand and forearm never on the fast half of a stick, the slow half is less fast", () => {
    expect(fault(stick, "forearm", 0.2)).toBe("error");
    expect(fault(stick, "forearm", 0.55)).toBeNull();
  });
  test("stick on stick is what sticks are for; a short blade blocks nothing", () => {
    expect(fault(stick, "stick", 0.35)).toBeNull();
    expect(fault(knife, "blade", 0.3)).toBe("error");
  });
  test("one forearm against a shin is risky, two are not", () => {
    const kick = scene("rear round kick to head", 1.1);
    expect(fault(kick, "forearm", 0.12)).toBe("risk");
    expect(fault(kick, "forearm", 0.12, true)).toBeNull();
    expect(fault(kick, "shin", 0.2)).toBeNull();
  });
});

test("the line of a straight blow runs from its shoulder to its aim", () => {
  const { blow } = scene("jab", 1.1);
  expect(lineAt(blow, blow.aim.d)).toMatchObject({ u: blow.aim.u, w: blow.aim.w });
  expect(lineAt(blow, blow.origin.d).u).toBeCloseTo(blow.origin.u, 6);
  expect(lineAt(blow, 99)).toEqual(lineAt(blow, blow.origin.d));
});

test("layers are counted each by itself", () => {
  const { attacker, receiver, blow } = scene("cross", 1.15);
  const { layers } = answerBlow(movesOf("shoulder roll + cross catch", receiver), blow, attacker, receiver, PLAIN);
  expect(layers.map((l) => [l.use.move.id, l.by])).toEqual([
    ["shoulder-roll", "displace"],
    ["shoulder-roll", "interpose"],
    ["cross-catch", "interpose"],
  ]);
});
