/**
 * The rules of the checker, a row each: how grave a breach is, what it decides, the question under which a
 * school grades it, and its words. A rule that is raised nowhere fails a test.
 */
import { keysOf } from "../base/keys.ts";
import { VERDICT_WORDS } from "../base/verdict-words.ts";
import {
  anyTimeWords,
  badMove,
  fill,
  gameWords,
  headerWords,
  justEnough,
  lineOpen,
  busyWords,
  minorWords,
  openingWords,
  outOfReach,
  padWords,
  syntaxWords,
  wrongMaterial,
} from "./words.ts";

/** How grave a finding is. */
export type Severity = "error" | "risk" | "note";
/** The values that a message is filled with. */
export type Params = Readonly<Record<string, string | number>>;

interface Rule {
  readonly severity: Severity;
  /** A breach decides the verdict of its exchange, or only that of the drill as a whole. */
  readonly decides: "exchange" | "score";
  /** What a school is asked when it grades the rule; null: it is no matter of opinion. */
  readonly question: string | null;
  readonly says: (p: Params) => string;
}

/** Below this a ceiling is none, % of full speed. */
const HARDLY = 5;

const TABLE = {
  syntax: {
    severity: "error",
    decides: "exchange",
    question: null,
    says: (p) => fill(syntaxWords[String(p.code)] ?? syntaxWords.unreadable!, p),
  },
  "unknown-move": {
    severity: "error",
    decides: "exchange",
    question: null,
    says: (p) =>
      p.nearest
        ? fill("We don’t know “{typed}”. Did you mean {nearest}?", {
            ...p,
            nearest: String(p.nearest).replace(/, ([^,]+)$/, " or $1"),
          })
        : fill("We don’t know “{typed}”. Look for it under Moves, or add it there as your own.", p),
  },
  "not-modelled": {
    severity: "error",
    decides: "exchange",
    question: null,
    says: (p) => fill("“{typed}” is known, and not judged here. {instead}", p),
  },
  "bad-move": {
    severity: "error",
    decides: "exchange",
    question: null,
    says: badMove,
  },
  "out-of-reach": {
    severity: "error",
    decides: "exchange",
    question: "A blow cannot land",
    says: (p) => fill(outOfReach[`${p.code}${p.stepped ? "-stepped" : ""}`] ?? outOfReach.feed!, p),
  },
  "too-close": {
    severity: "error",
    decides: "exchange",
    question: "There is no room for the blow",
    says: (p) => fill("No room for the {move} here. Start further out, or use a shorter one.", p),
  },
  "line-open": {
    severity: "error",
    decides: "exchange",
    question: "The answer does not clear or stop the attack",
    says: (p) => fill(lineOpen[String(p.code)] ?? lineOpen.other!, p),
  },
  "wrong-material": {
    severity: "error",
    decides: "exchange",
    question: "A bare limb goes to an edge, a point or the fast end of a stick",
    says: (p) =>
      fill(p.limb === "shin" ? wrongMaterial.bone! : (wrongMaterial[String(p.what)] ?? wrongMaterial.other!), p),
  },
  "limb-busy": {
    severity: "error",
    decides: "exchange",
    question: "One hand does two things at once, or both feet leave the floor",
    says: (p) => fill(busyWords[String(p.code)] ?? busyWords.limb!, p),
  },
  "limb-pinned": {
    severity: "error",
    decides: "exchange",
    question: "A held hand works all the same",
    says: (p) => fill("{by} holds {actor}’s {limb}: no {move} with it. Free it first, or use the other one.", p),
  },
  "not-recovered": {
    severity: "error",
    decides: "exchange",
    question: "The next move comes before balance is back",
    says: (p) =>
      p.state === "down"
        ? fill("{actor} is still down there. Write `recover` before the {move}.", p)
        : fill("{actor} has turned too far for the {move}. Write `recover` before it.", p),
  },
  "no-answer": {
    severity: "error",
    decides: "exchange",
    question: "A feed without an answer",
    says: (p) =>
      fill(
        p.code === "attack"
          ? "Hitting back doesn’t stop the {feed}. Defend first, or write `intercept` with a blow that gets there before it."
          : "{actor} has no answer to the {feed}.",
        p,
      ),
  },
  "cue-open": {
    severity: "note",
    decides: "score",
    question: "Nobody acts on a cue",
    says: (p) => fill("Nobody acts on the {cue}. Write what the partner does: `-> B jab`.", p),
  },
  pad: {
    severity: "risk",
    decides: "exchange",
    question: "A pad is not where the blow goes",
    says: (p) => fill(padWords[String(p.code)] ?? padWords.height!, p),
  },
  "no-meet": {
    severity: "error",
    decides: "exchange",
    question: "Two blows do not meet",
    says: (p) => fill(p.code === "cycle" ? "Out of step: {why}." : "The two blows do not meet: {why}.", p),
  },
  "rule-broken": {
    severity: "error",
    decides: "exchange",
    question: "The drill’s own rule is broken",
    says: (p) => {
      if (p.code === "resisting")
        return fill(
          "The {move} goes against the {feed}, and this drill says no resisting. Give with the side that is pushed.",
          p,
        );
      if (p.code === "unseen")
        return fill("{actor} sees nothing of the {feed} with closed eyes. Touch first, or call it.", p);
      if (p.code === "touch-lies")
        return fill("The touch is on the {touch}, and the {move} comes on the {push}: touch where it comes.", p);
      return fill(
        p.rule === "touch first"
          ? "Touch first: write `touch on chest,` before the {move}."
          : "{move} breaks “{rule}”. Answer without it, or change the rule.",
        p,
      );
    },
  },
  resisting: {
    severity: "error",
    decides: "exchange",
    question: "The answer goes against the push",
    says: (p) =>
      fill(
        p.code === "receives"
          ? "The {move} holds against the {feed}, and this drill gives: go with the side that is pushed."
          : "The {move} goes against the {feed}. Give with it, or turn it aside.",
        p,
      ),
  },
  "inside-line": {
    severity: "risk",
    decides: "exchange",
    question: "An answer ends in line with the other hand",
    says: (p) =>
      fill("This ends inside, in front of the other hand: the {next} is open. Go outside, or hit with it.", p),
  },
  "off-balance": {
    severity: "risk",
    decides: "exchange",
    question: "The head goes beyond the feet",
    says: (p) => fill("Too far over: no balance for what comes next. Move less, or take a step.", p),
  },
  tight: {
    severity: "risk",
    decides: "exchange",
    question: "It works only just",
    says: (p) => fill(justEnough[String(p.code)] ?? justEnough.other!, p),
  },
  late: {
    severity: "risk",
    decides: "score",
    question: "Too late at the tempo of the drill",
    says: (p) =>
      fill(
        Number(p.ceiling) < HARDLY
          ? "Not in time from here. Start it as they move, or take a nearer answer."
          : "Too slow at {tempo}%: it works up to {ceiling}%. Feed slower, start earlier, or take a nearer answer.",
        p,
      ),
  },
  "ambiguous-cue": {
    severity: "risk",
    decides: "score",
    question: "Two feeds look alike until it is too late",
    says: (p) =>
      p.one === p.two
        ? fill("Same {one}, two answers: call it, or let the answerer choose.", p)
        : fill("“{one}” and “{two}” look the same until it is too late. Call them, or give both one answer.", p),
  },
  reload: {
    severity: "note",
    decides: "score",
    question: "A blow without weight behind it",
    says: (p) =>
      fill(
        "No weight behind the {move}: the blow before came from the same side. Step, or hit with the other first.",
        p,
      ),
  },
  "follow-up": {
    severity: "note",
    decides: "score",
    question: "What the feeder could still hit with",
    says: (p) => fill("{actor} could still be hit by the {next}.", p),
  },
  "any-time": {
    severity: "error",
    decides: "score",
    question: null,
    says: (p) => fill(anyTimeWords[String(p.code)] ?? anyTimeWords.shape!, p),
  },
  game: {
    severity: "error",
    decides: "score",
    question: null,
    says: (p) => fill(gameWords[String(p.code)] ?? gameWords.hole!, p),
  },
  "wrong-valid": {
    severity: "note",
    decides: "score",
    question: null,
    says: () => "This is shown as wrong, and it works. Write what goes wrong in it, or take `wrong:` away.",
  },
  "no-step": {
    severity: "note",
    decides: "score",
    question: "A feed lands without a step",
    says: (p) => fill("The {move} lands without a step. Start a step further out.", p),
  },
  ruling: {
    severity: "note",
    decides: "score",
    question: null,
    says: (p) => fill("The school rules this {word}: {reason}", { ...p, word: ruledWord(p.verdict) }),
  },
  header: {
    severity: "note",
    decides: "score",
    question: null,
    says: (p) => fill(headerWords[String(p.code)] ?? headerWords["header-key"]!, p),
  },
  "loop-open": {
    severity: "error",
    decides: "score",
    question: "A cycle does not end where it began",
    says: (p) =>
      fill(
        p.code === "sides"
          ? "Each pass ends on the other side, and two bring you back: go on for an even number."
          : p.code === "stops"
            ? "After {times} times it stops half way, at count {count} of {counts}. Make it {better}."
            : "The cycle doesn’t close: {what}. Add a row that takes it back.",
        p,
      ),
  },
  "training-tool": {
    severity: "error",
    decides: "score",
    question: null,
    says: (p) =>
      fill("{actor} holds a live blade. Only blunt training blades belong in a drill: write `training knife`.", p),
  },
  "gear-missing": {
    severity: "risk",
    decides: "score",
    question: "Gear for the tempo and the contact is missing",
    says: (p) =>
      fill(
        p.code === "mats"
          ? "{actor} may end on the floor: work on mats, and write `mats: yes` where they lie."
          : "{actor} needs {gear} for {why}.",
        p,
      ),
  },
  "unsafe-target": {
    severity: "risk",
    decides: "score",
    question: "An unsafe target",
    says: (p) => fill("No strikes to the {part} in class. Aim at the {instead}.", p),
  },
  "weight-gap": {
    severity: "risk",
    decides: "score",
    question: "A large gap of weight in contact",
    // What somebody weighs is nobody else's business, also on a card for two.
    says: (p) => fill("{actor} is {percent}% heavier, a large gap for contact. Do this only without contact.", p),
  },
  "blade-arm": {
    severity: "risk",
    decides: "score",
    question: "A bare hand works near an edge",
    says: (p) =>
      fill(
        "A bare hand works near an edge ({move}). Even with a blunt blade say so each time: against a real one the hand is cut.",
        p,
      ),
  },
  minor: {
    severity: "risk",
    decides: "score",
    question: "What minors should not do or take",
    says: (p) => fill(minorWords[String(p.code)] ?? minorWords.contact!, p),
  },
  "close-touch": {
    severity: "note",
    decides: "score",
    question: "Close touch with minors, and with people who ask for none",
    says: (p) => fill("For {actor} the {move} goes to {instead}.", p),
  },
  "too-many": {
    severity: "note",
    decides: "score",
    question: "A long row in a drill for beginners",
    says: (p) => fill("{count} feeds in one row are a lot for beginners. Split it, or take some out.", p),
  },
  stays: {
    severity: "note",
    decides: "score",
    question: "A person who struck stays in reach",
    says: (p) => fill("{actor} stays there after the last blow. End with `leave`: hands up, look round, away.", p),
  },
  opening: {
    severity: "note",
    decides: "score",
    question: "What a guard, or too much weight, leaves open",
    says: (p) => fill(openingWords[String(p.code)] ?? openingWords.guard!, p),
  },
  chain: {
    severity: "note",
    decides: "score",
    question: "A blow counts on the one before it",
    says: (p) =>
      fill(
        p.code === "misses"
          ? "The {move} counts on the {first}: if that misses, it doesn’t get there. Have something ready."
          : "If the {first} lands, they move away from the {move}. Step in with it.",
        p,
      ),
  },
} as const satisfies Record<string, Rule>;

/** The name of a rule. */
export type RuleId = keyof typeof TABLE;
/** The word for a school's own verdict. */
const ruledWord = (verdict: unknown): string =>
  verdict === "valid" || verdict === "invalid" ? VERDICT_WORDS[verdict] : VERDICT_WORDS.risky;

/** All rules by name. */
export const RULES: Readonly<Record<RuleId, Rule>> = TABLE;
/** The names of all rules. */
export const RULE_IDS = keysOf(TABLE);
/** Returns true for the name of a rule. */
export const isRule = (text: string): text is RuleId => Object.hasOwn(TABLE, text);

/** Rules that a school can grade, with the question it is asked. */
export const GRADABLE = RULE_IDS.filter((rule) => RULES[rule].question !== null);

/** The message of a finding. */
export const message = (rule: RuleId, params: Params): string => RULES[rule].says(params);
