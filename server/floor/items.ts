/** What devices send of a running class, read and taken in. */
import { array, mixed, number, object, string } from "yup";
import { MARK_ROLES } from "#core/floor/marks.ts";
import { runningAt } from "#core/floor/running.ts";
import { timeline } from "#core/floor/timeline.ts";
import { getPlan } from "#db/classes.ts";
import { addFloor, floorSince, setRun, type FloorTap, type NewMark, type NewTap } from "#db/floor.ts";
import { PLACES } from "#db/incidents.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import { withoutHurt } from "./again.ts";
import { clockTaps } from "./clock-taps.ts";
import { jsonIn } from "../forms.ts";
import { notFound } from "../respond.ts";

const id = string().uuid().required();
/** A device whose clock runs ahead taps now, not later. */
const at = number().integer().min(0).required();
const from = string().min(1).max(120).required();

/** A tap of a known kind with what belongs to it. */
const TAPS = {
  start: object({}),
  pause: object({}),
  go: object({}),
  stop: object({}),
  next: object({ from }),
  back: object({ from }),
  longer: object({ from, seconds: number().integer().min(-3600).max(3600).required() }),
  hurt: object({ person: id }),
} as const;

const tapSchema = object({
  id,
  at,
  tap: mixed<FloorTap>()
    .transform((value: unknown) => {
      const kind = (value as { kind?: unknown } | null)?.kind;
      const shape = Object.entries(TAPS).find(([name]) => name === kind)?.[1];
      return shape && { kind, ...shape.validateSync(value, { stripUnknown: true }) };
    })
    .required("This page is older than the application. Load it again."),
});
const markSchema = object({
  id,
  at,
  round: number().integer().min(0).max(100).required(),
  person: id,
  revision: string().uuid().nullable().default(null),
  role: string().oneOf(MARK_ROLES).required(),
  mark: string().min(1).max(40).required(),
  text: string().max(200).default(""),
  corrects: string().uuid().nullable().default(null),
});
const incidentSchema = object({
  id,
  at,
  student_id: id,
  place: string().oneOf(PLACES).required(),
  round: number().integer().min(0).max(100).nullable().default(null),
});
const itemsSchema = object({
  incidents: array(incidentSchema.required()).max(50).default([]),
  taps: array(tapSchema.required()).max(500).default([]),
  marks: array(markSchema.required()).max(2000).default([]),
});

/** Takes taps and marks in, each once, and writes down which rounds are over by now. */
export async function takeItems(
  scope: Scope,
  classId: string,
  json: string | undefined,
): Promise<{ readonly now: number }> {
  const { taps, marks, incidents } = itemsSchema.validateSync(jsonIn(json, "What was tapped"));
  const now = Date.now();
  await addFloor(scope, classId, {
    taps: taps.map((one): NewTap => ({ ...one, at: Math.min(one.at, now) })),
    marks: marks.map((one): NewMark => ({ ...one, at: Math.min(one.at, now) })),
    incidents: incidents.map((one) => ({ ...one, at: Math.min(one.at, now) })),
  });
  await writeRun(scope, classId, now);
  // Who is hurt works no further: only the rounds to come are planned again.
  if (incidents.length > 0)
    await withoutHurt(
      scope,
      classId,
      incidents.map(({ student_id }) => student_id),
    );
  return { now };
}

/** Rounds that are over go into the plan and the log. */
export async function writeRun(scope: Scope, classId: string, now: number): Promise<void> {
  const [news, kept] = await Promise.all([floorSince(db, scope, classId, 0), getPlan(db, scope, classId)]);
  if (!news) throw notFound("This class is not here.");
  if (!kept) return;
  const { done } = runningAt(timeline(kept.plan, kept.clock), clockTaps(news.taps), now);
  if (done > kept.done) await setRun(scope, classId, done);
}
