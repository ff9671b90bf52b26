/** People and wishes as forms send them. */
import { array, number, object, string } from "yup";
import { jsonIn, type Fields } from "../web/forms.ts";
import Papa from "papaparse";
import { FORMULA } from "#core/people/cells.ts";
import { peopleCells } from "#core/people/member-columns.ts";
import { COLUMNS, MOST_ROWS } from "#core/people/table.ts";
import { memberSchema, type Member } from "#core/people/person.ts";
import type { Wish } from "#core/pairs/score.ts";

const list = array(memberSchema.shape({ id: string().uuid().required() }).required())
  .min(1, "There is nobody in it.")
  .max(MOST_ROWS)
  .required();

/** People as an import or the form of a new person sends them. */
export const peopleFromForm = (json: string | undefined): readonly Member[] =>
  list.validateSync(jsonIn(json, "The people"));

/** One person as the form of a person sends it. */
export const personFromForm = (json: string | undefined): Promise<Omit<Member, "id">> =>
  memberSchema.validate(jsonIn(json, "The person"));

/** A number of one kind of gear, and what the page showed before; null where it showed none. */
interface GearChange {
  readonly kind: string;
  readonly count: number;
  readonly was: number | null;
}
const wholeNumber = "Write a whole number from 0 to 9999.";
const gear = object({
  gear: string()
    .trim()
    .min(1, "Say which gear it is.")
    .max(60, "The name of a kind of gear has at most 60 letters.")
    .required(),
  count: number().typeError(wholeNumber).integer(wholeNumber).min(0, wholeNumber).max(9999, wholeNumber).required(),
  was: number().integer().nullable().defined(),
});
export function gearFromForm(fields: Fields): GearChange {
  const { gear: kind, count, was } = gear.validateSync({ ...fields, was: fields.was || null });
  return { kind, count, was };
}

/** The people as a table of commas, with units in the heads. */
export const peopleTable = (people: readonly Member[]): string =>
  // A cell that begins like a formula is written as text, so that no spreadsheet works it out.
  `${Papa.unparse(peopleCells(people), { columns: [...COLUMNS], newline: "\r\n", escapeFormulae: FORMULA })}\r\n`;

const wish = object({
  a: string().uuid().required(),
  b: string().uuid().required(),
  kind: string()
    .oneOf(["apart", "together", "agreed"] as const)
    .required(),
});

/** Two different people and what is wished of them; null where it is not that. */
export function wishFromForm(fields: Fields): Wish | null {
  const read = { a: fields.a, b: fields.b, kind: fields.kind };
  return wish.isValidSync(read) && read.a !== read.b ? wish.validateSync(read) : null;
}
