/** The names that a reader of plain words knows, by their words, and the nearest word to one that is misspelt. */
import { distance } from "fastest-levenshtein";
import { keptFor } from "../base/bounded.ts";
import { nameKey } from "../words/name-key.ts";
import { partNamed } from "../words/part-names.ts";
import { sayings } from "../words/shipped.ts";
import type { Move } from "../words/types.ts";
import type { Vocabulary } from "../words/vocabulary.ts";
import { PLAIN } from "./plain-words.ts";

/** What a name is in a row: thrown at somebody, an answer, feet, a hold that may be either, a cue, or what else there is. */
export type NameKind = "blow" | "defence" | "feet" | "hold" | "cue" | "other";

/** A name of a move or of several, as the notation writes it. */
export interface Name {
  readonly text: string;
  readonly kind: NameKind;
  /** How many blows it is: `double jab` is two. */
  readonly blows: number;
  /** The words of it that have to be asked about, each a name. */
  readonly asked: readonly string[] | null;
  /** It takes a number behind it, such as `strike 1`. */
  readonly numbered: boolean;
  /** It says nothing without a number, and is a word of its own beside it. */
  readonly needsNumber: boolean;
}

interface Node {
  readonly next: Map<string, Node>;
  name: Name | null;
}

/** All names by their words, and all words of them. */
export interface Lexicon {
  readonly root: Node;
  readonly words: readonly string[];
  /** Names of several words written as one. */
  readonly joined: ReadonlyMap<string, string>;
  readonly names: ReadonlyMap<string, Name>;
}

/** Hands that take hold come at somebody as well as they answer. */
const TAKES: ReadonlySet<string> = new Set(["grip", "touch", "pin"]);

const takesHold = ({ contact, group, answer }: Move): boolean =>
  contact !== undefined && TAKES.has(contact.kind) && (group === "contact" || !answer);

function kindOf(moves: readonly Move[]): NameKind {
  const [first] = moves;
  if (!first) return "other";
  const has = (role: Move["roles"][number]) => moves.some(({ roles }) => roles.includes(role));
  if (first.group === "footwork") return "feet";
  if (first.group === "cue" || (first.cue && !has("feed") && !has("answer"))) return "cue";
  if (moves.some(({ attack }) => attack) || has("feed")) return "blow";
  if (moves.every(takesHold)) return "hold";
  if (has("answer")) return "defence";
  return "other";
}

/** Builds the lexicon of a vocabulary. */
function build(vocabulary: Vocabulary): Lexicon {
  const root: Node = { next: new Map(), name: null };
  const words = new Set<string>();
  const joined = new Map<string, string>();
  const names = new Map<string, Name>();
  const add = (typed: string, name: Name) => {
    const key = nameKey(typed);
    const parts = key.split(" ");
    let node = root;
    for (const part of parts) {
      if (part.length > 1) words.add(part);
      let next = node.next.get(part);
      if (!next) node.next.set(part, (next = { next: new Map(), name: null }));
      node = next;
    }
    node.name ??= name;
    names.set(key, names.get(key) ?? name);
    if (parts.length > 1) joined.set(parts.join(""), key);
  };
  const plain = { asked: null, numbered: false, needsNumber: false };
  for (const [phrase, text] of Object.entries(PLAIN.phrases)) {
    const beats = text.split(", ");
    const kind = kindOf(vocabulary.byName.get(beats[0]!.replace(/^(?:left|right|lead|rear) /, "")) ?? []);
    add(phrase, { ...plain, text, kind, blows: beats.length });
  }
  for (const [phrase, choices] of Object.entries(PLAIN.asked))
    add(phrase, {
      ...plain,
      text: choices[0]!,
      kind: kindOf(vocabulary.byName.get(choices[0]!) ?? []),
      blows: 1,
      asked: choices,
    });
  for (const { names: said, means } of sayings)
    for (const name of said)
      add(name, {
        ...plain,
        text: isList(name, means) ? means.join(", ") : name,
        kind: kindOf(movesIn(means[0]!, vocabulary)),
        blows: means.length,
      });
  for (const [name, moves] of vocabulary.byName)
    if (!/^\d/.test(name))
      add(name, {
        ...plain,
        text: name.replace(/\b(to|on) the (?=(\w+))/, (all, word: string, next: string) =>
          partNamed(next) ? `${word} ` : all,
        ),
        kind: PLAIN.asFeet.has(name) ? "feet" : kindOf(moves),
        blows: 1,
        numbered: moves.some((one) => one.numbered),
        needsNumber: moves.every((one) => one.numbered) && isJoint(name),
      });
  return { root, words: [...words, ...PLAIN.spelt], joined, names };
}

/** `jab cross` only lists its moves. */
const isList = (name: string, means: readonly string[]): boolean =>
  new Set(means).size === means.length && name.split(" ").every((word) => means.some((one) => one.includes(word)));

/** A word that parts a row unless a number follows it. */
const isJoint = (word: string): boolean => PLAIN.against.has(word) || PLAIN.turn.has(word) || PLAIN.then.has(word);

/** The moves of the longest name at the start of a beat. */
export function movesIn(beat: string, { byName }: Vocabulary): readonly Move[] {
  const words = nameKey(beat)
    .split(" ")
    .filter((word) => !/^[lr~]$/.test(word));
  for (let length = words.length; length > 0; length--)
    for (let at = 0; at + length <= words.length; at++) {
      const found = byName.get(words.slice(at, at + length).join(" "));
      if (found) return found;
    }
  return [];
}

const kept = new WeakMap<Vocabulary, Lexicon>();
/** The lexicon of a vocabulary, made once. */
export const lexiconOf = (vocabulary: Vocabulary): Lexicon => keptFor(kept, vocabulary, () => build(vocabulary));

/** Most letters that may differ in a word of a length. */
const mostFor = (length: number): number => (length < 3 ? 0 : length < 7 ? 1 : 2);

/** With each run of a letter as one. */
const single = (word: string): string => word.replace(/(.)\1+/g, "$1");
const sorted = (word: string): string => [...word].sort().join("");

/** Returns the word of the names that a misspelt word is nearest to; null where none is near. */
export function nearestWord({ words }: Lexicon, typed: string): string | null {
  const most = mostFor(typed.length);
  let best = most + 1;
  let found = "";
  for (const word of words) {
    if (Math.abs(word.length - typed.length) > 2 || word.length < 3) continue;
    const swapped = word.length === typed.length && word[0] === typed[0] && sorted(word) === sorted(typed);
    // One other letter makes another word of a short one: there only a doubled or a last letter is a slip.
    if (typed.length < 5 && !swapped && single(word) !== single(typed) && !word.startsWith(typed)) continue;
    const cost = swapped ? 1 : distance(word, typed);
    // A wrong first letter is rare: it makes another word.
    if (cost > most || (word[0] !== typed[0] && cost > 0)) continue;
    // Of two as near the shorter is likelier, where the other only adds an ending.
    if (cost < best || (cost === best && found.startsWith(word))) [best, found] = [cost, word];
  }
  return found === "" ? null : found;
}

/** True for a word that says where a blow goes. */
export const isPart = (word: string): boolean => partNamed(word) !== null;
