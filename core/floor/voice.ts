/** The words that a shipped voice can say, and how a call is put together from them. */
import type { Vocabulary } from "../words/vocabulary.ts";

/** What the clock itself says. */
const OF_THE_CLOCK = ["switch", "change", "stop", "go"];
/** What may stand beside a move: sides, heights, hands, and to whom. */
const BESIDE = "left right lead rear high mid low head body leg arm to with and off out in inside outside double A B C";
const NUMBERS = [
  ..."zero one two three four five six seven eight nine ten eleven twelve".split(" "),
  ..."thirteen fourteen fifteen sixteen seventeen eighteen nineteen twenty".split(" "),
];

const tokens = (text: string): string[] => text.toLowerCase().match(/[\p{L}]+|\d+/gu) ?? [];
/** A number up to twenty as its word. */
const spelt = (token: string): string => NUMBERS[Number(token)] ?? token;

/** Everything that is spoken to a file when the application is built: names of moves whole, and each word of them. */
export function voiceWords(vocabulary: Vocabulary): string[] {
  const names = [...vocabulary.moves.values()].flatMap(({ names: { english = [] } }) => english.slice(0, 1));
  const all = [...OF_THE_CLOCK, ...NUMBERS, ...tokens(BESIDE), ...names.flatMap(tokens), ...names];
  return [...new Set(all.map((name) => tokens(name).map(spelt).join(" ")))].filter(Boolean).sort();
}

/** Name of the file of a word, without what it ends with. */
export const voiceFile = (word: string): string => word.replace(/ /g, "-");

/**
 * The words one after the other that say a call, the longest that are known first; null where one of them is not:
 * then another voice says the whole of it.
 */
export function voicePieces(call: string, known: ReadonlySet<string>): string[] | null {
  const words = tokens(call).map(spelt);
  const pieces: string[] = [];
  for (let at = 0; at < words.length;) {
    let length = words.length - at;
    while (length > 0 && !known.has(words.slice(at, at + length).join(" "))) length--;
    if (length === 0) return null;
    pieces.push(words.slice(at, at + length).join(" "));
    at += length;
  }
  return pieces.length > 0 ? pieces : null;
}
