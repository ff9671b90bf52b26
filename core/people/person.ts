/** A member of the school as its list of people holds them. */
import { isOneOf } from "../base/keys.ts";
import { array, boolean, number, object, string, type InferType } from "yup";
import { KINDS } from "../score/header.ts";
import { AGES } from "../pairs/ages.ts";
import type { Aged } from "./age.ts";
import { FAMILIES } from "./families.ts";
import type { Measured } from "./measures.ts";

type Family = (typeof FAMILIES)[number];
/** Returns true for a family of drills. */
export const isFamily = (kind: string): kind is Family => isOneOf(FAMILIES, kind) && isOneOf(KINDS, kind);

/** 1: new; 5: teaches it. */
export const LEVELS = [1, 2, 3, 4, 5] as const;
/** Who has no level yet is taken for the middle. */
const USUAL_LEVEL = 3;

/** A person of a school. */
export interface Member extends Measured, Aged {
  readonly levels: Readonly<Partial<Record<Family, number>>>;
  readonly limits: readonly string[];
  /** Day after which the limits no longer hold, `2026-11-25`; null: until changed. */
  readonly limits_until: string | null;
  /** What was agreed, in as few words as are needed. */
  readonly agreed: string;
  /** Has learnt to fall; null: nobody has said. */
  readonly falls: boolean | null;
}

/** Limits that hold on a day. */
export const limitsOn = (m: Pick<Member, "limits" | "limits_until">, day: string): readonly string[] =>
  m.limits_until !== null && m.limits_until < day ? [] : m.limits;

/** Returns the level of a person in a family of drills, 0 where none is set. */
export const levelIn = ({ levels }: Pick<Member, "levels">, family: string): number =>
  (isFamily(family) ? levels[family] : undefined) ?? USUAL_LEVEL;

/** Bodies outside these bounds are taken for a typing slip: cm, cm, kg. */
export const BOUNDS = { height: [90, 230], reach: [80, 240], mass: [15, 220] } as const;
const measure = (label: string, [low, high]: readonly [number, number], unit: string) =>
  number()
    .typeError("a number, such as 178 or 18.5")
    .nullable()
    .defined()
    .min(low, `${label} must be ${low} to ${high} ${unit}`)
    .max(high, `${label} must be ${low} to ${high} ${unit}`);
const level = number().integer().min(1, "levels go from 1 to 5").max(5, "levels go from 1 to 5");

/** The form of a person. */
export const memberSchema = object({
  name: string().trim().required("a name is needed").max(80, "a name has at most 80 letters"),
  height_cm: measure("height", BOUNDS.height, "cm"),
  reach_cm: measure("reach", BOUNDS.reach, "cm"),
  mass_kg: measure("mass", BOUNDS.mass, "kg"),
  lead: string()
    .oneOf(["left", "right"] as const, "lead is left or right")
    .required(),
  hand: string()
    .oneOf(["left", "right"] as const, "hand is left or right")
    .required(),
  born: string()
    .matches(/^\d{4}-\d\d-\d\d$/, "a date of birth is written 2012-05-31")
    .test("not too long ago", "nobody was born then", (day) => !day || day > "1900-01-01")
    .nullable()
    .default(null),
  minor: boolean().nullable().defined(),
  ages: string()
    .nullable()
    .oneOf([...AGES, null], `ages are ${AGES.join(", ")}, or nothing`)
    .defined(),
  levels: object({ feeder: level, flow: level, sensitivity: level }).required(),
  limits: array(string().trim().min(1).max(80, "a limit has at most 80 letters").required())
    .max(8, "at most 8 limits")
    .required(),
  limits_until: string()
    .matches(/^\d{4}-\d\d-\d\d$/, "a day is written 2026-11-25")
    .nullable()
    .defined(),
  agreed: string().max(400, "at most 400 letters; keep to what is needed").defined(),
  falls: boolean().nullable().default(null),
});
/** A person as their form holds them. */
export type MemberForm = InferType<typeof memberSchema>;

/** Somebody of whom only the usual is known, before a form is filled in. */
export const BLANK_MEMBER: MemberForm = {
  name: "",
  height_cm: null,
  reach_cm: null,
  mass_kg: null,
  lead: "left",
  hand: "right",
  born: null,
  minor: null,
  ages: null,
  levels: {},
  limits: [],
  limits_until: null,
  agreed: "",
  falls: null,
};
