/** A part of a beat to a move with its modifiers, for what somebody holds and the drill is. */
import { Bounded, keptFor } from "../base/bounded.ts";
import type { Part } from "../score/types.ts";
import { FILLER, findMove, HEIGHT_WORDS, isModifierWord, movesIn, SIDES, takePhrases, WAYS } from "./find-move.ts";
import { partNamed } from "../words/part-names.ts";
import { canHold, nearestNames, type Vocabulary } from "../words/vocabulary.ts";
import { cycleVersion } from "../words/cycles.ts";
import { notModelled } from "../words/shipped.ts";
import type { Meaning, MoveUse, PartRef, WordContext, WordFault } from "./types.ts";
import { plainUse } from "./plain-use.ts";
import { wordsOf } from "./words-of.ts";

/** What a part means, with what is wrong with its words; faults are given the place of the part. */
export interface Reading {
  readonly meaning: Meaning | null;
  readonly faults: readonly WordFault[];
}

/** Readings kept for a vocabulary for sure; drills say the same few things often. */
const MOST_READINGS = 5000;
const readings = new WeakMap<Vocabulary, Bounded<string, Reading>>();
const keys = new WeakMap<WordContext, string>();

/** The same for two contexts in which all words mean the same. */
export const contextKey = (context: WordContext): string =>
  keptFor(
    keys,
    context,
    (c) => `${c.holds}|${c.twoSticks}|${c.off?.kind}${c.off?.hand}|${c.pads}|${c.kind}|${c.tradition}|${c.numbering}|`,
  );

/** Reads the words of a part. What they mean is one object for equal words, without a place of its own. */
export function readPart(part: Part, vocabulary: Vocabulary, context: WordContext): Reading {
  let key = contextKey(context);
  for (const word of part.words) key += `${word.text} `;
  return keptFor(readings, vocabulary, () => new Bounded<string, Reading>(MOST_READINGS)).of(key, () => {
    const faults: WordFault[] = [];
    const meaning = new PartReader(part, vocabulary, context, faults).read();
    return { meaning, faults };
  });
}

/** `A slips` as `slip`, `punches` as `punch`. */
const plainWord = (word: string): string => word.replace(/(?<=ss|sh|ch|x)es$|(?<![s\d])s$/, "");

/** `hold left pad` as `hold pad left`: which hand holds it says no other move. */
function withPadsFirst<T extends { readonly words: string[] }>(said: T): T {
  const at = said.words.findIndex((word, i) => i > 1 && /^(?:pads?|mitts?)$/.test(word) && said.words[i - 1]! in SIDES);
  if (at < 0 || !/^(?:hold|show)$/.test(said.words[at - 2]!)) return said;
  const words = [...said.words];
  words.splice(at - 1, 2, words[at]!, words[at - 1]!);
  return { ...said, words };
}

/** Two words of a part that cannot both hold, such as high and low; null where there are none. */
function contradicts(words: readonly string[]): { one: string; two: string } | null {
  for (const list of EXCLUSIVE) {
    const said = [...new Set(words.filter((word) => Object.hasOwn(list, word)))];
    const two = said.find((word) => list[word] !== list[said[0]!]);
    if (two) return { one: said[0]!, two };
  }
  return null;
}

/** Words of which one excludes the other. */
const EXCLUSIVE: readonly Readonly<Record<string, string>>[] = [
  HEIGHT_WORDS,
  { lead: "lead", front: "lead", rear: "rear" },
  { left: "left", right: "right" },
  { in: "in", inside: "in", out: "out", outside: "out" },
];

/** How often something is done, as it is said and not written. */
const TIMES = /^(?:x([2-9])|([2-9])x|twice)$/;

type Draft = { -readonly [K in keyof MoveUse]: MoveUse[K] };

class PartReader {
  constructor(
    private readonly part: Part,
    private readonly vocabulary: Vocabulary,
    private readonly context: WordContext,
    private readonly faults: WordFault[],
  ) {}

  read(): Meaning | null {
    const said = withPadsFirst(wordsOf(this.part));
    const found =
      findMove(said.words, this.vocabulary, this.context) ??
      findMove(said.words.map(plainWord), this.vocabulary, this.context);
    if (!found) return this.unknown(said.words);
    const { move, target, on, at, pad, facing } = found;
    const { feint, commitment, length } = said;
    const use: Draft = { ...plainUse(move), text: this.text, target, on, at, pad, facing, feint, commitment, length };
    if (move.numbered && !found.rest.some((word) => /^\d+$/.test(word))) return this.numbered(use, null);
    const modified = this.modify(use, found.rest);
    if (!modified) return null;
    if (use.on === null && move.onlyOn?.some((name) => said.words.includes(name))) return this.unknown(said.words);
    const { number } = modified;
    if (move.numbered) return this.numbered(use, number);
    if (number !== null && move.cycle) use.count = number;
    else if (number !== null) {
      if (move.group !== "footwork" && !move.answer?.some((m) => m.by === "displace"))
        return this.stray(String(number), use);
      use.degrees = number;
    }
    return this.able(use);
  }

  private get text(): string {
    return this.part.words.map((w) => w.text).join(" ");
  }

  private unknown(words: readonly string[]): null {
    const said = words.join(" ");
    const beyond = notModelled.find(({ names }) => names.some((name) => ` ${said} `.includes(` ${name} `)));
    if (beyond) return this.fault("not-modelled", "not-modelled", { typed: said, instead: beyond.instead });
    const own = takePhrases(words).left.filter((w) => !isModifierWord(w));
    const typed = own.join(" ") || words.join(" ");
    return this.fault("unknown-move", "unknown", { typed }, nearestNames(this.vocabulary, typed));
  }

  /** Puts the words beside the name into the use; null where one of them says nothing about it. */
  private modify(use: Draft, rest: readonly string[]): { number: number | null } | null {
    let number: number | null = null;
    const against = contradicts(rest);
    if (against) return this.fault("bad-move", "contradicts", { move: use.move.name, ...against });
    for (const word of rest) {
      if (word === "l" || word === "r") use.hand = word === "l" ? "left" : "right";
      else if (word in SIDES) use.side = SIDES[word]!;
      else if (word in WAYS) use.way = WAYS[word]!;
      else if (word in HEIGHT_WORDS) use.height = HEIGHT_WORDS[word]!;
      else if (word === "intercept") use.intercept = true;
      else if (/^\d{1,3}$/.test(word)) number = Number(word);
      else if (use.move.cycle && cycleVersion(use.move.cycle, word)) use.version = word;
      else if (!this.aims(use, word) && !FILLER.has(word)) return this.stray(word, use);
    }
    return { number };
  }

  /** A part of the body named without `to` or `on`. */
  private aims(use: Draft, word: string): boolean {
    const part = partNamed(word);
    if (!part) return false;
    const ref: PartRef = { part, side: use.side };
    if (use.move.contact || use.move.energy) use.on ??= ref;
    else if (use.move.attack) use.target ??= ref;
    else return false;
    return true;
  }

  /** `strike N`, `block N`, `counter N`: a line of the numbering set. */
  private numbered(use: Draft, number: number | null): Meaning | null {
    const { numbering } = this.vocabulary;
    const set = numbering.get(this.context.numbering) ?? numbering.get("twelve angles");
    const angle = number === null ? undefined : set?.angles?.[number - 1];
    if (angle) return { kind: "numbered", use, role: use.move.numbered!, angle };
    return this.fault("bad-move", "number", {
      move: use.move.name,
      number: String(number ?? ""),
      set: this.context.numbering,
      most: String(set?.angles?.length ?? 0),
    });
  }

  /** A move that contradicts itself whoever stands how (a high sweep), or needs what nobody holds. */
  private able(use: Draft): Meaning | null {
    const { move } = use;
    // A pad that nobody wears is missing gear, which is said as such.
    if (!move.cue && !canHold(move, this.context))
      return this.fault("bad-move", "needs", { move: move.name, needs: String(move.needs) });
    // What only the other tool can do is done by the hand that has it.
    const { off } = this.context;
    if (off && !use.side && !use.hand && !canHold(move, { ...this.context, off: null })) use.hand = off.hand;
    if (use.height && move.attack && move.heights && !move.heights.includes(use.height)) {
      const heights = move.heights.join(", ");
      return this.fault("bad-move", "height", { move: move.name, height: use.height, heights });
    }
    if (use.side && move.sides === "way" && (use.side === "left" || use.side === "right")) use.way = use.side;
    return { kind: "move", use };
  }

  private stray(word: string, { move }: Draft): null {
    const times = TIMES.exec(word);
    if (times) {
      const once = this.part.words.filter((one) => one.text.toLowerCase() !== word).map((one) => one.text);
      const often = times[1] ?? times[2];
      const apart = Array.from({ length: often ? Number(often) : 2 }, () => once.join(" ")).join(", ");
      return this.fault("syntax", "times", { apart });
    }
    const behind = this.part.words.map(({ text }) => text.toLowerCase());
    const part = word === "to" || word === "on" ? behind[behind.indexOf(word) + 1] : undefined;
    if (part && !partNamed(part)) return this.fault("syntax", "part", { part, word });
    const several = movesIn(wordsOf(this.part).words, this.vocabulary);
    if (several.length > 1) return this.fault("syntax", "two-moves", { apart: several.join(", ") });
    return this.fault("syntax", "modifier", { word, move: move.name });
  }

  private fault(
    rule: WordFault["rule"],
    code: string,
    params: Record<string, string>,
    nearest: readonly string[] = [],
  ): null {
    this.faults.push({ from: 0, to: 0, rule, code, params, nearest });
    return null;
  }
}
