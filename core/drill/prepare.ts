/**
 * What a score is judged under: its header, where the bodies stand, and a number for both under which
 * results of single lines are kept. A search asks for the same few headers over and over; their reading
 * is kept by text.
 */
import { distanceIn, distancesOf, place, type Distances } from "./frame.ts";
import { Numbers } from "./numbers.ts";
import type { World } from "../body/state.ts";
import type { School } from "../policy/school.ts";
import { readHeader, type Header, type HeaderFault } from "../score/header.ts";
import type { Person } from "../score/person.ts";
import { beginsPlay } from "../score/structure.ts";
import type { Actor, Score } from "../score/types.ts";

/** Measures of the people at hand; they come before what the header says. */
export type Bodies = Partial<Record<Actor, Partial<Person>>>;

export interface Prepared {
  /** Without its title, which changes nothing: one object for all scores of the same header. */
  readonly header: Header;
  readonly faults: readonly HeaderFault[];
  /** The bodies before the first feed; never changed in place. */
  readonly frame: World;
  /** Distance of A and B, m. */
  readonly distance: number;
  /** The same for two scores whose lines are judged alike. */
  readonly key: number;
}

/** The header as it was written in a score. */
export const titledHeader = ({ header }: Prepared, score: Score): Header => ({ ...header, title: titleOf(score) });

interface Kept {
  readonly header: Header;
  readonly distances: Distances;
  /** By distance. */
  readonly frames: Map<number, Prepared>;
}
const kept = new WeakMap<School, Map<string, Kept>>();
const MOST_HEADERS = 1000;

const defaultsOf = ({ customs }: School) => ({ numbering: customs.numbering, context: customs.context });

/** Header and frame of a score for a school and the bodies at hand. */
export function prepare(score: Score, school: School, bodies: Bodies): Prepared {
  if (Object.keys(bodies).length > 0) return afresh(score, school, bodies);
  const headers = kept.get(school) ?? new Map<string, Kept>();
  kept.set(school, headers);
  const text = headerText(score);
  let known = headers.get(text);
  if (!known) {
    const { header, faults } = readHeader(score, defaultsOf(school));
    // A fault knows its row, which is another one in each score.
    if (faults.length > 0) return afresh(score, school, bodies);
    if (headers.size >= MOST_HEADERS) headers.clear();
    const untitled = { ...header, title: null };
    known = { header: untitled, distances: distancesOf(untitled, school.vocabulary), frames: new Map() };
    headers.set(text, known);
  }
  const { header, distances, frames } = known;
  const distance = distanceIn(score, distances);
  let at = frames.get(distance);
  if (!at) frames.set(distance, (at = framed(header, [], distance, school)));
  return at;
}

const framed = (header: Header, faults: readonly HeaderFault[], distance: number, school: School): Prepared => ({
  header,
  faults,
  frame: place(header, distance),
  distance,
  key: keyOf(header, distance, school),
});

function afresh(score: Score, school: School, bodies: Bodies): Prepared {
  const { header: written, faults } = readHeader(score, defaultsOf(school));
  const people = { ...written.people };
  for (const actor of written.actors) people[actor] = { ...people[actor], ...bodies[actor] };
  const header = { ...written, people };
  const distance = distanceIn(score, distancesOf(header, school.vocabulary));
  return framed({ ...header, title: null }, faults, distance, school);
}

/** The header rows but for the title, and whether a third person acts. */
function headerText(score: Score): string {
  let text = "";
  for (const { content } of score.rows) {
    const { body } = content;
    if (body.kind === "header" && !isTitle(body.key.text)) text += `${body.key.text}:${body.value?.text ?? ""}\n`;
    if (body.kind === "play" && body.third) return `${text}C`;
  }
  return text;
}

const isTitle = (key: string): boolean => key.length === 5 && key.toLowerCase() === "title";

/** The last title counts, as in the header itself. */
function titleOf(score: Score): string | null {
  let title: string | null = null;
  for (const { content } of score.rows) {
    const { body } = content;
    if (body.kind === "header" && isTitle(body.key.text)) title = body.value?.text.trim() || null;
    else if (beginsPlay(body)) break;
  }
  return title;
}

/** Numbers of all frames and settings met so far. */
const numbers = new Numbers();

/** Everything outside a line on which its result rests; the tempo decides only afterwards. */
function keyOf(header: Header, distance: number, school: School): number {
  const text = JSON.stringify([
    header.people,
    header.actors,
    header.actors.map((actor) => [...header.rules[actor]]),
    header.kind,
    header.contact,
    header.tradition,
    header.numbering,
    header.range,
    distance,
    school.key,
  ]);
  return numbers.of(text);
}
