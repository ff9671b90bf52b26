/** Moves named in a text, and the same text in the words of a school of movement. */
import { nameKey } from "../words/name-key.ts";
import { TRADITIONS, type Move } from "../words/types.ts";
import { type Vocabulary } from "../words/vocabulary.ts";

/** A text of the trade in the words of a tradition, where it has its own for the move; else as it is. */
export function inOwnWords(text: string, tradition: string | null, vocabulary: Vocabulary): string {
  const known = TRADITIONS.find((one) => one === tradition);
  if (!known) return text;
  const said = (part: string): string => {
    const named = nameIn(part, vocabulary, () => true);
    const own = named?.move.names[known]?.[0];
    return named && own ? part.toLowerCase().replace(named.words, own) : part;
  };
  return text.split(" + ").map(said).join(" + ");
}

/** The longest name of a move in a text, of those that fit. */
export function nameIn(
  text: string,
  { byName }: Vocabulary,
  fits: (move: Move) => boolean,
): { readonly move: Move; readonly words: string } | null {
  const all = text.toLowerCase().split(/\s+/);
  for (let length = all.length; length > 0; length--)
    for (let start = 0; start + length <= all.length; start++) {
      const words = all.slice(start, start + length).join(" ");
      const move = byName.get(nameKey(words))?.find(fits);
      if (move) return { move, words };
    }
  return null;
}
