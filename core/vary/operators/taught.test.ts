/** What an instructor would not teach is not made: silly feeds, answers nobody gives, moves after leaving. Common practice, no source. */
import { checkFor } from "../../policy/judge.ts";
import { defaultSchool } from "../../policy/school.ts";
import { parse } from "../../score/parse.ts";
import { OPERATORS, type OperatorId } from "../operator-names.ts";
import { vary, type Variation } from "../vary.ts";

const school = defaultSchool();
const made = (operators: OperatorId | readonly OperatorId[], text: string): readonly Variation[] =>
  vary(checkFor(parse(text), school), school, typeof operators === "string" ? [operators] : operators).good;
const plays = (operators: OperatorId | readonly OperatorId[], text: string): string[] =>
  made(operators, text).map((v) => v.text.split("\n\n").slice(1).join("\n").trim());
const changes = (operator: OperatorId, text: string) => made(operator, text).map(({ changed }) => changed);
const KNIFE = "A: holds training knife 28 cm\n\n";
const GLOVES = "A: wears gloves\nB: wears gloves\n\n";

describe("another feed", () => {
  test("is another blow of the same kind, and what a class feeds", () => {
    expect(plays("other-feed", `${GLOVES}A jab -> B slip out, cross`)).toEqual(["A cross -> B slip out, cross"]);
    for (const text of plays("other-feed", `${GLOVES}A rear hook -> B cover, cross`))
      expect(text).not.toMatch(/check hook|ridge|palm|jab|cross ->/);
    expect(plays("other-feed", "A double leg -> B sprawl").join()).not.toMatch(/reap/);
  });
  test("with bare hands a palm of the same school of movement, never the fingers", () => {
    const feeds = plays("other-feed", "tradition: cantonese\nrange: trap\n\nA straight punch -> B pak sao");
    expect(feeds).toContain("A lead palm strike -> B pak sao");
    expect(feeds.join()).not.toMatch(/finger/);
  });
});

describe("another answer", () => {
  test("is what the trade gives, and keeps what is hit in the same beat", () => {
    expect(plays("other-answer", `${KNIFE}A thrust mid -> B step off + outside pass`).join()).not.toMatch(/low parry/);
    expect(plays("other-answer", `${GLOVES}A lead hook to body -> B elbow drop`).join()).not.toMatch(/cross block/);
    const both = plays("other-answer", `${GLOVES}A cross -> B slip out + lead hook to body`);
    expect(both.length).toBeGreaterThan(0);
    for (const text of both) expect(text).toMatch(/ \+ lead hook to body$/);
  });
  test("is not what another row has already", () => {
    const rows = `${GLOVES}A jab -> B slip out, cross\nA jab -> B catch, cross`;
    for (const changed of changes("other-answer", rows)) expect(changed).not.toMatch(/: (?:catch|slip out) instead/);
  });
  test("at another height keeps the blow of its beat", () => {
    const cross = `${GLOVES}A cross -> B slip out + lead hook to body`;
    expect(plays("other-height", cross)).toEqual(["A cross mid -> B low parry + lead hook to body"]);
  });
});

describe("who has left does nothing more", () => {
  test.each(["leave", "exit angle"])("no exit and no counter behind %s", (way) => {
    const text = `${GLOVES}A jab -> B slip out, cross, ${way}`;
    expect(made("exit", text)).toEqual([]);
    expect(made("answer-return", text)).toEqual([]);
  });
});

test("who leans back does not step off as well", () => {
  expect(made("leave-line", `${GLOVES}A rear uppercut -> B lean back, cross`)).toEqual([]);
});

test("on the other side tools change hands, and nobody becomes left-handed", () => {
  const [bare] = made("mirror", `${GLOVES}A jab -> B slip out, cross`);
  expect(bare!.text).not.toMatch(/handed/);
  const [armed] = made("mirror", `${KNIFE}A thrust mid -> B step off + outside pass`);
  expect(armed!.text).toMatch(/^A: lead right, left handed, holds/m);
  expect(armed!.text).toMatch(/^B: lead right$/m);
  expect(armed!.changed).toBe("Everything on the other side, tools in the other hand");
});

test("a change of gear alone says so; gloves off is no other tool; bare hands hit nobody past a blade", () => {
  const tools = made("other-tool", `${GLOVES}A rear hook -> B cover, cross`);
  expect(tools.find((v) => v.parameters.tool === "pads")!.changed).toBe("With pads: the same drill, slow again");
  expect(tools.map((v) => v.parameters.tool)).not.toContain("empty hand");
  const blade = tools.filter((v) => /holds training knife/.test(v.text) && /B: holds nothing/.test(v.text));
  expect(blade).toHaveLength(1);
  expect(blade[0]!.checked().exchanges[0]!.returns).toEqual([]);
});

test("changes that are said alike are told apart by their exchange", () => {
  const rows = "A straight punch -> B pak sao + straight punch\nA straight punch -> B tan sao + straight punch";
  const all = made(OPERATORS, `tradition: cantonese\nrange: trap\ntempo: 30%\n\n${rows}`).map((v) => v.changed);
  expect(new Set(all).size).toBe(all.length);
  expect(all.filter((one) => /at the end leave at an angle, in exchange \d$/.test(one))).toHaveLength(2);
});

describe("a choice", () => {
  test("is none between rows that begin alike and are answered otherwise", () => {
    const rows = `${GLOVES}A jab -> B slip out, cross\nA jab, cross -> B catch, slip out\nA lead hook -> B weave`;
    expect(made("feeders-choice", rows)).toEqual([]);
    const alike = `${GLOVES}A jab -> B slip out, cross\nA jab, jab -> B slip out, slip in + jab`;
    expect(changes("feeders-choice", alike)).toEqual(["Feeder picks: jab or double jab"]);
  });
  test("keeps the blow of the same beat, also where a saying stands for both", () => {
    const [either] = plays("responders-choice", "tradition: cantonese\nrange: trap\n\nA straight punch -> B tan da");
    expect(either).toMatch(/^A straight punch -> B tan da \| pak sao \+ straight punch$/);
  });
});

describe("what asks for gear writes it", () => {
  const STICKS = "tempo: 70%\nA: holds stick 71 cm\nB: holds stick 71 cm\n\n";
  test("sticks that go faster want eyes covered", () => {
    const faster = made("tempo-up", `${STICKS}A forehand high -> B block left high`);
    expect(faster.length).toBeGreaterThan(0);
    for (const { text, changed } of faster) {
      expect(text.match(/wears eye protection/g)).toHaveLength(2);
      expect(changed).toMatch(/Eye protection on$/);
    }
  });
  test("slower asks for nothing", () => {
    for (const { text } of made("tempo-down", `${STICKS}A forehand high -> B block left high`))
      expect(text).not.toMatch(/wears/);
  });
});

describe("what grows by another path", () => {
  const changed = (operator: OperatorId, fed: string) => changes(operator, `kind: sensitivity\n\n${fed}`).join("; ");
  test("feet together for a push at the body, not at an arm, and not for a hold", () => {
    expect(changed("narrow", "A push to chest -> B turn")).toBe("Feet together");
    expect(changed("narrow", "A press on lead forearm -> B palm-up arm")).toBe("");
    expect(changed("narrow", "A collar tie -> B frame")).toBe("");
  });
  test("contact kept and no resisting for pushes, not where a hold is fought for", () => {
    expect(changed("restriction", "A push to chest -> B turn")).toMatch(/No resisting/);
    expect(changed("restriction", "A collar tie -> B frame")).not.toMatch(/No resisting|Contact kept/);
  });
  test("alone it grows by tempo", () => {
    expect(changes("tempo-up", "kind: solo\ntempo: 90%\n\nA jab, cross")).toContain("At full speed");
  });
  test("three rotate", () => {
    const three = "formation: triangle 2 m\n\nA jab at B -> B catch\nB jab at C -> C catch\nC jab at A -> A catch";
    expect(changes("swap-roles", three)).toEqual(["Rotate after each one"]);
  });
});

test("at another height the feet do what they did", () => {
  expect(
    plays("other-height", "tradition: japanese\n\nA oi zuki to body -> B step back + soto uke, gyaku zuki"),
  ).toEqual(["A oi zuki high -> B age uke + step back, gyaku zuki"]);
});
