/** The flow ring as numbers: one cycle round a circle, the strands apart by the computed distance. */
import { curveCatmullRom, curveCatmullRomClosed, lineRadial } from "d3-shape";
import type { BlockView, ExchangeView, ScoreView } from "#core/formats/desk-view.ts";
import type { Partner } from "./score-layout.ts";

/** Radius of the middle between the two strands, px, and pixels for a metre between them. */
const RADIUS = 150;
const SCALE = 52;
const LEAST = 34;
const MOST = 92;

interface RingCrossing {
  readonly exchange: ExchangeView;
  readonly from: Point;
  readonly to: Point;
  /** Where its words stand, and on which side of that place. */
  readonly words: Point;
  readonly anchor: "start" | "middle" | "end";
}
interface Point {
  readonly x: number;
  readonly y: number;
}
export interface Ring {
  readonly key: string;
  readonly block: BlockView;
  /** Side of the square it is drawn in; its middle is the origin. */
  readonly size: number;
  readonly strands: readonly { readonly actor: Partner; readonly path: string }[];
  readonly crossings: readonly RingCrossing[];
  /** Shown in the gap at the top when the cycle does not come back to its start. */
  readonly open: readonly string[];
}

/** One ring for each loop that holds no other loop. */
export function flowRings(view: ScoreView): Ring[] {
  return view.blocks
    .filter((b) => b.type === "loop")
    .flatMap((block, i) => {
      const within = view.exchanges.filter((e) => block.fromRow <= e.row && e.row <= block.toRow);
      return within.length > 0 ? [ring(block, within, view, i)] : [];
    });
}

const gap = (metres: number): number => Math.min(MOST, Math.max(LEAST, metres * SCALE));
const at = (angle: number, radius: number): Point => ({
  x: Math.round(Math.sin(angle) * radius * 10) / 10,
  y: Math.round(-Math.cos(angle) * radius * 10) / 10,
});

function ring(block: BlockView, exchanges: readonly ExchangeView[], view: ScoreView, index: number): Ring {
  const closes = view.closure?.closes ?? true;
  // A cycle that does not close leaves its top open.
  const start = closes ? 0 : 0.18;
  const turn = (2 * Math.PI - 2 * start) / exchanges.length;
  const actors = exchanges[0]!.strands.before.slice(0, 2).map((s) => s.actor);
  const radius = (actor: Partner, metres: number) => RADIUS + (actor === actors[0] ? 1 : -1) * (gap(metres) / 2);
  const points: Record<string, [number, number][]> = Object.fromEntries(actors.map((a) => [a, []]));
  const crossings = exchanges.map((e, i): RingCrossing => {
    const angle = start + i * turn;
    const meets = angle + turn * 0.55;
    for (const actor of actors) {
      points[actor]!.push([angle, radius(actor, e.before)], [meets, radius(actor, e.after)]);
    }
    const from = at(angle + turn * 0.12, radius(e.feeder, e.before));
    const to = at(meets, e.meets ? RADIUS : radius(e.responder, e.after));
    const words = at(angle + turn * 0.36, RADIUS + MOST / 2 + 20);
    const anchor = Math.abs(words.x) < 30 ? "middle" : words.x > 0 ? "start" : "end";
    return { exchange: e, from, to, words, anchor };
  });
  if (!closes) {
    const last = exchanges[exchanges.length - 1]!;
    for (const actor of actors) points[actor]!.push([2 * Math.PI - start, radius(actor, last.after)]);
  }
  const line = lineRadial<[number, number]>().curve(closes ? curveCatmullRomClosed : curveCatmullRom);
  return {
    key: `${index}:${block.fromRow}`,
    block,
    size: 2 * (RADIUS + MOST / 2) + 360,
    strands: actors.map((actor) => ({ actor, path: line(points[actor]!) ?? "" })),
    crossings,
    open: closes ? [] : (view.closure?.differences ?? []),
  };
}
