/** When a theme is to come back: a known scheduler for spaced repetition, fed with how the theme went each time. */
import { createEmptyCard, fsrs, Rating, type Grade } from "ts-fsrs";
import { dayOfUtc } from "../base/days.ts";
import { chanceText } from "./estimates.ts";

/** A day on which a theme was trained, and what was seen of it. */
export interface TrainedDay {
  /** `2026-11-25` */
  readonly day: string;
  readonly clean: number;
  readonly seen: number;
}
interface Due {
  /** `2026-11-25` */
  readonly day: string;
  readonly last: string;
  /** How it went the last time, in words. */
  readonly went: string;
}

/** No chance in it, and days are the shortest steps: a class meets once or twice a week. */
const SCHEDULER = fsrs({ enable_fuzz: false, enable_short_term: false });

/** How it went as the scheduler takes it; a day of which nothing was seen went as days go. */
function gradeOf({ clean, seen }: TrainedDay): Grade {
  if (seen === 0) return Rating.Good;
  const share = clean / seen;
  if (share >= 0.93) return Rating.Easy;
  if (share >= 0.72) return Rating.Good;
  return share >= 0.42 ? Rating.Hard : Rating.Again;
}

const noon = (day: string): Date => new Date(`${day}T12:00:00Z`);

/** When it is due again; null for what was never trained. */
export function dueAfter(trained: readonly TrainedDay[]): Due | null {
  const days = [...trained].sort((a, b) => (a.day < b.day ? -1 : 1));
  const [first] = days;
  const last = days[days.length - 1];
  if (!first || !last) return null;
  let card = createEmptyCard(noon(first.day));
  for (const one of days) card = SCHEDULER.next(card, noon(one.day), gradeOf(one)).card;
  return {
    day: dayOfUtc(card.due),
    last: last.day,
    went: last.seen === 0 ? "nobody noted how it went" : `${chanceText(last.clean / last.seen)} clean`,
  };
}
