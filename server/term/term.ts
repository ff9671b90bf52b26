/** The term: its classes, who met whom, and the calendar file. */
import { createEvents, type EventAttributes } from "ics";
import { classSchema, copySchema, minutesSchema } from "#core/class/lesson.ts";
import { listClasses, meetings, type ClassRow } from "#db/classes.ts";
import { listTemplates } from "#db/class-templates.ts";
import { listAttendance } from "#db/attendance.ts";
import { countDeleted } from "#db/deleted.ts";
import { listEverybody } from "#db/people.ts";
import { db } from "#db/pool.ts";
import type { TermPage, TermPerson } from "../views.ts";
import type { Scope } from "#db/scope.ts";
import { todayOf } from "../school/school-of.ts";

const NOBODY = "00000000-0000-0000-0000-000000000000";
const minutesOf = (time: string): number => Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5));

/** Two classes of one day that are held at the same time. */
function overlap(a: ClassRow, b: ClassRow): boolean {
  if (a.id === b.id || a.held_on !== b.held_on) return false;
  const [from, other] = [minutesOf(a.starts_at), minutesOf(b.starts_at)];
  return from < other + b.minutes && other < from + a.minutes;
}

/** Whom each has met, and how often: of meetings by `a|b`. */
function partners(
  met: ReadonlyMap<string, number>,
): ReadonlyMap<string, readonly { readonly other: string; readonly times: number }[]> {
  const found = new Map<string, { readonly other: string; readonly times: number }[]>();
  for (const [key, times] of met) {
    const [a, b] = key.split("|") as [string, string];
    for (const [one, other] of [
      [a, b],
      [b, a],
    ] as const) {
      const mine = found.get(one) ?? [];
      found.set(one, mine);
      mine.push({ other, times });
    }
  }
  return found;
}

export async function termPage(scope: Scope): Promise<TermPage> {
  const classes = await listClasses(db, scope);
  const ids = classes.map(({ id }) => id);
  const since = classes.at(-1)?.held_on ?? null;
  const [everybody, met, attendance, deleted, templates] = await Promise.all([
    listEverybody(db, scope),
    meetings(db, scope, NOBODY, { among: null, since }),
    listAttendance(db, scope, ids),
    countDeleted(db, scope),
    listTemplates(db, scope),
  ]);
  const here = new Map<string, Set<string>>();
  for (const { class_id, student_id } of attendance)
    here.set(class_id, (here.get(class_id) ?? new Set()).add(student_id));
  const nameOf = new Map(everybody.map((s) => [s.id, s.name]));
  const partnersOf = partners(met);
  const cameTo = new Map<string, number>();
  for (const { student_id } of attendance) cameTo.set(student_id, (cameTo.get(student_id) ?? 0) + 1);
  const people = everybody
    .filter((s) => !s.archived)
    .map((s): TermPerson => {
      const mine = partnersOf.get(s.id) ?? [];
      const most = [...mine].sort((a, b) => b.times - a.times)[0];
      return {
        id: s.id,
        name: s.name,
        classes: cameTo.get(s.id) ?? 0,
        partners: mine.length,
        most: most ? { name: nameOf.get(most.other) ?? "a former member", times: most.times } : null,
      };
    });
  return {
    templates,
    classes: classes.map((c) => {
      const twice = classes
        .filter((o) => overlap(c, o))
        .flatMap((o) => [...(here.get(c.id) ?? [])].filter((id) => here.get(o.id)?.has(id)))
        .flatMap((id) => nameOf.get(id) ?? []);
      return { ...c, here: here.get(c.id)?.size ?? 0, clash: [...new Set(twice)] };
    }),
    people,
    today: await todayOf(scope),
    deleted,
  };
}

/** How long a class is to be, as a form sends it. */
export const minutesFromForm = (fields: Readonly<Record<string, string>>) =>
  minutesSchema.validate(fields, { stripUnknown: true });

/** The day on which a class is held again. */
export const dayFromForm = async (fields: Readonly<Record<string, string>>): Promise<string> =>
  (await copySchema.validate(fields)).day;

/** A class as its form sends it. */
export const classFromForm = (fields: Readonly<Record<string, string>>) =>
  classSchema.validate(fields, { stripUnknown: true });

/** The classes as an iCalendar file (RFC 5545); times stand as they are on the clock of the hall. */
export function calendarOf(classes: readonly ClassRow[], school: string): string {
  const events = classes.map((c): EventAttributes => {
    const [year, month, day] = c.held_on.split("-").map(Number) as [number, number, number];
    const at = minutesOf(c.starts_at);
    return {
      uid: `${c.id}@vicissor`,
      title: c.title,
      description: c.theme || undefined,
      location: school,
      productId: "-//Vicissor//Term//EN",
      start: [year, month, day, Math.floor(at / 60), at % 60],
      startInputType: "local",
      startOutputType: "local",
      duration: { hours: Math.floor(c.minutes / 60), minutes: c.minutes % 60 },
    };
  });
  const { error, value } = createEvents(events);
  if (error) throw error;
  return value ?? "";
}
