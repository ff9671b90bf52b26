/** How large the letters of a card can be so that it still fits one A4 page. */
interface CardContent {
  /** What stands under the names of each pair. */
  readonly pairs: readonly { readonly names: string; readonly lines: readonly string[] }[];
  /** Rows of each version's text. */
  readonly versions: readonly (readonly string[])[];
}

/** Height that the text may fill, mm: A4 less its margins. */
const PAGE = 297 - 2 * 12;
/** Width of the text, mm. */
const WIDTH = 210 - 2 * 12;
const MM_PER_POINT = 0.3528;
const LINE = 1.5;
/** Mean width of a letter as a share of its size; the mono face of the texts is wider. */
const LETTER = 0.55;
const MONO = 0.62;
export const SIZES = [13, 12, 11, 10, 9, 8, 7, 6] as const;

const wrapped = (text: string, mm: number, size: number, letter: number): number =>
  Math.max(1, Math.ceil((text.length * size * letter * MM_PER_POINT) / mm));

/** Height of a card in mm at a letter size in points. */
export function cardHeight({ pairs, versions }: CardContent, size: number): number {
  const columns = pairs.length > 4 ? 2 : 1;
  const column = (WIDTH - (columns - 1) * 8) / columns - 1.8 * size * MM_PER_POINT;
  const pairLines = pairs.map(
    (pair) =>
      0.8 +
      1.15 * wrapped(pair.names, column, size * 1.15, LETTER) +
      pair.lines.reduce((sum, text) => sum + wrapped(text, column, size, LETTER), 0),
  );
  // Columns are balanced, but a pair is never torn apart: one may stand over.
  const inColumns = pairLines.reduce((a, b) => a + b, 0) / columns + (columns > 1 ? Math.max(0, ...pairLines) / 2 : 0);
  const texts = versions.reduce(
    (sum, rows) => sum + 2.6 + rows.reduce((n, row) => n + wrapped(row, WIDTH, size, MONO), 0),
    0,
  );
  const headAndFoot = 4 + 7;
  return (headAndFoot + inColumns + texts) * size * LINE * MM_PER_POINT;
}

/** The largest letter size, in points, at which the card fits. */
export function cardSize(content: CardContent): number {
  return SIZES.find((size) => cardHeight(content, size) <= PAGE) ?? SIZES[SIZES.length - 1]!;
}
