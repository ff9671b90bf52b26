/** A new class as a template has it. */
import dayjs from "dayjs";
import type { TermPage } from "#server/views.ts";

/** No template is chosen. */
export const NO_TEMPLATE = "";

/** Returns the fields of a new class by a template: on its next weekday from today on, today included. */
export function beginsWith(
  { title, theme, weekday, starts_at, minutes }: TermPage["templates"][number],
  today: string,
) {
  // dayjs counts from Sunday, a template from Monday (ISO 8601).
  const ahead = (weekday - (dayjs(today).day() || 7) + 7) % 7;
  const held_on = dayjs(today).add(ahead, "day").format("YYYY-MM-DD");
  return { title, theme, minutes, held_on, starts_at: starts_at.slice(0, 5) };
}
