/** Calls put together from shipped words. */
import { checkFor } from "../policy/judge.ts";
import { parse } from "../score/parse.ts";
import { drillCalls } from "../calls/labels.ts";
import { shippedVocabulary } from "../words/vocabulary.ts";
import { voiceFile, voicePieces, voiceWords } from "./voice.ts";

const words = voiceWords(shippedVocabulary());
const known = new Set(words);

test("numbers, sides and moves are there, each once and as plain file names", () => {
  for (const word of ["seven", "switch", "rear", "jab", "shin check"]) expect(words).toContain(word);
  expect(new Set(words).size).toBe(words.length);
  for (const word of words) expect(voiceFile(word)).toMatch(/^[\p{L}-]+$/u);
});
test("the longest words come first, numbers are spelt, and an unknown word is left to another voice", () => {
  const few = new Set(["rear", "low", "kick", "low kick", "three"]);
  expect(voicePieces("Rear low kick", few)).toEqual(["rear", "low kick"]);
  expect(voicePieces("3", few)).toEqual(["three"]);
  expect(voicePieces("kick the moon", few)).toBeNull();
  expect(voicePieces("…", few)).toBeNull();
});
test.each([
  ["A jab -> B slip out\nA rear low kick -> B shin check\nA lead hook to body -> B cover"],
  ["numbering: five angles\ntools: stick, stick\n\nA angle 1 -> B roof block\nA angle 3 -> B roof block"],
])("everything that is called in a drill can be said: %s", (text) => {
  const { choices } = drillCalls(checkFor(parse(text)), shippedVocabulary());
  const labels = choices.flatMap((choice) => choice.labels);
  expect(labels.length).toBeGreaterThan(1);
  for (const { name } of labels) expect([name, voicePieces(name, known)]).not.toContain(null);
});
