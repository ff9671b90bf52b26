/** What is due, and the next class in one click: the same people a week later, on the theme that is due first. */
import { randomUUID } from "node:crypto";
import { daysAfter } from "#core/base/days.ts";
import { dueAfter, type TrainedDay } from "#core/learn/due.ts";
import { copyAttendance } from "#db/attendance.ts";
import { createClass, listClasses } from "#db/classes.ts";
import { listLadders } from "#db/ladders.ts";
import { ladderDays } from "#db/log.ts";
import { db, transaction } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import { refused, type Refusal } from "../web/respond.ts";
import { todayOf } from "../school/school-of.ts";

export interface DueLadder {
  readonly id: string;
  readonly title: string;
  /** `2026-11-25`; null: nothing of it was trained yet. */
  readonly due: string | null;
  readonly last: string | null;
  /** How it went the last time, in words; empty where it was never trained. */
  readonly went: string;
}

/** All ladders, what is due first in front; those that were never trained come last. */
export async function dueLadders(scope: Scope): Promise<readonly DueLadder[]> {
  const [ladders, days] = await Promise.all([listLadders(db, scope), ladderDays(db, scope)]);
  const byLadder = new Map<string, TrainedDay[]>();
  for (const { ladder_id, ...day } of days) byLadder.set(ladder_id, [...(byLadder.get(ladder_id) ?? []), day]);
  const found = ladders.map(({ id, title }): DueLadder => {
    const due = dueAfter(byLadder.get(id) ?? []);
    return { id, title, due: due?.day ?? null, last: due?.last ?? null, went: due?.went ?? "" };
  });
  return found.sort((a, b) => ((a.due ?? NEVER) < (b.due ?? NEVER) ? -1 : 1));
}
/** After every day. */
const NEVER = "~";

/** Why a ladder is taken, in a few words. */
const whyText = ({ due, last, went }: DueLadder): string =>
  due === null ? "nothing of it was trained yet" : `due on ${due}: last on ${last}, ${went}`;

/** A week after a day, or later, on the same day of the week and not before today. */
export function weekAfter(day: string, today: string): string {
  let next = daysAfter(day, 7);
  while (next < today) next = daysAfter(next, 7);
  return next;
}

const MOST_THEME = 200;

/** A class after the last one, on the ladder that was chosen; null: on what is due first. */
export async function nextClass(scope: Scope, chosen: string | null): Promise<{ readonly id: string } | Refusal> {
  const [last] = await listClasses(db, scope);
  if (!last) return refused("There is no class yet that the next one could follow. Add the first one.");
  const due = await dueLadders(scope);
  const ladder = chosen === null ? due[0] : due.find((one) => one.id === chosen);
  if (chosen !== null && !ladder) return refused("This ladder is not here any more. Load the page again.");
  const id = randomUUID();
  const today = await todayOf(scope);
  await transaction(async (tx) => {
    await createClass(tx, scope, {
      ...{ id, title: last.title, minutes: last.minutes, starts_at: last.starts_at },
      held_on: weekAfter(last.held_on, today),
      theme: (ladder ? `${ladder.title}: ${whyText(ladder)}` : last.theme).slice(0, MOST_THEME),
      ladder_id: ladder?.id ?? null,
    });
    await copyAttendance(tx, scope, { from: last.id, to: id });
  });
  return { id };
}
