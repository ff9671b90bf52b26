/** Texts that nobody should write, by kind; made from a seed, so that a failure can be looked at again. */
import { below, type Random } from "#core/random/random.ts";

const TOKENS = [
  ..."A B C both -> > → <> , + | ; : # ! ? ~ @1/2 @2 { } {#} {1..9} {9..1} ( ) \" ' / \\ . - --".split(" "),
  ..."jab cross hook slip out in cover parry weave block roof forehand backhand high low mid step back grab push".split(
    " ",
  ),
  ..."strike 3 1-2-3 gyaku zuki pak sao to on at head leg left right lead rear with the one two".split(" "),
  ..."title: kind: flow solo sensitivity range: clinch tempo: 50% contact: full A: B: holds stick 71 cm wears gloves".split(
    " ",
  ),
  ..."loop: loop x3: loop swap x4: choose A: choose call: carry: end section one: rules A: no hands no steps".split(
    " ",
  ),
  ..."stay ~jab any time: lands: wrong: game Three clean: A may: B scores: touch: ends: 3 points or 90 s".split(" "),
  "in any order",
  "\ngame Three clean:\n",
  "\nany time: ",
  "\nlands: ",
  "\n",
  "\n\n",
  "  ",
  "\t",
  "\u00a0",
  "\u0085",
  "\u2028",
  "\u0000",
  "\u200f",
  "\ufeff",
  "\ud800",
  "é",
  "🥊",
  "999999999",
];

const pick = <T>(random: Random, from: readonly T[]): T => from[below(random, from.length)]!;
const times = (random: Random, most: number): number => Math.ceil(most * random() ** 4);
const tokens = (random: Random, count: number): string =>
  Array.from({ length: count }, () => pick(random, TOKENS) + (random() < 0.8 ? " " : "")).join("");
const character = (random: Random): string =>
  String.fromCharCode(random() < 0.5 ? below(random, 128) : below(random, 65_536));

/** Ways to write far too much of one thing. */
const LONG: readonly ((random: Random, n: number) => string)[] = [
  (_, n) => `A jab -> B ${"slip out / ".repeat(n)}cover`,
  (_, n) => `A ${"jab + ".repeat(n)}jab -> B cover`,
  (_, n) => `A jab${" -> B slip out -> A cross".repeat(n)}`,
  (_, n) => `A jab -> B ${"slip out | ".repeat(n)}cover`,
  (_, n) => `A ${"jab, ".repeat(n)}jab -> B ${"slip out, ".repeat(n)}cover`,
  (_, n) => "A jab -> B slip out; ".repeat(n),
  (_, n) => `${"loop x2:\n".repeat(n)}A jab -> B step back\n${"end\n".repeat(n)}`,
  (_, n) => `${"loop:\n  ".repeat(n)}A jab -> B slip`,
  (_, n) => `choose A:\n${Array.from({ length: n }, (_x, i) => `l${i}: A jab -> B slip out`).join("\n")}`,
  (random, n) => `A ${Array.from({ length: n }, () => `w${below(random, 1e6)}`).join(" ")} -> B cover`,
  (random, n) => `A ${Array.from({ length: n }, () => `w${below(random, 1e6)}`).join(", ")} -> B cover`,
  (random, n) => Array.from({ length: n }, () => `A q${below(random, 1e6)} -> B slip`).join("\n"),
  (_, n) => "->".repeat(n),
  (_, n) => "{".repeat(n),
  (_, n) => `A ${"j".repeat(n)} -> B cover`,
  (_, n) => `${" ".repeat(n)}title: x\n${" ".repeat(n)}loop:\nA jab`,
  (_, n) => `A: ${"holds stick, ".repeat(n)}minor\nA jab`,
  (_, n) => `A strike {1..${n}} in any order -> B block {#}`,
  (_, n) => `A jab -> B catch\n${"any time: A lead hook -> B cover\n".repeat(n)}`,
  (_, n) => `${"lands: A jab -> B step back\n".repeat(n)}`,
  (_, n) => "game One:\n  A may: jab\n  B may: catch\nend\n".repeat(n),
  (_, n) => `game One:\n  A may: ${"jab | ".repeat(n)}cross\n  B may: ${"catch | ".repeat(n)}cover\nend`,
  (_, n) => `A strike {1..${n}} -> B block {#}, counter {#} | block {#}`,
];

/** A text of one hostile kind, a few characters to a few thousand. */
export function hostileText(random: Random): string {
  const kind = below(random, 4);
  if (kind === 0) return Array.from({ length: times(random, 400) }, () => character(random)).join("");
  if (kind === 1) return pick(random, LONG)(random, times(random, 300));
  return tokens(random, times(random, 120));
}

/** A drill with pieces cut out, doubled, swapped with another drill, or replaced by anything. */
export function mutated(drills: readonly string[], random: Random): string {
  let text = pick(random, drills);
  for (let i = times(random, 8); i > 0; i--) {
    const at = below(random, text.length + 1);
    const to = Math.min(text.length, at + times(random, 60));
    const other = pick(random, drills);
    const from = below(random, other.length);
    const insert = pick(random, [
      "",
      text.slice(at, to).repeat(2),
      other.slice(from, from + 80),
      tokens(random, 3),
      character(random),
    ]);
    text = text.slice(0, at) + insert + text.slice(to);
  }
  return text;
}

/** The kinds that grow, each at about a length in characters: for measuring the cost of a text by its length. */
export const grown = (length: number, random: Random): readonly string[] =>
  LONG.map((make) => {
    const one = make(random, 20).length / 20;
    return make(random, Math.max(1, Math.round(length / one)));
  });
