/**
 * What a score is judged under: its header, where the bodies stand, and a number for both under which
 * results of single lines are kept. A search asks for the same few headers over and over; their reading
 * is kept by text.
 */
import { attackIn, distanceOf, place, type FirstAttack } from "./frame.ts";
import type { World } from "../body/state.ts";
import type { School } from "../school/school.ts";
import { readHeader, type Header, type HeaderFault } from "../score/header.ts";
import type { Person } from "../score/person.ts";
import { linesOf } from "../score/structure.ts";
import type { Actor, Line, Score } from "../score/types.ts";

/** Measures of the people at hand; they come before what the header says. */
export type Bodies = Partial<Record<Actor, Partial<Person>>>;

export interface Prepared {
  /** Without its title, which changes nothing: one object for all scores of the same header. */
  readonly header: Header;
  readonly title: string | null;
  readonly faults: readonly HeaderFault[];
  /** The bodies before the first feed; never changed in place. */
  readonly frame: World;
  /** Distance of A and B, m. */
  readonly distance: number;
  /** The same for two scores whose lines are judged alike. */
  readonly key: number;
}

/** The header as it was written. */
export const titledHeader = ({ header, title }: Prepared): Header => ({ ...header, title });

interface Kept {
  readonly header: Header;
  readonly attacks: WeakMap<Line, { readonly found: FirstAttack | null }>;
  /** By distance. */
  readonly frames: Map<number, { readonly frame: World; readonly key: number }>;
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
    headers.set(text, (known = { header: { ...header, title: null }, attacks: new WeakMap(), frames: new Map() }));
  }
  const { header, attacks, frames } = known;
  const distance = distanceOf(score, header, school.vocabulary, (line, trial) => {
    let attack = attacks.get(line);
    if (!attack) attacks.set(line, (attack = { found: attackIn(line, header, trial, school.vocabulary) }));
    return attack.found;
  });
  let at = frames.get(distance);
  if (!at) frames.set(distance, (at = { frame: place(header, distance), key: keyOf(header, distance, school) }));
  return { ...at, header, title: titleOf(score), faults: [], distance };
}

function afresh(score: Score, school: School, bodies: Bodies): Prepared {
  const { header: written, faults } = readHeader(score, defaultsOf(school));
  const people = { ...written.people };
  for (const actor of written.actors) people[actor] = { ...people[actor], ...bodies[actor] };
  const header = { ...written, people };
  const { vocabulary } = school;
  const distance = distanceOf(score, header, vocabulary, (line, trial) => attackIn(line, header, trial, vocabulary));
  return {
    header,
    title: header.title,
    faults,
    frame: place(header, distance),
    distance,
    key: keyOf(header, distance, school),
  };
}

/** The header rows but for the title, and whether a third person acts. */
function headerText(score: Score): string {
  let text = "";
  for (const { content } of score.rows) {
    const { body } = content;
    if (body.kind === "header" && !isTitle(body.key.text)) text += `${body.key.text}:${body.value?.text ?? ""}\n`;
  }
  for (const { line } of linesOf(score.items)) if (line.turns.some((turn) => turn.actor === "C")) return `${text}C`;
  return text;
}

const isTitle = (key: string): boolean => key.length === 5 && key.toLowerCase() === "title";

/** The last title counts, as in the header itself. */
function titleOf(score: Score): string | null {
  let title: string | null = null;
  for (const { content } of score.rows) {
    const { body } = content;
    if (body.kind === "header" && isTitle(body.key.text)) title = body.value?.text.trim() || null;
  }
  return title;
}

/** Numbers of all frames and settings met so far. */
const numbers = new Map<string, number>();
const MOST_NUMBERS = 10_000;
let last = 0;

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
  let number = numbers.get(text);
  if (number === undefined) {
    if (numbers.size >= MOST_NUMBERS) numbers.clear();
    numbers.set(text, (number = ++last));
  }
  return number;
}
