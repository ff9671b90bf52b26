/**
 * The target as numbers: the receiver's frontal plane as the feeder sees it, so their right is on the
 * left of the drawing. Plane in metres (u to their right, w up), drawing in pixels.
 */
import type { SceneView } from "#core/formats/scene-view.ts";

export const TARGET = { width: 420, height: 470 } as const;
/** Metres of width that the drawing shows, and room above the head. */
const WIDE = 1.9;
const ABOVE = 0.28;

interface ZoneShape {
  readonly zone: string;
  readonly cx: number;
  readonly cy: number;
  readonly rx: number;
  readonly ry: number;
}

export interface TargetLayout {
  readonly zones: readonly (ZoneShape & { readonly met: boolean; readonly cm: number })[];
  readonly ghosts: readonly ZoneShape[];
  readonly covers: readonly {
    readonly move: string;
    readonly works: boolean;
    readonly x1: number;
    readonly y1: number;
    readonly x2: number;
    readonly y2: number;
    readonly width: number;
  }[];
  /** Forearms in guard, from the elbow to the knuckles. */
  readonly guard: readonly { readonly x1: number; readonly y1: number; readonly x2: number; readonly y2: number }[];
  readonly attack: {
    readonly straight: boolean;
    readonly x1: number;
    readonly y1: number;
    readonly x2: number;
    readonly y2: number;
    readonly width: number;
    /** Head of an arrow at the target, as a path. */
    readonly arrow: string;
  } | null;
  /** Pads that are held up. */
  readonly pads: readonly { readonly words: string; readonly cx: number; readonly cy: number; readonly r: number }[];
  /** The hours of the clock round the aim. */
  readonly hours: readonly { readonly hour: number; readonly x: number; readonly y: number }[];
  /** The least clearance, beside its zone. */
  readonly nearest: { readonly x: number; readonly y: number; readonly met: boolean; readonly words: string } | null;
  readonly words: string;
}

/** Null where no blow comes. */
export function targetLayout(scene: SceneView): TargetLayout | null {
  const { target, tall } = scene;
  if (!target) return null;
  const scale = Math.min(TARGET.width / WIDE, TARGET.height / (tall + ABOVE));
  const x = (u: number) => TARGET.width / 2 - u * scale;
  const y = (w: number) => TARGET.height - w * scale - 4;
  const shape = (z: { zone: string; u: number; w: number; hu: number; hw: number }): ZoneShape => ({
    zone: z.zone,
    cx: x(z.u),
    cy: y(z.w),
    rx: z.hu * scale,
    ry: z.hw * scale,
  });
  if (!target.attack) return padLayout(target, shape, { x, y, scale });
  const { from, to, aim, radius, clock } = target.attack;
  const straight = clock === null;
  const worst = target.zones.reduce((least, z) => (z.margin < least.margin ? z : least));
  // What covers an attack leaves the zones where they are: then the cover's margin is what counts.
  const covered = target.covers.some((c) => c.works);
  const cm = Math.round(worst.margin * 1000) / 10;
  const met = worst.margin < 0 && !covered;
  return {
    zones: target.zones.map((z) => ({
      ...shape(z),
      met: z.margin < 0 && !covered,
      cm: Math.round(z.margin * 1000) / 10,
    })),
    ghosts: target.before.map(shape),
    pads: [],
    covers: target.covers.map(({ move, works, line, radius: r }) => ({
      move,
      works,
      x1: x(line[0]),
      y1: y(line[1]),
      x2: x(line[2]),
      y2: y(line[3]),
      width: 2 * r * scale,
    })),
    guard: target.guard.map(([u1, w1, u2, w2]) => ({ x1: x(u1), y1: y(w1), x2: x(u2), y2: y(w2) })),
    attack: {
      straight,
      x1: x(from.u),
      y1: y(from.w),
      x2: x(aim.u),
      y2: y(aim.w),
      width: Math.max(4, 2 * radius * scale),
      arrow: straight ? "" : arrowHead(x(from.u), y(from.w), x(to.u), y(to.w)),
    },
    hours: straight ? [] : hoursRound(x(aim.u), y(aim.w), 0.62 * scale),
    nearest: covered
      ? { x: 8, y: 22, met: false, words: scene.marginCm === null ? "covered" : `covered by ${scene.marginCm} cm` }
      : {
          x: 8,
          y: 22,
          met,
          words: met ? `${worst.zone} is hit by ${-cm} cm` : `${cm} cm to spare at the ${worst.zone}`,
        },
    words: [
      straight
        ? `${scene.feed} comes straight`
        : `${scene.feed} comes from ${Math.round(clock * 10) / 10} on the clock`,
      covered ? "and is covered" : met ? `and meets the ${worst.zone}` : `and misses by ${cm} cm`,
    ].join(" "),
  };
}

/** Radius of a mitt, m. Common practice, no source. */
const PAD = 0.11;

/** Whoever holds pads: nothing attacks, the pads stand where the blows go. */
function padLayout(
  { zones, pads }: NonNullable<SceneView["target"]>,
  shape: (zone: NonNullable<SceneView["target"]>["zones"][number]) => ZoneShape,
  { x, y, scale }: { x: (u: number) => number; y: (w: number) => number; scale: number },
): TargetLayout {
  const words = pads.map(({ side, blow }) => `${side} pad for the ${blow}`);
  return {
    zones: zones.map((zone) => ({ ...shape(zone), met: false, cm: 0 })),
    ghosts: [],
    covers: [],
    guard: [],
    attack: null,
    pads: pads.map(({ u, w }, i) => ({ words: words[i]!, cx: x(u), cy: y(w), r: PAD * scale })),
    hours: [],
    nearest: null,
    words: words.join(", "),
  };
}

/** The clock as the receiver sees it: 9 on their left, which is on the right of the drawing. */
function hoursRound(cx: number, cy: number, radius: number) {
  return Array.from({ length: 12 }, (_, i) => {
    const hour = i + 1;
    const angle = (hour * Math.PI) / 6;
    return { hour, x: cx - Math.sin(angle) * radius, y: cy - Math.cos(angle) * radius };
  }).filter((h) => h.x > 10 && h.x < TARGET.width - 10 && h.y > 30 && h.y < TARGET.height - 8);
}

function arrowHead(x1: number, y1: number, x2: number, y2: number): string {
  const length = Math.hypot(x2 - x1, y2 - y1) || 1;
  const [ux, uy] = [(x2 - x1) / length, (y2 - y1) / length];
  const back = { x: x2 - ux * 16, y: y2 - uy * 16 };
  return `M${x2} ${y2}L${back.x - uy * 7} ${back.y + ux * 7}L${back.x + uy * 7} ${back.y - ux * 7}Z`;
}
