/** A drill on A4 pages as numbers: what stands where, in mm. Drawn by `drill-card.tsx` on screen, paper and PDF. */
import type { QrCode } from "#server/share/token.ts";
import type { Stave } from "../drawing/score-layout.ts";

export const PAGE = { width: 210, height: 297, margin: 12 } as const;
const WIDTH = PAGE.width - 2 * PAGE.margin;
const BOTTOM = PAGE.height - PAGE.margin;

export type Face = "heading" | "text" | "bold" | "mono";
export interface CardText {
  readonly x: number;
  /** Base line. */
  readonly y: number;
  /** Height of the letters, mm. */
  readonly size: number;
  readonly face: Face;
  readonly text: string;
}
export interface CardStave {
  readonly stave: Stave;
  readonly x: number;
  readonly y: number;
  /** Millimetres for one unit of the stave. */
  readonly scale: number;
}
export interface CardPage {
  readonly texts: readonly CardText[];
  readonly staves: readonly CardStave[];
  /** Heights of lines across the page. */
  readonly rules: readonly number[];
  /** QR codes by their upper left corner and width, mm. */
  readonly codes?: readonly { readonly x: number; readonly y: number; readonly width: number; readonly qr: QrCode }[];
}
interface CardInput {
  readonly title: string;
  readonly school: string;
  /** Distance, tempo, who holds what: one line each. */
  readonly facts: readonly string[];
  readonly rows: readonly string[];
  readonly staves: readonly Stave[];
  readonly cautions: readonly string[];
}

/** Mean width of a letter as a share of its size. */
const LETTER: Record<Face, number> = { heading: 0.52, text: 0.47, bold: 0.5, mono: 0.615 };
export const LEADING = 1.4;

/** Breaks a text at blanks so that each line fits `width` mm. */
export function wrap(text: string, width: number, size: number, face: Face): string[] {
  // The blanks in front of a row say which block it is in.
  const indent = /^ */.exec(text)![0];
  const most = Math.max(8, Math.floor(width / (size * LETTER[face])) - indent.length);
  const lines: string[] = [];
  let line = "";
  for (const word of text.trimStart().split(" ")) {
    const longer = line === "" ? word : `${line} ${word}`;
    if (longer.length <= most || line === "") line = longer;
    else {
      lines.push(line);
      // Continued rows of a score are set in, so that a row is still seen as one.
      line = face === "mono" ? `   ${word}` : word;
    }
  }
  return [...lines, line].map((each) => indent + each);
}

/** Sizes of a stave that are tried, mm for one unit: from full size to the smallest that can be read. */
const SCALES = [0.38, 0.32, 0.28, 0.25, 0.22, 0.19, 0.165];
const SMALLEST = SCALES[SCALES.length - 1]!;
/** Space between two staves side by side, and the share of a stave's height left under it. */
const GAP = 5;

interface Placed {
  readonly stave: Stave;
  readonly x: number;
  readonly y: number;
  readonly scale: number;
}

interface PlacedRows {
  readonly rows: readonly (readonly Placed[])[];
  /** Of each row, mm. */
  readonly heights: readonly number[];
}

/** Staves in columns as wide as the widest of them, row by row, `most` mm for one unit or less. */
function place(staves: readonly Stave[], most: number): PlacedRows {
  const widest = Math.max(1, ...staves.map((s) => s.width));
  const scale = Math.min(most, WIDTH / widest);
  const columns = Math.max(1, Math.floor((WIDTH + GAP) / (widest * scale + GAP)));
  const rows: Placed[][] = [];
  for (let i = 0; i < staves.length; i += columns)
    rows.push(
      staves
        .slice(i, i + columns)
        .map((stave, c) => ({ stave, x: PAGE.margin + c * (widest * scale + GAP), y: 0, scale })),
    );
  return { rows, heights: rows.map((row) => Math.max(...row.map((p) => p.stave.height * scale))) };
}

/** Staves at the largest size at which they fit a height, mm; at the smallest where none does. */
export function placeStaves(staves: readonly Stave[], height: number): PlacedRows {
  const sizes = SCALES.map((scale) => place(staves, scale));
  return sizes.find(({ heights }) => heights.reduce((a, b) => a + b, 0) <= height) ?? place(staves, SMALLEST);
}

/** One page where the drill fits one; a long drill goes on over more. */
export function drillCard({ title, school, facts, rows, staves, cautions }: CardInput): CardPage[] {
  const pages: { texts: CardText[]; staves: CardStave[]; rules: number[] }[] = [];
  let y = 0;
  const open = () => {
    pages.push({ texts: [], staves: [], rules: [] });
    y = PAGE.margin;
  };
  const page = () => pages[pages.length - 1]!;
  const foot = cautions.flatMap((text) => wrap(text, WIDTH, 3.6, "text")).length * 3.6 * LEADING + 5;
  const say = (text: string, size: number, face: Face) => {
    for (const line of wrap(text, WIDTH, size, face)) {
      if (y + size * LEADING > BOTTOM - foot) open();
      y += size * LEADING;
      page().texts.push({ x: PAGE.margin, y: y - size * 0.35, size, face, text: line });
    }
  };
  open();
  say(title, 8, "heading");
  page().texts.push({ x: PAGE.margin, y: y + 4, size: 3.8, face: "text", text: school });
  y += 6;
  page().rules.push(y);
  y += 1;
  for (const fact of facts) say(fact, 4, "text");
  y += 2;
  // Few rows are written large: a card is read from a bench two metres away.
  const size = rows.length > 24 ? 3.5 : rows.length > 10 ? 4.2 : 5;
  for (const row of rows) say(row, size, "mono");
  y += 3;
  const fits = placeStaves(staves, BOTTOM - foot - y);
  fits.rows.forEach((row, i) => {
    const height = fits.heights[i]!;
    if (y + height > BOTTOM - foot) open();
    page().staves.push(...row.map((p) => ({ ...p, y })));
    y += height;
  });
  for (const each of pages) {
    let at = BOTTOM - foot + 3;
    each.rules.push(at);
    cautions
      .flatMap((text, i) => wrap(text, WIDTH, 3.6, "text").map((line) => ({ line, i })))
      .forEach(({ line, i }) => {
        at += 3.6 * LEADING;
        each.texts.push({ x: PAGE.margin, y: at, size: 3.6, face: i === 0 ? "bold" : "text", text: line });
      });
  }
  return pages;
}
