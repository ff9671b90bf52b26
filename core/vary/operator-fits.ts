/** Which operators exist for a drill, by its kind and its rules. */
import data from "./operator-fits.json" with { type: "json" };
import type { Checked } from "../drill/types.ts";
import type { Header, Kind, Rule } from "../score/header.ts";
import { PADS } from "../score/person.ts";
import type { OperatorId } from "./operator-names.ts";

interface Fit {
  readonly kinds: readonly Kind[];
  /** Rules of the answerer under which it is none. */
  readonly notUnder?: readonly Rule[];
  /** What kinds of training it has no place in. */
  readonly notIn?: readonly Trait[];
}
/** What a drill is beside its kind. */
const TRAITS = {
  pads: ({ actors, people }) => actors.some((actor) => people[actor].wears.some((gear) => PADS.has(gear))),
  "opposite leads": ({ people }) => people.A.lead !== people.B.lead,
  threes: ({ actors }) => actors.length > 2,
  tradition: ({ tradition }) => tradition !== null && tradition !== "english",
  armed: (header) => isArmed(header),
  "self-protection": ({ context }) => context === "self-protection",
  "self-protection, bare hands": (header) => header.context === "self-protection" && !isArmed(header),
} as const satisfies Record<string, (header: Header) => boolean>;
type Trait = keyof typeof TRAITS;
const isArmed = ({ actors, people }: Header): boolean => actors.some((actor) => people[actor].holds !== null);

const FITS = data.operators as Readonly<Record<OperatorId, Fit>>;

/** True where an operator belongs to this kind of drill and breaks none of its rules. */
export function fitsDrill(id: OperatorId, { header }: Checked): boolean {
  const { kinds, notUnder = [], notIn = [] } = FITS[id];
  const breaksRule = notUnder.some((rule) => header.actors.some((a) => header.rules[a].has(rule)));
  return kinds.includes(header.kind) && !breaksRule && !notIn.some((trait) => TRAITS[trait](header));
}
