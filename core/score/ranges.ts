/** `A strike {1..12} -> B block {#}`: one line of text that stands for several. */
import { MAX_RANGE } from "./limits.ts";
import type { Actor, Line, Part, Word } from "./types.ts";

/** The range of a line, or null; a line holds at most one. */
export function rangeOf(line: Line): { first: number; last: number } | null {
  for (const word of wordsIn(line)) {
    if (!word.text.startsWith("{")) continue;
    const range = /^\{\s*(\d{1,3})\s*\.\.\s*(\d{1,3})\s*\}$/.exec(word.text);
    if (range) {
      const first = Number(range[1]);
      const last = Number(range[2]);
      const step = last < first ? -1 : 1;
      return { first, last: first + step * Math.min(Math.abs(last - first), MAX_RANGE - 1) };
    }
  }
  return null;
}

/** The lines that a line with a range stands for; the line itself where it has none. */
export function expandRange(line: Line): readonly Line[] {
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
  const step = range.last < range.first ? -1 : 1;
  for (let n = range.first; n !== range.last + step; n += step) {
    lines.push({
      ...line,
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
  const words = part.words.map((word) => (word.text.startsWith("{") ? { ...word, text: String(n) } : word));
  return { ...part, words };
}

function wordsIn(line: Line): Word[] {
  const words: Word[] = [];
  for (const turn of line.turns)
    for (const alternative of turn.alternatives)
      for (const beat of alternative.beats) for (const part of beat.parts) words.push(...part.words);
  return words;
}

/** Words for whoever it may be. */
const ANYBODY = /^(?:any|either)$/i;

/**
 * The lines that a line stands for where it is thrown at any of the others (`at any`) or answered by whoever
 * was attacked (`any`): one for each who may be; the line itself where everybody is named.
 */
export function expandReceivers(line: Line, actors: readonly Actor[]): readonly Line[] {
  const open = line.turns.some(({ actor }) => actor === "any") || wordsIn(line).some(({ text }) => ANYBODY.test(text));
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
