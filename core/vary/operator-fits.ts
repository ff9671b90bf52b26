/** Which operators exist for a drill, by its kind and its rules. */
import data from "./operator-fits.json" with { type: "json" };
import type { Checked } from "../drill/types.ts";
import type { Kind, Rule } from "../score/header.ts";
import type { OperatorId } from "./operator-names.ts";

interface Fit {
  readonly kinds: readonly Kind[];
  /** Rules of the answerer under which it is none. */
  readonly notUnder?: readonly Rule[];
}
const FITS = data.operators as Readonly<Record<OperatorId, Fit>>;

/** True where an operator belongs to this kind of drill and breaks none of its rules. */
export function fitsDrill(id: OperatorId, { header }: Checked): boolean {
  const { kinds, notUnder = [] } = FITS[id];
  return kinds.includes(header.kind) && !notUnder.some((rule) => header.actors.some((a) => header.rules[a].has(rule)));
}
