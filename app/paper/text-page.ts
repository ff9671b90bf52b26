/** A page of A4 that is all text: lines one below the other, in the largest letters at which they fit. */
import { LEADING, PAGE, wrap, type CardPage, type CardText, type Face } from "./drill-card-layout.ts";

/** Letters, mm, from those read two metres away to the smallest that can be read at all. */
export const TEXT_SIZES: readonly number[] = Array.from({ length: 36 }, (_, i) => (54 - i) / 10);
export const LEFT: number = PAGE.margin;
export const WIDTH: number = PAGE.width - 2 * PAGE.margin;
const BOTTOM = PAGE.height - PAGE.margin;

/** A page under way: texts are put one below the other. */
export class TextPage {
  readonly texts: CardText[] = [];
  readonly rules: number[] = [];
  y: number = PAGE.margin;

  say(text: string, size: number, face: Face, x = LEFT, width = WIDTH): void {
    for (const line of wrap(text, width, size, face)) {
      this.y += size * LEADING;
      this.texts.push({ x, y: this.y - size * 0.35, size, face, text: line });
    }
  }

  rule(): void {
    this.y += 1;
    this.rules.push(this.y);
  }
}

/** What is laid out in a size of letters, in the largest that fits on one page. */
export function onePage(lay: (size: number) => TextPage): CardPage {
  const laid = TEXT_SIZES.map(lay);
  const { texts, rules } = laid.find(({ y }) => y <= BOTTOM) ?? laid[laid.length - 1]!;
  return { texts, staves: [], rules };
}
