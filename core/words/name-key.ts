/** Names as they are looked up, and what is typed of them. No data in it, so that lists can search without the vocabulary. */

/** A name as it is looked up: lower case, hyphens as blanks, single blanks. */
export const nameKey = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[-\s]+/g, " ")
    .trim();

/** Letters without their marks, small, with single blanks: `Pak-Sáo` as `pak sao`. */
export const folded = (text: string): string => nameKey(text.normalize("NFD").replace(/\p{M}/gu, ""));

/** True where each word of a text begins a word of another, in any order. */
export function beginsIn(typed: string, text: string): boolean {
  const words = folded(text).split(" ");
  return folded(typed)
    .split(" ")
    .every((one) => words.some((word) => word.startsWith(one)));
}
