/** Pads, threes, and what has no place in a drill. Common practice, no source. */
import { checkFor } from "../../policy/judge.ts";
import { defaultSchool } from "../../policy/school.ts";
import { parse } from "../../score/parse.ts";
import type { OperatorId } from "../operator-names.ts";
import { vary } from "../vary.ts";

const school = defaultSchool();
const PADS = "tempo: 50%\nA: wears mitts\nB: wears gloves\n\n";
const made = (id: OperatorId, text: string) => {
  const { good, broken } = vary(checkFor(parse(text), school), school, [id]);
  expect(broken).toEqual([]);
  return good;
};
const play = (text: string) => text.trim().split("\n\n")[1];
const plays = (id: OperatorId, text: string) => made(id, text).map((one) => [one.changed, play(one.text)]);

test("one blow more goes onto the pads, with the other hand, five at most", () => {
  expect(plays("next-blow", `${PADS}A hold pads -> B jab, cross`)).toEqual([
    ["Behind the cross the lead hook", "A hold pads -> B jab, cross, lead hook"],
  ]);
  expect(plays("next-blow", `${PADS}A hold pads -> B jab, lead hook`)[0]![1]).toBe(
    "A hold pads -> B jab, lead hook, cross",
  );
  expect(made("next-blow", `${PADS}A hold pads -> B jab, cross, jab, cross, lead hook`)).toEqual([]);
  expect(made("next-blow", `${PADS}A hold pads -> B jab, cross to body`)).toEqual([]);
  expect(made("next-blow", "A: wears kick shield\n\nA hold shield -> B rear round kick")).toEqual([]);
});

test("the holder swings back behind the blows, a little slower, or when they like", () => {
  const [swing] = made("swing-back", `${PADS}A hold pads -> B jab, cross`);
  expect([swing!.changed, play(swing!.text)]).toEqual([
    "After the cross the holder swings back: weave",
    "A hold pads -> B jab, cross -> A sweep hook -> B weave",
  ]);
  expect(swing!.text).toContain("tempo: 40%");
  expect(made("swing-back", `${PADS}A hold pads -> B jab -> A sweep hook -> B weave`)).toEqual([]);
  expect(plays("any-time", `${PADS}A hold pads -> B jab, cross`)).toEqual([
    [
      "The holder swings back when they like: jab, cross, and weave if it comes",
      [
        "choose A:",
        "  quiet: A hold pads -> B jab, cross",
        "  swing: A hold pads -> B jab, cross -> A sweep hook -> B weave",
        "end",
      ].join("\n"),
    ],
  ]);
  const two = `${PADS}A hold pads -> B jab, cross\nA jab -> B catch`;
  expect(made("any-time", two)).toEqual([]);
});

test("three on a triangle turn the other way, with what each wears", () => {
  const head =
    "formation: triangle 2 m\norder: A B C\nA: wears gloves\nB: lead right, wears gloves\nC: lead left, wears gloves";
  const [other] = made(
    "other-way",
    `${head}\n\nA jab at B "to B's glove" -> B catch\nB cross at C -> C parry\nC jab at A -> A catch`,
  );
  expect(other!.text).toContain("order: A C B");
  expect(other!.text).toContain("B: lead left, wears gloves\nC: lead right, wears gloves");
  expect(play(other!.text)).toBe(
    'A jab at C "to B\'s glove" -> C catch\nC cross at B -> B parry\nB jab at A -> A catch',
  );
  expect(made("other-way", "A jab -> B catch")).toEqual([]);
});

test.each<[OperatorId, string, string]>([
  ["context", "A: wears mitts\n\nA jab -> B catch, cross", "a round on the mitts is not left by running away"],
  ["context", "tradition: japanese\n\nA oi zuki -> B step back + age uke", "nor is a form of a school of movement"],
  [
    "context",
    "context: self-protection\nA: holds training knife 28 cm\n\nA thrust -> B step off",
    "nobody stays at it",
  ],
  ["hidden-feed", "context: self-protection\n\nA rear hook -> B cover, palm strike", "who protects themselves begins"],
  ["feint", "context: self-protection\n\nA rear hook -> B cover, palm strike", "nobody boxes there"],
  ["exit", "A: holds stick 71 cm\n\nA forehand high -> B step in + jam, palm strike, exit angle", "they have left"],
])("%s has no place in %s: %s", (id, text) => {
  expect(vary(checkFor(parse(text), school), school, [id]).good).toEqual([]);
});

test("bare hands do not jab their way out from a weapon, and the palm goes back before the fist", () => {
  const stick = made("exit", "A: holds stick 71 cm\n\nA forehand high -> B step in + jam, palm strike");
  expect(stick.map(({ text }) => text).join()).not.toContain("exit jab");
  expect(
    made("exit", "A jab -> B catch, cross")
      .map(({ text }) => text)
      .join(),
  ).toContain("exit jab");
  const [back] = made("add-return", "context: self-protection\n\nA jab -> B slap parry");
  expect(back!.text).toContain("slap parry, palm strike");
});

test("a leg that is pulled away checks nothing, and one hand only says nothing to a shin", () => {
  const kicks = "range: kick\nA: wears shin guards\nB: wears shin guards\n\n";
  const second = made("second-line", `${kicks}A inside leg kick -> B pull leg`);
  expect(second.filter(({ text }) => text.includes("check"))).toEqual([]);
  const rules = made("restriction", `${kicks}A rear round kick to body -> B elbow drop + shin check`);
  expect(rules.filter(({ changed }) => changed.includes("hand only: shin check"))).toEqual([]);
});

test("who protects themselves is given nothing to hold", () => {
  const tools = made("other-tool", "context: self-protection\n\nA rear hook -> B cover, palm strike");
  for (const { text } of tools) expect(text).not.toMatch(/^B: .*holds (?:stick|two)/m);
  expect(tools.length).toBeGreaterThan(0);
});
