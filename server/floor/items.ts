/** What devices send of a running class, read and taken in. */
import { array, boolean, mixed, number, object, string } from "yup";
import { isWithin } from "#core/class/hours.ts";
import { MARK_ROLES } from "#core/floor/marks.ts";
import { getClass } from "#db/classes.ts";
import { addFloor, type FloorTap, type NewMark, type NewTap } from "#db/floor.ts";
import { PLACES } from "#db/incidents.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import { planAgain } from "./again.ts";
import { jsonIn } from "../web/forms.ts";
import { notFound } from "../web/respond.ts";

const id = string().uuid().required();
const at = number().integer().min(0).required();
/** What the device's own clock showed, ms; of devices that had not compared it with the server's yet. */
const raw = number().integer().min(0).nullable().default(null);
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
  raw,
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
  raw,
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
  raw,
  student_id: id,
  place: string().oneOf(PLACES).required(),
  round: number().integer().min(0).max(100).nullable().default(null),
});
const itemsSchema = object({
  /** What the device's own clock shows as it sends. */
  device: raw,
  /** Somebody has said that this class is run now, whatever its hours are. */
  sure: boolean().default(false),
  incidents: array(incidentSchema.required()).max(50).default([]),
  taps: array(tapSchema.required()).max(500).default([]),
  marks: array(markSchema.required()).max(2000).default([]),
});

/** What was not taken in, or could not be done for those who are hurt: it is said on the device that sent it. */
export interface Taken {
  readonly now: number;
  /** Why the rounds to come could not be planned again; null: they were, or there was no need. */
  readonly trouble: string | null;
}

/**
 * Takes in what a device sends, each thing once, and writes down which rounds have started and ended by now. A tap from
 * outside the hours of the class is kept and asked about.
 */
export async function takeItems(scope: Scope, classId: string, json: string | undefined): Promise<Taken> {
  const { taps, marks, incidents, device, sure } = itemsSchema.validateSync(jsonIn(json, "What was tapped"));
  const lesson = await getClass(db, scope, classId);
  if (!lesson) throw notFound("This class is not here.");
  const now = Date.now();
  const when = momentOf({ now, device });
  await addFloor(
    scope,
    classId,
    {
      taps: taps.map((one): NewTap => {
        const at = when(one);
        const isMeant = sure && now - at < JUST_NOW;
        return { id: one.id, tap: one.tap, at, within: isMeant || isWithin(lesson, at) };
      }),
      marks: marks.map(({ raw, ...one }): NewMark => ({ ...one, at: when({ ...one, raw }) })),
      incidents: incidents.map(({ raw, ...one }) => ({ ...one, at: when({ ...one, raw }) })),
    },
    now,
  );
  const refusal = incidents.length > 0 ? await planAgain(scope, classId) : null;
  return { now, trouble: refusal?.message ?? null };
}

/** Somebody who has just said that the class is run now means the taps of the last minutes, ms. */
const JUST_NOW = 15 * 60_000;

/**
 * The moment of what was tapped, ms of the server's clock. A device that had not compared its clock with the server's yet
 * says what its own showed then (`raw`) and shows now (`device`): how long ago it was is right whatever it is set to.
 * Nothing was tapped in the future.
 */
const momentOf =
  ({ now, device }: { readonly now: number; readonly device: number | null }) =>
  ({ at, raw }: { readonly at: number; readonly raw?: number | null }): number =>
    Math.min(now, (raw ?? null) !== null && device !== null ? now - Math.max(0, device - raw!) : at);
