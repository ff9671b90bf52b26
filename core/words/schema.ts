/** The shape of moves as data, checked when a file or a school brings them: names file, move and field. */
import { isOneOf } from "../base/keys.ts";
import {
  array,
  boolean,
  lazy,
  mixed,
  number,
  object,
  string,
  ValidationError,
  type ObjectShape,
  type Schema,
} from "yup";
import { GUARDS, STANCES } from "../score/postures.ts";
import { partNamed } from "./part-names.ts";
import { moveFiles, type MoveFile } from "./shipped.ts";
import {
  COMPANIONS,
  COVER_LIMBS,
  CUES,
  EFFECTS,
  HEIGHTS,
  LIMBS,
  ROLES,
  TOOLS,
  TRADITIONS,
  type MoveData,
} from "./types.ts";

const ms = number().integer().min(50).max(2000);
const metres = number().min(-1).max(2);
const degrees = number().min(0).max(180);
const notEmpty = string().trim().min(1).max(200).required();
const isHeights = (value: unknown): boolean =>
  typeof value === "object" &&
  value !== null &&
  !Array.isArray(value) &&
  Object.keys(value).every((k) => isOneOf(HEIGHTS, k));

/** One value, or one for each height. */
const byHeight = (one: Schema) =>
  lazy((value: unknown) =>
    isHeights(value) ? object({ high: one.optional(), mid: one.optional(), low: one.optional() }).noUnknown() : one,
  );

const part = string().test(
  "part",
  "${path} is no part of the body",
  (value) => value === undefined || partNamed(value) !== null,
);
const leadRear = lazy((value: unknown) =>
  typeof value === "object"
    ? object({ lead: degrees.required(), rear: degrees.required() }).noUnknown()
    : degrees.optional(),
);
const numbers = (length: number) => array(number().required()).length(length).required();
const moved = object({ head: metres, chest: metres, belly: metres, hips: metres, legs: metres })
  .noUnknown()
  .default(undefined);

const attack = object({
  tool: string().oneOf(TOOLS).required(),
  path: string().oneOf(["thrust", "arc", "shoot"]).required(),
  clock: byHeight(number().min(0).max(12)),
  target: byHeight(part),
  extension: byHeight(number().min(0.05).max(1.1)),
  reach: number().min(0.1).max(0.8),
  turn: leadRear,
  turnReturn: leadRear,
  drive: metres,
  step: number().min(0).max(1),
  minGap: number().min(0).max(1.5),
  contact: ms.required(),
  recover: ms.required(),
  loads: string().oneOf(["same", "other"]),
  leaves: string().oneOf(["same", "other"]),
  commitment: number().min(0).max(1).required(),
  overTurns: boolean(),
  oneLeg: boolean(),
  hooks: boolean(),
  backwards: boolean(),
  effect: string().oneOf(EFFECTS),
})
  .noUnknown()
  .default(undefined)
  .test(
    "arc-clock",
    "${path} goes in an arc and needs a clock line",
    (a) => !a || a.path !== "arc" || a.clock !== undefined,
  )
  .test(
    "reach",
    "${path} needs extension (hands) or reach (legs, shots)",
    (a) => !a || a.extension !== undefined || a.reach !== undefined,
  );

const direction = lazy((value: unknown) =>
  Array.isArray(value) ? numbers(3) : string().oneOf(["gone", "turn", "with", "against", "through"]).required(),
);
const energy = object({ direction, on: part.required(), contact: ms.required() }).noUnknown().default(undefined);
const coverLimb = string().oneOf(COVER_LIMBS).required();
const box = numbers(4);

/** Fields of each mechanism, beside `by`. */
const MECHANISMS: Readonly<Record<string, ObjectShape>> = {
  displace: {
    side: moved,
    drop: moved,
    back: moved,
    turn: degrees,
    leg: metres,
    way: string().oneOf(["evade", "weave", "word"]),
    feet: object({ back: metres, side: metres, forward: metres, asFar: numbers(2).notRequired().default(undefined) })
      .noUnknown()
      .default(undefined),
  },
  interpose: {
    limb: coverLimb,
    segments: byHeight(array(numbers(4))),
    box: box.notRequired().default(undefined),
    depth: metres.required(),
    double: boolean(),
    only: array(string().oneOf(TOOLS).required()),
    stands: string().oneOf(["incoming", "lead", "rear", "both"]).required(),
  },
  deflect: {
    limb: coverLimb,
    push: string().oneOf(["inward", "outward", "down", "up"]).required(),
    box: byHeight(box),
    limit: metres.required(),
  },
  pass: { to: string().oneOf(["inside", "outside"]).required(), step: metres.required() },
  jam: {},
  seize: { part: string().oneOf(["leg"]).required() },
  cut: {},
  none: {},
  energy: { goes: direction, keeps: boolean().required(), receives: mixed<true | "down">().oneOf([true, "down"]) },
  deny: { line: number().oneOf([1, 2, 3]).required(), oneLeg: boolean().oneOf([true]) },
};
const mechanism = lazy((value: unknown) => {
  const by = typeof value === "object" && value !== null ? String((value as { by?: unknown }).by) : "";
  const fields = MECHANISMS[by];
  if (!fields)
    return mixed().test("by", "${path}.by must be one of " + Object.keys(MECHANISMS).join(", "), () => false);
  return object({ by: string().required(), ...fields }).noUnknown();
});

const move = object({
  id: string()
    .matches(/^[a-z0-9-]{2,60}$/, "${path} must be lower-case letters, digits and hyphens")
    .required(),
  names: object(Object.fromEntries(TRADITIONS.map((t) => [t, array(notEmpty)])))
    .noUnknown()
    .test(
      "english",
      "${path} needs at least one English name",
      (names) => ((names as Record<string, string[] | undefined> | undefined)?.english?.length ?? 0) > 0,
    ),
  group: notEmpty,
  roles: array(string().oneOf(ROLES).required()).min(1).required(),
  limb: string().oneOf(LIMBS).required(),
  sides: string().oneOf(["limb", "cover", "way", "none"]).required(),
  fixedSide: boolean().oneOf([true]),
  needs: string().oneOf(["stick", "blade", "weapon", "empty", "two sticks", "pad"]),
  heights: array(string().oneOf(HEIGHTS).required()),
  attack,
  energy,
  answer: array(mechanism),
  contact: object({
    kind: string().oneOf(["pin", "grip", "touch", "clear", "break"]).required(),
    on: string().required(),
    incoming: boolean(),
    behind: boolean(),
  })
    .noUnknown()
    .default(undefined),
  move: ms,
  requires: string().oneOf(COMPANIONS),
  setsRange: string().oneOf(["punch", "kick", "weapon"]),
  followsUp: array(
    object({
      as: notEmpty,
      side: string().oneOf(["lead", "rear"]).required(),
      height: string().oneOf(HEIGHTS),
    }).noUnknown(),
  ),
  takes: object({
    stance: string().oneOf(STANCES.flatMap(({ names }) => names)),
    guard: string().oneOf(GUARDS.flatMap(({ names }) => names)),
  })
    .noUnknown()
    .default(undefined),
  reverses: boolean().oneOf([true]),
  fistByCustom: boolean().oneOf([true]),
  like: string().max(60),
  cue: string().oneOf([...CUES]),
  cycle: string(),
  faces: boolean(),
  goesDown: boolean(),
  lowers: boolean(),
  fells: boolean(),
  jumps: boolean(),
  restores: boolean(),
  asksNothing: boolean(),
  onlyOn: array(string().required()),
  changes: string().oneOf(["stance", "hands"]),
  numbered: string().oneOf(["strike", "block", "counter"]),
  opens: boolean(),
  disarms: boolean(),
  parts: array(notEmpty).min(1).max(4),
  coaching: array(notEmpty).min(2).required(),
  faults: array(notEmpty).min(1).required(),
  cautions: array(notEmpty),
})
  .noUnknown("${path} has fields that no move has: ${unknown}")
  .test(
    "does",
    "${path} can answer but has no mechanism in “answer”",
    (m) =>
      !m.roles?.includes("answer") ||
      m.numbered !== undefined ||
      (m.answer?.length ?? 0) > 0 ||
      m.contact !== undefined,
  )
  .test(
    "hits",
    "${path} can feed but has neither “attack” nor “energy”",
    (m) => !m.roles?.includes("feed") || m.numbered !== undefined || m.attack !== undefined || m.energy !== undefined,
  );

type MovesResult =
  | { readonly ok: true; readonly moves: readonly MoveData[] }
  | { readonly ok: false; readonly errors: readonly string[] };

/** Checks a file of moves. Errors name the file, the move and the field, and what is wrong with it. */
export function readMoves(name: string, file: MoveFile): MovesResult {
  const errors: string[] = [];
  const moves: MoveData[] = [];
  file.moves.forEach((data, i) => {
    const full = { ...file.common, ...data };
    const id = String((full as { id?: unknown }).id ?? `number ${i + 1}`);
    try {
      moves.push(move.validateSync(full, { strict: true, abortEarly: false }) as unknown as MoveData);
    } catch (error) {
      if (!(error instanceof ValidationError)) throw error;
      for (const text of error.errors) errors.push(`${name}: ${id}: ${text}`);
    }
  });
  return errors.length > 0 ? { ok: false, errors } : { ok: true, moves };
}

/** Faults of the moves that ship: file, move and field of each. */
export const shippedFaults = (): string[] =>
  Object.entries(moveFiles).flatMap(([name, file]) => {
    const read = readMoves(name, file);
    return read.ok ? [] : [...read.errors];
  });
