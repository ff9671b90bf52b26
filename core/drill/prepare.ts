/**
 * What a score is judged under: its header, where the bodies stand, and a number for both under which
 * results of single lines are kept. A search asks for the same few headers over and over; their reading
 * is kept by text.
 */
import type { Metres } from "../base/units.ts";
import { distanceIn, distancesOf, place, startDistance, type Distances } from "./frame.ts";
import { Bounded, keptFor } from "../base/bounded.ts";
import { Numbers } from "../base/numbers.ts";
import type { World } from "../body/state.ts";
import type { Usage } from "../customs/customs.ts";
import { readerFor, type LineReader } from "../read/line-reader.ts";
import { readHeader, type Header, type HeaderFault, type LineHeader } from "../score/header.ts";
import type { Person } from "../score/person.ts";
import { beginsPlay } from "../score/structure.ts";
import type { Actor, Score, ScoreItem } from "../score/types.ts";

/** Measures of the people at hand; they come before what the header says. */
export type Bodies = Partial<Record<Actor, Partial<Person>>>;

/** Where a line starts from. */
export interface Frame {
  /** The bodies before the first feed. */
  readonly world: World;
  /** Distance of A and B, m. */
  readonly distance: Metres;
  /** Reads the words of its lines. */
  readonly reader: LineReader;
  /** The same for two scores whose lines are judged alike from here. */
  readonly key: number;
}

/** A score with its header read, its words ready and the frames of its lines. */
export interface Prepared {
  /** Without its title, which changes nothing: one object for all scores of the same header. */
  readonly header: Header;
  readonly faults: readonly HeaderFault[];
  readonly reader: LineReader;
  /** Distance of A and B at the start of the score, m. */
  readonly distance: Metres;
  /** The frame that lines share: a line its own, the lines of a block one for all. */
  readonly frameFor: (items: readonly ScoreItem[]) => Frame;
}

/** The header as it was written in a score. */
export const titledHeader = ({ header }: Prepared, score: Score): Header => ({ ...header, title: titleOf(score) });

const kept = new WeakMap<Usage, Bounded<string, Ground>>();
const MOST_HEADERS = 1000;

/** Header and frames of a score for a school and the bodies at hand. */
export function prepare(score: Score, usage: Usage, bodies: Bodies): Prepared {
  if (Object.keys(bodies).length > 0) return afresh(score, usage, bodies);
  const headers = keptFor(kept, usage, () => new Bounded<string, Ground>(MOST_HEADERS));
  const text = headerText(score);
  let ground = headers.get(text);
  if (!ground) {
    const { header, faults } = readHeader(score, usage.customs);
    // A fault knows its row, which is another one in each score.
    if (faults.length > 0) return afresh(score, usage, bodies);
    headers.set(text, (ground = new Ground({ ...header, title: null }, usage)));
  }
  return ground.prepared(score, []);
}

function afresh(score: Score, usage: Usage, bodies: Bodies): Prepared {
  const { header: written, faults } = readHeader(score, usage.customs);
  const people = { ...written.people };
  for (const actor of written.actors) people[actor] = { ...people[actor], ...bodies[actor] };
  return new Ground({ ...written, people, title: null }, usage).prepared(score, faults);
}

/** The frames of a header: one for each distance. */
class Ground {
  private readonly reader: LineReader;
  private readonly distances: Distances;
  private readonly frames = new Map<number, Frame>();
  private readonly key: number;

  constructor(
    private readonly header: Header,
    usage: Usage,
  ) {
    this.reader = readerFor(header, usage.vocabulary);
    this.distances = distancesOf(header, this.reader);
    this.key = keyOf(header, usage);
  }

  prepared(score: Score, faults: readonly HeaderFault[]): Prepared {
    const { header, reader, distances } = this;
    return {
      header,
      faults,
      reader,
      distance: startDistance(score, distances),
      frameFor: (items) => this.at(distanceIn(items, distances)),
    };
  }

  private at(distance: Metres): Frame {
    let frame = this.frames.get(distance);
    if (!frame) {
      const { header, reader } = this;
      const key = numbers.of(`${this.key} ${distance}`);
      this.frames.set(distance, (frame = { world: place(header, distance), distance, reader, key }));
    }
    return frame;
  }
}

/** The header rows but for the title, and whether a third person acts. */
function headerText(score: Score): string {
  let text = "";
  for (const { content } of score.rows) {
    const { body } = content;
    if (body.kind === "header" && !isTitle(body.key.text)) text += `${body.key.text}:${body.value?.text ?? ""}\n`;
    if ((body.kind === "play" || body.kind === "game-key") && body.third) return `${text}C`;
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

/** All of the header that a line may read: a field that is missing here does not compile. */
const LINE_KEY: { readonly [K in keyof LineHeader]: (value: LineHeader[K]) => unknown } = {
  kind: (kind) => kind,
  range: (range) => range,
  numbering: (set) => set,
  tradition: (tradition) => tradition,
  actors: (actors) => actors,
  people: (people) => people,
  rules: (rules) => [[...rules.A], [...rules.B], [...rules.C]],
};

const KEY_PARTS = Object.entries(LINE_KEY) as [keyof LineHeader, (value: unknown) => unknown][];

/** Everything outside a line and its distance on which its result rests, but for the vocabulary, by which lines are kept. */
function keyOf(header: LineHeader, { customs }: Usage): number {
  const parts = KEY_PARTS.map(([field, part]) => part(header[field]));
  return numbers.of(JSON.stringify([parts, customs]));
}
