/** Two feeds of one choice that look alike until it is too late but need different answers. */
import type { CheckedExchange } from "../exchange/types.ts";
import { contactTime, movementTime } from "../exchange/time.ts";
import { MODEL } from "../exchange/constants.ts";
import { draft, type FindingDraft } from "../findings/finding.ts";
import type { Header } from "../score/header.ts";

/** From this share of the way to contact on, two blows of one limb can be told apart. Judgement from memory. */
const TOLD_APART = 0.5;

/** Looks at the first exchange of every line of a choice. */
export function ambiguousCues(firsts: readonly CheckedExchange[], header: Header): FindingDraft[] {
  const found: FindingDraft[] = [];
  firsts.forEach((one, i) => {
    const twin = firsts
      .slice(0, i)
      .find(
        (other) => other.label !== one.label && alike(one, other) && !sameAnswer(one, other) && tooLate(one, header),
      );
    if (twin) found.push(draft(one.row, one, "ambiguous-cue", { one: twin.feedText, two: one.feedText }));
  });
  return found;
}

/** The same limb on the same kind of path from the same side. */
function alike(a: CheckedExchange, b: CheckedExchange): boolean {
  const one = a.blow;
  const two = b.blow;
  if (!one || !two) return false;
  return (
    one.limb === two.limb &&
    one.side === two.side &&
    one.path === two.path &&
    (one.clock === null || two.clock === null || Math.abs(one.clock - two.clock) <= 1)
  );
}

const sameAnswer = (a: CheckedExchange, b: CheckedExchange): boolean =>
  a.answer[0]?.move.id === b.answer[0]?.move.id && a.answer[0]?.height === b.answer[0]?.height;

/** What is left of the way when they differ must hold the reaction and the movement. */
function tooLate({ feed, blow, layers }: CheckedExchange, header: Header): boolean {
  if (!feed?.move.attack || !blow) return false;
  const left = contactTime(blow.feed, blow, 1) * (1 - TOLD_APART);
  const working = layers.filter((layer) => layer.fails === null);
  if (working.length === 0) return false;
  const movement = Math.min(...working.map((layer) => movementTime([layer])));
  return (left - movement) / header.tempo < MODEL.reaction.sight;
}
