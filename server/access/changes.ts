/** Changes as they are noted: the place and the kind, never what was typed. */
import type { Change } from "#db/changes.ts";
import { placeOf } from "../web/requests.ts";
import type { Fields } from "../web/forms.ts";

const UUID = /[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}/;
const OK = 200;
/** Fields that name whom or what a change is about, the nearest first. */
const SUBJECTS = ["student", "id", "account", "drill"] as const;

/** The change that a form asks for at a path. */
export function changeOf(path: string, fields: Fields): Change {
  const named = SUBJECTS.map((name) => UUID.exec(fields[name] ?? "")?.[0]).find((id) => id !== undefined);
  return {
    place: placeOf(path, OK),
    what: /^[a-z-]{1,30}$/.test(fields.intent ?? "") ? fields.intent! : "save",
    subject: named ?? UUID.exec(path)?.[0] ?? null,
  };
}
