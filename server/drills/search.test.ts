/** The pattern by which drills are looked through for a move. */
import { shippedVocabulary } from "#core/words/vocabulary.ts";
import { patternFor } from "./search.ts";

const vocabulary = shippedVocabulary();
const finds = (typed: string, row: string) => {
  const pattern = patternFor(typed, vocabulary);
  return pattern !== null && new RegExp(pattern.replace("\\m", "\\b").replace("\\M", "\\b"), "i").test(row);
};

test("a move is found by any of its names, whole and with hyphens", () => {
  expect(finds("pak sau", "A jab -> B slap parry, jab")).toBe(true);
  expect(finds("slap parry", "A jab -> B pak-sao")).toBe(true);
  expect(finds("weave", "A jab -> B unweaveable")).toBe(false);
  expect(finds("weave", "A lead hook -> B weave + lead hook")).toBe(true);
});

test("two letters look through nothing, nor does a word that is none", () => {
  expect(patternFor("we", vocabulary)).toBeNull();
  expect(patternFor("zzzzzzzzzzz", vocabulary)).toBeNull();
});
