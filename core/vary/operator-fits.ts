/** Which operators exist for a drill, by its kind and its rules. */
import type { Checked } from "../drill/types.ts";
import type { Header } from "../score/header.ts";
import { PADS } from "../score/person.ts";
import { operatorRow, type OperatorId, type Trait } from "./operator-names.ts";

const isArmed = ({ actors, people }: Header): boolean => actors.some((actor) => people[actor].holds !== null);

/** How it is told what a drill is beside its kind. */
const IS: Readonly<Record<Trait, (header: Header) => boolean>> = {
  pads: ({ actors, people }) => actors.some((actor) => people[actor].wears.some((gear) => PADS.has(gear))),
  "opposite leads": ({ people }) => people.A.lead !== people.B.lead,
  threes: ({ actors }) => actors.length > 2,
  tradition: ({ tradition }) => tradition !== null && tradition !== "english",
  armed: isArmed,
  "self-protection": ({ context }) => context === "self-protection",
  "self-protection, bare hands": (header) => header.context === "self-protection" && !isArmed(header),
};

/** True where an operator belongs to this kind of drill and breaks none of its rules. */
export function fitsDrill(id: OperatorId, { header }: Checked): boolean {
  const { kinds, notUnder = [], notIn = [] } = operatorRow(id);
  const breaksRule = notUnder.some((rule) => header.actors.some((a) => header.rules[a].has(rule)));
  return kinds.includes(header.kind) && !breaksRule && !notIn.some((trait) => IS[trait](header));
}
