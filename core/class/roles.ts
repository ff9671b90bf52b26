/** How many work on a rung, and whether somebody holds pads in it. */
import { Bounded } from "../base/bounded.ts";
import { readHeader, type Header } from "../score/header.ts";
import { parse } from "../score/parse.ts";
import { PADS } from "../score/person.ts";

/** What the plan has to know of a rung before it is checked. */
export interface RungRoles {
  /** Two, or three with a C of their own. */
  readonly people: 2 | 3;
  /** Somebody holds pads: taking them off and on costs more than a change of roles is worth. */
  readonly pads: boolean;
}

/** A class works on few texts. */
const known = new Bounded<string, RungRoles>(200);

/** The roles of a text; the same text is read once. */
export const rolesIn = (text: string): RungRoles => known.of(text, () => rolesOf(readHeader(parse(text)).header));

const rolesOf = ({ actors, people }: Header): RungRoles => ({
  people: actors.length > 2 ? 3 : 2,
  pads: actors.some((actor) => people[actor].wears.some((gear) => PADS.has(gear))),
});
