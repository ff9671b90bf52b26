/** A drill without contact: as it is, on pads, or the same rows with every blow stopped short. */
import { Bounded } from "../base/bounded.ts";
import type { Checked } from "../drill/types.ts";
import { textOf, withHeader } from "../score/edit.ts";
import { parse } from "../score/parse.ts";
import { PADS } from "../score/person.ts";
import { movesOf } from "./limits.ts";

/** How two people without contact do a drill. */
type ContactFree =
  /** Nobody is touched in it, or every blow lands on a pad. */
  | { readonly kind: "as it is" }
  /** Its rows, stopped short of the partner. */
  | { readonly kind: "stopped short" };

/** Null: it cannot be done without taking hold, pushing, or throwing. */
export function contactFree(checked: Checked): ContactFree | null {
  const { header, games } = checked;
  if (header.contact === "none") return { kind: "as it is" };
  const holds = movesOf(checked).some(
    (move) =>
      move.contact !== undefined ||
      move.energy !== undefined ||
      move.fells === true ||
      move.attack?.path === "shoot" ||
      (move.answer ?? []).some(({ by }) => by === "energy"),
  );
  // A game that touches the body is none without the touch.
  const touches = games.some(({ game }) => game.touch?.body !== false);
  if (holds || touches || header.kind === "sensitivity") return null;
  const onPads = header.actors.some((actor) => header.people[actor].wears.some((gear) => PADS.has(gear)));
  if (onPads && header.contact !== "full") return { kind: "as it is" };
  return { kind: "stopped short" };
}

const known = new Bounded<string, string>(200);

/** The rows of a drill stopped short, as they are shown to a pair that works so. */
export const stoppedShort = (text: string): string =>
  known.of(text, () => textOf(withHeader(parse(text), { contact: "none" })));
