import type { Part } from "../score/types.ts";

/** Said before a name, the same as `~`. */
const FEINTED = new Set(["feint", "fake"]);

/** The words of a part in lower case, with feint, commitment and length read off and taken away. */
export function wordsOf(part: Part): {
  words: string[];
  feint: boolean;
  commitment: "committed" | "probing" | null;
  length: number;
} {
  let feint = false;
  let commitment: "committed" | "probing" | null = null;
  let length = 1;
  const words: string[] = [];
  for (const text of part.words.flatMap((one) => withLength(one.text))) {
    let word = text.toLowerCase();
    const beats = /^@(\d{1,2})(?:\/(\d{1,2}))?$/.exec(word);
    if (beats) {
      const value = Number(beats[1]) / Number(beats[2] ?? "1");
      if (value > 0 && Number.isFinite(value)) length = value;
      continue;
    }
    if (word.startsWith("~")) {
      feint = true;
      word = word.slice(1);
    }
    if (word.endsWith("!")) commitment = "committed";
    if (word.endsWith("?")) commitment = "probing";
    word = word.replace(/[!?]+$/, "");
    if (word) words.push(word);
  }
  if (words.length > 1 && FEINTED.has(words[0]!)) {
    words.shift();
    feint = true;
  }
  return { words, feint, commitment, length };
}

/** A length may stand behind a word or be one of its own: `jab@1/2` and `jab @1/2`. */
const withLength = (text: string): string[] => text.split(/(?=@)/).filter(Boolean);
