import { checkSingle, readAnswer, readFed } from "../drill/single.ts";
import { defaultSchool } from "../policy/school.ts";
import { answerTexts } from "../answers/answers.ts";
import { moveFacts } from "./facts.ts";
import { inTradition, shownName } from "./shown.ts";
import { TRADITIONS } from "./types.ts";
import { shippedVocabulary } from "./vocabulary.ts";

const vocabulary = shippedVocabulary();
const school = defaultSchool();
const move = (id: string) => [...vocabulary.moves.values()].find((m) => m.id === id)!;

// The terms are in common use; from memory.
test.each([
  ["slap-parry", "cantonese", "pak sao"],
  ["front-kick", "japanese", "mae geri"],
  ["jab", "thai", "jab"],
] as const)("%s in %s is %s", (id, tradition, name) => {
  expect(shownName(move(id), tradition, vocabulary)).toBe(name);
});
test("whatever is shown means the same when it is typed", () => {
  const fed = readFed([], "A jab", school)!;
  let differ = 0;
  for (const tradition of TRADITIONS)
    for (const one of vocabulary.moves.values())
      for (const text of answerTexts(one)) {
        const shown = inTradition(text, one, tradition, vocabulary);
        if (shown === text) continue;
        differ++;
        const [a, b] = [text, shown].map((t) => readAnswer(fed, t));
        // One name of two moves means the one that the drill is about; the other is not offered under it.
        if (a?.uses.every((use) => use.move.id !== one.id)) continue;
        expect([shown, b && checkSingle(fed, b).verdict]).toEqual([shown, a && checkSingle(fed, a).verdict]);
      }
  expect(differ).toBeGreaterThan(30);
});
test("facts say with what, where to, how far and how long", () => {
  const facts = (id: string) => Object.fromEntries(moveFacts(move(id)).map((f) => [f.name, f.value]));
  expect(facts("jab")).toMatchObject({ With: "lead hand", Path: "straight", "To contact": "250 ms" });
  expect(facts("jab")["Goes to"]).toBe("high: face; mid: chest; low: belly");
  expect(facts("front-kick").Reach).toBe("50% of the height: 88 cm");
  expect(facts("slip")["Works by"]).toMatch(/head 18 cm sideways/);
});
test("every shipped move that does something says how", () => {
  for (const one of vocabulary.moves.values()) {
    const text = moveFacts(one)
      .map((f) => f.value)
      .join(" ");
    expect(text).not.toMatch(/undefined|NaN|\[object/);
  }
});
