/** People and wishes as forms send them. */
import { array, object, string, ValidationError } from "yup";
import Papa from "papaparse";
import { COLUMNS, MOST_ROWS, peopleCells } from "#core/people/table.ts";
import { memberSchema, type Member } from "#core/people/person.ts";
import type { Wish } from "#core/pairs/score.ts";

const list = array(memberSchema.shape({ id: string().uuid().required() }).required())
  .min(1, "There is nobody in it.")
  .max(MOST_ROWS)
  .required();

export function peopleFromForm(
  json: string,
): { readonly ok: true; readonly people: readonly Member[] } | { readonly ok: false; readonly message: string } {
  try {
    return { ok: true, people: list.validateSync(JSON.parse(json)) };
  } catch (error) {
    if (error instanceof ValidationError) return { ok: false, message: error.errors[0]! };
    if (error instanceof SyntaxError) return { ok: false, message: "The people did not arrive whole. Try again." };
    throw error;
  }
}

/** One person as the form of a person sends it. */
export const personFromForm = (json: string): Promise<Omit<Member, "id">> => memberSchema.validate(JSON.parse(json));

/** The people as a table of commas, with units in the heads. */
export const peopleTable = (people: readonly Member[]): string =>
  `${Papa.unparse(peopleCells(people), { columns: [...COLUMNS], newline: "\r\n" })}\r\n`;

const wish = object({
  a: string().uuid().required(),
  b: string().uuid().required(),
  kind: string()
    .oneOf(["apart", "together", "agreed"] as const)
    .required(),
});

/** Two different people and what is wished of them; null where it is not that. */
export function wishFromForm(fields: Readonly<Record<string, string>>): Wish | null {
  const read = { a: fields.a, b: fields.b, kind: fields.kind };
  return wish.isValidSync(read) && read.a !== read.b ? wish.validateSync(read) : null;
}
