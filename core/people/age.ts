/** Of age or not, and in which band: by date of birth, else by what was said, else by a band; else nobody knows. */
import { AGES, type Age, type Ages } from "../pairs/ages.ts";

/** What is known of somebody's age. */
export interface Aged {
  /** `2012-05-31`; null: not known. */
  readonly born: string | null;
  /** What was said; null: nobody has said. */
  readonly minor: boolean | null;
  /** Of a minor whose date of birth is not kept. */
  readonly ages: Ages | null;
}

/** Of age at eighteen in most places; local law decides. */
const OF_AGE = 18;

/** Whole years on a day. Who was born on 29 February has their birthday on 1 March in other years. */
function yearsOn(born: string, day: string): number {
  const years = Number(day.slice(0, 4)) - Number(born.slice(0, 4));
  return day.slice(5) >= born.slice(5) ? years : years - 1;
}

/** Returns the age of a person on a day of the school. */
export function ageOn({ born, minor, ages }: Aged, day: string): Age {
  if (born !== null) return yearsOn(born, day) < OF_AGE ? "minor" : "adult";
  if (minor !== null) return minor ? "minor" : "adult";
  return ages === null ? "unknown" : "minor";
}

/** The band of a minor; null for others, and where it is not known. Younger than the youngest band is the youngest. */
export function bandOn(aged: Aged, day: string): Ages | null {
  if (ageOn(aged, day) !== "minor") return null;
  if (aged.born === null) return aged.ages;
  const years = yearsOn(aged.born, day);
  return AGES.find((band) => years <= Number(band.split("-")[1])) ?? null;
}

const MONTHS = ["jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec"];

/** A day of the calendar as text; null where there is no such day. */
function dayOf(year: number, month: number, day: number): string | null {
  const date = new Date(Date.UTC(year, month - 1, day));
  const isOne = date.getUTCFullYear() === year && date.getUTCMonth() === month - 1 && date.getUTCDate() === day;
  if (!isOne) return null;
  return `${String(year).padStart(4, "0")}-${String(month).padStart(2, "0")}-${String(day).padStart(2, "0")}`;
}

/** What comes first where a date is written with slashes. */
export type SlashOrder = "day first" | "month first" | "not clear";

/** What a column of dates says of its own order: one date past the twelfth decides for all. */
export function slashOrder(texts: readonly string[]): SlashOrder {
  const parts = texts.flatMap((text) => {
    const found = /^\s*(\d{1,2})\/(\d{1,2})\/\d{4}\s*$/.exec(text);
    return found ? [[Number(found[1]), Number(found[2])] as const] : [];
  });
  const dayFirst = parts.some(([one]) => one > 12);
  const monthFirst = parts.some(([, two]) => two > 12);
  return dayFirst === monthFirst ? "not clear" : dayFirst ? "day first" : "month first";
}

/** A date of birth in the usual ways of writing; words say what is wrong with any other. */
export function readBorn(text: string, order: SlashOrder): { readonly born: string } | { readonly fault: string } {
  const plain = text.trim();
  const read = (day: string | null) =>
    day === null ? { fault: `born: “${text}” is no day of the calendar` } : { born: day };
  const iso = /^(\d{4})[-./](\d{1,2})[-./](\d{1,2})(?:[T ].*)?$/.exec(plain);
  if (iso) return read(dayOf(Number(iso[1]), Number(iso[2]), Number(iso[3])));
  const dotted = /^(\d{1,2})[.-]\s*(\d{1,2})[.-]\s*(\d{4})$/.exec(plain);
  if (dotted) return read(dayOf(Number(dotted[3]), Number(dotted[2]), Number(dotted[1])));
  const slashed = /^(\d{1,2})\/(\d{1,2})\/(\d{4})$/.exec(plain);
  if (slashed) {
    const [one, two, year] = [Number(slashed[1]), Number(slashed[2]), Number(slashed[3])];
    if (one === two || one > 12 || order === "day first") return read(dayOf(year, two, one));
    if (two > 12 || order === "month first") return read(dayOf(year, one, two));
    return { fault: `born: “${text}” can be read in two ways; write ${year}-MM-DD` };
  }
  const named =
    /^(\d{1,2})\.?\s+([a-z]{3})[a-z]*\.?,?\s+(\d{4})$/i.exec(plain) ??
    /^(?<month>[a-z]{3})[a-z]*\.?\s+(?<day>\d{1,2})(?:st|nd|rd|th)?,?\s+(?<year>\d{4})$/i.exec(plain);
  if (named) {
    const [day, month, year] = named.groups
      ? [named.groups.day, named.groups.month, named.groups.year]
      : [named[1], named[2], named[3]];
    const place = MONTHS.indexOf(month!.toLowerCase());
    if (place >= 0) return read(dayOf(Number(year), place + 1, Number(day)));
  }
  return { fault: `born: “${text}” is no date; write 2012-05-31 or 31.5.2012, the year with four digits` };
}
