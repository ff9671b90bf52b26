/** What forms send, checked with the same schemas on both sides. */
import { array, boolean, number, object, string } from "yup";

const uuid = string()
  .matches(/^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i, "not an id")
  .required();
const MAX_TEXT = 400_000;

export const saveSchema = object({
  auto: boolean().default(false),
  revisionId: uuid,
  version: number().integer().min(1).required(),
  text: string().max(MAX_TEXT, "The text is too long to save; split it into several drills.").defined(),
});
export const createSchema = object({
  id: uuid,
  revisionId: uuid,
  text: string().max(MAX_TEXT).defined(),
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
      text: string().max(MAX_TEXT).required(),
      operator: string().max(40).required(),
      changed: string().max(500).required(),
    }),
  )
    .min(2, "A ladder has at least two rungs.")
    .max(16)
    .required(),
});
export const pairsSchema = object({
  blockId: uuid,
  drillId: uuid,
  pairs: array(
    object({
      id: uuid,
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

/** The fields of a form as plain values. */
export const fieldsOf = (form: FormData): Record<string, string> => {
  const fields: Record<string, string> = {};
  form.forEach((value, key) => {
    if (typeof value === "string") fields[key] = value;
  });
  return fields;
};
