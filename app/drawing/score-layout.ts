/** The score drawing as numbers: two strands whose distance apart is the computed distance of the partners. */
import type { ExchangeView, ScoreView } from "#core/formats/desk-view.ts";

export const STEP = 172;
const LEFT = 58;
const TOP = 44;
/** Pixels for a metre between the two. */
const SCALE = 62;
const MIN_GAP = 46;
const MAX_GAP = 150;

export interface Crossing {
  readonly exchange: ExchangeView;
  /** Where the feed leaves its strand, where the answer meets it. */
  readonly fromX: number;
  readonly fromY: number;
  readonly toX: number;
  readonly toY: number;
  readonly ringX: number;
  readonly ringY: number;
  readonly feedBelow: boolean;
}
export interface Stave {
  readonly key: string;
  readonly row: number;
  readonly label: string | null;
  readonly section: string | null;
  readonly width: number;
  readonly height: number;
  readonly top: string;
  readonly bottom: string;
  readonly crossings: readonly Crossing[];
  readonly actors: readonly [ExchangeView["feeder"], ExchangeView["feeder"]];
  readonly startTop: number;
  readonly startBottom: number;
  /** Metres at the start, to be written at the left. */
  readonly metres: number;
}

const gap = (metres: number): number => Math.min(MAX_GAP, Math.max(MIN_GAP, metres * SCALE));

/** One stave for each line of the score; exchanges of one line follow each other in time. */
export function scoreStaves(view: ScoreView): Stave[] {
  const staves: Stave[] = [];
  let group: ExchangeView[] = [];
  let section: string | null = null;
  const flush = () => {
    if (group.length === 0) return;
    const first = group[0]!;
    staves.push(stave(group, first.section !== section ? first.section : null, staves.length));
    section = first.section;
    group = [];
  };
  for (const exchange of view.exchanges) {
    if (group.length > 0 && group[0]!.row !== exchange.row) flush();
    group.push(exchange);
  }
  flush();
  return staves;
}

function stave(exchanges: readonly ExchangeView[], section: string | null, index: number): Stave {
  const first = exchanges[0]!;
  const [upper, lower] = [first.feeder, first.responder].sort() as [ExchangeView["feeder"], ExchangeView["feeder"]];
  const middle = TOP + MAX_GAP / 2;
  const at = (metres: number) => ({ top: middle - gap(metres) / 2, bottom: middle + gap(metres) / 2 });
  const start = at(first.before);
  let top = `M${LEFT - 20} ${start.top}`;
  let bottom = `M${LEFT - 20} ${start.bottom}`;
  let x = LEFT;
  const crossings: Crossing[] = [];
  for (const exchange of exchanges) {
    const before = at(exchange.before);
    const after = at(exchange.after);
    top += curve(x + STEP * 0.1, before.top) + curve(x + STEP * 0.72, after.top);
    bottom += curve(x + STEP * 0.1, before.bottom) + curve(x + STEP * 0.72, after.bottom);
    const down = exchange.feeder === upper;
    const fromX = x + STEP * 0.14;
    const toX = x + STEP * 0.56;
    const fromY = down ? before.top : before.bottom;
    const toY = exchange.meets ? middle : down ? after.bottom : after.top;
    crossings.push({ exchange, fromX, fromY, toX, toY, ringX: toX, ringY: toY, feedBelow: !down });
    x += STEP;
  }
  top += `H${x}`;
  bottom += `H${x}`;
  return {
    key: `${index}:${first.key}`, row: first.row, label: first.label, section,
    width: x + 16, height: TOP + MAX_GAP + 40, top, bottom, crossings, actors: [upper, lower],
    startTop: start.top, startBottom: start.bottom, metres: first.before,
  };
}

/** A smooth step of a strand to a point; the handle keeps it level at both ends. */
function curve(x: number, y: number): string {
  return `S${x - STEP * 0.2} ${y} ${x} ${y}`;
}
