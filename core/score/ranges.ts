/** `A strike {1..12} -> B block {#}`: one line of text that stands for several. */
import { MAX_RANGE } from "./limits.ts";
import type { Actor, Line, Part, Word } from "./types.ts";

/** The range of a line, or null; a line holds at most one. */
export function rangeOf(line: Line): { first: number; last: number } | null {
  if (!line.several) return null;
  let range: RegExpExecArray | null = null;
  someWord(line, ({ text }) => {
    if (text.startsWith("{")) range = /^\{\s*(\d{1,3})\s*\.\.\s*(\d{1,3})\s*\}$/.exec(text);
    return range !== null;
  });
  if (range === null) return null;
  const [, from, to] = range as RegExpExecArray;
  const first = Number(from);
  const last = Number(to);
  const step = last < first ? -1 : 1;
  return { first, last: first + step * Math.min(Math.abs(last - first), MAX_RANGE - 1) };
}

/** The lines that a line with a range stands for; the line itself where it has none. */
export function expandRange(line: Line): readonly Line[] {
  if (!line.several) return [line];
  const known = expanded.get(line);
  if (known) return known;
  const lines = expand(line);
  expanded.set(line, lines);
  return lines;
}

/** Lines are read again and again while a drill is typed; what they stand for does not change. */
const expanded = new WeakMap<Line, readonly Line[]>();

function expand(line: Line): readonly Line[] {
  const range = rangeOf(line);
  if (!range) return [line];
  const lines: Line[] = [];
  const { from, to, meets, several } = line;
  const step = range.last < range.first ? -1 : 1;
  for (let n = range.first; n !== range.last + step; n += step) {
    lines.push({
      from,
      to,
      meets,
      several,
      turns: line.turns.map((turn) => ({
        ...turn,
        alternatives: turn.alternatives.map((alternative) => ({
          ...alternative,
          beats: alternative.beats.map((beat) => ({
            ...beat,
            parts: beat.parts.map((part) => withNumber(part, n)),
          })),
        })),
      })),
    });
  }
  return lines;
}

function withNumber(part: Part, n: number): Part {
  const { words } = part;
  const kept = words.filter((_, i) => ![1, 2, 3].some((back) => isAnyOrder(words, i - back)));
  return { ...part, words: kept.map((word) => (word.text.startsWith("{") ? { ...word, text: String(n) } : word)) };
}

const ANY_ORDER = ["in", "any", "order"];

/** True where the word at a place is a range with `in any order` behind it. */
export const isAnyOrder = (words: readonly Word[], at: number): boolean =>
  words[at]?.text.startsWith("{") === true &&
  ANY_ORDER.every((text, i) => words[at + 1 + i]?.text.toLowerCase() === text);

/** True where a word of a line is like that; every line is asked, so nothing is made on the way. */
function someWord({ turns }: Line, test: (word: Word) => boolean): boolean {
  for (const { alternatives } of turns)
    for (const { beats } of alternatives)
      for (const { parts } of beats) for (const { words } of parts) if (words.some(test)) return true;
  return false;
}

/** Words for whoever it may be. */
const ANYBODY = /^(?:any|either)$/i;
const isAnybody = ({ text }: Word): boolean => (text.length === 3 || text.length === 6) && ANYBODY.test(text);

/**
 * The lines that a line stands for where it is thrown at any of the others (`at any`) or answered by whoever
 * was attacked (`any`): one for each who may be; the line itself where everybody is named.
 */
export function expandReceivers(line: Line, actors: readonly Actor[]): readonly Line[] {
  if (!line.several) return [line];
  const open = line.turns.some(({ actor }) => actor === "any") || someWord(line, isAnybody);
  if (!open) return [line];
  const first = line.turns[0]!.actor ?? actors[0]!;
  return actors.filter((actor) => actor !== first).map((actor) => namingReceiver(line, actor));
}

function namingReceiver(line: Line, receiver: Actor): Line {
  const word = (one: Word, before: Word | undefined): Word =>
    before && /^at$/i.test(before.text) && ANYBODY.test(one.text) ? { ...one, text: receiver } : one;
  const part = (one: Part): Part => ({ ...one, words: one.words.map((w, i) => word(w, one.words[i - 1])) });
  return {
    ...line,
    turns: line.turns.map((turn) => ({
      ...turn,
      actor: turn.actor === "any" ? receiver : turn.actor,
      alternatives: turn.alternatives.map((alternative) => ({
        ...alternative,
        beats: alternative.beats.map((beat) => ({ ...beat, parts: beat.parts.map(part) })),
      })),
    })),
  };
}

/** A text with ranges as it is said: `strike {1..5} -> B block {#}` is strike 1 to 5 and the block of the same number. */
export const spokenRange = (text: string): string =>
  text.includes("{")
    ? text.replace(/\{\s*(\d+)\s*\.\.\s*(\d+)\s*\}/g, "$1 to $2").replace(/\{#\}/g, "of the same number")
    : text;
