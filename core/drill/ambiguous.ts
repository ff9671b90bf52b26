/** Two feeds of one choice that look alike until it is too late but need different answers. */
import type { CheckedExchange } from "../exchange/types.ts";
import { contactTime, movementTime } from "../exchange/time.ts";
import { MODEL } from "../exchange/constants.ts";
import { draft, type FindingDraft } from "../findings/finding.ts";
import type { Header } from "../score/header.ts";

/** From this share of the way to contact on, two blows of one limb can be told apart. Judgement from memory. */
const TOLD_APART = 0.5;

/** Looks at the first exchange of every line of a choice: two cues of one look need one answer. */
export function ambiguousCues(firsts: readonly CheckedExchange[], header: Header): FindingDraft[] {
  const found: FindingDraft[] = [];
  const byLook = new Map<string, CheckedExchange[]>();
  for (const one of firsts) {
    const look = lookOf(one);
    if (look === null) continue;
    const alike = byLook.get(look) ?? [];
    byLook.set(look, alike);
    const twin = alike.find((other) => isOtherLine(one, other) && sameHour(one, other) && !sameAnswer(one, other));
    if (twin && (isSameBlow(one, twin) || tooLate(one, header)))
      found.push(draft(one.row, one, "ambiguous-cue", { one: twin.feedText, two: one.feedText }));
    // One of each kind is enough to be mistaken for.
    if (!alike.some((other) => sameHour(one, other) && sameAnswer(one, other))) alike.push(one);
  }
  return found;
}

/** Lines of a choice have labels; numbers of one row that come in any order are told by what they are. */
const isOtherLine = (one: CheckedExchange, other: CheckedExchange): boolean =>
  one.label !== other.label || (one.row === other.row && one.feedText !== other.feedText);

/** The limb and the kind of path, by which a blow is known from the first sign; null where none comes. */
function lookOf({ blow }: CheckedExchange): string | null {
  if (!blow) return null;
  // A turn of the whole body looks the same whatever comes out of it.
  if (blow.feed.use.move.attack?.overTurns) return `turn ${blow.side}`;
  return `${blow.limb} ${blow.side} ${blow.path}`;
}

const sameHour = ({ blow: one }: CheckedExchange, { blow: two }: CheckedExchange): boolean =>
  (turns(one) && turns(two)) ||
  typeof one?.clock !== "number" ||
  typeof two?.clock !== "number" ||
  Math.abs(one.clock - two.clock) <= 1;

const turns = (blow: CheckedExchange["blow"]): boolean => blow?.feed.use.move.attack?.overTurns === true;

const sameAnswer = (a: CheckedExchange, b: CheckedExchange): boolean =>
  a.answer[0]?.move.id === b.answer[0]?.move.id && a.answer[0]?.height === b.answer[0]?.height;

/** One and the same blow: nobody can tell the two apart at any tempo. */
const isSameBlow = ({ feed: one }: CheckedExchange, { feed: two }: CheckedExchange): boolean =>
  one !== null && two !== null && one.text === two.text;

/** What is left of the way when they differ must hold the reaction and the movement. */
function tooLate({ feed, blow, layers }: CheckedExchange, header: Header): boolean {
  if (!feed?.move.attack || !blow) return false;
  const left = contactTime(blow.feed, blow, 1) * (1 - TOLD_APART);
  const working = layers.filter((layer) => layer.fails === null);
  if (working.length === 0) return false;
  const movement = Math.min(...working.map((layer) => movementTime([layer])));
  return (left - movement) / header.tempo < MODEL.reaction.sight;
}
