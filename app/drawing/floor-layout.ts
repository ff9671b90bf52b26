/**
 * The floor as numbers: who stands where at any moment of a line, seen from above, and how that maps
 * to the drawing. Floor in metres, x right, y forward; drawing in pixels, y down.
 */
import type { FigureView, SceneView } from "#core/formats/scene-view.ts";

/** One exchange on the clock of the drill at its tempo, ms from the start of the line. */
export interface Beat {
  readonly scene: SceneView;
  readonly start: number;
  readonly contact: number;
  readonly end: number;
}

/** The exchanges of a line on the clock: slower at a lower tempo. `tempo`: share of full speed. */
export function timeline(scenes: readonly SceneView[], tempo: number): Beat[] {
  let now = 0;
  return scenes.map((scene) => {
    const start = now;
    const contact = start + scene.contactMs / tempo;
    now = contact + scene.recoverMs / tempo;
    return { scene, start, contact, end: now };
  });
}

export interface Frame {
  readonly beat: Beat;
  readonly index: number;
  /** Share of the attack's way that is done, 0 to 1; 1 from contact on. */
  readonly reached: number;
  readonly figures: readonly FigureView[];
}

/** The moment `ms` of a line; before its start and after its end the first and last moment. */
export function frameAt(beats: readonly Beat[], ms: number): Frame | null {
  if (beats.length === 0) return null;
  const at = Math.max(0, Math.min(ms, beats[beats.length - 1]!.end));
  let index = beats.findIndex((b) => at < b.end);
  if (index < 0) index = beats.length - 1;
  const beat = beats[index]!;
  const { before, contact, after } = beat.scene;
  if (at <= beat.contact) {
    const share = (at - beat.start) / (beat.contact - beat.start || 1);
    return { beat, index, reached: share, figures: between(before, contact, share) };
  }
  const share = (at - beat.contact) / (beat.end - beat.contact || 1);
  return { beat, index, reached: 1, figures: between(contact, after, share) };
}

function between(one: readonly FigureView[], two: readonly FigureView[], share: number): FigureView[] {
  return one.map((a) => {
    const b = two.find((f) => f.actor === a.actor) ?? a;
    const mix = (x: number, y: number) => x + (y - x) * share;
    const turn = ((b.heading - a.heading + 540) % 360) - 180;
    return {
      ...(share < 0.5 ? a : b),
      busy: b.busy.length > 0 ? b.busy : a.busy,
      x: mix(a.x, b.x),
      y: mix(a.y, b.y),
      heading: a.heading + turn * share,
      head: { right: mix(a.head.right, b.head.right), forward: mix(a.head.forward, b.head.forward) },
    };
  });
}

/** Maps the floor to a drawing `width` by `height` px so that every moment of the line fits. */
export function floorScale(scenes: readonly SceneView[], width: number, height: number) {
  const all = scenes.flatMap((s) => [...s.before, ...s.contact, ...s.after]);
  const xs = all.map((f) => f.x);
  const ys = all.map((f) => f.y);
  const room = 0.55;
  const [left, right] = [Math.min(...xs) - room, Math.max(...xs) + room];
  const [back, front] = [Math.min(...ys) - room, Math.max(...ys) + room];
  const scale = Math.min(width / (right - left), height / (front - back));
  const midX = (left + right) / 2;
  const midY = (back + front) / 2;
  return {
    scale,
    x: (x: number) => width / 2 + (x - midX) * scale,
    y: (y: number) => height / 2 - (y - midY) * scale,
  };
}

const rad = (degrees: number): number => (degrees * Math.PI) / 180;

/** A place given to the right of and in front of a figure, on the floor. */
export function placeOf(f: FigureView, right: number, forward: number): { x: number; y: number } {
  const h = rad(f.heading);
  return {
    x: f.x + right * Math.cos(h) + forward * Math.sin(h),
    y: f.y - right * Math.sin(h) + forward * Math.cos(h),
  };
}

/** How far the feet stand to either side of the middle, m. Common practice, no source. */
const FOOT_SIDE = 0.11;

/** The two feet of a figure: the front one on the side of its lead. */
export function feetOf(
  f: FigureView,
): { side: "left" | "right"; front: boolean; loaded: boolean; x: number; y: number }[] {
  return (["left", "right"] as const).map((side) => {
    const front = f.lead === side;
    const place = placeOf(f, side === "left" ? -FOOT_SIDE : FOOT_SIDE, (front ? 1 : -1) * f.halfStance);
    return { side, front, loaded: f.weight === (front ? "lead" : "rear"), ...place };
  });
}

/** Points of the arc that a figure reaches, `from` to `to` degrees about its heading. */
export function arcOf(f: FigureView, radius: number, from: number, to: number): { x: number; y: number }[] {
  const steps = 24;
  return Array.from({ length: steps + 1 }, (_, i) => {
    const angle = rad(from + ((to - from) * i) / steps);
    return placeOf(f, Math.sin(angle) * radius, Math.cos(angle) * radius);
  });
}

/**
 * The sector that a limb still commands: `sector` is counted to the limb's own side, so that a
 * left limb has it mirrored.
 */
export function commanded(f: FigureView, limb: string, sector: readonly [number, number]): readonly [number, number] {
  const side = limb.startsWith("lead") ? f.lead : f.lead === "left" ? "right" : "left";
  return side === "right" ? sector : [-sector[1], -sector[0]];
}
