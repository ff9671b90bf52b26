/**
 * Which nightly backups go: all of the last seven days stay, the first of each week for five weeks, the first of each
 * month for a year. What was erased from the school is in no backup that is older than that.
 */
import { monthOfUtc } from "#core/base/days.ts";

const DAY = 86_400_000;
const DAYS = 7;
const WEEKS = 5;
const MONTHS = 12;
const NIGHTLY = /^nightly-(\d{4})(\d{2})(\d{2})\.dump(?:\.age)?$/;

/** Names of nightly backups that go; others are never named. `today`: ms. */
export function toGo(names: readonly string[], today: number): string[] {
  const all = names
    .flatMap((name) => {
      const [, year, month, day] = NIGHTLY.exec(name) ?? [];
      return year ? [{ name, at: Date.UTC(Number(year), Number(month) - 1, Number(day)) }] : [];
    })
    .sort((a, b) => a.at - b.at);
  const stays = new Set<string>();
  const seen = new Set<string>();
  for (const { name, at } of all) {
    const age = (today - at) / DAY;
    // Monday is the first day: 1 January 1970 was a Thursday.
    const week = `week ${Math.floor((at / DAY + 3) / 7)}`;
    const month = `month ${monthOfUtc(new Date(at))}`;
    if (age < DAYS) stays.add(name);
    if (age < WEEKS * 7 && !seen.has(week)) stays.add(name);
    if (age < MONTHS * 31 && !seen.has(month)) stays.add(name);
    seen.add(week).add(month);
  }
  return all.filter(({ name }) => !stays.has(name)).map(({ name }) => name);
}
