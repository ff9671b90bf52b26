/** Which pairs of the answer book a school has trained, and when last. */
import { checkFor } from "../policy/judge.ts";
import { otherSide, type Side } from "../score/person.ts";
import type { School } from "../policy/school.ts";
import { parse } from "../score/parse.ts";
import type { MoveUse } from "../read/types.ts";
import { pairKey } from "./answer-book.ts";
import { trainedKey, type Trained } from "./book.ts";

/** A text that was trained, with how often and when last. */
export interface TrainedText {
  readonly text: string;
  /** Day of the class, `2026-11-25`. */
  readonly date: string;
  /** Which lead was in front; null: as the text has it. */
  readonly side: Side | null;
}

/** One exchange that a class worked on. */
interface TrainedExchange {
  readonly side: Side;
  readonly feed: MoveUse;
  readonly answer: readonly MoveUse[];
}

/**
 * The exchanges that a text trains. The side is counted as the book counts it: the feeder's lead with
 * empty hands, the side across from the weapon hand with a weapon, whichever lead is in front.
 */
export const trainedExchanges = (text: string, lead: Side | null, school: School): TrainedExchange[] =>
  checkFor(parse(text), school).exchanges.flatMap((e) => {
    const attacker = e.contact?.attacker;
    if (!e.feed || !attacker || e.answer.length === 0) return [];
    const armed = (e.blow?.weapon ?? null) !== null;
    const side = armed ? otherSide(attacker.weaponSide) : (lead ?? attacker.lead);
    return [{ side, feed: e.feed, answer: e.answer }];
  });

/** A text with the days on which a class worked on it with this lead in front. */
interface TrainedDays {
  readonly text: string;
  readonly side: Side | null;
  readonly days: readonly string[];
}

/** Texts with all their days: each is read once, however often it was worked on. */
export function daysOfTexts(texts: readonly TrainedText[]): TrainedDays[] {
  const found = new Map<string, { text: string; side: Side | null; days: string[] }>();
  for (const { text, date, side } of texts) {
    const key = `${side ?? ""}|${text}`;
    const known = found.get(key) ?? { text, side, days: [] };
    found.set(key, known);
    known.days.push(date);
  }
  return [...found.values()];
}

/** Returns the key of a whole answer, the same for equal moves on equal sides and heights. */
export const answerKey = (answer: readonly MoveUse[]): string => answer.map(pairKey).join("+");

/** The pairs in the texts that classes worked on, each with its last day. */
export function trainedPairs(texts: readonly TrainedText[], school: School): Trained {
  const last: Record<string, string> = {};
  for (const { text, side: lead, days } of daysOfTexts(texts)) {
    const date = days.reduce((latest, day) => (day > latest ? day : latest));
    for (const { side, feed, answer } of trainedExchanges(text, lead, school)) {
      const key = trainedKey(side, pairKey(feed), answerKey(answer));
      if (!(key in last) || last[key]! < date) last[key] = date;
    }
  }
  return last;
}
