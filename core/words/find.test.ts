import { beginsIn, folded } from "./name-key.ts";
import { findMoves, namesOf } from "./find.ts";
import { shippedVocabulary } from "./vocabulary.ts";

const vocabulary = shippedVocabulary();
const ids = (typed: string) => findMoves(vocabulary, typed, 8).map(({ move }) => move.id);

test("letters with marks, hyphens and capitals are the same", () => {
  expect(folded("  Pák-Säo ")).toBe("pak sao");
  expect(beginsIn("PAK s", "pak-sao")).toBe(true);
  expect(beginsIn("low", "switch kick to the leg blow")).toBe(false);
});

// The terms are in common use; from memory.
test.each([
  ["pak sau", "slap-parry"],
  ["Pak-Sao", "slap-parry"],
  ["mae geri", "front-kick"],
  ["low kick", "low-kick"],
  ["kick low", "low-kick"],
  ["teep", "push-kick"],
  ["whizzer", "overhook"],
])("%s is found first", (typed, id) => {
  expect(ids(typed)[0]).toBe(id);
});

test("what begins so comes before what only holds such a word; nothing finds nothing", () => {
  const hook = findMoves(vocabulary, "hook", 40).map(({ name }) => name);
  expect(hook[0]).toBe("hook");
  expect(hook.indexOf("hook kick")).toBeLessThan(hook.indexOf("check hook"));
  expect(ids("")).toEqual([]);
  expect(ids("zzzzzzzzzz")).toEqual([]);
});

test("a move is looked up in a text by each of its names", () => {
  const move = [...vocabulary.moves.values()].find(({ id }) => id === "slap-parry")!;
  expect(namesOf(move, vocabulary)).toEqual(expect.arrayContaining(["slap parry", "pak sao", "pak sau", "tapik"]));
});
