/** Which pairs of the answer book a school has trained, and when last. */
import { check } from "../check/check.ts";
import type { School } from "../school/school.ts";
import { parse } from "../score/parse.ts";
import { pairKey, type BOOK_SIDES } from "./answer-book.ts";

export interface TrainedText {
  readonly text: string;
  /** Day of the class, `2026-11-25`. */
  readonly date: string;
}
/** Last day by `side:feed key>answer key`. */
export type Trained = Readonly<Record<string, string>>;

/** The key of a pair on one side in `Trained`. */
export const trainedKey = (side: (typeof BOOK_SIDES)[number], feedKey: string, answerKey: string): string =>
  `${side}:${feedKey}>${answerKey}`;

/**
 * The pairs in the texts that classes worked on. The side is counted as the book counts it: the
 * feeder's lead with empty hands, the side across from the weapon hand with a weapon.
 */
export function trainedPairs(texts: readonly TrainedText[], school: School): Trained {
  const last: Record<string, string> = {};
  for (const { text, date } of texts)
    for (const e of check(parse(text), school).exchanges) {
      const attacker = e.contact?.attacker;
      if (!e.feed || !attacker || e.answer.length === 0) continue;
      const armed = (e.blow?.weapon ?? null) !== null;
      const side = armed ? (attacker.weaponSide === "left" ? "right" : "left") : attacker.lead;
      const key = trainedKey(side, pairKey(e.feed), e.answer.map(pairKey).join("+"));
      if (!(key in last) || last[key]! < date) last[key] = date;
    }
  return last;
}
