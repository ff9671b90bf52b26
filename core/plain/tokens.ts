/** Words and marks of a line as somebody typed it, each with its place in the line. */

/** A word, a number, or a mark between them; `text` is lower case, `typed` as it stands. */
export interface Token {
  readonly kind: "word" | "number" | "mark";
  readonly text: string;
  readonly typed: string;
  readonly from: number;
  readonly to: number;
}

/** Marks that part a row, longest first; a hyphen parts only between blanks. */
const PATTERN =
  /\s*(?<arrow><>|=+>|-+>|→|⇒|>)\s*|\s(?<dash>[-–—])\s|(?<number>\d+(?:-\d+)*)(?![\w])|(?<word>[\p{L}][\p{L}\p{M}'’]*(?:\d+)?)|(?<mark>[.,;:|+&/!?~()"])|(?<other>\S)/gu;

/** `no. 5` is `5`. */
const NUMBER_SIGN = /\b(?:no\.?|nr\.?)(?=\s*\d)/giu;

/** `teep to stop the cross` is a teep against it; what is put in is no longer than what was typed. */
const TO_STOP = /\bto (?:stop|beat|meet|counter)(?= (?:the|a|an|his|her|their) )/giu;

/** Returns the words and marks of a line in order; what is neither is left out. */
export function tokensOf(line: string): Token[] {
  const found: Token[] = [];
  const said = line
    .replace(NUMBER_SIGN, (sign) => " ".repeat(sign.length))
    .replace(TO_STOP, (words) => "against".padEnd(words.length));
  for (const match of said.matchAll(PATTERN)) {
    const { arrow, dash, number, word, mark, other } = match.groups!;
    const typed = (arrow ?? dash ?? number ?? word ?? mark ?? other)!;
    const from = match.index + match[0].indexOf(typed);
    const kind = number !== undefined ? "number" : word !== undefined ? "word" : "mark";
    if (other !== undefined) continue;
    const parts = (arrow !== undefined && arrow !== "<>") || dash !== undefined;
    const text = parts ? "->" : typed.toLowerCase();
    found.push({ kind, text: text.replace(/’/g, "'"), typed, from, to: from + typed.length });
  }
  return found;
}
