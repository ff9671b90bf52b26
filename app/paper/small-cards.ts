/** Cards of half a page each, to cut and hand out: a head, a few facts, a drill drawn or words in columns. */
import type { Stave } from "../drawing/score-layout.ts";
import { cautionsFor } from "#core/class/cautions.ts";
import {
  LEADING,
  PAGE,
  placeStaves,
  wrap,
  type CardPage,
  type CardStave,
  type CardText,
  type Face,
} from "./drill-card-layout.ts";

export interface SmallCard {
  readonly title: string;
  /** Behind the title, smaller: round and block. */
  readonly place: string;
  readonly facts: readonly string[];
  /** A drill drawn. */
  readonly staves: readonly Stave[];
  /** Short words in columns, read downwards: calls at their times. */
  readonly words: readonly string[];
  /** It stays with a sheet that says the cautions. */
  readonly isPart?: true;
  /** Somebody is held in it: the tap is said. */
  readonly taps?: boolean;
}

/** Of a card that shares its page. */
const HEIGHT = PAGE.height / 2;
const MARGIN = 9;
const WIDTH = PAGE.width - 2 * PAGE.margin;
const CAUTION = 2.9;
/** A long title, such as three names, is smaller. */
const TITLES = [8, 6.2] as const;
/** Letters of words in columns, mm: from large to the smallest that is read at arm's length. */
const WORD_SIZES = [7, 6, 5.2, 4.6, 4, 3.5];

/** Two cards to a page of A4, with a line to cut along between them; one that needs more has a page of its own. */
export function smallCards(cards: readonly SmallCard[]): CardPage[] {
  const pages: CardPage[] = [];
  let waiting: SmallCard | null = null;
  for (const card of cards) {
    if (drawCard(card, { top: 0, height: HEIGHT }).left > 0) {
      pages.push(...pageOf(waiting ? [waiting] : []), ...pageOf([card], PAGE.height));
      waiting = null;
    } else if (waiting) {
      pages.push(...pageOf([waiting, card]));
      waiting = null;
    } else waiting = card;
  }
  return [...pages, ...pageOf(waiting ? [waiting] : [])];
}

/** One page with these cards; none without any. */
function pageOf(cards: readonly SmallCard[], height = HEIGHT): CardPage[] {
  if (cards.length === 0) return [];
  const drawn = cards.map((card, k) => drawCard(card, { top: k * HEIGHT, height }));
  return [
    {
      texts: drawn.flatMap((one) => one.texts),
      staves: drawn.flatMap((one) => one.staves),
      rules: drawn.length > 1 ? [HEIGHT] : [],
    },
  ];
}

interface Drawn {
  readonly texts: CardText[];
  readonly staves: CardStave[];
  /** Staves that found no room. */
  readonly left: number;
}

function drawCard(card: SmallCard, { top, height }: { readonly top: number; readonly height: number }): Drawn {
  const texts: CardText[] = [];
  let y = top + MARGIN;
  const say = (text: string, size: number, face: Face) => {
    for (const line of wrap(text, WIDTH, size, face)) {
      y += size * LEADING;
      texts.push({ x: PAGE.margin, y: y - size * 0.35, size, face, text: line });
    }
  };
  const large = wrap(card.title, WIDTH, TITLES[0], "heading").length === 1;
  say(card.title, TITLES[large ? 0 : 1], "heading");
  say(card.place, 4.2, "bold");
  for (const fact of card.facts) say(fact, 4, "text");
  y += 2;
  const cautions = (card.isPart ? [] : cautionsFor({ taps: card.taps ?? false })).flatMap((text) =>
    wrap(text, WIDTH, CAUTION, "text"),
  );
  const bottom = top + height - MARGIN - cautions.length * CAUTION * LEADING;
  cautions.forEach((text, i) =>
    texts.push({
      x: PAGE.margin,
      y: bottom + (i + 1) * CAUTION * LEADING,
      size: CAUTION,
      face: i === 0 ? "bold" : "text",
      text,
    }),
  );
  texts.push(...columns(card.words, y, bottom - 2));
  const { rows, heights } = placeStaves(card.staves, bottom - y);
  const staves: CardStave[] = [];
  let left = card.staves.length;
  for (const [i, row] of rows.entries()) {
    // What does not fit is said, not squeezed in.
    if (y + heights[i]! > bottom) break;
    staves.push(...row.map((placed) => ({ ...placed, y })));
    y += heights[i]!;
    left -= row.length;
  }
  if (left > 0) {
    const rest = `${left} more ${left === 1 ? "row" : "rows"}: see the drill’s own card.`;
    texts.push({ x: PAGE.margin, y: Math.min(bottom - 1, y + 4), size: 4, face: "bold", text: rest });
  }
  return { texts, staves, left };
}

/** Words in as many columns as it takes, in the largest letters at which all of them fit. */
function columns(words: readonly string[], top: number, bottom: number): CardText[] {
  if (words.length === 0) return [];
  const longest = Math.max(...words.map((w) => w.length));
  const fit = (size: number) => {
    const rows = Math.max(1, Math.floor((bottom - top) / (size * LEADING)));
    const width = (longest + 2) * size * 0.5;
    return { size, rows, width, all: Math.ceil(words.length / rows) * width <= WIDTH };
  };
  const { size, rows, width } = WORD_SIZES.map(fit).find(({ all }) => all) ?? fit(WORD_SIZES[WORD_SIZES.length - 1]!);
  return words.map((text, i) => ({
    x: PAGE.margin + Math.floor(i / rows) * width,
    y: top + ((i % rows) + 1) * size * LEADING - size * 0.35,
    size,
    face: "text",
    text,
  }));
}
