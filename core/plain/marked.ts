/** Lines of notes that begin with a mark, or say several numbers at once, and rows of the notation that no coach says. */

/** A mark at the start of a line, as it is said, and as it is written. */
const MARKS: readonly (readonly [RegExp, string])[] = [
  [/^\s*(?:at )?any ?time\s*[:,]\s*/i, "any time: "],
  [/^\s*(?:(?:if|when) (?:it|that) )?lands\s*[:,]\s*/i, "lands: "],
  [/^\s*(?:wrong|not like this|not so)\s*:\s*/i, "wrong: "],
];

/** A line without its mark; null where it has none. */
export function markOf(source: string): { readonly mark: string; readonly length: number } | null {
  for (const [said, mark] of MARKS) {
    const found = said.exec(source);
    if (found && found[0].length < source.length) return { mark, length: found[0].length };
  }
  return null;
}

/** `strikes 1 to 5 in any order, block and counter` as a row; null for any other line. */
export function numbersOf(source: string): string | null {
  const found =
    /^\s*(?:a\s+)?(?:feeds?\s+|throws?\s+)?(?:strikes?|lines?|angles?)\s+(\d{1,2})\s*(?:to|through|-|–)\s*(\d{1,2})\s*,?\s*(in any order|mixed|in order)?\s*(?:,|:|->)\s*(?:b\s+)?blocks?\s*((?:,\s*(?:and|then)?|and|then)\s*counters?)?\s*\.?\s*$/i.exec(
      source,
    );
  if (!found) return null;
  const mixed = found[3] && !/^in order$/i.test(found[3]) ? " in any order" : "";
  return `A strike {${found[1]}..${found[2]}}${mixed} -> B block {#}${found[4] ? ", counter {#}" : ""}`;
}

/** Rows round the lines of a drill: sections, blocks and their ends. */
export const isFrameRow = (source: string): boolean =>
  /^\s*(?:section\s+\S.*|(?:loop|choose|carry)\b[^:]*:|end)\s*$/i.test(source);

const GAME = /^\s*game\s+[^\s:][^:]*:\s*$/i;
const END = /^\s*end\s*$/i;

/** The places of the rows of games among lines: from `game NAME:` to `end`, both included. */
export function gamesIn(lines: readonly string[]): readonly (readonly [from: number, to: number])[] {
  const games: [number, number][] = [];
  for (let i = 0; i < lines.length; i++) {
    if (!GAME.test(lines[i]!)) continue;
    const end = lines.findIndex((line, j) => j > i && END.test(line));
    if (end < 0) break;
    games.push([i, end]);
    i = end;
  }
  return games;
}
