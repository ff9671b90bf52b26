/** Days and instants against a reference library (luxon) with the system's own zone data. */
import { DateTime } from "luxon";
import { AFTER, BEFORE, isOver, isWithin } from "../class/hours.ts";
import { dayIn, daysAfter, isZone } from "./days.ts";

/** Zones on both sides of Greenwich, one with half an hour, and both changes of the clock in 2026 and 2027. */
const ZONES = ["America/Los_Angeles", "Europe/Lisbon", "Australia/Adelaide", "Pacific/Kiritimati"];

test("the day of an instant is that of the zone, hour by hour over a year with both changes of the clock", () => {
  const wrong: string[] = [];
  const begin = Date.UTC(2026, 9, 20);
  for (const zone of ZONES)
    for (let hour = 0; hour < 24 * 400; hour++) {
      const at = begin + hour * 3_600_000;
      const wanted = DateTime.fromMillis(at, { zone }).toISODate();
      if (dayIn(zone, at) !== wanted) wrong.push(`${zone} ${at}: ${dayIn(zone, at)} for ${wanted}`);
    }
  expect(wrong).toEqual([]);
});

test("days follow each other as the reference counts them", () => {
  for (const days of [-400, -29, -1, 0, 1, 28, 31, 365, 366])
    for (const day of ["2024-02-28", "2026-03-29", "2026-10-25", "2026-12-31"])
      expect(daysAfter(day, days)).toBe(DateTime.fromISO(day, { zone: "utc" }).plus({ days }).toISODate());
});

test("a zone is one of the list, or it is none", () => {
  expect(["Europe/Lisbon", "America/New_York", "UTC"].every(isZone)).toBe(true);
  expect(["Europe/Atlantis", "", "1; drop table schools", "+99:00"].some(isZone)).toBe(false);
});

test("a class is tonight's until six hours after its end, and its floor is tapped from two hours before", () => {
  const begins = DateTime.fromISO("2026-11-25T22:00", { zone: "America/New_York" }).toMillis();
  const held = { begins, minutes: 90 };
  const end = begins + 90 * 60_000;
  // Half past midnight in New York, and the next day in UTC since hours: the class is not over.
  expect(isOver(held, end + 60 * 60_000)).toBe(false);
  expect(isOver(held, end + AFTER + 1)).toBe(true);
  expect(isWithin(held, begins - BEFORE)).toBe(true);
  expect(isWithin(held, begins - BEFORE - 1)).toBe(false);
  expect(isWithin(held, end + AFTER + 1)).toBe(false);
  expect(isWithin(held, 0)).toBe(false);
});
