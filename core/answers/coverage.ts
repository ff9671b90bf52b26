/** What a term has covered of the feeds of a school: day by day, and feed by feed with the answers that were trained. */
import { feedKeyOf, pairKey } from "./answer-book.ts";
import { BOOK_SIDES, trainedKey } from "./book.ts";
import { answerKey, daysOfTexts, trainedExchanges, type TrainedText } from "./trained.ts";
import type { Side } from "../score/person.ts";
import type { School } from "../policy/school.ts";

interface CoveredAnswer {
  readonly text: string;
  /** Days on which it was trained against this feed, and the last of them. */
  readonly times: number;
  readonly last: string;
}
/** A feed with the answers that a school has and trains for it. */
export interface CoveredFeed {
  readonly text: string;
  /** Sides from which it came. */
  readonly sides: readonly Side[];
  readonly times: number;
  readonly last: string | null;
  /** Most trained first. */
  readonly answers: readonly CoveredAnswer[];
  /** False for a feed that the school's book does not hold. */
  readonly inBook: boolean;
}
interface CoveredDay {
  readonly date: string;
  /** Pairs of feed, answer and side trained that day for the first time, and those known from before. */
  readonly fresh: number;
  readonly again: number;
}
/** The feeds of a school, answered and trained, and the gaps. */
export interface Coverage {
  readonly days: readonly CoveredDay[];
  /** Feeds of the book in its order, then others that were trained. */
  readonly feeds: readonly CoveredFeed[];
  /** Feeds of the book that came from both sides, from one, from none. */
  readonly both: number;
  readonly one: number;
  readonly none: number;
}

interface Counted {
  readonly text: string;
  readonly sides: Set<Side>;
  readonly days: Set<string>;
  readonly answers: Map<string, { readonly text: string; readonly days: Set<string> }>;
}

/** Counts what the texts of classes trained against the feeds of the book. */
export function coverage(texts: readonly TrainedText[], bookFeeds: readonly string[], school: School): Coverage {
  const byFeed = new Map<string, Counted>();
  const pairsOf = new Map<string, Set<string>>();
  for (const { text, side: lead, days } of daysOfTexts(texts))
    for (const { side, feed, answer } of trainedExchanges(text, lead, school)) {
      const key = pairKey(feed);
      const counted = byFeed.get(key) ?? { text: feed.text, sides: new Set(), days: new Set(), answers: new Map() };
      byFeed.set(key, counted);
      counted.sides.add(side);
      const answers = answerKey(answer);
      const one = counted.answers.get(answers) ?? { text: answer.map((use) => use.text).join(" + "), days: new Set() };
      counted.answers.set(answers, one);
      for (const day of days) {
        counted.days.add(day);
        one.days.add(day);
        pairsOf.set(day, (pairsOf.get(day) ?? new Set()).add(trainedKey(side, key, answers)));
      }
    }
  const inBook = new Map(
    bookFeeds.flatMap((text): [string, string][] => {
      const key = feedKeyOf(text, school);
      return key === null ? [] : [[key, text]];
    }),
  );
  const own = [...inBook].map(([key, text]) => ({ ...covered(text, byFeed.get(key)), inBook: true }));
  const others = [...byFeed]
    .filter(([key]) => !inBook.has(key))
    .map(([, c]) => ({ ...covered(c.text, c), inBook: false }));
  const from = (sides: number) => own.filter((feed) => feed.sides.length === sides).length;
  return { days: daysOf(pairsOf), feeds: [...own, ...others], both: from(2), one: from(1), none: from(0) };
}

const latest = (days: ReadonlySet<string>): string | null => [...days].sort().pop() ?? null;

function covered(text: string, counted: Counted | undefined): Omit<CoveredFeed, "inBook"> {
  if (!counted) return { text, sides: [], times: 0, last: null, answers: [] };
  const answers = [...counted.answers.values()].map((a) => ({
    text: a.text,
    times: a.days.size,
    last: latest(a.days)!,
  }));
  return {
    text,
    sides: BOOK_SIDES.filter((side) => counted.sides.has(side)),
    times: counted.days.size,
    last: latest(counted.days),
    answers: answers.sort((a, b) => b.times - a.times || a.text.localeCompare(b.text)),
  };
}

function daysOf(pairsOf: ReadonlyMap<string, ReadonlySet<string>>): CoveredDay[] {
  const known = new Set<string>();
  return [...pairsOf]
    .sort(([a], [b]) => a.localeCompare(b))
    .map(([date, pairs]) => {
      const fresh = [...pairs].filter((pair) => !known.has(pair)).length;
      for (const pair of pairs) known.add(pair);
      return { date, fresh, again: pairs.size - fresh };
    });
}
