/** What forms and the save of a text send, checked before anything is done with it. */
import { MAX_TEXT } from "#core/score/limits.ts";
import { TONIGHT_IDS } from "#core/people/tonight.ts";
import type { PresentTonight } from "#db/attendance.ts";
import { array, boolean, number, object, string } from "yup";

const uuid = string()
  .matches(/^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i, "not an id")
  .required();

/** A text that can be read and kept whole. */
const drillText = string()
  .max(
    MAX_TEXT,
    `The text is too long to save: at most ${MAX_TEXT.toLocaleString("en")} characters. Split it into several drills.`,
  )
  .test(
    "keepable",
    ({ value }) => unkeepable(String(value)) ?? "",
    (value) => unkeepable(value ?? "") === null,
  );

export const saveSchema = object({
  auto: boolean().default(false),
  revisionId: uuid,
  version: number().integer().min(1).required(),
  text: drillText.defined(),
});
export const createSchema = object({
  id: uuid,
  revisionId: uuid,
  text: drillText.defined(),
});
export const variationSchema = createSchema.shape({
  parentRevisionId: uuid,
  operator: string().max(40).required(),
  parameters: string().max(2000).required(),
  changed: string().max(500).required(),
});
/** A whole ladder as it is taken into the library. */
export const ladderSchema = object({
  id: uuid,
  parentRevisionId: uuid,
  title: string().trim().min(1).max(160).required(),
  seed: number().integer().nullable().defined(),
  rungs: array(
    object({
      id: uuid,
      revisionId: uuid,
      text: drillText.required(),
      operator: string().max(40).required(),
      changed: string().max(500).required(),
    }),
  )
    .min(2, "A ladder has at least two rungs.")
    .max(16)
    .required(),
});
export const pairsSchema = object({
  /** Of the class, as it was when the page was read. */
  version: number().integer().min(1).required(),
  drillId: uuid,
  pairs: array(
    object({
      a: uuid,
      b: uuid,
      c: uuid.nullable().notRequired(),
      revisionId: uuid,
      why: string().max(400).defined(),
    }),
  )
    .max(100)
    .required(),
});

/** Input that cannot be used, in words for the one who sent it. */
export class BadInput extends Error {}

/** Characters that no record can hold: NUL, and halves of a character. */
const UNKEEPABLE = /\0|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/;

/** What is wrong with a text that is to be kept: the first character that cannot be; null where all can. */
export function unkeepable(text: string): string | null {
  const found = UNKEEPABLE.exec(text);
  if (!found) return null;
  const before = text.slice(0, found.index).split(/\r\n?|\n/);
  const what = found[0] === "\0" ? "a NUL character" : "half of a character";
  return `Row ${before.length}, place ${before[before.length - 1]!.length + 1}, holds ${what}, which cannot be kept. Take it out and save again.`;
}

export type Fields = Readonly<Record<string, string>>;

/** The fields of a form as plain values. */
export function fieldsOf(form: FormData): Fields {
  const fields: Record<string, string> = {};
  form.forEach((value, key) => {
    if (typeof value !== "string") return;
    const fault = unkeepable(value);
    if (fault) throw new BadInput(fault);
    fields[key] = value;
  });
  return fields;
}

/** A field that holds JSON; `what` did not arrive whole where it does not. */
export function jsonIn(text: string | undefined, what: string): unknown {
  try {
    // A key by this name would reach for what all objects have in common.
    return JSON.parse(text ?? "", (key, value: unknown) => (key === "__proto__" ? undefined : value));
  } catch {
    throw new BadInput(`${what} did not arrive whole. Load the page again and repeat it.`);
  }
}

/** An id of a field. */
export function idIn(text: string | undefined): string {
  if (!uuid.isValidSync(text)) throw new BadInput("This names nothing that is here. Load the page again.");
  return text;
}

const MOST_ROUNDS = 100;
/** Place of a round among those of an evening, from 0. */
export function roundIn(text: string | undefined): number {
  const round = Number(text || Number.NaN);
  if (!Number.isInteger(round) || round < 0 || round > MOST_ROUNDS)
    throw new BadInput("This names no round of the evening. Load the page again.");
  return round;
}

/** At most so many things are changed at once. */
const MOST_AT_ONCE = 500;

/** Several ids of a field, with commas. */
export function idsIn(text: string | undefined): string[] {
  const ids = (text ?? "").split(",").map(idIn);
  if (ids.length > MOST_AT_ONCE) throw new BadInput(`At most ${MOST_AT_ONCE} are changed at once. Choose fewer.`);
  return ids;
}

const MAX_TAG = 30;
const tagSchema = string()
  .trim()
  .lowercase()
  .min(1, "Write the tag first.")
  .max(MAX_TAG, `A tag has at most ${MAX_TAG} letters.`)
  .matches(/^[^,]*$/, "A tag has no comma. Put on one after the other.")
  .required("Write the tag first.");

/** A tag as it is kept: small letters, single blanks. */
export const tagIn = (text: string | undefined): string => tagSchema.validateSync(text?.replace(/\s+/g, " "));

const presenceSchema = object({
  student: uuid,
  from: number().integer().min(0).max(60).default(0),
  until: number().integer().min(1).max(60).nullable().default(null),
});

/** For which rounds somebody is here. */
export function presenceFromForm(fields: Fields): {
  readonly student_id: string;
  readonly from_round: number;
  readonly until_round: number | null;
} {
  const read = presenceSchema.validateSync({ ...fields, until: fields.until || null });
  if (read.until !== null && read.until <= read.from) throw new BadInput("Nobody leaves before they came.");
  return { student_id: read.student, from_round: read.from, until_round: read.until };
}

const words = (what: string, most: number) =>
  string().trim().max(most, `${what} has at most ${most} letters.`).default("");
const incidentSchema = object({
  id: uuid,
  version: number().integer().min(1).required(),
  what: words("What happened", 1000),
  done: words("What was done", 1000),
  told: words("Who was told", 200),
  parents: boolean().default(false),
  stays_with: words("Who stays with them", 120),
  home_with: words("Who they go home with", 120),
});

const clearingSchema = object({
  id: uuid,
  version: number().integer().min(1).required(),
  by: words("Your name", 120),
  doctor: words("The doctor's name", 120),
  guardian: words("The guardian's name", 120),
  said_on: string()
    .matches(/^\d{4}-\d\d-\d\d$/, "Write the day on which it was said.")
    .required("Write the day on which it was said."),
});

/** Who says that somebody may have contact again. */
export const clearingFromForm = (fields: Fields) => clearingSchema.validateSync(fields, { stripUnknown: true });

/** What is written on the note of somebody who was hurt. */
export const incidentFromForm = (fields: Fields) =>
  incidentSchema.validateSync({ ...fields, parents: fields.parents === "yes" }, { stripUnknown: true });

const name = (what: string) => words(what, 80);
const adultsSchema = object({
  version: number().integer().min(0).required(),
  first: name("Who runs it").min(1, "Write who runs the class."),
  second: name("The second adult"),
  first_aider: name("Who gives first aid"),
  collects: words("Who may collect", 200),
});

/** The adults of a class. */
export const adultsFromForm = (fields: Fields) => adultsSchema.validateSync(fields, { stripUnknown: true });

const helpSchema = object({
  first_aid: words("Where the first-aid box is", 200),
  address: words("The address", 300),
});
/** Where help is found. */
export const helpFromForm = (fields: Fields) => helpSchema.validateSync(fields, { stripUnknown: true });

const presentSchema = array(
  object({
    student_id: uuid,
    from_round: number().integer().min(0).max(60).required(),
    until_round: number().integer().min(1).max(60).nullable().defined(),
    tonight_not: array(string().oneOf(TONIGHT_IDS).required()).required(),
  }).required(),
)
  .max(5000)
  .required();

/** People as they were ticked. */
export const presentFromForm = (text: string | undefined): PresentTonight[] =>
  presentSchema.validateSync(jsonIn(text, "The list of people"));

/** The part of a drill by the name of its section; null: all of it. */
export const partFromForm = ({ part }: Fields): string | null =>
  string().max(120, "the name of a part has at most 120 letters").validateSync(part) || null;

const tonightSchema = array(string().oneOf(TONIGHT_IDS).required()).max(TONIGHT_IDS.length).required();

/** What somebody leaves out tonight, with commas; nothing where nothing is. */
export const tonightFrom = (text: string | undefined): readonly string[] =>
  tonightSchema.validateSync(text ? text.split(",") : []);
