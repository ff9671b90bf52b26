/** The calendar file, read back by a parser that did not write it. */
import ICAL from "ical.js";
import { calendarOf } from "./term.ts";

const lesson = (n: number, more = {}) => ({
  id: `5b3c7c1e-0d52-4a4e-9b10-7d6a51fe000${n}`,
  held_on: "2026-11-25",
  title: "Evening; with, commas\nand lines",
  minutes: 95,
  theme: "Distance",
  starts_at: "19:30:00",
  begins: 0,
  ladder_id: null,
  version: 1,
  ...more,
});

test("every class is an event on its day, at its time, as long as it is", () => {
  const text = calendarOf(
    [lesson(1), lesson(2, { held_on: "2026-12-31", starts_at: "23:00:00", theme: "" })],
    "The Hall",
  );
  const calendar = new ICAL.Component(ICAL.parse(text));
  expect(calendar.getFirstPropertyValue("version")).toBe("2.0");
  const events = calendar.getAllSubcomponents("vevent").map((e) => new ICAL.Event(e));
  expect(events).toHaveLength(2);
  const [first, second] = events;
  expect(first!.startDate.toString()).toBe("2026-11-25T19:30:00");
  expect(first!.endDate.toString()).toBe("2026-11-25T21:05:00");
  expect(first!.startDate.zone.tzid).toBe("floating");
  expect(first!.summary).toContain("Evening; with, commas");
  expect(first!.location).toBe("The Hall");
  expect(second!.endDate.toString()).toBe("2027-01-01T00:35:00");
  expect(new Set(events.map((e) => e.uid)).size).toBe(2);
});
test("a term without classes is a calendar all the same", () => {
  expect(ICAL.parse(calendarOf([], "The Hall"))[0]).toBe("vcalendar");
});
