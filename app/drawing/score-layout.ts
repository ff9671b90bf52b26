/**
 * The score drawing as numbers: strands whose distance apart is the computed distance of the
 * partners; alternatives are lanes that leave the first one and come back to it; blocks are rails.
 */
import type { RowIndex } from "#core/base/units.ts";
import type { BlockView, ExchangeView, ScoreView, StrandView } from "#core/formats/desk-view.ts";
import { marksOf, type StrandMark } from "./strand-marks.ts";

export type Partner = ExchangeView["feeder"];

/** Width of one exchange and of one return, px. */
export const STEP = 168;
const RETURN_STEP = 104;
const RETURN_REACH = 64;
const LEFT = 62;
const TOP = 34;
const BOTTOM = 36;
/** Room for the label of a line, px. */
const LABEL = 18;
/** Where an exchange's feed leaves and its answer meets it, as shares of its width. */
const LEAVES = 0.08;
const MEETS = 0.66;
/** Width of one rail of a block. */
export const RAIL = 22;
/** Pixels for a metre between two strands. */
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
  /** Somebody does it by themselves: nobody answers. */
  readonly alone: boolean;
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
interface StrandPath {
  readonly key: string;
  readonly actor: Partner;
  readonly path: string;
}
/** The part of a block's rail beside one line. */
export interface Rail {
  readonly type: BlockView["type"];
  readonly words: string;
  readonly x: number;
  readonly first: boolean;
  readonly last: boolean;
}
export interface Stave {
  readonly key: string;
  readonly row: RowIndex;
  readonly label: string | null;
  readonly section: string | null;
  readonly width: number;
  readonly height: number;
  /** It shows how it goes wrong. */
  readonly wrong: boolean;
  /** Its first feed lands. */
  readonly lands: boolean;
  /** Points to watch, written below it. */
  readonly notes: readonly { readonly text: string; readonly y: number }[];
  readonly strands: readonly StrandPath[];
  readonly crossings: readonly Crossing[];
  readonly returns: readonly ReturnLine[];
  readonly marks: readonly StrandMark[];
  readonly rails: readonly Rail[];
  /** Where the strands start, with the metres to the next one. */
  readonly starts: readonly { readonly actor: Partner; readonly y: number; readonly metres: number }[];
  readonly startX: number;
}

const gap = (metres: number): number => Math.min(MAX_GAP, Math.max(MIN_GAP, metres * SCALE));

/** What of a view the staves are made from. */
export type DrawnView = Pick<ScoreView, "exchanges" | "blocks" | "wrong" | "notes" | "kind">;

/** One stave for each line of the score; exchanges of one line follow each other in time. */
export function scoreStaves(view: DrawnView): Stave[] {
  const staves: Stave[] = [];
  let section: string | null = null;
  const drawn = (all: readonly ExchangeView[]) => (view.kind === "solo" ? all.map(alone) : all);
  const groups = [...byRow(drawn(view.exchanges)), ...byRow(drawn(view.wrong))].sort((a, b) => a[0]!.row - b[0]!.row);
  for (const group of groups) {
    const first = group[0]!;
    const rails = railsAt(view.blocks, first.row);
    const notes = view.notes.filter(({ row }) => row === first.row).map(({ text }) => text);
    staves.push(stave(group, first.section !== section ? first.section : null, staves.length, { rails, notes }));
    section = first.section;
  }
  return staves;
}

/** Who works alone has no strand beside theirs. */
function alone(exchange: ExchangeView): ExchangeView {
  const own = (strands: readonly StrandView[]) => strands.filter(({ actor }) => actor === exchange.feeder);
  const { before, after } = exchange.strands;
  return { ...exchange, strands: { ...exchange.strands, before: own(before), after: own(after) } };
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

const railsAt = (blocks: readonly BlockView[], row: number): Rail[] =>
  blocks
    .filter((b) => b.fromRow <= row && row <= b.toRow)
    .map(({ type, words, depth, fromRow, toRow }) => ({
      type,
      words,
      x: 8 + depth * RAIL,
      first: fromRow === row,
      last: toRow === row,
    }));

/** The run of exchanges along one choice of alternatives; the first is the line itself. */
interface Lane {
  readonly exchanges: ExchangeView[];
  /** Place in the text of the feed at which it leaves an earlier lane; null for the first. */
  readonly leavesAt: number | null;
}

/** Alternatives come one after the other: a feed that stands no further on than the last begins a new lane. */
export function lanesOf(exchanges: readonly ExchangeView[]): Lane[] {
  const lanes: Lane[] = [];
  let last = -1;
  for (const e of exchanges) {
    const lane = lanes[lanes.length - 1];
    // Ranges write several lines in one row: the same answer again is the next line, not another choice.
    const again = lane?.exchanges.find((one) => one.from === e.from);
    const branches = lane !== undefined && e.from <= last && again?.answerSpan?.from !== e.answerSpan?.from;
    if (!lane || branches) lanes.push({ exchanges: [e], leavesAt: lane ? e.from : null });
    else lane.exchanges.push(e);
    last = e.from;
  }
  return lanes;
}

/** Heights of the strands of a lane for distances, round its middle. */
function heights(strands: readonly StrandView[], middle: number): number[] {
  const gaps = strands.slice(0, -1).map((s) => gap(s.apart));
  let y = middle - gaps.reduce((sum, g) => sum + g, 0) / 2;
  return strands.map((_, i) => (i === 0 ? y : (y += gaps[i - 1]!)));
}

const spread = (strands: readonly StrandView[]): number =>
  strands.slice(0, -1).reduce((sum, s) => sum + gap(s.apart), 0);

interface Drawn {
  readonly strands: StrandPath[];
  readonly crossings: Crossing[];
  readonly returns: ReturnLine[];
  readonly marks: StrandMark[];
  width: number;
}

function stave(
  exchanges: readonly ExchangeView[],
  section: string | null,
  index: number,
  { rails, notes }: { readonly rails: Rail[]; readonly notes: readonly string[] },
): Stave {
  const first = exchanges[0]!;
  const startX = LEFT + rails.length * RAIL;
  const drawn: Drawn = { strands: [], crossings: [], returns: [], marks: [], width: 0 };
  const lanes = lanesOf(exchanges);
  // A name above a line has a row of its own.
  let top = first.label !== null || first.wrong || first.lands ? LABEL : 0;
  let mainEnd: { x: number; ys: number[] } | null = null;
  const ends: { x: number; ys: number[]; lane: number }[] = [];
  const fed = new Set(exchanges.map((e) => e.from));
  const forks = new Map<number, { x: number; ys: number[] }>();
  let mainMiddle = 0;
  lanes.forEach((lane, laneIndex) => {
    const most = Math.max(...lane.exchanges.flatMap((e) => [spread(e.strands.before), spread(e.strands.after)]));
    const middle = top + TOP + most / 2;
    if (laneIndex === 0) mainMiddle = middle;
    const fork = lane.leavesAt === null ? null : (forks.get(lane.leavesAt) ?? null);
    const end = drawLane(lane, laneIndex, { middle, startX, fork, fed, forks }, drawn);
    if (laneIndex === 0) mainEnd = end;
    else ends.push({ ...end, lane: laneIndex });
    top += TOP + most + BOTTOM;
  });
  joinLanes(drawn, mainEnd!, ends, first.strands.before);
  const ys = heights(first.strands.before, mainMiddle);
  return {
    key: `${index}:${first.key}`,
    row: first.row,
    label: first.label,
    section,
    ...drawn,
    width: Math.max(drawn.width + 14, ...notes.map((text) => startX + text.length * LETTER)),
    height: top + notes.length * NOTE_LINE + (notes.length > 0 ? NOTE_GAP : 0),
    wrong: first.wrong,
    lands: first.lands,
    notes: notes.map((text, i) => ({ text, y: top + NOTE_GAP + i * NOTE_LINE })),
    rails,
    startX,
    starts: first.strands.before.map(({ actor, apart }, i) => ({ actor, y: ys[i]!, metres: apart })),
  };
}

interface LanePlace {
  readonly middle: number;
  readonly startX: number;
  readonly fork: { readonly x: number; readonly ys: readonly number[] } | null;
  /** Places in the text of all feeds of the row: a return among them is a crossing of its own. */
  readonly fed: ReadonlySet<number>;
  /** Where each feed of the row leaves, for the lanes that come after. */
  readonly forks: Map<number, { x: number; ys: number[] }>;
}

function drawLane(lane: Lane, laneIndex: number, place: LanePlace, drawn: Drawn): { x: number; ys: number[] } {
  const { middle, fork } = place;
  const first = lane.exchanges[0]!;
  const actors = first.strands.before.map((s) => s.actor);
  let ys = heights(first.strands.before, middle);
  let x = fork ? fork.x + 34 : place.startX;
  const paths = actors.map((_, i) =>
    fork
      ? `M${fork.x} ${fork.ys[i]}C${fork.x + 18} ${fork.ys[i]} ${x - 18} ${ys[i]} ${x} ${ys[i]}`
      : `M${x - 22} ${ys[i]}`,
  );
  let known: readonly StrandView[] = first.strands.before;
  for (const e of lane.exchanges) {
    const before = heights(e.strands.before, middle);
    const after = heights(e.strands.after, middle);
    if (!place.forks.has(e.from)) place.forks.set(e.from, { x: x - 6, ys: before });
    // The answer stands centred under its crossing, and nothing else below it.
    const wide = Math.max(STEP, labelWidth(e.feed) + 12, STEP * MEETS + labelWidth(e.answer) / 2 + 12);
    actors.forEach((_, i) => {
      paths[i] += curve(x + STEP * LEAVES, before[i]!) + curve(x + STEP * MEETS, after[i]!);
    });
    const from = actors.indexOf(e.feeder);
    const to = actors.indexOf(e.responder);
    const rises = from > to;
    drawn.crossings.push({
      exchange: e,
      rises,
      fromX: x + STEP * LEAVES,
      fromY: before[from]!,
      toX: x + STEP * MEETS,
      // Alone it stays on the own strand.
      toY: e.meets ? (after[from]! + after[to]!) / 2 : (after[to] ?? after[from]!),
      alone: actors.length === 1,
    });
    drawn.marks.push(...marksOf(e, known, after, { x: x + STEP * MEETS, lane: `${laneIndex}` }));
    known = e.strands.after;
    x += wide;
    for (const [i, back] of e.returns.entries()) {
      if (place.fed.has(back.from)) continue;
      drawn.returns.push({
        key: `${laneIndex}:${e.key}r${i}`,
        text: back.text,
        lands: back.lands,
        actor: e.responder,
        fromX: x - 6,
        fromY: after[to]!,
        toX: x + RETURN_REACH,
        toY: after[from]!,
        rises: !rises,
      });
      drawn.width = Math.max(drawn.width, x + RETURN_REACH + labelWidth(back.text) / 2);
      // The next thing starts behind the label, which stands centred over the end of the line.
      x += Math.max(RETURN_STEP, RETURN_REACH + labelWidth(back.text) / 2);
    }
    ys = after;
  }
  actors.forEach((actor, i) => drawn.strands.push({ key: `${laneIndex}${actor}`, actor, path: `${paths[i]}H${x}` }));
  drawn.width = Math.max(drawn.width, x);
  return { x, ys };
}

/** Lanes come back to the first one at the right end. */
function joinLanes(
  drawn: Drawn,
  main: { x: number; ys: number[] },
  ends: readonly { x: number; ys: number[]; lane: number }[],
  strands: readonly StrandView[],
): void {
  if (ends.length === 0) return;
  const joinX = drawn.width + 40;
  strands.forEach(({ actor }, i) => {
    drawn.strands.push({ key: `join${actor}`, actor, path: `M${main.x} ${main.ys[i]}H${joinX}` });
    for (const end of ends)
      drawn.strands.push({
        key: `join${end.lane}${actor}`,
        actor,
        path: `M${end.x} ${end.ys[i]}H${joinX - 40}C${joinX - 20} ${end.ys[i]} ${joinX - 20} ${main.ys[i]} ${joinX} ${main.ys[i]}`,
      });
  });
  drawn.width = joinX;
}

/** Room between the labels of a line and the points to watch below it. */
const NOTE_GAP = 14;
/** Height of a point to watch, and how wide a letter of it is. */
const NOTE_LINE = 20;
const LETTER = 7.2;

/** Longest label that is drawn whole, letters. */
export const MAX_LABEL = 36;
const labelWidth = (text: string): number => Math.min(text.length, MAX_LABEL) * 7.6 + 8;

/** A smooth step of a strand to a point, level where it arrives. */
const curve = (x: number, y: number): string => `S${x - STEP * 0.2} ${y} ${x} ${y}`;

/** The crossing that the arrow keys lead to from one that is picked; null where there is none further on. */
export function nextCrossing(staves: readonly Stave[], key: string | null, arrow: string): Crossing | null {
  const row = staves.findIndex((s) => s.crossings.some((c) => c.exchange.key === key));
  if (row < 0) return staves[0]?.crossings[0] ?? null;
  const line = staves[row]!.crossings;
  const at = line.findIndex((c) => c.exchange.key === key);
  switch (arrow) {
    case "ArrowRight":
      return line[at + 1] ?? staves[row + 1]?.crossings[0] ?? null;
    case "ArrowLeft":
      return line[at - 1] ?? staves[row - 1]?.crossings.at(-1) ?? null;
    case "ArrowDown":
      return staves[row + 1]?.crossings[Math.min(at, staves[row + 1]!.crossings.length - 1)] ?? null;
    case "ArrowUp":
      return staves[row - 1]?.crossings[Math.min(at, staves[row - 1]!.crossings.length - 1)] ?? null;
    case "Home":
      return staves[0]!.crossings[0] ?? null;
    case "End":
      return staves.at(-1)!.crossings.at(-1) ?? null;
    default:
      return null;
  }
}
