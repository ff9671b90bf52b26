/** The score drawing as numbers: two strands whose distance apart is the computed distance of the partners. */
import type { ExchangeView, ScoreView } from "#core/formats/desk-view.ts";

type Partner = ExchangeView["feeder"];

/** Width of one exchange and of one return, px. */
export const STEP = 168;
const RETURN_STEP = 104;
const RETURN_REACH = 64;
const LEFT = 62;
const TOP = 34;
const BOTTOM = 36;
/** Pixels for a metre between the two. */
const SCALE = 66;
const MIN_GAP = 40;
const MAX_GAP = 150;

export interface Crossing {
  readonly exchange: ExchangeView;
  /** Where the feed leaves its strand, and where the answer meets it. */
  readonly fromX: number;
  readonly fromY: number;
  readonly toX: number;
  readonly toY: number;
  /** True where the feed goes upwards. */
  readonly rises: boolean;
}
export interface ReturnLine {
  readonly key: string;
  readonly text: string;
  readonly lands: boolean;
  readonly actor: Partner;
  readonly fromX: number;
  readonly fromY: number;
  readonly toX: number;
  readonly toY: number;
  readonly rises: boolean;
}
export interface Stave {
  readonly key: string;
  readonly row: number;
  readonly label: string | null;
  readonly section: string | null;
  readonly width: number;
  readonly height: number;
  /** Paths of the two strands. */
  readonly top: string;
  readonly bottom: string;
  readonly crossings: readonly Crossing[];
  readonly returns: readonly ReturnLine[];
  readonly actors: readonly [Partner, Partner];
  readonly startTop: number;
  readonly startBottom: number;
  /** Metres at the start, written at the left. */
  readonly metres: number;
}

const gap = (metres: number): number => Math.min(MAX_GAP, Math.max(MIN_GAP, metres * SCALE));

/** One stave for each line of the score; exchanges of one line follow each other in time. */
export function scoreStaves(view: ScoreView): Stave[] {
  const staves: Stave[] = [];
  let section: string | null = null;
  for (const group of byRow(view.exchanges)) {
    const first = group[0]!;
    staves.push(stave(group, first.section !== section ? first.section : null, staves.length));
    section = first.section;
  }
  return staves;
}

function byRow(exchanges: readonly ExchangeView[]): ExchangeView[][] {
  const groups: ExchangeView[][] = [];
  for (const exchange of exchanges) {
    const last = groups[groups.length - 1];
    if (last && last[0]!.row === exchange.row) last.push(exchange);
    else groups.push([exchange]);
  }
  return groups;
}

function stave(exchanges: readonly ExchangeView[], section: string | null, index: number): Stave {
  const first = exchanges[0]!;
  const [upper, lower] = [first.feeder, first.responder].sort() as [Partner, Partner];
  const most = Math.max(...exchanges.flatMap((e) => [gap(e.before), gap(e.after)]));
  const middle = TOP + most / 2;
  const at = (metres: number) => ({ top: middle - gap(metres) / 2, bottom: middle + gap(metres) / 2 });
  const start = at(first.before);
  let top = `M${LEFT - 22} ${start.top}`;
  let bottom = `M${LEFT - 22} ${start.bottom}`;
  let x = LEFT;
  const crossings: Crossing[] = [];
  const returns: ReturnLine[] = [];
  const fed = new Set(exchanges.map((e) => e.from));
  for (const exchange of exchanges) {
    const before = at(exchange.before);
    const after = at(exchange.after);
    top += curve(x + STEP * 0.08, before.top) + curve(x + STEP * 0.66, after.top);
    bottom += curve(x + STEP * 0.08, before.bottom) + curve(x + STEP * 0.66, after.bottom);
    const rises = exchange.feeder !== upper;
    const feederSide = rises ? before.bottom : before.top;
    const otherSide = rises ? after.top : after.bottom;
    crossings.push({
      exchange,
      rises,
      fromX: x + STEP * 0.08,
      fromY: feederSide,
      toX: x + STEP * 0.66,
      toY: exchange.meets ? middle : otherSide,
    });
    x += Math.max(STEP, labelWidth(exchange.feed) + 12);
    // A return that the next turn answers is a crossing of its own.
    for (const [i, back] of exchange.returns.entries()) {
      if (fed.has(back.from)) continue;
      const fromY = rises ? after.top : after.bottom;
      const toY = rises ? after.bottom : after.top;
      returns.push({
        key: `${exchange.key}r${i}`,
        text: back.text,
        lands: back.lands,
        actor: exchange.responder,
        fromX: x - 6,
        fromY,
        toX: x + RETURN_REACH,
        toY,
        rises: !rises,
      });
      // The next thing starts behind the label, which stands centred over the end of the line.
      x += Math.max(RETURN_STEP, RETURN_REACH + labelWidth(back.text) / 2);
    }
  }
  return {
    key: `${index}:${first.key}`,
    row: first.row,
    label: first.label,
    section,
    width: Math.max(x + 14, ...returns.map((back) => back.toX + labelWidth(back.text) / 2)),
    height: TOP + most + BOTTOM,
    top: `${top}H${x}`,
    bottom: `${bottom}H${x}`,
    crossings,
    returns,
    actors: [upper, lower],
    startTop: start.top,
    startBottom: start.bottom,
    metres: first.before,
  };
}

/** Longest label that is drawn whole, letters. */
export const MAX_LABEL = 24;
const labelWidth = (text: string): number => Math.min(text.length, MAX_LABEL) * 7.6 + 8;

/** A smooth step of a strand to a point, level where it arrives. */
const curve = (x: number, y: number): string => `S${x - STEP * 0.2} ${y} ${x} ${y}`;
