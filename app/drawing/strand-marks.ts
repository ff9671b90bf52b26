/** Signs on the strands of a drawing: what an exchange changed of weight, holds, the foot in front; whom the third faces. */
import type { ExchangeView, StrandView } from "#core/formats/desk-view.ts";
import type { Partner } from "./score-layout.ts";

/** A change that a strand carries: weight, a pinned hand, another foot in front, whom they face. */
export interface StrandMark {
  readonly key: string;
  readonly kind: "weight" | "pin" | "lead" | "facing";
  readonly actor: Partner;
  readonly x: number;
  readonly y: number;
  /** In words, for hover and readers. */
  readonly words: string;
  /** What the sign shows: `lead`/`rear`/`even`, the pinned sides, the side in front, `up`/`down`. */
  readonly value: string;
}
/** What changed on the strands of an exchange: weight, holds, the foot in front; whom the third faces. */
export function marksOf(
  e: ExchangeView,
  known: readonly StrandView[],
  ys: readonly number[],
  { x, lane }: { readonly x: number; readonly lane: string },
): StrandMark[] {
  const marks: StrandMark[] = [];
  e.strands.after.forEach((now, i) => {
    const was = known.find((s) => s.actor === now.actor);
    const at = { actor: now.actor, y: ys[i]! };
    const key = `${lane}:${e.key}:${now.actor}`;
    if (was && was.weight !== now.weight)
      marks.push({
        ...at,
        x: x + 26,
        key: `${key}w`,
        kind: "weight",
        value: now.weight,
        words:
          now.weight === "even"
            ? `${now.actor}: weight on both feet`
            : `${now.actor}: weight on the ${now.weight} foot`,
      });
    if (was && was.lead !== now.lead)
      marks.push({
        ...at,
        x: x + 40,
        key: `${key}l`,
        kind: "lead",
        value: now.lead,
        words: `${now.actor}: ${now.lead} foot in front`,
      });
    if (now.pinned.length > 0 && was?.pinned.join() !== now.pinned.join())
      marks.push({
        ...at,
        x: x + 54,
        key: `${key}p`,
        kind: "pin",
        value: now.pinned.join(" "),
        words: `${now.actor}: ${now.pinned.join(" and ")} hand held`,
      });
  });
  if (e.strands.after.length > 2) {
    const order = e.strands.after.map((s) => s.actor);
    const [feeder, responder] = [order.indexOf(e.feeder), order.indexOf(e.responder)];
    marks.push({
      key: `${lane}:${e.key}:f`,
      kind: "facing",
      actor: e.responder,
      x: x - 22,
      y: ys[responder]!,
      value: feeder < responder ? "up" : "down",
      words: `${e.responder} faces ${e.feeder}`,
    });
  }
  return marks;
}
