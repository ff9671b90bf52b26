/** The next class in one click: the same people a week later, on the theme that is due first. */
import { randomUUID } from "node:crypto";
import { dueAfter, type TrainedDay } from "#core/learn/due.ts";
import { copyAttendance } from "#db/attendance.ts";
import { createClass, listClasses } from "#db/classes.ts";
import { listLadders } from "#db/ladders.ts";
import { ladderDays } from "#db/log.ts";
import { db, transaction } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import { refused, type Refusal } from "./respond.ts";

interface DueLadder {
  readonly id: string;
  readonly title: string;
  /** Why it is taken, in a few words. */
  readonly why: string;
}

/** The ladder that is due first; one that was never trained only where none was. */
async function dueLadder(scope: Scope): Promise<DueLadder | null> {
  const [ladders, days] = await Promise.all([listLadders(db, scope), ladderDays(db, scope)]);
  const byLadder = new Map<string, TrainedDay[]>();
  for (const { ladder_id, ...day } of days) byLadder.set(ladder_id, [...(byLadder.get(ladder_id) ?? []), day]);
  const due = ladders.flatMap(({ id, title }) => {
    const found = dueAfter(byLadder.get(id) ?? []);
    return found ? [{ id, title, ...found }] : [];
  });
  const [first] = due.sort((a, b) => (a.day < b.day ? -1 : 1));
  if (first)
    return { id: first.id, title: first.title, why: `due on ${first.day}: last on ${first.last}, ${first.went}` };
  const [fresh] = ladders;
  return fresh ? { id: fresh.id, title: fresh.title, why: "nothing of it was trained yet" } : null;
}

/** A week after a day, or later, on the same day of the week and not before today. */
export function weekAfter(day: string, today: string): string {
  const next = new Date(`${day}T12:00:00Z`);
  do next.setUTCDate(next.getUTCDate() + 7);
  while (next.toISOString().slice(0, 10) < today);
  return next.toISOString().slice(0, 10);
}

const MOST_THEME = 200;

export async function nextClass(scope: Scope): Promise<{ readonly id: string } | Refusal> {
  const [last] = await listClasses(db, scope);
  if (!last) return refused("There is no class yet that the next one could follow. Add the first one.");
  const ladder = await dueLadder(scope);
  const id = randomUUID();
  const today = new Date().toISOString().slice(0, 10);
  await transaction(async (tx) => {
    await createClass(tx, scope, {
      ...{ id, title: last.title, minutes: last.minutes, starts_at: last.starts_at },
      held_on: weekAfter(last.held_on, today),
      theme: (ladder ? `${ladder.title}: ${ladder.why}` : last.theme).slice(0, MOST_THEME),
      ladder_id: ladder?.id ?? null,
    });
    await copyAttendance(tx, scope, { from: last.id, to: id });
  });
  return { id };
}
