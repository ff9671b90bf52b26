/** Drills as files: plain scores (`.vics`) and JSON with a published schema. Nothing is thrown for any text. */
import { checkFor } from "../policy/judge.ts";
import { object, string, ValidationError } from "yup";
import type { Checked } from "../drill/types.ts";
import { parse } from "../score/parse.ts";
import type { School } from "../policy/school.ts";
import { resultJson } from "./result.ts";

/** Where the schema of the JSON file is published with the application. */
const DRILL_SCHEMA = "/drill.schema.json";

/** The JSON file of a drill: the text is what counts, the check is there for other tools to read. */
export function drillJson(text: string, checked: Checked): string {
  const { header } = checked;
  return `${JSON.stringify(
    {
      $schema: DRILL_SCHEMA,
      format: "vicissor drill",
      version: 1,
      title: header.title,
      kind: header.kind,
      text,
      check: resultJson(checked),
    },
    null,
    2,
  )}\n`;
}

const file = object({
  format: string().oneOf(["vicissor drill"]).required(),
  text: string().min(1).required(),
});

/** A drill file that was read, or why it could not be. */
export type ReadFile =
  | { readonly ok: true; readonly text: string; readonly checked: Checked }
  | { readonly ok: false; readonly message: string };

/** Reads what was chosen as a file: JSON where it looks like it, a score otherwise. */
export function readDrillFile(name: string, content: string, school: School): ReadFile {
  const plain = content.replace(/^\ufeff/, "");
  if (plain.trim() === "")
    return {
      ok: false,
      message: `${name} is empty. A score has at least one row of play, such as “A jab -> B slip out”.`,
    };
  if (plain.includes("\u0000"))
    return { ok: false, message: `${name} is not a text file. Choose a .vics or .json file.` };
  if (!plain.trimStart().startsWith("{")) return read(plain);
  let data: unknown;
  try {
    data = JSON.parse(plain);
  } catch (error) {
    return {
      ok: false,
      message: `${name} is not whole JSON: ${error instanceof Error ? error.message : "it cannot be read"}.`,
    };
  }
  try {
    return read(file.validateSync(data, { strict: true }).text);
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    return {
      ok: false,
      message: `${name} is JSON, but no drill: ${error.message}. The file needs “format”: “vicissor drill” and “text”.`,
    };
  }

  function read(text: string): ReadFile {
    return { ok: true, text: text.replace(/\r\n?/g, "\n"), checked: checkFor(parse(text), school) };
  }
}
