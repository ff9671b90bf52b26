/** Words as somebody types them who looks for a move. Spellings and idioms: common practice, no source. */
import { shippedVocabulary } from "../words/vocabulary.ts";
import { lookUp } from "./look-up.ts";

const vocabulary = shippedVocabulary();
const found = (typed: string) => lookUp(vocabulary, typed, 6).moves.map(({ move }) => move.name);

test.each([
  ["jabb", ["jab"]],
  ["weeve", ["weave"]],
  ["parries", ["parry"]],
  ["right low kick", ["low kick"]],
  ["tan sau", ["palm-up arm"]],
  ["double jab", ["jab"]],
  ["one two", ["jab", "cross"]],
  ["uper cut", ["uppercut"]],
  ["left hook", ["hook"]],
])("“%s” leads to %p", (typed, wanted) => {
  expect(found(typed).slice(0, wanted.length)).toEqual(wanted);
});

test("a name comes before what the words of a row would mean", () => {
  expect(found("shoulder roll")).toEqual(["shoulder roll"]);
  expect(found("check hook")[0]).toBe("check hook");
});

test("a word that is known and not judged says what is written instead", () => {
  for (const typed of ["sinawali", "Sumbrada", "abecedario", "philly-shell"])
    expect(lookUp(vocabulary, typed, 6)).toMatchObject({ moves: [], instead: expect.stringMatching(/`/) });
});

test("nothing is made of words that mean nothing", () => {
  expect(lookUp(vocabulary, "zzzzqqq", 6)).toEqual({ moves: [], instead: null });
  expect(lookUp(vocabulary, "", 6)).toEqual({ moves: [], instead: null });
});
