/** Days of the calendar as text, `2026-11-25`. Which day it is depends on a zone; how days follow each other does not. */

const formats = new Map<string, Intl.DateTimeFormat>();

function formatOf(zone: string): Intl.DateTimeFormat {
  const known = formats.get(zone);
  if (known) return known;
  const made = new Intl.DateTimeFormat("en-GB", {
    timeZone: zone,
    year: "numeric",
    month: "2-digit",
    day: "2-digit",
  });
  formats.set(zone, made);
  return made;
}

/** True for a zone of the IANA list that dates can be reckoned in, `Europe/Lisbon`. */
export function isZone(zone: string): boolean {
  try {
    formatOf(zone);
    return true;
  } catch {
    return false;
  }
}

/** The day that a clock in a zone shows at an instant, ms since 1970. */
export function dayIn(zone: string, at: number): string {
  const parts = new Map(
    formatOf(zone)
      .formatToParts(at)
      .map(({ type, value }) => [type, value]),
  );
  return `${parts.get("year")}-${parts.get("month")}-${parts.get("day")}`;
}

/** The day of a date that stands at noon or midnight UTC for a whole day. */
export const dayOfUtc = (date: Date): string => date.toISOString().slice(0, 10);

/** The month of such a date, `2026-11`. */
export const monthOfUtc = (date: Date): string => date.toISOString().slice(0, 7);

/** So many days after a day; negative: before it. */
export function daysAfter(day: string, days: number): string {
  const date = new Date(`${day}T12:00:00Z`);
  date.setUTCDate(date.getUTCDate() + days);
  return dayOfUtc(date);
}
