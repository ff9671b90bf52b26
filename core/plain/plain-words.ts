/** The words around names as data: see `plain-words.json`. */
import data from "./plain-words.json" with { type: "json" };

const set = (words: readonly string[]): ReadonlySet<string> => new Set(words);
const map = <T>(record: Readonly<Record<string, T>>): ReadonlyMap<string, T> => new Map(Object.entries(record));

interface DoubtWords {
  readonly word: string;
  readonly question: string;
  readonly choices: readonly string[];
  /** A side that is said settles it. */
  readonly bySide?: boolean;
  /** The blow before it settles it: the first choice then. */
  readonly follows?: string;
  /** It is asked against such a feed alone. */
  readonly against?: string;
}

/** What coaches say around the names of moves. */
export const PLAIN = {
  turn: set(data.turn),
  against: set(data.against),
  then: set(data.then),
  together: set(data.together),
  or: set(data.or),
  meets: set(data.meets),
  articles: set(data.articles),
  fillers: set(data.fillers),
  actors: set(data.actors),
  directions: map(data.directions),
  heights: map(data.heights),
  targets: map(data.targets),
  oneSided: map(data.oneSided),
  phrases: data.phrases,
  asked: data.asked,
  atFirst: map(data.atFirst),
  /** Sayings that are an answer by themselves, and only a blow behind one. */
  afterAnswer: map(data.afterAnswer),
  /** Names that a place settles, with the word that is kept then. */
  aimed: map(data.aimed),
  /** Words that mean two things, unless the row settles which. */
  doubts: data.doubts.map(({ follows, against, ...one }: DoubtWords) => ({
    ...one,
    follows: follows === undefined ? null : new RegExp(follows),
    against: against === undefined ? null : new RegExp(against),
  })),
  /** Notes of the one who hits pads leave out what the holder does. */
  hitter: data.hitter,
  evasions: set(data.evasions),
  feints: set(data.feints),
  /** Movements that bring a blow, as steps do. */
  asFeet: set(data.asFeet),
  /** Names that say how only by the words after `with`. */
  general: set(data.general),
  gear: set(data.gear),
  /** Energies that take the part they are on: `pull on the wrist`. */
  pulls: set(data.pulls),
  /** Notes of a row, such as `x10`: they are no part of it. */
  notes: data.notes.map((one) => new RegExp(one, "giu")),
  sameTime: data.sameTime.map((one) => new RegExp(one, "giu")),
  /** Words that are no part of a name and are misspelt as well. */
  spelt: [...Object.keys(data.directions), "lead", "rear", "partner", "feeder", "outside", "inside"],
} as const;
