/** The header rows of a score, read into a frame for the drill. */
import { metres, share, type Metres, type Share } from "../base/units.ts";
import { Bounded } from "../base/bounded.ts";
import { ACTORS, type Actor, type Row, type Score, type Word } from "./types.ts";
import { guardNamed, stanceNamed } from "./postures.ts";
import { parsePerson, type Person } from "./person.ts";

/** The kinds of drills. */
export const KINDS = ["feeder", "flow", "sensitivity", "solo"] as const;
/** A kind of drill. */
export type Kind = (typeof KINDS)[number];
/** The levels of contact. */
export const CONTACTS = ["none", "light", "medium", "full"] as const;
type ContactLevel = (typeof CONTACTS)[number];
/** The contexts of drills. */
export const CONTEXTS = ["sport", "duel", "self-protection"] as const;
/** The distances by name, from far to near. */
export const RANGES = ["out", "kick", "weapon", "punch", "trap", "clinch"] as const;
/** A distance by name. */
export type RangeName = (typeof RANGES)[number];
/** The rules that a drill may set for a person. */
export const RULES = [
  "no hands",
  "no steps",
  "no resisting",
  "no strikes",
  "touch first",
  "contact kept",
  "lead hand only",
  "rear hand only",
  "eyes closed",
] as const;
/** A rule that a drill may set. */
export type Rule = (typeof RULES)[number];

/** Distance between the two centres: a range word, metres, or null for the default. */
export type Range = { readonly name: RangeName } | { readonly metres: Metres } | null;

/** What the header rows say; defaults filled in. */
export interface Header {
  readonly title: string | null;
  readonly kind: Kind;
  readonly level: string | null;
  readonly range: Range;
  /** Share of full speed, 0.05 to 1.5. */
  readonly tempo: Share;
  readonly contact: ContactLevel;
  readonly context: (typeof CONTEXTS)[number] | null;
  readonly numbering: string;
  readonly tradition: string | null;
  readonly focus: string | null;
  readonly gear: string | null;
  /** null: nothing is said of the floor. */
  readonly mats: boolean | null;
  readonly formation: {
    readonly name:
      "pair" | "triangle" | "feet interlocked"; /** The distance of each pair in it, m; null where none is written. */
    readonly sideMetres: Metres | null;
  };
  /** Who attacks in turn; null: whoever is called, or whoever likes. */
  readonly order: readonly Actor[] | null;
  /** Words to count with, as a school says them; null: plain numbers. */
  readonly count: string | null;
  /** Who stands in the drill: two people, or three when anything in the header says C. */
  readonly actors: readonly Actor[];
  readonly people: Readonly<Record<Actor, Person>>;
  readonly rules: Readonly<Record<Actor, ReadonlySet<Rule>>>;
  /** Keys that are kept but mean nothing here. */
  readonly unknown: readonly string[];
}

/** What the verdict of a single line may rest on. Tempo, title and the rest decide only afterwards, if at all. */
export type LineHeader = Pick<Header, "kind" | "range" | "numbering" | "tradition" | "actors" | "people" | "rules">;

/** A header row that could not be understood; the default stands in its place. */
export interface HeaderFault {
  readonly row: Row;
  readonly span: Word;
  readonly code: string;
  readonly known: readonly string[];
}

/** Persons by the text of their row: a search reads the same few again and again. */
const persons = new Bounded<string, ReturnType<typeof parsePerson>>(500);
const personOf = (text: string) => persons.of(text, () => parsePerson(text));

type Draft = { -readonly [K in keyof Header]: Header[K] };

/** What a school takes for granted where a score says nothing. */
type HeaderDefaults = Partial<Pick<Header, "numbering" | "context">>;

/** Reads the header rows of a score. */
export function readHeader(score: Score, defaults: HeaderDefaults = {}): { header: Header; faults: HeaderFault[] } {
  const faults: HeaderFault[] = [];
  const unknown: string[] = [];
  const header: Draft = {
    title: null,
    kind: "feeder",
    level: null,
    range: null,
    tempo: share(0.5),
    contact: "light",
    context: null,
    numbering: "twelve angles",
    tradition: null,
    focus: null,
    gear: null,
    mats: null,
    formation: { name: "pair", sideMetres: null },
    order: null,
    count: null,
    actors: ["A", "B"],
    people: { A: personOf("").person, B: personOf("").person, C: personOf("").person },
    rules: { A: new Set(), B: new Set(), C: new Set() },
    unknown,
    ...defaults,
  };
  for (const row of score.rows) {
    const { body } = row.content;
    if (body.kind !== "header") continue;
    const value = body.value ?? { ...body.key, text: "" };
    const say = (code: string, known: readonly string[] = []) => faults.push({ row, span: value, code, known });
    readRow(header, body.key.text.toLowerCase().replace(/\s+/g, " "), value, say, unknown);
  }
  // A person who acts in any row stands in the drill, in one that is shown wrong as well.
  const acts = ({ content: { body } }: Row) => (body.kind === "play" || body.kind === "game-key") && body.third;
  if (score.rows.some(acts)) header.actors = ACTORS;
  return { header, faults };
}

/** Says what is wrong with a value, and what is known. */
type Say = (code: string, known?: readonly string[]) => void;

/** Reads the row of a person or of their rules; says whether it was one. */
function readActorRow(header: Draft, key: string, text: string, say: Say): boolean {
  const actor = ACTORS.find((a) => a.toLowerCase() === key);
  if (actor) {
    const { person, faults } = personOf(text);
    header.people = { ...header.people, [actor]: person };
    if (actor === "C") header.actors = ACTORS;
    for (const fault of faults) say(fault.code, [fault.text]);
    return true;
  }
  const ruled = /^rules\s+([abc])$/.exec(key);
  if (ruled) {
    const of = ruled[1]!.toUpperCase() as Actor;
    header.rules = { ...header.rules, [of]: readRules(text.toLowerCase(), say) };
    return true;
  }
  return false;
}

function readRow(header: Draft, key: string, value: Word, say: Say, unknown: string[]): void {
  const text = value.text.trim();
  const lower = text.toLowerCase();
  const oneOf = <T extends string>(words: readonly T[]): T | null => {
    const found = words.find((word) => word === lower) ?? null;
    if (found === null) say("header-value", words);
    return found;
  };
  if (readActorRow(header, key, text, say)) return;
  switch (key) {
    case "title":
    case "level":
    case "focus":
    case "gear":
    case "count":
      header[key] = text || null;
      return;
    case "tradition":
    case "numbering":
      header[key] = lower || header[key]!;
      return;
    case "beat":
    case "cadence":
      return;
    case "kind":
      header.kind = oneOf(KINDS) ?? header.kind;
      return;
    case "contact":
      header.contact = oneOf(CONTACTS) ?? header.contact;
      return;
    case "context":
      header.context = oneOf(CONTEXTS);
      return;
    case "stance":
    case "guard":
      header.people = allWith(header.people, key, lower, say);
      return;
    case "mats":
      header.mats = oneOf(["yes", "no"]) === "yes";
      return;
    case "range":
      header.range = readRange(lower, say);
      return;
    case "tempo":
      header.tempo = readTempo(lower, say) ?? header.tempo;
      return;
    case "formation":
      header.formation = readFormation(lower, say) ?? header.formation;
      if (header.formation.name === "triangle") header.actors = ACTORS;
      return;
    case "order":
      header.order = readOrder(lower, say);
      if (header.order?.includes("C")) header.actors = ACTORS;
      return;
    default:
      unknown.push(key);
      say("header-key");
  }
}

const decimal = (text: string): number => Number(text.replace(",", "."));

/** Shares of full speed that a drill may be written at. */
const TEMPO_BOUNDS = [0.05, 1.5] as const;

function readTempo(text: string, say: Say): Share | null {
  const percent = /^(\d+(?:[.,]\d+)?)\s*%?$/.exec(text);
  const tempo = percent ? decimal(percent[1]!) / 100 : Number.NaN;
  if (tempo >= TEMPO_BOUNDS[0] && tempo <= TEMPO_BOUNDS[1]) return share(tempo);
  say("tempo");
  return null;
}

function readFormation(text: string, say: Say): Header["formation"] | null {
  if (text === "feet interlocked") return { name: text, sideMetres: null };
  const found = /^(pair|triangle)(?:\s+(\d+(?:[.,]\d+)?)\s*m)?$/.exec(text);
  if (found)
    return {
      name: found[1] === "triangle" ? "triangle" : "pair",
      sideMetres: found[2] === undefined ? null : metres(decimal(found[2])),
    };
  say("header-value", ["pair", "triangle 2 m", "feet interlocked"]);
  return null;
}

/** One person stands or holds their hands like that (`guard: C stick high`), or everybody who says nothing else. */
function allWith(people: Header["people"], key: "stance" | "guard", words: string, say: Say): Header["people"] {
  const one = ACTORS.find((actor) => words.startsWith(`${actor.toLowerCase()} `));
  const name = one ? words.slice(2).trim() : words;
  const known = key === "stance" ? stanceNamed(name) : guardNamed(name);
  if (!known) {
    say(key, [name]);
    return people;
  }
  if (one) return { ...people, [one]: { ...people[one], [key]: known.names[0]!, given: [...people[one].given, key] } };
  const of = (person: Person): Person => (person.given.includes(key) ? person : { ...person, [key]: known.names[0]! });
  return { A: of(people.A), B: of(people.B), C: of(people.C) };
}

function readOrder(text: string, say: Say): readonly Actor[] | null {
  const named = text.split(/[\s,]+/).filter(Boolean);
  const actors = ACTORS.filter((actor) => named.includes(actor.toLowerCase()));
  if (named.length > 1 && actors.length === named.length)
    return named.map((name) => ACTORS.find((actor) => actor.toLowerCase() === name)!);
  say("header-value", ["A B", "A B C", "A C B"]);
  return null;
}

function readRules(text: string, say: Say): ReadonlySet<Rule> {
  const rules = new Set<Rule>();
  for (const word of text.split(",").map((w) => w.trim().replace(/\s+/g, " "))) {
    if (word === "") continue;
    const rule = RULES.find((r) => r === word);
    if (rule) rules.add(rule);
    // Rules of conduct in the school's own words are printed and not judged.
    else say("own-rule", [word]);
  }
  return rules;
}

/** Nearest and farthest two people in a drill can sensibly stand, in metres. */
const NEAREST = 0.2;
const FARTHEST = 6;

/** Reads a distance: a word, or metres; null where it is none, which is said. */
export function readRange(text: string, say: Say): Range {
  const name = RANGES.find((r) => r === text);
  if (name) return { name };
  const length = /^(\d+(?:[.,]\d+)?)\s*(m|cm)?$/.exec(text);
  if (length) {
    const value = Number(length[1]!.replace(",", ".")) / (length[2] === "cm" ? 100 : 1);
    if (value >= NEAREST && value <= FARTHEST) return { metres: metres(value) };
  }
  say("range", RANGES);
  return null;
}
