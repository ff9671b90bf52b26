/** What instructors call several moves at once: the beats that a saying stands for, as notation. */
import { nameKey } from "../words/name-key.ts";
import { sayings } from "../words/shipped.ts";
import { type Vocabulary } from "../words/vocabulary.ts";
import { isModifierWord } from "./find-move.ts";

const MEANS: ReadonlyMap<string, readonly string[]> = new Map(
  sayings.flatMap(({ names, means }) => names.map((name) => [nameKey(name), means] as const)),
);
const LONGEST = Math.max(...[...MEANS.keys()].map((key) => key.split(" ").length));

/**
 * The beats that the words of a part stand for; null where they are no saying. What stands behind it is said of each
 * of its moves. A school's own move of the same name wins.
 */
export function sayingOf(words: readonly string[], { byName }: Vocabulary): readonly string[] | null {
  const keys = words.flatMap((word) => nameKey(word).split(" "));
  for (let length = Math.min(LONGEST, keys.length); length > 0; length--) {
    const key = keys.slice(0, length).join(" ");
    const means = MEANS.get(key);
    if (!means || byName.get(key)?.some(({ own }) => own)) continue;
    const behind = keys.slice(length);
    if (!behind.every((word) => isModifierWord(word) || BESIDE.test(word))) continue;
    const rest = behind.map((word) => ` ${word}`).join("");
    return means.map((beat) =>
      beat
        .split(" + ")
        .map((move) => move + rest)
        .join(" + "),
    );
  }
  return null;
}

/** Words of a phrase, and marks of length, beside a name. */
const BESIDE = /^(?:the|both|pads?|mitts?|shield|[abc]|@.*)$/;
