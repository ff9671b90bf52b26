/** How many work on a rung, and whether somebody holds pads in it. */
import { Bounded } from "../base/bounded.ts";
import { readHeader, type Header } from "../score/header.ts";
import { parse } from "../score/parse.ts";
import { PADS } from "../score/person.ts";
import type { Score, ScoreItem } from "../score/types.ts";

/** What the plan has to know of a rung before it is checked. */
export interface RungRoles {
  /** Two, or three with a C of their own. */
  readonly people: 2 | 3;
  /** Somebody holds pads: taking them off and on costs more than a change of roles is worth. */
  readonly pads: boolean;
  /** One feeds and the other answers until roles change: each can be on a rung of their own as answerer. */
  readonly fed: boolean;
}

/** A class works on few texts. */
const known = new Bounded<string, RungRoles>(200);

/** The roles of a text; the same text is read once. */
export const rolesIn = (text: string): RungRoles =>
  known.of(text, () => {
    const score = parse(text);
    return rolesOf(readHeader(score).header, score);
  });

const swaps = (item: ScoreItem): boolean =>
  item.kind === "block" && ((item.head.type === "loop" && item.head.swap) || item.items.some(swaps));

const rolesOf = ({ actors, people, kind }: Header, score: Score): RungRoles => ({
  people: actors.length > 2 ? 3 : 2,
  pads: actors.some((actor) => people[actor].wears.some((gear) => PADS.has(gear))),
  fed: kind === "feeder" && !score.items.some(swaps),
});
